package org.umberline.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class PracticeRunTest {
  private static final long SEED = 7;

  private static PracticeWeek change(double litres, Check... checks) {
    return new PracticeWeek(List.of(checks), litres, Filling.USUAL, 1, false, true);
  }

  private static PracticeRun eightTimes(PracticeCase which, PracticeWeek week) {
    return new PracticeRun(which, SEED, Collections.nCopies(PracticeRun.WEEKS, week));
  }

  private static double reading(PracticeRun run, int week, Check check, boolean after) {
    return run.findings().stream()
        .filter(f -> f.week() == week && f.check() == check && f.after() == after)
        .findFirst()
        .orElseThrow()
        .value();
  }

  @ParameterizedTest
  @EnumSource
  void theSameCaseAndSeedAreTheSameTankAndAnotherSeedIsAnother(PracticeCase which) {
    PracticeWeek week = change(20, Check.NITRATE, Check.PHOSPHATE, Check.AMMONIA);
    assertThat(eightTimes(which, week).highest()).isEqualTo(eightTimes(which, week).highest());
    assertThat(eightTimes(which, week).findings()).isEqualTo(eightTimes(which, week).findings());
    assertThat(new PracticeRun(which, SEED + 1, List.of()).highest())
        .isNotEqualTo(new PracticeRun(which, SEED, List.of()).highest());
  }

  @ParameterizedTest
  @EnumSource
  void whatIsReadDoesNotChangeWithWhatIsDoneLater(PracticeCase which) {
    PracticeWeek first = change(25, Check.NITRATE);
    PracticeRun soFar = new PracticeRun(which, SEED, List.of(first));
    PracticeRun later = new PracticeRun(which, SEED, List.of(first, change(50), change(0)));
    assertThat(later.findings()).startsWith(soFar.findings().toArray(PracticeRun.Finding[]::new));
    List<Check> checks = List.of(Check.NITRATE, Check.PHOSPHATE, Check.AMMONIA);
    PracticeWeek much = new PracticeWeek(checks, 30, Filling.PURE, 0, true, false);
    assertThat(new PracticeRun(which, SEED, List.of(first, much)).findings())
        .isEqualTo(
            new PracticeRun(which, SEED, List.of(first, PracticeWeek.looking(checks))).findings());
  }

  @ParameterizedTest
  @EnumSource
  void nothingDoneIsNeverEnoughAndTheBetterPlanIsBetter(PracticeCase which) {
    for (long seed = 0; seed < 6; seed++) {
      PracticeRun nothing = new PracticeRun(which, seed, List.of());
      BetterPlan better = BetterPlan.of(which, seed);
      int over = nothing.score().daysOver();
      assertThat(over).as("seed %d", seed).isGreaterThan(20);
      assertThat(better.run().score().daysOver()).as("seed %d", seed).isLessThan(over / 2);
      assertThat(better.run().score().hardChanges()).isZero();
    }
  }

  /** A change mixes: what is left of the old water and what comes in, by shares. */
  @Test
  void aRichTapHoldsNitrateUpAndItsTestSaysIt() {
    PracticeRun usual = eightTimes(PracticeCase.RICH_TAP, change(50, Check.CHANGE_WATER));
    PracticeRun pure =
        eightTimes(
            PracticeCase.RICH_TAP, new PracticeWeek(List.of(), 50, Filling.PURE, 1, false, true));
    double tap = usual.hiddenFigure();
    assertThat(reading(usual, 0, Check.CHANGE_WATER, false)).isCloseTo(tap, within(0.3 * tap));
    double[] high = usual.highest();
    // half of the water a week with h of climb: at rest the peak is tap + 2 h
    double climb = 7 * (pure.highest()[6] - pure.highest()[1]) / 5;
    assertThat(high[49]).isCloseTo(tap + 2 * climb, within(1.5));
    assertThat(pure.highest()[49]).isCloseTo(2 * climb, within(1.5));
    assertThat(pure.score().daysOver()).isZero();
    assertThat(usual.score().daysOver()).isGreaterThan(40);
  }

  @Test
  void aSmallerVolumeShowsInTheFallAtAChange() {
    PracticeRun run = eightTimes(PracticeCase.WRONG_VOLUME, change(45, Check.NITRATE));
    double volume = run.hiddenFigure();
    double before = run.highest()[0];
    // the change water has 5 mg/L
    double expected = before - 45 / volume * (before - 5);
    assertThat(reading(run, 0, Check.NITRATE, true)).isCloseTo(expected, within(0.3 * expected));
    assertThat(run.stated().netVolumeL()).isGreaterThan(1.4 * volume);
    PracticeRun half = eightTimes(PracticeCase.WRONG_VOLUME, change(90));
    assertThat(half.score().hardChanges()).isEqualTo(PracticeRun.WEEKS);
  }

  /** A body is 26 mg N a gram (from memory); NO3 is 62.005 / 14.007 of its N (IUPAC masses). */
  @Test
  void aBodyThatIsNotFoundGivesOffItsNitrogen() {
    PracticeTank with = PracticeTank.of(PracticeCase.UNSEEN_DEATH, SEED);
    PracticeTank.Hidden hidden = with.hidden();
    PracticeTank without =
        new PracticeTank(
            with.which(),
            with.stated(),
            with.truth(),
            new PracticeTank.Hidden(
                hidden.nitrateMgL(), hidden.phosphateMgL(), 1, PracticeTank.Hidden.NEVER, 0, 1));
    double[] dead = new PracticeRun(with, SEED, List.of()).highest();
    double[] alive = new PracticeRun(without, SEED, List.of()).highest();
    double body = hidden.deadG() * 26 * 62.005 / 14.007 / with.truth().netVolumeL();
    assertThat(dead[PracticeRun.DAYS - 1] - alive[PracticeRun.DAYS - 1])
        // some of it has gone off as gas by then
        .isBetween(0.75 * body, body);
    assertThat(dead[10]).isEqualTo(alive[10]);

    int found = (hidden.deathDay() + 6) / 7;
    List<PracticeWeek> counting = new ArrayList<>();
    for (int week = 0; week <= found; week++) {
      counting.add(PracticeWeek.looking(List.of(Check.ANIMALS)));
    }
    PracticeRun counted = new PracticeRun(PracticeCase.UNSEEN_DEATH, SEED, counting);
    assertThat(counted.foundOut()).hasValue(found);
    assertThat(counted.couldKnow()).isEqualTo(found);
    assertThat(reading(counted, found, Check.ANIMALS, false)).isEqualTo(PracticeRun.DEAD);
    List<PracticeWeek> late =
        new ArrayList<>(
            Collections.nCopies(PracticeRun.WEEKS - 1, PracticeWeek.looking(List.of())));
    late.add(PracticeWeek.looking(List.of(Check.ANIMALS)));
    PracticeRun missed = new PracticeRun(PracticeCase.UNSEEN_DEATH, SEED, late);
    assertThat(reading(missed, PracticeRun.WEEKS - 1, Check.ANIMALS, false))
        .isEqualTo(PracticeRun.MISSING);
    assertThat(counted.highest()[PracticeRun.DAYS - 1]).isLessThan(dead[PracticeRun.DAYS - 1]);
  }

  @Test
  void phosphateSpringsBackFromTheRockUntilAnAdsorberTakesIt() {
    PracticeRun changed = eightTimes(PracticeCase.FULL_ROCK, change(125));
    assertThat(changed.score().daysOver()).isEqualTo(PracticeRun.DAYS);
    List<PracticeWeek> once =
        List.of(change(0), new PracticeWeek(List.of(), 0, Filling.USUAL, 1, true, false));
    PracticeRun adsorbed = new PracticeRun(PracticeCase.FULL_ROCK, SEED, once);
    assertThat(Arrays.stream(adsorbed.highest()).skip(21).max().orElseThrow()).isLessThan(0.15);
    assertThat(adsorbed.foundOut()).hasValue(1);
  }

  @Test
  void aBlindKitReadsNothingUntilItFailsOnAKnownSolution() {
    List<PracticeWeek> weeks =
        List.of(change(0, Check.NITRATE, Check.STANDARD, Check.NITRATE), change(0, Check.NITRATE));
    PracticeRun run = new PracticeRun(PracticeCase.BLIND_KIT, SEED, weeks);
    List<PracticeRun.Finding> findings = run.findings();
    assertThat(findings.get(0).value()).isLessThan(5);
    assertThat(findings.get(1).value()).isLessThan(5);
    assertThat(findings.get(2).value()).isGreaterThan(20);
    assertThat(reading(run, 1, Check.NITRATE, false)).isGreaterThan(25);
    assertThat(run.foundOut()).hasValue(0);
  }

  @Test
  void waterAndWorkAreCounted() {
    PracticeRun run =
        new PracticeRun(
            PracticeCase.RICH_TAP,
            SEED,
            List.of(change(20, Check.NITRATE, Check.ANIMALS), change(0), change(40)));
    PracticeRun.Score score = run.score();
    assertThat(score.litres()).isEqualTo(60);
    assertThat(score.changes()).isEqualTo(2);
    // two changes at 12 minutes and 0.4 a litre, four nitrate tests at 7, one count at 5
    assertThat(score.minutes()).isEqualTo(2 * 12 + 24 + 4 * 7 + 5);
  }
}
