package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/** Going round the tanks, and saying what a tank is. */
class RoundsAndMakeUpStoryTest {
  private static final String GRAMS = "[data-field=gramsPerFeed]";

  private Page page;

  @BeforeEach
  void openBrowser() {
    page = new Page(Application.shared().address()).enterDemo();
  }

  @AfterEach
  void closeBrowser() {
    page.close();
  }

  private void press(String tank, String words) {
    page.await(
            words + " can be pressed",
            d -> {
              WebElement button =
                  page.line(tank)
                      .findElement(By.xpath(".//button[normalize-space()='" + words + "']"));
              return button.isEnabled() ? button : null;
            })
        .click();
  }

  private void undo() {
    page.undo();
  }

  @Test
  void aChangeIsDonePostponedAndSkippedStraightFromTheLineAndEachIsUndone() {
    String before = page.line("Breakwater").getText();
    assertThat(before).contains("Due: renew adsorber");
    press("Breakwater", "Change done");
    page.awaitText("toast", "Breakwater: Change of");
    undo();
    page.await(
        "as before", d -> !page.sees("toast") && page.line("Breakwater").getText().equals(before));

    // only a routine that is kept whatever the water says has days that can be moved
    assertThat(before).doesNotContain("A day later");
    changeWater("fixed-routine");
    String fixed = page.line("Breakwater").getText();
    press("Breakwater", "A day later");
    page.awaitText("toast", "Breakwater: a day later");
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(fixed));

    press("Breakwater", "Skip this one");
    page.awaitText("toast", "Breakwater: skipped");
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(fixed));
    changeWater("by-need");
    page.await("by need again", d -> page.line("Breakwater").getText().equals(before));
  }

  /** Says in Breakwater's make-up what makes its keeper change water. */
  private void changeWater(String stance) {
    page.openTank("Breakwater");
    page.named("Make-up").click();
    new Select(page.see("stance")).selectByValue(stance);
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
    page.open("/");
    page.awaitRounds();
  }

  @Test
  void roundsAreWalkedRoomByRoomOnAPhone() {
    int all = page.countSettled("rounds-line");
    page.named("Main hall").click();
    page.await("two tanks there", d -> page.count("rounds-line") == 2);
    page.named("everywhere").click();
    page.await("all", d -> page.count("rounds-line") == all);

    page.size(390, 844).reload();
    page.awaitRounds();
    page.named("all " + all).click();
    page.await("all in one line each", d -> page.count("rounds-line") == all);
    // the most urgent stands open already
    if (!page.line("Saltings").getText().contains("Open Saltings")) {
      page.reach(page.line("Saltings")).findElement(By.tagName("button")).click();
    }
    page.await("opened", d -> page.line("Saltings").getText().contains("Open Saltings"));
    page.reach(page.line("Breakwater")).findElement(By.tagName("button")).click();
    page.await("opened", d -> page.line("Breakwater").getText().contains("Open Breakwater"));
    assertThat(page.line("Saltings").getText()).contains("Main hall").doesNotContain("Open");
    page.named("by room").click();
    page.await("rooms", d -> !page.all("h2").isEmpty());
    assertThat(page.line("Breakwater").getText()).doesNotContain("Main hall");
    Number width =
        (Number) page.script("return document.documentElement.scrollWidth - window.innerWidth");
    assertThat(width.intValue()).as("no sideways scrolling").isLessThanOrEqualTo(0);

    page.see("note-at-hand").click();
    page.named("Paddy").click();
    page.see("entry-line");
  }

  @Test
  void aTankIsPutAwayAndDeletedAndComesBackBothTimes() {
    page.awaitRounds();
    int tanks = page.countSettled("rounds-line");
    page.openTank("Paddy");
    page.named("Make-up").click();
    page.see("put-away").click();
    page.awaitText("toast", "Paddy is put away");
    page.await("one less", d -> page.count("rounds-line") == tanks - 1);
    page.see("account").click();
    page.awaitText("sessions", "A computer");
    page.awaitText("put-away", "Paddy");
    page.named("Look after it again").click();
    page.awaitText("toast", "Paddy is looked after again");

    page.open("/").openTank("Paddy");
    page.named("Make-up").click();
    page.see("ask-delete").click();
    page.see("delete-tank").click();
    page.awaitText("toast", "Paddy is deleted");
    page.await("one less", d -> page.count("rounds-line") == tanks - 1);
    page.see("account").click();
    page.awaitText("deleted", "Paddy gone for good on");
    // a notice lies over the foot of a long page
    page.awaitGone("toast");
    // other stories leave deleted tanks as well
    page.see("deleted")
        .findElement(
            By.xpath(".//li[contains(., 'Paddy')]//button[normalize-space()='Bring it back']"))
        .click();
    page.awaitText("toast", "Paddy is back");
    page.open("/");
    page.await("all again", d -> page.count("rounds-line") == tanks);
  }

  @Test
  void whoeverFeedsMeanwhileHasAPageWithoutAnAccount() {
    page.enterAsNewKeeper();
    String tank = UUID.randomUUID().toString();
    page.takeIn(
        tank,
        """
        {"format": "umberline-tank", "version": 1,
         "tank": {"name": "Pond", "water": "freshwater", "netVolumeL": 200,
                  "startedOn": "2025-05-01", "timeZone": "UTC"},
         "lines": {"nitrate": {"ceilingMgL": 40}}}
        """);
    String address =
        (String)
            page.scriptLater(
                """
                const done = arguments[arguments.length - 1];
                const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]*)/)[1]);
                const day = (later) => new Date(Date.now() + later * 864e5).toISOString().slice(0, 10);
                fetch('/api/tanks/%s/sitters', {method: 'POST',
                  headers: {'Content-Type': 'application/json', 'X-XSRF-TOKEN': token},
                  body: JSON.stringify({from: day(-1), to: day(3), gramsPerDay: 0.5})})
                  .then(r => r.json()).then(made => done(made.address));
                """
                    .formatted(tank));
    page.size(390, 844).open(address);
    page.awaitText("sitting", "One portion of 0.5 g");
    page.see("sitter-fed").click();
    page.awaitText("sitter-done", "Noted: fed.");
    page.see("sitter-wrong").click();
    page.see("sitter-remark").sendKeys("the lamp is out");
    page.see("sitter-say").click();
    page.awaitText("sitter-done", "Noted. Call if it can");
    page.size(1280, 800).open("/");
    page.await("the keeper is told", d -> page.line("Pond").getText().contains("the lamp is out"));
    page.open(address + "0");
    page.awaitText("sitting", "This page is not open today.");
  }

  @Test
  void aTankIsSharedByALinkThatWorksOnce() {
    page.openPlace("Quarry", "make-up");
    new Select(page.see("share-role")).selectByValue("READER");
    page.see("invite").click();
    String address = page.see("invitation").findElement(By.tagName("code")).getText();
    page.enterAsNewKeeper();
    page.openAt(address);
    page.awaitText("joined", "You are let in: Quarry.");
    page.openAt(address);
    page.awaitText("joined", "This link lets nobody in.");
    page.open("/");
    page.line("Quarry");
    page.openPlace("Quarry", "log");
    page.awaitText("reads-only", "You may look at this tank.");
    assertThat(page.sees("entry-line")).isFalse();
    page.openPlace("Quarry", "make-up");
    page.awaitText("sharing", "You: looks at everything.");
    page.see("leave-tank").click();
    page.see("new-tank");
    assertThat(page.sees("rounds-line")).isFalse();
  }

  @Test
  void anEntryOfTheMakeUpSaysAtOnceWhatItDoesIsKeptAndUndone() {
    page.openTank("Paddy");
    page.named("Make-up").click();
    page.awaitText("effect-routine", "No change is needed");
    page.see("add-feeding").click();
    page.await(
        "half a gram a day wants water",
        d -> !page.see("effect-routine").getText().contains("is needed"));
    WebElement ration = ration("0.5");
    assertThat(ration.getText()).contains("mg N");
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
    page.reload();
    page.see("effect-routine");

    blank(ration("0.5"), "gramsPerFeed").sendKeys(Keys.chord(Keys.CONTROL, "a"), "-3", Keys.TAB);
    page.see("make-up-problem");
    assertThat(ration("-3").getText()).contains("Weight of a feed must be at least 0 g");
    page.script(
        "arguments[0].click()",
        ration("-3").findElement(By.xpath(".//button[normalize-space()='leave out']")));
    page.awaitText("effect-routine", "No change is needed");
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
  }

  /** The ration of so many grams a feed. */
  private WebElement ration(String grams) {
    return page.await(
        "a ration of " + grams,
        d ->
            page.all("[data-testid=make-up-entry]").stream()
                .filter(entry -> !entry.findElements(By.cssSelector(GRAMS)).isEmpty())
                .filter(entry -> grams.equals(blank(entry, "gramsPerFeed").getAttribute("value")))
                .findFirst()
                .orElse(null));
  }

  private static WebElement blank(WebElement entry, String field) {
    return entry.findElement(By.cssSelector("[data-field=" + field + "]"));
  }

  @Test
  void aNewTankIsToldInAShortTalkAndHasItsFirstForecast() {
    page.see("new-tank").click();
    page.see("next-question").click();
    page.await(
        "says what is missing",
        d -> d.findElement(By.cssSelector("[role=alert]")).getText().contains("How much water"));
    page.all("[data-field=name]").get(0).sendKeys("Rock pool", Keys.TAB);
    page.named("Find the net volume").click();
    page.named("Work it out").click();
    page.awaitText("volume-found", "L");
    page.see("volume-take").click();
    answer("sensitive fish, fry, shrimp or amphibians");
    page.see("next-question").click();
    page.all("[aria-label='more: small fish']").get(0).click();
    answer("a pinch of flakes", "every other day");
    page.awaitText("preview", "Nitrate settles somewhere between");
    answer("moss");
    answer("a sponge filter", "for about a year");
    answer("about a quarter every week");
    page.awaitText("told", "its water changed about a quarter every week with tap water");
    page.see("start-tank").click();
    page.see("tideline");
    page.awaitText("sentence", "Test nitrate first");
    page.see("ledger");
    assertThat(Integer.parseInt(page.see("change-done").getAttribute("data-count"))).isPositive();
    page.note("no3 5");
    page.await(
        "the test settled it", d -> !page.see("sentence").getText().contains("Test nitrate first"));
  }

  /** Leaving the field says the tank in a line above, and the button lies lower than it did. */
  @Test
  void aPressCountsThoughWhatWasTypedMovedThePage() {
    page.see("new-tank").click();
    page.await(
            "asks its volume",
            d -> page.all("[data-field=litres]").stream().findFirst().orElse(null))
        .sendKeys("60");
    page.see("next-question").click();
    page.awaitText("told", "60 L");
    page.await(
        "asks on", d -> d.findElement(By.tagName("h1")).getText().contains("What is it kept for"));
  }

  /** Goes on to the next question and presses its answers. */
  private void answer(String... answers) {
    page.see("next-question").click();
    for (String answer : answers) {
      page.named(answer).click();
    }
  }
}
