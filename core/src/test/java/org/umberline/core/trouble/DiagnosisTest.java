package org.umberline.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/** What the signs go with is common practice, no source. */
class DiagnosisTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(40);

  private static List<Found> found(String clues) {
    return Arrays.stream(clues.split(" "))
        .map(
            clue ->
                clue.startsWith("!")
                    ? Found.of(clue(clue.substring(1)), false)
                    : Found.of(clue(clue), true))
        .toList();
  }

  private static Clue clue(String term) {
    return Arrays.stream(Clue.values())
        .filter(c -> c.term().equals(term))
        .findFirst()
        .orElseThrow();
  }

  @ParameterizedTest
  @CsvSource({
    "slimy-mat, nitrate-low phosphate-high weak-flow, cyanobacteria",
    "brown-strings, nitrate-low phosphate-low many-bubbles, dinoflagellates",
    "slimy-mat, nitrate-low phosphate-low many-bubbles, dinoflagellates",
    "brown-strings, silicate young !many-bubbles !nitrate-low, diatoms",
    "brown-dust, silicate young wipes-off, diatoms",
    "hair-algae, gains changes-missed nitrate-high !long-light, load",
    "hair-algae, long-light !gains !nitrate-high !changes-missed, light",
    "black-tufts, weak-flow !wipes-off, carbon-dioxide",
    "film-algae, on-glass-only wipes-off, glass-film",
    "surface-film, still-surface, still-surface",
    "cloudy-water, carbon fed-more, bacterial-bloom",
    "cloudy-water, filter-cleaned !fed-more !carbon !young, stirred-dust",
    "green-water, long-light, suspended-algae",
    "pale-leaves, nitrate-low old-leaves, nitrogen-lacking",
    "pale-leaves, !nitrate-low !old-leaves, iron-lacking",
    "corals-closed, salinity-off, salinity",
    "corals-closed, !salinity-off alkalinity-off, alkalinity",
    "gasping, ammonia all-animals young, ammonia",
    "gasping, !ammonia all-animals warm still-surface, oxygen",
    "gasping, !ammonia !all-animals new-animals, disease",
    "weak-flow, work-missed !filter-cleaned, choked-filter",
    "weak-flow, goes-around filter-cleaned, choked-filter",
    "weak-flow, !goes-around filter-cleaned, worn-pump",
    "weak-flow, filter-cleaned !work-missed, worn-pump"
  })
  void theUsualReadingLeads(String sign, String clues, String cause) {
    boolean salted = Set.of("dinoflagellates", "salinity", "alkalinity").contains(cause);
    WaterKind water = salted ? WaterKind.MARINE : WaterKind.FRESHWATER;
    Diagnosis diagnosis = Diagnosis.of(sign, water, found(clues));
    assertThat(diagnosis.candidates().get(0).cause().term()).isEqualTo(cause);
    assertThat(diagnosis.candidates().get(0).chance()).isGreaterThan(0.5);
    assertThat(diagnosis.candidates().stream().mapToDouble(Diagnosis.Candidate::chance).sum())
        .isCloseTo(1, within(1e-9));
  }

  /** Bayes' rule by hand: a sign of two causes and one clue that is as good as sure. */
  @Test
  void chancesFollowBayesRule() {
    Diagnosis known = Diagnosis.of("yellow-water", WaterKind.FRESHWATER, found("changes-missed"));
    double with = 0.85 * (0.95 * 0.5 + 0.05 * 0.5);
    double other = 0.1 * (0.95 * 0.25 + 0.05 * 0.75);
    assertThat(known.candidates().get(0).chance()).isCloseTo(with / (with + other), within(1e-12));
  }

  @Test
  void aClueThatIsHalfKnownSaysNothingAndTheTestForItIsAsked() {
    Found open = new Found(Clue.NITRATE_LOW, 0.5, OptionalDouble.empty());
    Diagnosis diagnosis = Diagnosis.of("pale-leaves", WaterKind.FRESHWATER, List.of(open));
    Diagnosis without = Diagnosis.of("pale-leaves", WaterKind.FRESHWATER, List.of());
    for (Cause cause : List.of(Cause.NITROGEN_LACKING, Cause.IRON_LACKING, Cause.OTHER)) {
      assertThat(of(diagnosis, cause)).isCloseTo(of(without, cause), within(1e-12));
    }
    assertThat(diagnosis.asks()).extracting(Diagnosis.Ask::clue).contains(Clue.NITRATE_LOW);
    assertThat(diagnosis.asks().get(0).bits()).isGreaterThan(0.1);
    assertThat(
            Diagnosis.of(
                    "pale-leaves",
                    WaterKind.FRESHWATER,
                    found("nitrate-low !nitrate-high old-leaves"))
                .asks())
        .isEmpty();
  }

  private static double of(Diagnosis diagnosis, Cause cause) {
    return diagnosis.candidates().stream()
        .filter(candidate -> candidate.cause() == cause)
        .findFirst()
        .orElseThrow()
        .chance();
  }

  @Test
  void waterKindAndOneClueOfEachTestAreMinded() {
    List<Found> clues = found("phosphate-low !phosphate-high nitrate-low many-bubbles");
    assertThat(of(Diagnosis.of("brown-strings", WaterKind.MARINE, clues), Cause.DINOFLAGELLATES))
        .isGreaterThan(
            of(Diagnosis.of("brown-strings", WaterKind.FRESHWATER, clues), Cause.DINOFLAGELLATES));
    Diagnosis.of("brown-strings", WaterKind.MARINE, clues)
        .candidates()
        .forEach(
            one ->
                assertThat(one.speaksFor().stream().flatMap(f -> f.clue().test().stream()))
                    .doesNotHaveDuplicates());
  }

  /** Who sees animals gasp is not told that no change is needed before it is noted. */
  @Test
  void whatIsUrgentWaitsForNoRoutine() {
    TankModel tank = tested(10, 0.3).build();
    Posterior posterior = learned(tank);
    Advice advice =
        new Advisor(tank, posterior, TODAY.atTime(12, 0).toInstant(ZoneOffset.UTC)).advise();
    for (Cause cause : List.of(Cause.AMMONIA, Cause.OXYGEN)) {
      assertThat(
              Remedy.planFor(cause, tank, new Levels(tank, posterior), List.of(), advice).steps())
          .contains(Remedy.AERATE, Remedy.NOTE_IT)
          .doesNotContain(Remedy.AS_ADVISED, Remedy.NO_CHANGE_FOR_IT);
    }
    assertThat(
            Remedy.planFor(
                    Cause.LOAD, tank, new Levels(tank, posterior), found("filter-cleaned"), advice)
                .steps())
        .doesNotContain(Remedy.CLEAN_FILTER);
  }

  @Test
  void oneTestIsAskedOnce() {
    for (String sign : Sign.TERMS) {
      List<Analyte> tests =
          Diagnosis.of(sign, WaterKind.FRESHWATER, List.of()).asks().stream()
              .flatMap(a -> a.test().stream())
              .toList();
      assertThat(tests).doesNotHaveDuplicates();
    }
  }

  @Test
  void aSignIsLookedAtWhereItsCausesDiffer() {
    assertThat(Diagnosis.looks("slimy-mat")).contains(Look.MANY_BUBBLES, Look.ON_SAND);
    assertThat(Diagnosis.looks("pale-leaves"))
        .contains(Look.OLD_LEAVES)
        .doesNotContain(Look.CLINGS);
    assertThat(Diagnosis.looks(Sign.GASPING)).contains(Look.ALL_ANIMALS, Look.STILL_SURFACE);
  }

  @Test
  void whatSitsOnTheGlassAloneDoesNotCount() {
    assertThat(Clues.isOnGlassOnly(Set.of(Look.ON_GLASS, Look.WIPES_OFF))).isTrue();
    assertThat(Clues.isOnGlassOnly(Set.of(Look.ON_GLASS, Look.ON_WOOD))).isFalse();
    assertThat(Clues.isOnGlassOnly(Set.of(Look.WIPES_OFF))).isFalse();
  }

  // ------------------------------------------------------------- by the tank's own numbers

  private static TankBuilder tested(double nitrate, double phosphate) {
    TankBuilder builder =
        new TankBuilder()
            .ration(0.3)
            .startedOn(TankBuilder.START)
            .photometer("no3", Analyte.NITRATE, 0.3, 0.03)
            .photometer("po4", Analyte.PHOSPHATE, 0.01, 0.03);
    for (int day = 5; day <= 40; day += 7) {
      builder.test(day, Analyte.NITRATE, nitrate, "no3");
      builder.test(day, Analyte.PHOSPHATE, phosphate, "po4");
    }
    return builder;
  }

  private static Posterior learned(TankModel tank) {
    return Calibration.calibrate(tank, TODAY, Advisor.daysAhead(tank), 120, 1, TankBuilder.WORKERS);
  }

  private static List<Found> clues(TankModel tank, Look... looks) {
    Set<Look> seen = EnumSet.noneOf(Look.class);
    seen.addAll(List.of(looks));
    return Clues.of(tank, learned(tank), List.of(), TODAY, seen);
  }

  private static double chance(List<Found> found, Clue clue) {
    return found.stream().filter(f -> f.clue() == clue).findFirst().orElseThrow().chance();
  }

  @Test
  void theTanksOwnTestsAndMakeUpAreTheClues() {
    TankModel tank =
        tested(0.4, 1.5)
            .export(
                new ExportMethod.CarbonDose(
                    "carbon", CarbonSource.ETHANOL_40, 0.5, TankBuilder.always()))
            .log(new LogEntry.Death(TankBuilder.at(38), 3, 24, ""))
            .photometer("nh3", Analyte.AMMONIA, 0.05, 0.05)
            .test(39, Analyte.AMMONIA, 0.5, "nh3")
            .build();
    List<Found> found = clues(tank, Look.FEW_BUBBLES, Look.ON_SAND);
    assertThat(chance(found, Clue.NITRATE_LOW)).isGreaterThan(0.8);
    assertThat(chance(found, Clue.PHOSPHATE_HIGH)).isGreaterThan(0.8);
    assertThat(chance(found, Clue.YOUNG)).isGreaterThan(0.9);
    assertThat(chance(found, Clue.CARBON)).isGreaterThan(0.9);
    assertThat(chance(found, Clue.DEATH)).isGreaterThan(0.9);
    assertThat(chance(found, Clue.AMMONIA)).isGreaterThan(0.9);
    assertThat(chance(found, Clue.MANY_BUBBLES)).isLessThan(0.1);
    assertThat(chance(found, Clue.ON_GLASS_ONLY)).isLessThan(0.1);
    assertThat(found).extracting(Found::clue).doesNotContain(Clue.SALINITY_OFF, Clue.WIPES_OFF);
    Diagnosis mat = Diagnosis.of("slimy-mat", WaterKind.FRESHWATER, found);
    assertThat(mat.candidates().get(0).cause()).isEqualTo(Cause.CYANOBACTERIA);
    assertThat(mat.candidates().get(0).speaksFor())
        .extracting(Found::clue)
        .contains(Clue.NITRATE_LOW);
  }

  @ParameterizedTest
  @EnumSource(Cause.class)
  void everyCauseHasAPlanWithoutWaterOfItsOwn(Cause cause) {
    TankModel tank = tested(10, 0.3).build();
    Posterior posterior = learned(tank);
    Advice advice =
        new Advisor(tank, posterior, TODAY.atTime(12, 0).toInstant(ZoneOffset.UTC)).advise();
    Remedy.Plan plan = Remedy.planFor(cause, tank, new Levels(tank, posterior), List.of(), advice);
    assertThat(plan.steps()).isNotEmpty().doesNotHaveDuplicates();
    boolean changes = advice.today().fraction().isPresent() || advice.recommended().isPresent();
    assertThat(plan.steps()).doesNotContain(changes ? Remedy.NO_CHANGE_FOR_IT : Remedy.AS_ADVISED);
  }
}
