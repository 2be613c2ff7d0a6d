package org.umberline.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.OneOff;
import org.umberline.core.planning.Reason;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

/** Tanks that were once advised wrongly, as whole tank files: what a careful keeper would say. */
@Tag("long")
class AdviceOnTankFilesTest {
  private static final Workers WORKERS = Workers.ofAllProcessors();
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

  private static String tank(String inTank, String rest, String... log) {
    return """
    {"format": "umberline-tank", "version": 1,
     "tank": {"name": "A tank", "water": "freshwater", "netVolumeL": 100,
              "startedOn": "2025-01-01"%s},
     "waters": [{"id": "tap", "nitrateMgL": %s, "phosphateMgL": 0.1%s}],
     "changeWater": [{"water": "tap", "share": 1}],
     %s
     "log": [%s]}"""
        .formatted(inTank, TAP.get(), TAP_MORE.get(), rest, String.join(",", log));
  }

  private static final ThreadLocal<String> TAP = ThreadLocal.withInitial(() -> "5");
  private static final ThreadLocal<String> TAP_MORE = ThreadLocal.withInitial(() -> "");

  private static final String FED =
      """
      "foods": [{"id": "flake", "form": "dry"}],
      "feeding": [{"food": "flake", "gramsPerFeed": 0.5}],
      """;

  private static String test(int daysAgo, String analyte, double value) {
    return """
    {"at": "%sT18:00:00Z", "type": "test", "analyte": "%s", "value": %s}"""
        .formatted(TODAY.minusDays(daysAgo), analyte, value);
  }

  private static String change(int daysAgo, double litres) {
    return """
    {"at": "%sT19:00:00Z", "type": "water-change", "litres": %s}"""
        .formatted(TODAY.minusDays(daysAgo), litres);
  }

  private static Advisor advisor(String file) {
    try {
      TankModel tank = TankFileReader.read(file).tank();
      Posterior posterior =
          Calibration.calibrate(
              tank, TODAY, Advisor.daysAhead(tank), Calibration.DRAWS, 1, WORKERS);
      return new Advisor(
          tank,
          posterior,
          TODAY.plusDays(1).atStartOfDay(tank.timeZone()).toInstant().minusNanos(1));
    } catch (TankFileException e) {
      throw new IllegalStateException(e);
    }
  }

  private static Advice advice(String file) {
    return advisor(file).advise();
  }

  private static List<Kind> why(Advice advice) {
    return advice.today().why().stream().map(Reason::kind).toList();
  }

  private static List<Kind> remarks(Advice advice) {
    return advice.remarks().stream().map(Reason::kind).toList();
  }

  private static final String NITRATE_40 = "\"lines\": {\"nitrate\": {\"ceilingMgL\": 40}},";

  @Test
  void ammoniaIsActedOnAtAnyAgeOfTheTankByItsReading() {
    Advice advice =
        advice(
            tank(", \"pH\": 8.2", FED + NITRATE_40, test(1, "nitrate", 10), test(0, "ammonia", 2)));
    assertThat(advice.today().verdict()).isEqualTo(Verdict.ACT_NOW);
    assertThat(advice.today().fraction().getAsDouble()).isBetween(0.25, 0.5);
    assertThat(why(advice)).startsWith(Kind.AMMONIA_HIGH);
    assertThat(remarks(advice)).contains(Kind.TEST_SAFETY_AGAIN, Kind.PH_ASSUMED);
    // at pH 6.5 hardly any of it is free (Emerson et al. 1975): no alarm
    assertThat(
            advice(
                    tank(
                        ", \"pH\": 6.5",
                        FED + NITRATE_40,
                        test(1, "nitrate", 10),
                        test(0, "ammonia", 2)))
                .today()
                .verdict())
        .isNotEqualTo(Verdict.ACT_NOW);
  }

  @Test
  void nitriteOfAYoungTankIsActedOnWithAModerateChange() {
    String young =
        tank("", FED + NITRATE_40, test(0, "nitrite", 2.8), test(0, "nitrate", 10))
            .replace("2025-01-01", TODAY.minusDays(37).toString());
    Advice advice = advice(young);
    assertThat(advice.today().verdict()).isEqualTo(Verdict.ACT_NOW);
    assertThat(advice.today().fraction().getAsDouble()).isGreaterThanOrEqualTo(0.25);
    // answered by dilution: two changes of half bring 2.8 to 0.7
    Advice later =
        advice(
            tank(
                    "",
                    FED + NITRATE_40,
                    test(2, "nitrite", 2.8),
                    test(2, "nitrate", 10),
                    change(1, 50),
                    change(0, 50))
                .replace("2025-01-01", TODAY.minusDays(37).toString()));
    assertThat(later.today().verdict()).isNotEqualTo(Verdict.ACT_NOW);
    assertThat(remarks(later)).contains(Kind.TEST_SAFETY_AGAIN);
  }

  @Test
  void gaspingIsActNowByItself() {
    Advice advice =
        advice(
            tank(
                "",
                FED + NITRATE_40,
                test(1, "nitrate", 10),
                "{\"at\": \"2026-11-25T08:00:00Z\", \"type\": \"observation\", \"sign\": \"gasping\","
                    + " \"severity\": 2}"));
    assertThat(advice.today().verdict()).isEqualTo(Verdict.ACT_NOW);
    assertThat(why(advice)).startsWith(Kind.GASPING);
  }

  @Test
  void phosphateThatWasNeverTestedIsTestedBeforeAnythingIsDoneAboutIt() {
    String lines =
        "\"lines\": {\"nitrate\": {\"ceilingMgL\": 40}, \"phosphate\": {\"ceilingMgL\": 0.3}},";
    Advice advice =
        advice(
            tank(
                "",
                FED + lines,
                test(20, "nitrate", 12),
                test(10, "nitrate", 13),
                test(2, "nitrate", 14)));
    assertThat(advice.today().verdict()).isEqualTo(Verdict.TEST_FIRST);
    assertThat(why(advice)).startsWith(Kind.NEVER_TESTED).doesNotContain(Kind.OVER_NOW);
    assertThat(advice.today().fraction()).isEmpty();
    assertThat(advice.catchUp()).isEmpty();
    Advice none = advice(tank("", FED + lines));
    assertThat(none.today().verdict()).isEqualTo(Verdict.TEST_FIRST);
    assertThat(why(none)).doesNotContain(Kind.OVER_NOW);
    assertThat(none.today().fraction()).isEmpty();
  }

  @Test
  void whereNoKitReadsItNobodyIsAskedEveryDay() {
    String kits =
        "\"kits\": [{\"id\": \"n\", \"analyte\": \"nitrate\", \"method\": \"photometer\"}],";
    String lines =
        "\"lines\": {\"nitrate\": {\"ceilingMgL\": 40}, \"phosphate\": {\"ceilingMgL\": 0.3}},";
    Advice advice =
        advice(tank("", FED + lines + kits, test(9, "nitrate", 12), test(2, "nitrate", 12)));
    assertThat(advice.today().verdict()).isNotEqualTo(Verdict.TEST_FIRST);
    assertThat(remarks(advice)).contains(Kind.NOT_TESTED_HERE);
  }

  @Test
  void aSteadyTankUnderItsRoutineIsLeftAlone() {
    TAP.set("0");
    String[] log = new String[18];
    for (int week = 0; week < 9; week++) {
      log[2 * week] = test(7 * (8 - week) + 1, "nitrate", 5 + 0.1 * (week % 4));
      log[2 * week + 1] = change(7 * (8 - week), 20);
    }
    Advice advice =
        advice(
            tank(
                "",
                FED.replace("0.5", "0.06")
                    + "\"lines\": {\"nitrate\": {\"floorMgL\": 1, \"ceilingMgL\": 10}},"
                    + "\"routine\": {\"waterChange\": {\"fraction\": 0.2, \"everyDays\": 7,"
                    + " \"nextOn\": \"2026-12-02\"}},",
                log));
    assertThat(advice.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(advice.today().fraction()).isEmpty();
    advice.recommended().ifPresent(r -> assertThat(r.fraction()).isEqualTo(0.2));
    TAP.remove();
  }

  @Test
  void aTankWhoseWaterCanNotHoldStillGetsOneChangeAndTheBlend() {
    TAP.set("45");
    try {
      String file =
          tank(
                  "",
                  FED + NITRATE_40,
                  test(10, "nitrate", 155),
                  test(4, "nitrate", 158),
                  test(0, "nitrate", 160))
              .replace("\"changeWater\"", "\"topOff\": {\"litresPerDay\": 0}, \"changeWater\"")
              .replace(
                  "\"waters\": [",
                  "\"waters\": [{\"id\": \"ro\", \"nitrateMgL\": 0, \"phosphateMgL\": 0},");
      Advice advice = advice(file);
      assertThat(advice.today().verdict()).isEqualTo(Verdict.STUCK);
      assertThat(why(advice)).contains(Kind.SOURCE_TOO_RICH, Kind.CHANGE_HELPS);
      assertThat(advice.today().fraction().getAsDouble()).isEqualTo(0.5);
      assertThat(advice.catchUp()).hasSize(1);
      assertThat(advice.catchUp().get(0).nitrateAfterMgL()).isBetween(90.0, 115.0);
      assertThat(advice.recommended()).isEmpty();
    } finally {
      TAP.remove();
    }
  }

  @Test
  void aSourceJustUnderTheLineIsNoSeriesOfEightChanges() {
    TAP.set("38");
    try {
      Advice advice =
          advice(tank("", FED + NITRATE_40, test(8, "nitrate", 60), test(0, "nitrate", 62)));
      assertThat(advice.catchUp().size()).isLessThanOrEqualTo(4);
      assertThat(advice.recommended()).isEmpty();
      assertThat(advice.today().verdict()).isEqualTo(Verdict.STUCK);
    } finally {
      TAP.remove();
    }
  }

  @Test
  void aHardTapSplitsAFreshWaterChangeAndForbidsNone() {
    TAP_MORE.set(", \"alkalinityDkh\": 10");
    try {
      Advisor advisor =
          advisor(
              tank(
                  ", \"alkalinityDkh\": 4",
                  FED + NITRATE_40,
                  test(8, "nitrate", 30),
                  test(1, "nitrate", 38)));
      // 3 dKH a step in fresh water, 6 dKH apart: half at most
      assertThat(advisor.largest().largestFraction()).isEqualTo(0.5);
      assertThat(advisor.advise().recommended()).isPresent();
    } finally {
      TAP_MORE.remove();
    }
  }

  @Test
  void littleNitrateBesideMuchPhosphateIsNoOrderToChangeHalf() {
    TAP.set("0");
    String lines =
        "\"lines\": {\"nitrate\": {\"floorMgL\": 2, \"ceilingMgL\": 25},"
            + " \"phosphate\": {\"floorMgL\": 0.05, \"ceilingMgL\": 0.4}},";
    Advice advice =
        advice(
            tank(
                "",
                FED.replace("0.5", "0.1") + lines,
                test(14, "nitrate", 0.3),
                test(14, "phosphate", 0.5),
                test(7, "nitrate", 0.2),
                test(7, "phosphate", 0.5),
                test(0, "nitrate", 0.2),
                test(0, "phosphate", 0.5)));
    assertThat(advice.today().fraction().orElse(0)).isLessThan(0.5);
    assertThat(remarks(advice)).contains(Kind.BELOW_FLOOR);
    assertThat(advice.helps().stream().map(help -> help.first().lever()))
        .contains(Lever.DOSE, Lever.ADSORBER_MASS);
    TAP.remove();
  }

  /** A reading that nothing else bears out is repeated, and nothing is done because of it. */
  @Test
  void aDoubtedReadingUnderTheLowerLineIsRepeatedNotActedOn() {
    TAP.set("0");
    String lines =
        "\"lines\": {\"nitrate\": {\"floorMgL\": 2, \"ceilingMgL\": 40},"
            + " \"phosphate\": {\"floorMgL\": 0.05, \"ceilingMgL\": 1.2}},";
    Advice advice =
        advice(
            tank(
                "",
                FED.replace("0.5", "0.1") + lines,
                test(28, "phosphate", 0.5),
                test(21, "nitrate", 14),
                test(21, "phosphate", 0.52),
                test(14, "phosphate", 0.55),
                test(7, "nitrate", 15),
                test(7, "phosphate", 0.56),
                test(0, "phosphate", 0.0003)));
    assertThat(advice.today().verdict()).isEqualTo(Advice.Verdict.TEST_FIRST);
    assertThat(advice.today().why().get(0).kind()).isEqualTo(Kind.REPEAT_TEST);
    assertThat(remarks(advice)).doesNotContain(Kind.BELOW_FLOOR);
    TAP.remove();
  }

  /** Between two lines that stand close the floor forbids what the ceiling asks: never both. */
  @Test
  void aNarrowSpanIsNeverBothChangeMuchAndChangeLess() {
    TAP.set("0");
    Advice advice =
        advice(
            tank(
                "",
                FED.replace("0.5", "0.3")
                    + "\"lines\": {\"nitrate\": {\"floorMgL\": 20, \"ceilingMgL\": 21}},",
                test(14, "nitrate", 17.5),
                test(7, "nitrate", 18.4),
                test(0, "nitrate", 19.2)));
    assertThat(advice.today().fraction().orElse(0)).isLessThan(0.5);
    if (remarks(advice).contains(Kind.BELOW_FLOOR)) {
      assertThat(advice.today().fraction()).isEmpty();
    }
    TAP.remove();
  }

  /** A reef whose adsorber is spent renews it first; the water stays near its habit. */
  @Test
  void aSpentAdsorberLeadsAndTheWaterStaysNearTheHabit() {
    TAP.set("0");
    String[] log = new String[24];
    for (int week = 0; week < 8; week++) {
      int ago = 7 * (8 - week) - 5;
      log[3 * week] = test(ago, "phosphate", week < 5 ? 0.05 : 0.05 + 0.02 * (week - 4));
      log[3 * week + 1] = test(ago, "nitrate", 8);
      log[3 * week + 2] = change(ago - 1, 10);
    }
    Advice advice =
        advice(
            tank(
                    ", \"salinityPpt\": 35",
                    FED.replace("0.5", "0.8")
                        + "\"exports\": [{\"id\": \"ads\", \"kind\": \"phosphate-adsorber\","
                        + " \"massG\": 20, \"capacityMgPPerG\": 6, \"placement\": \"reactor\","
                        + " \"from\": \"2026-09-01\"}],"
                        + "\"lines\": {\"nitrate\": {\"ceilingMgL\": 20},"
                        + " \"phosphate\": {\"ceilingMgL\": 0.15}},"
                        + "\"routine\": {\"waterChange\": {\"fraction\": 0.1, \"everyDays\": 7,"
                        + " \"nextOn\": \"2026-11-28\"}},",
                    log)
                .replace("\"freshwater\"", "\"marine\""));
    assertThat(advice.work())
        .anyMatch(work -> work.kind() == Advice.WorkKind.RENEW && work.added());
    assertThat(advice.recommended().map(r -> r.fraction()).orElse(0.0)).isLessThanOrEqualTo(0.2);
    assertThat(advice.helps())
        .noneMatch(help -> help.first().lever() == Lever.WATER && help.first().of().isPresent());
    TAP.remove();
  }

  @Test
  void aRoutineThatIsDueAndNotNeededIsSkipped() {
    Advice advice =
        advice(
            tank(
                "",
                FED.replace("0.5", "0.05")
                    + NITRATE_40
                    + "\"routine\": {\"waterChange\": {\"fraction\": 0.25, \"everyDays\": 7,"
                    + " \"nextOn\": \"2026-11-25\"}},",
                test(21, "nitrate", 9),
                change(14, 25),
                test(10, "nitrate", 8),
                change(7, 25),
                test(1, "nitrate", 8)));
    assertThat(advice.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(remarks(advice)).contains(Kind.HABIT_HOLDS);
    assertThat(why(advice)).doesNotContain(Kind.IF_WAITING, Kind.OVER_NOW);
  }

  @Test
  void whatWasChangedTodayIsNotAskedForAgain() {
    Advice before =
        advice(tank("", FED + NITRATE_40, test(9, "nitrate", 39), test(1, "nitrate", 44)));
    assertThat(before.today().verdict()).isEqualTo(Verdict.CHANGE);
    double share =
        before.catchUp().isEmpty()
            ? before.today().fraction().getAsDouble()
            : before.catchUp().get(0).fraction();
    Advice after =
        advice(
            tank(
                "",
                FED + NITRATE_40,
                test(9, "nitrate", 39),
                test(1, "nitrate", 44),
                change(0, Math.max(30, 100 * share))));
    assertThat(after.today().verdict()).isNotEqualTo(Verdict.CHANGE);
    assertThat(after.today().fraction()).isEmpty();
  }

  @Test
  void aLittleOverTheLineTakesOneChange() {
    Advice advice =
        advice(
            tank(
                "",
                FED.replace("0.5", "0.3") + NITRATE_40,
                test(20, "nitrate", 36),
                test(12, "nitrate", 38),
                test(5, "nitrate", 40),
                test(0, "nitrate", 42)));
    assertThat(advice.today().verdict()).isEqualTo(Verdict.CHANGE);
    assertThat(advice.catchUp().size()).isLessThanOrEqualTo(1);
    assertThat(advice.recommended().get().everyDays()).isGreaterThanOrEqualTo(7);
  }

  @Test
  void oneChangeToALevelFollowsTheMixingOfTwoWaters() {
    Advisor advisor =
        advisor(tank("", FED + NITRATE_40, test(3, "nitrate", 40), test(0, "nitrate", 40)));
    OneOff once = advisor.oneOff(Nutrient.NITRATE, 15);
    // f = (now - target) / (now - source), split when it is over the largest change
    double left = Math.pow(1 - once.fraction().getAsDouble(), once.series().size());
    double after = once.sourceMgL() + (once.nowMgL() - once.sourceMgL()) * left;
    assertThat(after).isCloseTo(15, org.assertj.core.data.Offset.offset(1e-9));
    assertThat(once.series()).allMatch(share -> share <= 0.5 + 1e-9);
    assertThat(once.buckets()).isEqualTo((int) Math.ceil(once.litres() / 10));
    assertThat(advisor.oneOff(Nutrient.NITRATE, 3).fraction()).as("under the source").isEmpty();
    assertThat(advisor.oneOff(Nutrient.NITRATE, 3).bestReachableMgL())
        .isCloseTo(5, org.assertj.core.data.Offset.offset(0.5));
  }

  @Test
  void entriesThatStandTwiceArePointedOut() {
    Advice advice =
        advice(tank("", FED + NITRATE_40, test(3, "nitrate", 12), change(2, 20), change(2, 20)));
    assertThat(remarks(advice)).contains(Kind.DUPLICATE_ENTRY);
  }

  @Test
  void moreCarbonThanATankCanStandIsSaidWhateverElseLeads() {
    String carbon =
        """
        "exports": [{"id": "spirit", "kind": "carbon-dose", "source": "ethanol-40", "mlPerDay": %s,
          "from": "2025-06-01"}],
        """;
    String tests = test(3, "nitrate", 12);
    Advice over = advice(tank("", FED + NITRATE_40 + carbon.formatted(20), tests));
    assertThat(why(over)).contains(Kind.CARBON_OVER_CEILING);
    assertThat(over.today().why())
        .filteredOn(reason -> reason.kind() == Kind.CARBON_OVER_CEILING)
        .singleElement()
        // a mL for 40 L a day: common practice, no source
        .satisfies(reason -> assertThat(reason.value().getAsDouble()).isEqualTo(2.5));
    assertThat(why(advice(tank("", FED + NITRATE_40 + carbon.formatted(2), tests))))
        .doesNotContain(Kind.CARBON_OVER_CEILING);
  }

  @Test
  void carbonIsStoppedForGaspingAnimalsAlsoWhereAmmoniaLeads() {
    String carbon =
        """
        "exports": [{"id": "spirit", "kind": "carbon-dose", "source": "ethanol-40", "mlPerDay": 1,
          "from": "2025-06-01"}],
        """;
    String gasping =
        """
        {"at": "%sT08:00:00Z", "type": "observation", "sign": "gasping", "severity": 2}"""
            .formatted(TODAY);
    Advice advice =
        advice(
            tank(
                ", \"pH\": 8.2",
                FED + NITRATE_40 + carbon,
                test(1, "nitrate", 12),
                test(0, "ammonia", 2),
                gasping));
    assertThat(why(advice)).contains(Kind.AMMONIA_HIGH, Kind.CARBON_WHILE_GASPING);
  }
}
