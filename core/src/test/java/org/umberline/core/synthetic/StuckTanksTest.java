package org.umberline.core.synthetic;

import static org.assertj.core.api.Assertions.assertThat;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.Reason;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WayOfKeeping;

/** What a keeper is told where no routine can be promised: something that would be done. */
class StuckTanksTest {
  private static Advice advice(SyntheticTank.Way way, long seed, int days) {
    WayOfKeeping keeping = SeasonReport.keeping(way);
    SyntheticTank tank = SyntheticTank.begun(way, seed);
    for (int day = 0; day < days; day++) {
      tank.liveByHabit();
    }
    return advice(tank.known(keeping.lines(), keeping.largestChange()), tank.lastDay());
  }

  /** The same on a day of a messy keeper's log, under limits of nitrate and phosphate, mg/L. */
  private static Advice messy(
      SyntheticTank.Way way, long seed, int day, double nitrate, double phosphate) {
    TankModel tank = SyntheticTank.messy(way, seed);
    LocalDate today = tank.dayOf(tank.log().get(0).at().toInstant()).plusDays(day);
    TankModel known =
        SyntheticTank.upTo(today, tank)
            .withLines(
                new Lines(
                    new Line(OptionalDouble.empty(), OptionalDouble.of(nitrate)),
                    new Line(OptionalDouble.empty(), OptionalDouble.of(phosphate))));
    return advice(known, today);
  }

  private static Advice advice(TankModel known, LocalDate today) {
    Posterior posterior =
        Calibration.calibrate(known, today, Advisor.daysAhead(known), 300, 1, WORKERS);
    return new Advisor(known, posterior, SeasonReport.evening(today)).advise();
  }

  /**
   * Cards show 20 again and again, where 20 is the limit, and the tap brings 15: no week's change
   * does much, but none at all lets nitrate climb for months.
   */
  @Test
  void nitrateAtItsLimitIsHeldByChangesThatEachDoLittle() {
    Advice advice = advice(SyntheticTank.Way.SHRIMP, 9900, 119);
    assertThat(advice.today().fraction()).hasValue(0.25);
  }

  /** Phosphate at half its limit holds for two weeks, whatever comes after. */
  @Test
  void nothingIsChangedWhileTheLimitsHoldForWeeks() {
    for (int day : new int[] {60, 67, 74}) {
      Advice advice = advice(SyntheticTank.Way.NO_CHANGE, 5151, day);
      assertThat(advice.today().fraction()).as("day %d", day).isEmpty();
      assertThat(advice.today().verdict()).isNotEqualTo(Advice.Verdict.CHANGE);
    }
  }

  /** Phosphate can't be held; nitrate, still under its limit, takes a little, not half. */
  @Test
  void aChangeForTheOtherNutrientIsNoLargerThanThatTakes() {
    Advice advice = advice(SyntheticTank.Way.SMALL_MARINE, 5151, 67);
    assertThat(advice.today().verdict()).isEqualTo(Advice.Verdict.STUCK);
    assertThat(advice.today().fraction().orElse(0)).isBetween(0.1, 0.35);
    assertThat(advice.today().why())
        .anyMatch(
            reason ->
                reason.kind() == Kind.MAY_GO_OVER
                    && reason.nutrient().orElseThrow() == Nutrient.NITRATE)
        .anyMatch(
            reason ->
                reason.kind() == Kind.CHANGE_HELPS
                    && reason.nutrient().orElseThrow() == Nutrient.NITRATE
                    // as the step beside it says
                    && reason.value().orElseThrow() == advice.catchUp().get(0).nitrateAfterMgL());
  }

  /** The tap holds most of the phosphate there is: half the water would take a tenth of it. */
  @Test
  void nobodyChangesHalfTheWaterForATenthOfThePhosphate() {
    Advice advice = advice(SyntheticTank.Way.PLANTED_LOW_LIGHT, 5151, 60);
    assertThat(advice.today().why())
        .noneMatch(
            reason ->
                reason.kind() == Kind.CHANGE_HELPS
                    && reason.nutrient().orElseThrow() == Nutrient.PHOSPHATE);
  }

  /**
   * Half the water brings nitrate under its limit; phosphate comes back, and is over it whatever is
   * changed.
   */
  @Test
  void aChangeIsToldByWhatItBringsUnderItsLimit() {
    Advice advice = messy(SyntheticTank.Way.FISH_ONLY, 5101, 30, 28, 1.5);
    assertThat(advice.today().why())
        .extracting(Reason::kind)
        .contains(Kind.OVER_NOW, Kind.LARGEST_NOT_ENOUGH);
    assertThat(advice.today().why())
        .filteredOn(reason -> reason.kind() == Kind.CHANGE_HELPS)
        .singleElement()
        .satisfies(
            reason -> {
              assertThat(reason.nutrient()).contains(Nutrient.NITRATE);
              assertThat(reason.value().orElseThrow()).isBetween(18.0, 28.0);
            });
  }

  /** A reading that fits nothing is repeated before anything is done: no change is said to help. */
  @Test
  void nothingIsSaidToHelpBeforeATestIsRepeated() {
    Advice advice = messy(SyntheticTank.Way.MIXED_REEF, 5100, 75, 4, 0.2);
    assertThat(advice.today().verdict()).isEqualTo(Advice.Verdict.TEST_FIRST);
    assertThat(advice.today().why())
        .extracting(Reason::kind)
        .contains(Kind.REPEAT_TEST, Kind.OVER_NOW)
        .doesNotContain(Kind.CHANGE_HELPS);
  }
}
