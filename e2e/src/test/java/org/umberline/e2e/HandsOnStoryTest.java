package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.By;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;

/** The hands-on half: the log, the bench, a change, upkeep, visits, and all of it offline. */
class HandsOnStoryTest {
  /** One of its own: these stories write in tanks that others look at. */
  private static Application application;

  private Page page;

  @BeforeAll
  static void startApplication() {
    application = Application.withLearnedDemo("test-hands-on");
  }

  @AfterAll
  static void stopApplication() {
    application.close();
  }

  @BeforeEach
  void openBrowser() {
    page = new Page(application.address()).enterDemo();
  }

  @AfterEach
  void closeBrowser() {
    page.connected(true);
    application.photometer("/fault/none");
    page.close();
  }

  private int entries() {
    return page.all("[data-testid=log-entry]").size();
  }

  @Test
  void anEntryIsCompletedNotedCorrectedAndItsHistoryKept() {
    page.openPlace("Saltings", "log");
    page.see("log-entry");
    page.type("fed sn");
    page.awaitText("completions", "snails");
    page.see("entry-line").sendKeys(Keys.TAB);
    page.see("entry-line").sendKeys("2 g # by torchlight");
    page.awaitText("read-back", "Fed 2 g");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.await("noted", d -> page.see("log").getText().contains("by torchlight"));
    page.see("log-search").sendKeys("torchlight");
    page.await("found", d -> entries() == 1);

    page.named("Correct").click();
    WebElement field =
        page.await("the line", d -> d.findElement(By.cssSelector("[data-testid=correct] input")));
    assertThat(field.getDomProperty("value")).contains("fed \"snails\" 2 g # by torchlight");
    field.sendKeys(Keys.END, " and moon");
    page.named("Correct it").click();
    page.awaitText("toast", "Corrected");
    page.see("show-withdrawn").click();
    page.await("both are there", d -> entries() == 2);
    assertThat(page.see("log").getText()).contains("corrected by wren");

    page.see("log-search").clear();
    page.see("log-search").sendKeys("x", Keys.BACK_SPACE);
    page.type("Stillwater: ph 7.4");
    page.awaitText("read-back", "In Stillwater:");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("toast", "Noted in Stillwater");
  }

  @Test
  void aDoseIsWorkedOutForThisTankNotedAndRefusedWhereItGoesTooFar() {
    String id = UUID.randomUUID().toString();
    page.takeIn(
        id,
        """
        {"format":"umberline-tank","version":1,
        "tank":{"name":"Window","water":"freshwater","netVolumeL":100},
        "lines":{"nitrate":{"ceilingMgL":30}},
        "fertilisers":[{"id":"mix","name":"Our mix","nitrateMgPerMl":20}]}""");
    page.open("/tank/" + id + "/doses");
    page.see("dose-asked");
    blank("what the water holds", "2");
    blank("what it shall hold", "10");
    page.awaitText("dose", "Give 20 mL of Our mix a day for 2 days.");
    assertThat(page.see("dose-steps").getText()).contains("10 mg/L NO3");
    page.named("Given").click();
    page.awaitText("toast", "Noted");
    page.open("/tank/" + id + "/log");
    page.await("it is in the log", d -> page.see("log").getText().contains("20 mL"));

    page.open("/tank/" + id + "/doses");
    page.see("dose-asked");
    blank("what it shall hold", "35");
    page.awaitText("dose", "over your own upper limit, 30 mg/L NO3");
    page.named("peroxide").click();
    blank("litres in the tank", "60");
    page.awaitText("dose", "Draw up 12 mL to 24 mL in all, and no more.");
    page.named("a dosing pump").click();
    blank("mL it gave", "22");
    blank("mL wanted a day", "11");
    page.awaitText("dose", "Let it run 30 s a day for 11 mL.");
  }

  @Test
  void alkalinityIsBroughtToWhatIsWantedAndATrialIsBegun() {
    String id = UUID.randomUUID().toString();
    page.takeIn(
        id,
        """
        {"format":"umberline-tank","version":1,
        "tank":{"name":"Hard","water":"freshwater","netVolumeL":100,"alkalinityDkh":8},
        "lines":{"nitrate":{"ceilingMgL":30}},
        "foods":[{"id":"flake","name":"Flake"}],
        "feeding":[{"food":"flake","gramsPerFeed":0.5,"feedsPerWeek":7}],
        "waters":[{"id":"tap","name":"Tap","nitrateMgL":5,"alkalinityDkh":12}],
        "changeWater":[{"water":"tap","share":1}]}""");
    page.open("/tank/" + id);
    page.type("no3 12 kh 6");
    page.awaitText("read-back", "Nitrate 12");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("toast", "Noted");
    page.see("open-other-balances").click();
    page.awaitText("sheet", "It was 6 dKH");
    page.awaitText("sheet", "One change of 35 % with your change water brings it to 8 dKH.");
    blank("Alkalinity wanted", "7");
    page.awaitText("sheet", "One change of 20 % with your change water brings it to 7 dKH.");
    page.closeSheet();

    page.open("/tank/" + id + "/trials");
    page.awaitText("trial-plan", "nitrate should be about");
    page.all("button").stream()
        .filter(button -> button.getText().startsWith("Begin"))
        .findFirst()
        .orElseThrow()
        .click();
    page.awaitText("trials", "No test that tells yet.");
    page.open("/tank/" + id + "/log");
    page.await("it is in the log", d -> page.see("log").getText().contains("A trial: Feed 20 %"));
  }

  @Test
  void aSignIsNotedWithItsLooksLookedAtAgainAndGone() {
    String id = UUID.randomUUID().toString();
    page.takeIn(
        id,
        """
        {"format":"umberline-tank","version":1,
        "tank":{"name":"Slime","water":"freshwater","netVolumeL":100,"startedOn":"2025-01-01"},
        "lines":{"nitrate":{"ceilingMgL":30},"phosphate":{"ceilingMgL":0.5}},
        "log":[{"at":"%1$s","type":"test","analyte":"nitrate","value":0.5},
        {"at":"%1$s","type":"test","analyte":"phosphate","value":1.2}]}"""
            .formatted(OffsetDateTime.now().minusDays(1)));
    page.open("/tank/" + id + "/trouble");
    page.await("signs", d -> !page.all("[aria-label='signs'] button").isEmpty());
    page.named("slimy mat, purple or green").click();
    page.awaitText("causes", "Cyanobacteria");
    page.named("hardly any bubbles").click();
    page.awaitText("steps", "Suck it out");
    page.named("Note it").click();
    page.awaitText("toast", "few bubbles");
    page.await(
        "it is there",
        d ->
            page.all("[aria-label='signs that are there'] button").stream()
                .anyMatch(chip -> chip.getText().contains("slimy mat")));
    page.named("severe").click();
    page.named("Note how it is now").click();
    page.awaitText("course", "severe");
    page.see("photos-open").click();
    page.see("photo-file");
    assertThat(page.all("[data-testid=sheet] input").get(0).getDomProperty("value"))
        .as("what the photo shows")
        .contains("slimy mat");
    page.closeSheet();
    page.named("It is gone").click();
    page.await("it is gone", d -> page.all("[aria-label='signs that are there'] button").isEmpty());
  }

  private void blank(String label, String value) {
    WebElement field =
        page.await(
            label, d -> page.all("[aria-label='" + label + "']").stream().findFirst().orElse(null));
    field.sendKeys(Keys.chord(Keys.CONTROL, "a"), value);
  }

  @Test
  void aTableIsTakenInAfterItsBadRowsWereShown(@TempDir Path folder) throws Exception {
    Path table =
        Files.writeString(
            folder.resolve("tests.csv"),
            "Date;NO3;water change %;Comment\n20.10.2026;22;;from paper\n31.02.2026;20;;\n"
                + "21.10.2026;lots;;from paper\n22.10.2026;;10;from paper\n");
    page.openPlace("Saltings", "log");
    page.see("table-open").click();
    page.see("table-file").sendKeys(table.toString());
    page.awaitText("table-bad", "31.02.2026");
    page.awaitText("table-bad", "lots");
    page.awaitText("table-good", "Nitrate 22");
    WebElement lots = page.all("[aria-label='NO3 of row 3']").stream().findFirst().orElseThrow();
    lots.sendKeys(Keys.chord(Keys.CONTROL, "a"), "25", Keys.TAB);
    page.awaitText("table-good", "Nitrate 25");
    page.see("table-keep").click();
    page.awaitText("toast", "3 entries are in the log");
    page.see("log-search").sendKeys("from paper");
    page.await("they are there", d -> entries() == 3);
  }

  @Test
  void aPhoneAtTheBenchReadsAPhotometerThatIsLostOnTheWay() {
    // its meter reads 12.5 on a standard of 10: 20 is 16
    application.photometer("/cuvette/nitrate/20");
    page.size(390, 844).open("/bench");
    page.see("bench-test");
    WebElement tank =
        page.await(
            "Breakwater's tests",
            d ->
                d.findElements(By.cssSelector("[data-testid=bench-tank]")).stream()
                    .filter(one -> one.getText().startsWith("Breakwater"))
                    .findFirst()
                    .orElse(null));
    By nitrate = By.cssSelector("[data-analyte=nitrate] [data-testid=photometer]");
    if (tank.findElements(nitrate).isEmpty()) {
      page.reach(tank.findElement(By.xpath(".//button[text()='Other tests']"))).click();
    }
    page.reach(page.await("nitrate's meter", d -> tank.findElement(nitrate))).click();
    page.awaitText("meter", "measuring");
    application.photometer("/fault/drop");
    page.awaitText("meter", "does not answer");
    application.photometer("/fault/garbage");
    page.awaitText("meter", "can’t be read");
    application.photometer("/fault/none");
    page.awaitText("bench-result", "Nitrate 1");
    assertThat(page.see("bench-result").getText()).contains("it read 12.5 on a standard of 10");
    assertThat(page.all("[data-testid=reading]"))
        .filteredOn(reading -> !reading.getDomProperty("value").isEmpty())
        .as("one reading, not two")
        .hasSize(1);
    page.reach(page.see("note-result")).click();
    page.awaitText("toast", "Breakwater: Nitrate 1");
  }

  @Test
  void timersRunSideBySideAndAReadingThatCannotBeIsSaid() {
    page.open("/bench");
    page.see("bench-test");
    page.named("Start all timers").click();
    page.await("several run", d -> page.all("[data-testid=timer]").size() > 1);
    page.reload();
    page.await("they still run", d -> page.all("[data-testid=timer]").size() > 1);
    int tests = page.countSettled("bench-test");
    page.await(
            "a pair can be read",
            d -> d.findElement(By.xpath("//button[starts-with(text(),'Two samples of')]")))
        .click();
    page.await("a pair", d -> page.all("[data-testid=bench-test]").size() == tests + 1);
    assertThat(page.all("[data-testid=bench-test]"))
        .anyMatch(test -> test.getText().contains("after the change"));
    WebElement reading = page.see("reading");
    reading.sendKeys("80000", Keys.TAB);
    page.await(
        "refused",
        d ->
            d.findElements(By.cssSelector("[role=alert]")).stream()
                .anyMatch(alert -> alert.getText().contains("can't be right")));
  }

  @Test
  void aChangeSurvivesReloadAndLossOfConnectionAndIsNotedOnce() {
    page.openPlace("Saltings", "change");
    page.see("run-sheet");
    page.awaitInstalled();
    page.awaitText("cautions", "by mouth");
    page.all("[data-testid=step]").get(0).click();
    page.connected(false);
    page.all("[data-testid=step]").get(1).click();
    page.reload();
    page.awaitText("change-title", "Changing");
    assertThat(page.all("[data-testid=step]").stream().filter(WebElement::isSelected).count())
        .isEqualTo(2);
    WebElement litres = page.see("done-litres");
    litres.clear();
    litres.sendKeys("29.73");
    page.see("change-done").click();
    page.awaitText("outbox", "1 to be sent");
    page.connected(true);
    page.awaitGone("outbox");
    page.openPlace("Saltings", "log");
    page.see("log-search").sendKeys("Change of 29.73 L");
    page.await("once", d -> entries() == 1);
  }

  @Test
  void linesNotedOfflineAreSentOnceAndAConflictIsShown() {
    page.openPlace("Paddy", "log");
    page.see("log-entry");
    page.awaitInstalled();
    page.connected(false);
    page.type("ph 7.31");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("outbox", "1 to be sent");
    page.await("free again", d -> page.see("entry-line").getDomProperty("value").isEmpty());
    page.type("dead unicorn");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("outbox", "2 to be sent");
    page.reload();
    page.awaitText("outbox", "2 to be sent");
    page.awaitText("away", "Shown is what was known");
    page.connected(true);
    page.awaitText("outbox", "1 not taken");
    page.awaitGone("away");
    page.see("outbox").click();
    page.awaitText("outbox-item", "unicorn");
    page.named("Discard").click();
    page.awaitGone("outbox");
    page.see("log-search").sendKeys("7.31");
    page.await("once", d -> entries() == 1);
  }

  @Test
  void workIsMovedByKeysWithinItsRulesAndDone() {
    page.open("/upkeep");
    page.see("band");
    WebElement mark =
        page.await(
            "the sponge of Stillwater",
            d ->
                d.findElements(By.cssSelector("[data-testid=band-mark]")).stream()
                    .filter(
                        one ->
                            one.getDomAttribute("aria-label")
                                .startsWith("Stillwater: Clean sponge"))
                    .findFirst()
                    .orElse(null));
    String before = mark.getDomAttribute("aria-label");
    mark.sendKeys(Keys.PAGE_DOWN, Keys.ENTER);
    page.see("toast");
    String said = page.see("toast").getText();
    assertThat(said).containsAnyOf("Stillwater: Clean sponge on", "days from a change");
    page.see("calendar-open").click();
    page.named("Make one").click();
    page.awaitText("calendar-address", "/calendar/");
    page.named("Close it").click();
    page.await("closed", d -> page.see("sheet").getText().contains("There is none."));
    page.closeSheet();
    page.see("absence-open").click();
    page.awaitText("absence", "Assumed because");
    page.see("away-grams").sendKeys("2");
    page.awaitText("feeder-page", "2 g");
    page.closeSheet();
    assertThat(before).contains("arrow keys move it");
  }

  @Test
  void aVisitBeginsWithABaselineAndLeavesAPage() {
    page.openPlace("Saltings", "visit");
    page.see("visit-seen").sendKeys("Sand a little brown.");
    page.see("visit-begin").click();
    page.awaitText("visit-report", "Sand a little brown.");
    page.type("note glass wiped for the owner");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("visit-done", "glass wiped");
    page.type("no3 31");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("visit-measured", "31 mg/L NO3");
    page.see("visit-advice").sendKeys("Feed a little less.");
    page.named("two weeks").click();
    page.see("visit-end").click();
    page.awaitText("visit-report", "Next visit:");
    page.awaitText("visit-report", "Feed a little less.");
    String pdf =
        (String)
            page.script(
                "const request = new XMLHttpRequest();"
                    + "request.open('GET', arguments[0], false); request.send();"
                    + "return request.responseText.slice(0, 5)",
                page.see("visit-pdf").getDomProperty("href"));
    assertThat(pdf).isEqualTo("%PDF-");
  }

  @Test
  void twoPhotosAreComparedAndStandInTheLog(@TempDir Path folder) throws Exception {
    page.openPlace("Paddy", "log");
    page.see("photos-open").click();
    for (int i = 0; i < 2; i++) {
      BufferedImage picture = new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB);
      picture.setRGB(10 + i, 10, 0xffffff);
      Path file = folder.resolve("photo" + i + ".png");
      ImageIO.write(picture, "png", file.toFile());
      page.see("photo-file").sendKeys(file.toString());
      int photos = i + 1;
      page.await("kept", d -> page.all("[data-testid=photos] img").size() == photos);
    }
    page.await("side by side", d -> page.all("[data-testid=photo-pair] img").size() == 2);
    page.closeSheet();
    page.note("note looked at both");
    page.await("in the day", d -> !page.all("[data-testid=log-day] img").isEmpty());
  }
}
