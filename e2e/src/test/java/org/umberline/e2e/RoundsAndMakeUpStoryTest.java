package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/** Going round the tanks, and saying what a tank is. */
class RoundsAndMakeUpStoryTest {
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
    page.see("toast").findElement(By.xpath(".//button[text()='Undo']")).click();
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
    keepFixedRoutine();
    String fixed = page.line("Breakwater").getText();
    press("Breakwater", "A day later");
    page.awaitText("toast", "Breakwater: a day later");
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(fixed));

    press("Breakwater", "Skip this one");
    page.awaitText("toast", "Breakwater: skipped");
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(fixed));
    keepFixedRoutine();
    page.await("by need again", d -> page.line("Breakwater").getText().equals(before));
  }

  /** Ticks or unticks in Breakwater's make-up that its routine is kept whatever the water says. */
  private void keepFixedRoutine() {
    page.openTank("Breakwater");
    page.named("Make-up").click();
    page.see("fixed-routine").click();
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
    page.open("/");
    page.see("rounds-line");
  }

  @Test
  void roundsAreWalkedRoomByRoomOnAPhone() {
    page.size(390, 844).reload();
    page.see("rounds-line");
    page.named("Main hall").click();
    page.await("two tanks there", d -> page.count("rounds-line") == 2);
    assertThat(page.see("rounds-line").getText()).contains("Main hall");
    Number width =
        (Number) page.script("return document.documentElement.scrollWidth - window.innerWidth");
    assertThat(width.intValue()).as("no sideways scrolling").isLessThanOrEqualTo(0);
    page.named("everywhere").click();
    page.await("all", d -> page.count("rounds-line") >= 5);
  }

  @Test
  void aTankIsPutAwayAndDeletedAndComesBackBothTimes() {
    page.see("rounds-line");
    int tanks = page.count("rounds-line");
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
    page.named("Bring it back").click();
    page.awaitText("toast", "Paddy is back");
    page.open("/");
    page.await("all again", d -> page.count("rounds-line") == tanks);
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
    WebElement ration = entry("0.5 g Small flake");
    assertThat(ration.getText()).contains("mg N");
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
    page.reload();
    page.see("effect-routine");
    entry("0.5 g Small flake").click();

    WebElement grams =
        page.see("entry-fields").findElement(By.cssSelector("[data-field=gramsPerFeed]"));
    grams.sendKeys(Keys.chord(Keys.CONTROL, "a"), "-3", Keys.TAB);
    page.awaitText("make-up-problem", "gramsPerFeed");
    page.awaitText("make-up-problem", "-3");
    page.named("Leave it out").click();
    page.awaitText("effect-routine", "No change is needed");
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
  }

  private WebElement entry(String words) {
    return page.await(
        words,
        d ->
            page.all("[data-testid=make-up-entry]").stream()
                .filter(entry -> entry.getText().contains(words))
                .findFirst()
                .orElse(null));
  }

  @Test
  void aNewTankHasItsFirstForecastAfterTwoAnswers() {
    page.see("new-tank").click();
    page.see("start-tank").click();
    page.await(
        "says what is missing",
        d -> d.findElement(By.cssSelector("[role=alert]")).getText().contains("/tank/name"));
    page.all("[data-field=name]").get(0).sendKeys("Rock pool", Keys.TAB);
    page.named("Find the net volume").click();
    page.named("Work it out").click();
    page.awaitText("volume-found", "L");
    page.see("volume-take").click();
    new Select(page.see("way")).selectByValue("sensitive");
    page.see("changes-now").click();
    page.awaitText("changes-made", "13 changes are entered");
    page.see("start-tank").click();
    page.see("tideline");
    page.awaitText("sentence", "Test nitrate first");
    page.see("ledger");
    page.note("no3 5");
    page.await(
        "the test settled it", d -> !page.see("sentence").getText().contains("Test nitrate first"));
  }
}
