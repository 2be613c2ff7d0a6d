package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.openqa.selenium.support.ui.Select;

/** Every verdict of the sentence, and what stands behind it: ledger, what-ifs, working, record. */
class BalanceStoryTest {
  private Page page;

  @BeforeEach
  void openBrowser() {
    page = new Page(Application.shared().address()).enterDemo();
  }

  @AfterEach
  void closeBrowser() {
    page.close();
  }

  private static double peak(String row) {
    return Double.parseDouble(row.replaceAll("[^0-9.]", ""));
  }

  @Test
  void eachTankOfTheDemoSaysWhatItIsThereFor() {
    page.openTank("Paddy");
    page.awaitText("sentence", "No change is needed until");
    page.awaitText("outcome", "without any");

    page.open("/").openTank("Quarry");
    page.awaitText("sentence", "Test ammonia first");
    page.awaitText("sentence", "Ammonia or nitrite may be high");
    page.see("young");

    page.open("/").openTank("Saltings");
    page.awaitText("sentence", "Change");
    assertThat(
            page.script(
                "return document.querySelector('svg text[fill=\"var(--color-error)\"]')"
                    + "?.textContent"))
        .as("the test that contradicts the rest is marked")
        .isEqualTo("?");

    page.open("/").openTank("Breakwater");
    page.awaitText("outcome", "phosphate under 0.5");
  }

  @Test
  void aLineBelowWhatTheTapBringsCannotBeKeptAndIsSaidToBe() {
    page.openTank("Saltings");
    page.see("nitrate-line");
    page.script("document.querySelector('[data-testid=nitrate-line]').focus()");
    for (int i = 0; i < 7; i++) {
      page.press(Keys.PAGE_DOWN);
    }
    page.awaitText("outcome", "only");
    page.awaitText("outcome", "change water itself");
    page.press(Keys.ESCAPE);
    page.awaitText("outcome", "under 40");
    // a tank above the lower line whose changes can hold it
    page.open("/").openTank("Stillwater");
    page.see("nitrate-line");
    for (int i = 0; i < 2; i++) {
      page.script("document.querySelector('[data-testid=nitrate-line]').focus()");
      page.press(Keys.PAGE_DOWN);
    }
    page.awaitText("outcome", "under 30");
    page.awaitText("recovery", "today");
    page.awaitText("recovery", "nitrate");
    page.press(Keys.ESCAPE);
    page.awaitText("outcome", "under 40");
  }

  @Test
  void theLowerLineIsMovedToo() {
    page.openTank("Breakwater");
    page.see("nitrate-floor");
    page.script("document.querySelector('[data-testid=nitrate-floor]').focus()");
    page.press(Keys.ARROW_UP, Keys.ARROW_UP);
    page.await(
        "two more",
        d ->
            page.all("[data-testid=nitrate-floor]")
                .get(0)
                .getDomAttribute("aria-valuenow")
                .equals("4"));
    page.await("tried", d -> page.sees("put-back"));
    page.press(Keys.ESCAPE);
    page.await(
        "as before",
        d ->
            page.all("[data-testid=nitrate-floor]")
                .get(0)
                .getDomAttribute("aria-valuenow")
                .equals("2"));
  }

  @Test
  void lessFoodIsTriedNamedComparedAndDiscarded() {
    page.openTank("Breakwater");
    page.see("ledger-line").click();
    page.awaitText("ledger-open", "weight as fed");
    WebElement slider = page.see("try-slider");
    for (int i = 0; i < 6; i++) {
      slider.sendKeys(Keys.ARROW_LEFT);
    }
    page.awaitText("tried", "70 %");
    page.see("nitrate-compared");
    page.await("the answer is there", d -> page.all(".opacity-50").isEmpty());
    page.see("open-what-ifs").click();
    page.awaitText("comparison", "70 % of shrimp");
    page.see("what-if-name").sendKeys("A third less shrimp", Keys.ENTER);
    page.awaitText("comparison", "A third less shrimp");
    List<WebElement> peaks =
        page.see("comparison").findElements(By.xpath(".//tr[th='nitrate peak']/td"));
    assertThat(peak(peaks.get(3).getText()))
        .as("less than left alone")
        .isLessThan(peak(peaks.get(1).getText()));
    page.closeSheet();
    page.see("put-back").click();
    page.await("nothing is tried", d -> !page.sees("nitrate-compared"));

    // It is there for the next look, and can be discarded.
    page.reload();
    page.see("open-what-ifs").click();
    page.awaitText("comparison", "A third less shrimp");
    page.named("Discard “A third less shrimp”").click();
    page.await("discarded", d -> !page.see("comparison").getText().contains("A third less shrimp"));
  }

  @Test
  void theWorkingCanBeCheckedWithAPencil() {
    page.openTank("Stillwater");
    String litres = page.see("litres").getText().replaceAll("\\D", "");
    page.see("open-working").click();
    page.awaitText("working-number", "share × net volume");
    String number = page.see("working-number").getText();
    assertThat(number).contains("190 L");
    double result =
        Double.parseDouble(number.replaceAll("(?s).*one change\\s+([0-9.]+) L.*", "$1"));
    assertThat(Math.round(result)).isEqualTo(Long.parseLong(litres));
    page.closeSheet();
    page.see("open-other-ways").click();
    page.awaitText("options", "14 days");
    page.awaitText("ways", "As you do now");
    page.closeSheet();
    page.open("/").openTank("Saltings");
    page.see("open-other-ways").click();
    page.awaitText("helps", "Feed a");
  }

  @Test
  void theTrackRecordTellsHowForecastsDidAndShowsOneOfThem() {
    page.openTank("Saltings");
    page.see("open-track-record").click();
    page.awaitText("record", "fell inside the band");
    page.awaitText("stood-out", "nitrate 110");
    new Select(page.see("then")).selectByIndex(3);
    page.closeSheet();
    page.see("nitrate-ghost");
    page.all("button").stream()
        .filter(button -> button.getText().startsWith("hide the forecast"))
        .findFirst()
        .orElseThrow()
        .click();
    page.awaitGone("nitrate-ghost");
  }

  @Test
  void timeIsMovedByKeysWheelDragAndBrush() {
    page.openTank("Breakwater");
    int season = page.countSettled("change-done");
    page.named("all").click();
    page.await("all changes", d -> page.count("change-done") > season);
    page.named("month").click();
    page.await("fewer", d -> page.count("change-done") < season);

    page.script("document.querySelector('[data-testid=tideline]').focus()");
    int month = page.countSettled("change-done");
    page.press("-", "-", "-");
    page.await("further", d -> page.count("change-done") > month);
    page.press(Keys.ARROW_LEFT);
    page.awaitText("read-out", "nitrate about");

    String band = page.see("nitrate-band").getDomAttribute("d");
    page.script(
        "const t = document.querySelector('[data-testid=tideline]');"
            + "t.dispatchEvent(new WheelEvent('wheel',"
            + " {deltaX: 200, deltaY: 0, clientX: 600, bubbles: true, cancelable: true}))");
    page.await("wheeled", d -> !page.see("nitrate-band").getDomAttribute("d").equals(band));

    WebElement from = page.all("[aria-label='first day shown']").get(0);
    String before = from.getDomAttribute("aria-valuetext");
    from.sendKeys(Keys.ARROW_LEFT);
    page.await("an end moved", d -> !from.getDomAttribute("aria-valuetext").equals(before));
  }

  @Test
  void numbersFollowTheUnitsThatAreChosen() {
    page.openTank("Stillwater");
    page.see("settings").click();
    page.all("input[type=radio]").stream()
        .filter(radio -> radio.findElement(By.xpath("..")).getText().equals("US gal"))
        .findFirst()
        .orElseThrow()
        .click();
    page.all("input[type=radio]").stream()
        .filter(radio -> radio.findElement(By.xpath("..")).getText().equals("mg/L NO3-N"))
        .findFirst()
        .orElseThrow()
        .click();
    page.closeSheet();
    page.awaitText("litres", "US gal");
    page.awaitText("outcome", "under 9.04 mg/L NO3-N");
    page.awaitText("ledger-net", "mg/L NO3-N a week");
    page.reload();
    page.awaitText("litres", "US gal");
    page.see("settings").click();
    for (String back : List.of("L", "mg/L NO3")) {
      page.all("input[type=radio]").stream()
          .filter(radio -> radio.findElement(By.xpath("..")).getText().equals(back))
          .findFirst()
          .orElseThrow()
          .click();
    }
    page.closeSheet();
    page.awaitText("outcome", "under 40");
  }

  @Test
  void twoFingersZoomOnAPhone() {
    page.size(390, 844).open("/").openTank("Stillwater");
    int before = page.countSettled("change-done");
    page.pinch(page.see("tideline"), 60, 300);
    page.await("nearer", d -> page.count("change-done") < before);
    page.pinch(page.see("tideline"), 300, 40);
    page.await("further", d -> page.count("change-done") >= before);
  }

  @Test
  void theFirstLookAtTenYearsOfLogTellsHowFarItIs() {
    page.enterAsNewKeeper();
    StringBuilder log = new StringBuilder();
    Instant now = Instant.now();
    for (int day = 3650; day > 0; day--) {
      Instant at = now.minus(Duration.ofDays(day));
      log.append(log.length() > 0 ? "," : "")
          .append("{\"at\":\"%s\",\"type\":\"feed\",\"food\":\"f\",\"grams\":0.1}".formatted(at));
      log.append(
          ",{\"at\":\"%s\",\"type\":\"test\",\"analyte\":\"nitrate\",\"value\":%d}"
              .formatted(at.plusSeconds(60), 12 + day % 7));
      if (day % 7 == 0) {
        log.append(
            ",{\"at\":\"%s\",\"type\":\"water-change\",\"litres\":20}"
                .formatted(at.plusSeconds(120)));
      }
    }
    String id = UUID.randomUUID().toString();
    page.takeIn(
        id,
        """
        {"format":"umberline-tank","version":1,"tank":{"name":"Ten years","water":"freshwater",
        "netVolumeL":100},"lines":{"nitrate":{"ceilingMgL":40}},
        "foods":[{"id":"f","form":"dry"}],"feeding":[{"food":"f","gramsPerFeed":0.3}],
        "log":["""
            + log
            + "]}");
    page.open("/tank/" + id);
    page.awaitText("waiting", "Learning from the log");
    page.see("ledger");
  }
}
