package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.openqa.selenium.Keys;
import org.openqa.selenium.WebElement;
import org.umberline.tankfile.TankFileReader;

/** What a keeper lives through, against the packaged application. */
class KeeperStoryTest {
  private static final String FRACTION = "share of the water to change";
  private static final String EVERY = "days between changes";

  private final Application application = Application.shared();
  private Page page;

  @BeforeEach
  void openBrowser() {
    page = new Page(application.address());
  }

  /** Water that is asked for, in percents: a week of the routine, and what is caught up. */
  private double asked() {
    double sum = 7 * percent(page.value(FRACTION)) / days(page.value(EVERY));
    for (WebElement step : page.all("[data-testid=recovery] strong")) {
      sum += percent(step.getText());
    }
    return sum;
  }

  @AfterEach
  void closeBrowser() {
    page.close();
  }

  @Test
  void fromSignInOverTestAndChangeToAnAdoptedRoutineThatIsStillThereAfterwards() {
    page.enterDemo().openTank("Stillwater");
    page.awaitText("sentence", "hange");
    page.awaitText("outcome", "Nitrate stays under 40");
    int cards = page.countSettled("nitrate-card");
    int changes = page.countSettled("change-done");
    assertThat(cards).isGreaterThan(5);

    // The line is read back before Enter, and what it means is said.
    page.type("no3 30");
    page.awaitText("read-back", "Nitrate 30 mg/L NO3");
    page.awaitText("read-back", "between 26 and 37.5");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("toast", "Noted: Nitrate 30");
    page.await("one card more", d -> page.count("nitrate-card") == cards + 1);

    page.note("change 25% siphon half");
    page.await("one notch more", d -> page.count("change-done") == changes + 1);

    // Undo takes the change back.
    page.undo();
    page.awaitText("toast", "Taken back");
    page.await("the notch is gone", d -> page.count("change-done") == changes);

    // Changing the interval finds the share that goes with it.
    String before = page.value(FRACTION);
    WebElement every = page.handle(EVERY);
    every.click();
    every.sendKeys("3.5", Keys.ENTER);
    page.await("the share follows", d -> !page.value(FRACTION).equals(before));
    page.awaitText("outcome", "stays under 40");
    String share = page.value(FRACTION);

    // Changing the share moves the picture.
    String band = page.see("nitrate-band").getDomAttribute("d");
    WebElement fraction = page.handle(FRACTION);
    fraction.sendKeys(Keys.ARROW_UP, Keys.ARROW_UP, Keys.ARROW_UP);
    page.await("the band moves", d -> !page.see("nitrate-band").getDomAttribute("d").equals(band));
    page.handle(FRACTION).sendKeys(Keys.ESCAPE);
    page.await("Escape puts back", d -> page.value(FRACTION).equals(before));

    every = page.handle(EVERY);
    every.click();
    every.sendKeys("3.5", Keys.ENTER);
    page.await("the share follows again", d -> page.value(FRACTION).equals(share));
    page.see("adopt").click();
    page.awaitText("toast", "Adopted: " + share);

    page.reload();
    page.see("tideline");
    page.await("the routine is still there", d -> page.value(EVERY).equals("3.5 days"));
    assertThat(page.value(FRACTION)).isEqualTo(share);
    page.awaitText("standing", "This is your routine");
    assertThat(page.count("nitrate-card")).isEqualTo(cards + 1);
  }

  @Test
  void theUmberLineIsMovedByKeysAndTheSentenceFollows() {
    page.enterDemo().openTank("Stillwater");
    double before = asked();
    page.see("nitrate-line");
    page.script("document.querySelector('[data-testid=nitrate-line]').focus()");
    for (int i = 0; i < 3; i++) {
      page.press(Keys.ARROW_DOWN);
    }
    page.awaitText("outcome", "under 37");
    page.await("more water is needed", d -> asked() > before);
    page.press(Keys.ESCAPE);
    page.awaitText("outcome", "under 40");

    // Kept, it is there after a reload; undone, it is where it was.
    page.press(Keys.ARROW_DOWN);
    page.awaitText("outcome", "under 39");
    page.await("the answer is there", d -> page.all(".opacity-50").isEmpty());
    page.see("adopt").click();
    page.awaitText("toast", "The line is drawn anew");
    page.reload();
    page.awaitText("outcome", "under 39");
    page.see("nitrate-line");
    page.script("document.querySelector('[data-testid=nitrate-line]').focus()");
    page.press(Keys.ARROW_UP);
    page.awaitText("outcome", "under 40");
    page.await("the answer is there", d -> page.all(".opacity-50").isEmpty());
    page.see("adopt").click();
    page.awaitText("toast", "The line is drawn anew");
  }

  private static double days(String text) {
    return Double.parseDouble(text.split(" ")[0]);
  }

  private static int percent(String text) {
    return Integer.parseInt(text.replaceAll("\\D", ""));
  }

  @Test
  void whatCannotBeReadIsSaidAndNothingIsNoted() {
    page.enterDemo().openTank("Stillwater");
    int cards = page.countSettled("nitrate-card");
    page.type("no3 5000");
    page.awaitText("read-back", "can't be right");
    page.see("entry-line").sendKeys(Keys.ENTER);
    page.awaitText("read-back", "Nothing was saved");
    assertThat(page.see("entry-line").getDomProperty("value")).isEqualTo("no3 5000");
    page.see("entry-line").sendKeys(Keys.ESCAPE);

    page.script(
        "const line = document.querySelector('[data-testid=entry-line]');"
            + "line.focus(); line.value = 'x'.repeat(2000000);"
            + "line.dispatchEvent(new Event('input', {bubbles: true}))");
    page.awaitText("read-back", "at most");
    assertThat(page.count("nitrate-card")).isEqualTo(cards);
  }

  @Test
  void theDatabaseGoesAndComesBackAndNothingIsLost() {
    page.enterDemo().openTank("Stillwater");
    int cards = page.countSettled("nitrate-card");
    page.type("no3 40 1 h ago");
    page.awaitText("read-back", "Nitrate 40");
    application.database().stop();
    try {
      page.see("entry-line").sendKeys(Keys.ENTER);
      page.awaitText("away", "The database is away");
      page.awaitText("toast", "Kept on this device");
      page.awaitText("outbox", "1 to be sent");
      // The page is loaded again while the database is still away: the line is not lost, and what
      // was known is shown.
      page.reload();
      page.awaitText("away", "The database is away");
      page.awaitText("away", "Shown is what was known");
      page.see("tideline");
      page.awaitText("outbox", "1 to be sent");
    } finally {
      application.database().start();
    }
    page.awaitGone("away");
    page.see("tideline");
    page.awaitText("toast", "Noted: Nitrate 40");
    page.await("noted once", d -> page.count("nitrate-card") == cards + 1);
    page.reload();
    page.see("tideline");
    page.await("noted once", d -> page.count("nitrate-card") == cards + 1);
  }

  @Test
  void aTankLeavesAsAFileAndComesBackAndABrokenOneIsRefusedWithItsFaults(@TempDir Path folder)
      throws Exception {
    page.enterDemo().openTank("Stillwater");
    String file =
        (String)
            page.script(
                "const request = new XMLHttpRequest();"
                    + "request.open('GET', arguments[0], false); request.send();"
                    + "return request.responseText",
                page.see("tank-file").getDomProperty("href"));
    assertThat(TankFileReader.read(file).tank().name()).isEqualTo("Stillwater");
    Path good =
        Files.writeString(
            folder.resolve("copy.umberline.json"), file.replace("Stillwater", "Millpond"));
    Path bad =
        Files.writeString(
            folder.resolve("bad.umberline.json"),
            file.replace("\"netVolumeL\" : 190", "\"netVolumeL\" : -190"));
    page.open("/");
    page.awaitRounds();
    int tanks = page.countSettled("rounds-line");
    page.see("take-in").sendKeys(bad.toString());
    page.awaitText("refused", "tank, net volume L");
    page.see("take-in").sendKeys(good.toString());
    page.see("tideline");
    page.awaitText("sentence", "hange");
    assertThat(page.see("tank-file").getDomProperty("href")).isNotEmpty();
    page.open("/");
    page.await("one tank more", d -> page.count("rounds-line") == tanks + 1);
  }

  @Test
  void everythingFitsTheScreenAndAPhone() {
    String id = UUID.randomUUID().toString();
    OffsetDateTime now = OffsetDateTime.now();
    page.enterDemo()
        .takeIn(
            id,
            """
            {"format":"umberline-tank","version":1,
            "tank":{"name":"Plain","water":"freshwater","netVolumeL":100,"startedOn":"2025-01-01"},
            "lines":{"nitrate":{"ceilingMgL":40},"phosphate":{"ceilingMgL":2}},
            "waters":[{"id":"tap","name":"Tap","nitrateMgL":5,"phosphateMgL":0.1}],
            "changeWater":[{"water":"tap","share":1}],
            "foods":[{"id":"flake","name":"Flake"}],
            "feeding":[{"food":"flake","gramsPerFeed":0.4,"feedsPerWeek":7}],
            "routine":{"waterChange":{"fraction":0.2,"everyDays":7,"nextOn":"%s"}},
            "log":[{"at":"%s","type":"test","analyte":"nitrate","value":24},
            {"at":"%s","type":"test","analyte":"phosphate","value":0.6},
            {"at":"%s","type":"test","analyte":"nitrate","value":28}]}"""
                .formatted(
                    now.toLocalDate().plusDays(1),
                    now.minusDays(16),
                    now.minusDays(9),
                    now.minusDays(2)));
    page.open("/tank/" + id);
    page.awaitText("sentence", "hange");
    page.see("ledger");
    assertThat(overflow("Height")).as("no scrolling at 1280 x 800").isLessThanOrEqualTo(0);
    page.size(390, 844).reload();
    page.awaitText("sentence", "hange");
    page.see("tideline");
    assertThat(overflow("Width")).as("no sideways scrolling on a phone").isLessThanOrEqualTo(0);
    Number lineBottom =
        (Number)
            page.script(
                "return document.querySelector('[data-testid=entry-line]')"
                    + ".getBoundingClientRect().bottom");
    assertThat(lineBottom.intValue()).as("the entry line is in sight").isLessThan(844);
    // 844 less the bar of 53 at the bottom, once the page's own letters are there
    page.await(
        "the nitrate tideline is in sight",
        d ->
            ((Number)
                        page.script(
                            "return document.querySelector('[data-testid=nitrate-band]')"
                                + ".getBoundingClientRect().top"))
                    .intValue()
                < 844 - 53);
  }

  private int overflow(String side) {
    return ((Number)
            page.script(
                "return document.documentElement.scroll%s - window.inner%s".formatted(side, side)))
        .intValue();
  }
}
