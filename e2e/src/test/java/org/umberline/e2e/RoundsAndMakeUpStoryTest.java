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
    page.line(tank).findElement(By.xpath(".//button[normalize-space()='" + words + "']")).click();
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
    page.await(
        "changed today", d -> page.line("Breakwater").getText().matches("(?s).*\\b0 d ago.*"));
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(before));

    press("Breakwater", "A day later");
    page.awaitText("toast", "Breakwater: a day later");
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(before));

    press("Breakwater", "Skip this one");
    page.awaitText("toast", "Breakwater: skipped");
    undo();
    page.await("as before", d -> page.line("Breakwater").getText().equals(before));
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
  void anEntryOfTheMakeUpSaysAtOnceWhatItDoesIsKeptAndUndone() {
    page.openTank("Paddy");
    page.named("Make-up").click();
    page.awaitText("effect-routine", "No change is needed");
    WebElement ration =
        page.all("[data-testid=make-up-entry]").stream()
            .filter(entry -> entry.getText().contains("5 × a week"))
            .findFirst()
            .orElseThrow();
    assertThat(ration.getText()).contains("mg N");
    ration.click();
    WebElement grams =
        page.see("entry-fields").findElement(By.cssSelector("[data-field=gramsPerFeed]"));
    grams.clear();
    grams.sendKeys("0.6", Keys.TAB);
    page.await(
        "ten times the food wants water",
        d -> !page.see("effect-routine").getText().contains("No change"));
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
    page.reload();
    page.await("still there", d -> page.see("make-up").getText().contains("0.6 g Small flake"));

    grams = fieldOfRation("0.6 g Small flake");
    grams.clear();
    grams.sendKeys("-3", Keys.TAB);
    page.awaitText("make-up-problem", "gramsPerFeed");
    page.awaitText("make-up-problem", "-3");
    grams.clear();
    grams.sendKeys("0.07", Keys.TAB);
    page.awaitText("effect-routine", "No change is needed");
    page.see("keep-make-up").click();
    page.awaitText("toast", "Kept");
  }

  private WebElement fieldOfRation(String words) {
    page.all("[data-testid=make-up-entry]").stream()
        .filter(entry -> entry.getText().contains(words))
        .findFirst()
        .orElseThrow()
        .click();
    return page.see("entry-fields").findElement(By.cssSelector("[data-field=gramsPerFeed]"));
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
    page.see("start-tank").click();
    page.see("tideline");
    page.awaitText("outcome", "20");
    page.see("ledger");
  }
}
