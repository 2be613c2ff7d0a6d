package org.umberline.tankfile.shorthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.tankfile.TankFileReader;

class ShorthandTest {
  private static final ZonedDateTime NOW =
      ZonedDateTime.parse("2026-11-25T10:00:00+00:00[Europe/Lisbon]");
  private static TankModel tank;

  @BeforeAll
  static void stillwater() throws Exception {
    tank = TankFileReader.read(example()).tank();
  }

  private static String example() throws IOException {
    try (InputStream in =
        TankFileReader.class.getResourceAsStream("stillwater-example.umberline.json")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static Reading read(String line) {
    return Shorthand.read(line, tank, NOW);
  }

  private static LogEntry one(String line) {
    Reading reading = read(line);
    assertThat(reading.problems()).isEmpty();
    assertThat(reading.entries()).hasSize(1);
    assertThat(reading.understood()).hasSize(1);
    return reading.entries().get(0);
  }

  @Test
  void twoTestsInOneLine() {
    Reading reading = read("no3 30 po4 0.15");
    assertThat(reading.entries()).hasSize(2);
    LogEntry.Test nitrate = (LogEntry.Test) reading.entries().get(0);
    assertThat(nitrate.analyte()).isEqualTo(Analyte.NITRATE);
    assertThat(nitrate.kit()).contains("card");
    assertThat(reading.understood().get(0))
        .isEqualTo("Nitrate 30 mg/L NO3 with the card (between 22.5 and 45), now");
    assertThat(((LogEntry.Test) reading.entries().get(1)).value()).isEqualTo(0.15);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "no3 30, po4 0,15 and change 25%",
        "no3 30; po4 0.15; change 25%",
        "no3 30 and po4 0.15, 25%",
        "no3 30 , po4 0.15 ,change 25%"
      })
  void whatStandsBetweenEntriesIsPassedOver(String line) {
    assertThat(read(line).problems()).isEmpty();
    assertThat(read(line).entries()).hasSize(3);
  }

  @ParameterizedTest
  @CsvSource({
    "fed yesterday 2 g worms, fed 2 g worms yesterday",
    "fed 04 Oct 2026 2 g worms, fed 2 g worms 04 Oct 2026",
    "changed last sunday 25%, change 25% last sunday",
    "no3 22.6.26 12 ppm, no3 12 ppm 22.6.26",
    "cut 3 days ago 30 g, cut 30 g 3 days ago",
    "water change 2026-10-04 25%, change 25% 2026-10-04",
    "note yesterday the pump stopped, note yesterday the pump stopped"
  })
  void theDayMayComeFirst(String line, String usual) {
    assertThat(read(line).problems()).isEmpty();
    assertThat(read(line).understood()).isEqualTo(read(usual).understood());
  }

  @Test
  void aGravityInFreshWaterIsAskedBack() {
    assertThat(read("salinity 1.025").remarks())
        .singleElement()
        .asString()
        .contains("read as ppt", "33.2 ppt", "right tank?");
    assertThat(read("salinity 0.3").remarks()).isEmpty();
  }

  /** The example has one plant and several filters. */
  @Test
  void theOnlyOneOfItsKindNeedsNoName() {
    assertThat(read("cut 30g").understood()).isEqualTo(read("cut moss 30g").understood());
    assertThat(read("cut 30g 2 days ago # by hand").understood())
        .isEqualTo(read("cut moss 30g 2 days ago # by hand").understood());
    assertThat(read("cleaned 2 days ago").problems())
        .singleElement()
        .asString()
        .startsWith("Which filter?")
        .contains("sponge");
    assertThat(read("cut mos 30g").problems()).singleElement().asString().contains("“mos”");
  }

  @Test
  void belowRangeYesterday() {
    LogEntry.Test test = (LogEntry.Test) one("no3 <5 yesterday 18:30");
    assertThat(test.qualifier()).isEqualTo(Qualifier.BELOW);
    assertThat(test.at().toString()).isEqualTo("2026-11-24T18:30Z");
  }

  /** The present is Wednesday 25 November 2026, 10:00. */
  @ParameterizedTest
  @CsvSource({
    "no3 20 1 Oct, 2026-10-01",
    "no3 20 1 october, 2026-10-01",
    "no3 20 on 1st oct, 2026-10-01",
    "1 oct no3 20, 2026-10-01",
    "no3 20 oct 1, 2026-10-01",
    "no3 20 04 Oct 2026, 2026-10-04",
    "no3 20 26 nov 2025, 2025-11-26",
    "no3 20 25 nov, 2026-11-25",
    "no3 20 22.10.26, 2026-10-22",
    "no3 20 22.10.2026, 2026-10-22",
    "no3 20 22/10/26, 2026-10-22",
    "no3 20 10/22/26, 2026-10-22",
    "no3 20 last sunday, 2026-11-22",
    "no3 20 on sun, 2026-11-22",
    "saw green-water 2 days ago, 2026-11-23"
  })
  void daysAreReadAsPeopleWriteThem(String line, String day) {
    assertThat(one(line).at().toLocalDate()).hasToString(day);
  }

  @Test
  void aSignTakesWhatWasSeenOnLookingCloser() {
    LogEntry.Observation seen =
        (LogEntry.Observation) one("saw slimy-mat 2 on-sand few-bubbles on-sand 2 days ago");
    assertThat(seen.severity()).isEqualTo(2);
    assertThat(seen.looks()).containsExactly(Look.ON_SAND, Look.FEW_BUBBLES);
    assertThat(read("saw slimy-mat 2 on-sand few-bubbles").understood())
        .containsExactly("Saw slimy mat, plain, on sand, few bubbles, now");
  }

  @Test
  void aDayThatMayBeTwoIsAskedBack() {
    assertThat(read("no3 20 3/4/26").problems()).singleElement().asString().contains("month");
    assertThat(read("no3 20 31 sept").problems()).singleElement().asString().contains("no day");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"25%", "25% change", "water change 25%", "25 % water change", "change 25%"})
  void aChangeIsReadInAnyOrder(String line) {
    assertThat(((LogEntry.WaterChange) one(line)).litres()).isEqualTo(47.5);
    assertThat(((LogEntry.WaterChange) one(line + " 2 days ago")).at().toLocalDate())
        .hasToString("2026-11-23");
  }

  @ParameterizedTest
  @CsvSource({
    "25% every thursday since october, 8, 2026-10-01, 2026-11-19",
    "change 25% every 10 days since 1 nov, 3, 2026-11-01, 2026-11-21",
    "change 25% every week since 4 nov 18:30, 3, 2026-11-04, 2026-11-18",
    "water change 25% every other day since 20.11.26, 3, 2026-11-20, 2026-11-24"
  })
  void whatWasDoneAgainAndAgainMakesItsEntries(String line, int count, String from, String to) {
    Reading reading = read(line);
    assertThat(reading.problems()).isEmpty();
    assertThat(reading.entries()).hasSize(count);
    assertThat(reading.entries().get(0).at().toLocalDate()).hasToString(from);
    assertThat(reading.entries().get(count - 1).at().toLocalDate()).hasToString(to);
    assertThat(reading.understood()).singleElement().asString().contains(count + " times, from");
  }

  @Test
  void whatCantBeRepeatedIsSaid() {
    assertThat(read("change 25% every thursday").problems().get(0)).startsWith("Since when?");
    assertThat(read("change 25% every moon since oct").problems().get(0)).startsWith("Every what?");
    assertThat(read("no3 20 every day since 1 jan").problems().get(0)).contains("more than 200");
    assertThat(read("no3 20 every thursday since yesterday").problems().get(0))
        .startsWith("Nothing falls");
  }

  @Test
  void theNumberOfATimeIsNoAmount() {
    LogEntry.WaterChange change = (LogEntry.WaterChange) one("change 20 L siphon 2 days ago");
    assertThat(change.siphonedShareOfBed()).isEqualTo(1);
    assertThat(change.at().toLocalDate()).hasToString("2026-11-23");
  }

  @ParameterizedTest
  @CsvSource({
    "po4 49 ppb, MICROGRAM_PHOSPHORUS",
    "po4 49 µg/L P, MICROGRAM_PHOSPHORUS",
    "po4 0.05 mg/L PO4-P, PHOSPHATE_PHOSPHORUS",
    "no3 5 NO3-N, NITRATE_NITROGEN",
    "no3 20 ppm, NITRATE",
    "no3 20 mg/L, NITRATE",
    "nitrate 20mg/L NO3, NITRATE",
    "kh 9 dKH, DEGREE_CARBONATE_HARDNESS",
    "kh 3 meq/L, MILLIEQUIVALENT"
  })
  void unitsAreKeptAsTheyWereRead(String line, TestUnit unit) {
    assertThat(((LogEntry.Test) one(line)).unit()).isEqualTo(unit);
  }

  @Test
  void aCommaIsADecimalPoint() {
    assertThat(((LogEntry.Test) one("po4 0,15")).value()).isEqualTo(0.15);
  }

  @Test
  void degreesThatNoTankHasAreFahrenheit() {
    assertThat(((LogEntry.Test) one("temp 77")).value()).isEqualTo(25);
    assertThat(read("temp 77").understood().get(0)).contains("25 °C");
  }

  @Test
  void changesByShareAndByLitresAndOfABlend() {
    assertThat(((LogEntry.WaterChange) one("change 25%")).litres()).isEqualTo(47.5);
    LogEntry.WaterChange blend = (LogEntry.WaterChange) one("change 40 L ro 50 tap 50 siphon half");
    assertThat(blend.litres()).isEqualTo(40);
    assertThat(blend.water().parts()).hasSize(2);
    assertThat(blend.siphonedShareOfBed()).isEqualTo(0.5);
    assertThat(read("change 40 L ro 50 tap 50").understood().get(0))
        .contains("21 % of 190 L")
        .contains("50 % Filtered water and 50 % Kitchen tap");
  }

  @Test
  void theOtherKindsOfEntry() {
    assertThat(((LogEntry.Feed) one("fed worms 4g")).grams()).isEqualTo(4);
    assertThat(((LogEntry.Feed) one("fed earthworm")).grams()).as("a serving").isEqualTo(2);
    assertThat(((LogEntry.Harvest) one("cut moss 30g 2 days ago")).at().toString())
        .isEqualTo("2026-11-23T10:00Z");
    assertThat(((LogEntry.Clean) one("cleaned sponge")).export()).isEqualTo("sponge");
    assertThat(((LogEntry.Clean) one("cleaned sponge 60 g")).caughtG()).hasValue(60);
    assertThat(((LogEntry.Clean) one("cleaned sponge 400 ml")).caughtG()).hasValue(400);
    assertThat(read("cleaned sponge -3 g").problems()).isNotEmpty();
    assertThat(read("cleaned sponge 25% change").entries())
        .as("what is no weight begins the next entry")
        .hasSize(2);
    assertThat(((LogEntry.Clean) one("cleaned sponge 2 days ago")).caughtG()).isEmpty();
    assertThat(((LogEntry.Death) one("dead axolotl")).massG()).isEqualTo(120);
    assertThat(((LogEntry.Dose) one("dosed kno3 2 ml")).ml()).isEqualTo(2);
    LogEntry.Addition salt = (LogEntry.Addition) one("added potassium-nitrate 2.3 g");
    assertThat(salt.additive()).isEqualTo(Salt.POTASSIUM_NITRATE);
    assertThat(salt.amount()).isEqualTo(2.3);
    assertThat(((LogEntry.Addition) one("dosed vinegar 2 ml")).additive())
        .isEqualTo(CarbonSource.VINEGAR);
    assertThat(read("dosed vinegr 2 ml").problems().get(0)).contains("vinegr");
    assertThat(((LogEntry.Fast) one("fast 3 days")).days()).isEqualTo(3);
    LogEntry.Medicine course = (LogEntry.Medicine) one("medicine \"Against spots\" 5 days");
    assertThat(course.name()).isEqualTo("Against spots");
    assertThat(course.days()).isEqualTo(5);
    LogEntry.Quarantine apart = (LogEntry.Quarantine) one("quarantine \"Six tetras\"");
    assertThat(apart.who()).isEqualTo("Six tetras");
    assertThat(apart.days()).as("four weeks unless said").isEqualTo(28);
    assertThat(read("quarantine").problems().get(0)).startsWith("Who is kept apart");
    LogEntry.Trial trial = (LogEntry.Trial) one("trial \"Less food\" no3 28 days expecting 6 less");
    assertThat(trial.what()).isEqualTo("Less food");
    assertThat(trial.analyte()).isEqualTo(Analyte.NITRATE);
    assertThat(trial.days()).isEqualTo(28);
    assertThat(trial.expected()).hasValue(-6);
    assertThat(read("trial food 28 days").problems().get(0)).startsWith("What is tried");
    assertThat(read("medicine").problems().get(0)).startsWith("Which medicine");
    assertThat(((LogEntry.Renew) one("renewed ads")).massG()).isEqualTo(60);
    assertThat(((LogEntry.Observation) one("note film on glass, no3 odd")).note())
        .isEqualTo("film on glass, no3 odd");
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "nitrogen 20 | I don't understand “nitrogen”. Did you mean “nitrate”?",
        "no3 twenty | nitrate needs a number; found “twenty”.",
        "no3 | nitrate needs a number; found nothing.",
        "no3 5000 | Nitrate 5000 mg/L NO3 can't be right; 0 to 1000 is read.",
        "no3 -3 | Nitrate -3 mg/L NO3 can't be right; 0 to 1000 is read.",
        "no3 20 ppb | “ppb” is no unit of nitrate; mg/L NO3, mg/L NO3-N are.",
        "no3 20 po4-p | “po4-p” is no unit of nitrate; mg/L NO3, mg/L NO3-N are.",
        "change 25 | A change needs %, L or buckets after 25, as in change 25% or change 40 L.",
        "change 250% | A change of 250 % is not possible; over 0 to 100 % is.",
        "change 400 L | A change of 400 L is not possible; the tank holds 190 L.",
        "change 40 L ro 50 tap 20 | The shares of the waters add to 70 %; they must add to 100.",
        "fed wrms 4g | No food is called “wrms”. Did you mean “worms”?",
        "cut fern 4g | No plant is called “fern”. There is “moss”.",
        "no3 20 tomorrow | I don't understand “tomorrow”. Try no3 20",
        "no3 20 2027-01-01 | Fri 1 Jan 2027, 10:00 is still to come; an entry is of now or earlier.",
        "no3 20 23:59 | Wed 25 Nov 2026, 23:59 is still to come; an entry is of now or earlier.",
        "no3 20 2026-02-30 | There is no day 2026-02-30.",
        "no3 20 2020-01-01 | Wed 1 Jan 2020, 10:00 is before the tank began, 2025-09-06.",
        "yesterday | The line names a time and nothing done. Add what was done.",
        "note | The note is empty. Write it after the word note."
      })
  void whatCannotBeReadIsSaid(String line, String problem) {
    Reading reading = read(line);
    assertThat(reading.entries()).isEmpty();
    assertThat(reading.problems()).singleElement().asString().startsWith(problem);
  }

  @Test
  void aLineIsTakenWholeOrNotAtAll() {
    assertThat(read("no3 20 po4 nonsense").entries()).isEmpty();
  }

  /**
   * A meter of ug/L P that read 49 is told 0.2: that is 0.2 mg/L PO4, or the tank ran dry of it.
   */
  @Test
  void aReadingInAnotherUnitThanTheMetersIsAskedBack() throws Exception {
    TankModel inMicrograms =
        TankFileReader.read(
                example()
                    .replace(
                        "\"unit\": \"mg/L PO4\",\n      \"min\": 0.0, \"max\": 1.2",
                        "\"unit\": \"ug/L P\",\n      \"min\": 0.0, \"max\": 400"))
            .tank();
    LogEntry before = Shorthand.read("po4 49 yesterday", inMicrograms, NOW).entries().get(0);
    List<LogEntry> log = new ArrayList<>(inMicrograms.log());
    log.add(before);
    TankModel tested = inMicrograms.withLog(log);
    assertThat(Shorthand.read("po4 0.2", tested, NOW).remarks())
        .containsExactly(
            "The last reading was 49 ug/L P. Was this one 0.2 mg/L PO4? Then write the unit.");
    assertThat(Shorthand.read("po4 60", tested, NOW).remarks()).isEmpty();
    assertThat(Shorthand.read("po4 0.2 mg/L", tested, NOW).remarks()).isEmpty();
  }

  @Test
  void aValueBetweenStepsIsRemarkedUpon() {
    assertThat(read("no3 22").remarks()).singleElement().asString().contains("nearest");
    assertThat(read("po4 1.4").remarks()).singleElement().asString().contains(">1.2");
  }

  @Test
  void twoMegabytesAreRefusedInOneSentence() {
    Reading reading = read("no3 20 ".repeat(300_000));
    assertThat(reading.problems()).singleElement().asString().contains("at most 500");
  }

  /**
   * Property: whatever is typed, the reader answers, and takes nothing it does not put in words.
   */
  @Test
  void itNeverThrowsAndNeverTakesInSilence() {
    Random random = new Random(7);
    String[] pieces = {
      "no3", "po4", "change", "20", "%", "L", "<", ">", "yesterday", "18:30", "99:99", "ago",
          "days",
      "fed", "worms", "g", "cut", "moss", "dead", "axolotl", "ro", "tap", "50", "-1", "1e9", "note",
      "mg/L", "ppm", "ppb", "2026-13-40", "0,5", "siphon", "half", "\u0000", "🐟", "fast", "renewed"
    };
    for (int i = 0; i < 20_000; i++) {
      StringBuilder line = new StringBuilder();
      for (int word = 0; word < 1 + random.nextInt(8); word++) {
        line.append(pieces[random.nextInt(pieces.length)])
            .append(random.nextInt(4) == 0 ? "" : " ");
      }
      Reading reading = read(line.toString());
      assertThat(reading.understood()).hasSameSizeAs(reading.entries());
      if (!line.toString().isBlank()) {
        assertThat(reading.entries().isEmpty()).isEqualTo(!reading.problems().isEmpty());
      }
      assertThat(reading.entries()).allMatch(e -> !e.at().toInstant().isAfter(NOW.toInstant()));
    }
  }
}
