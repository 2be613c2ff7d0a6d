package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

class UntouchedTest {
  private static final LocalDate AS_OF = TankBuilder.START.plusDays(30);
  private static final int DAYS = 60;
  private static final Posterior POSTERIOR =
      Calibration.calibrate(
          new TankBuilder().water("tap", 10, 0.2).changeWater("tap").dosing(20).build(),
          AS_OF,
          DAYS,
          200,
          1,
          WORKERS);
  private static final Projection ALL = Projection.of(POSTERIOR, DAYS, PlannedChanges.NONE);

  /** mg N/L that so many of the draws pass on a day. */
  private static double passedBy(int draws, int day) {
    double[] levels = new double[ALL.draws()];
    for (int draw = 0; draw < levels.length; draw++) {
      levels[draw] = ALL.high(Nutrient.NITRATE, day, draw);
    }
    Arrays.sort(levels);
    return (levels[levels.length - draws] + levels[levels.length - draws - 1]) / 2;
  }

  private static long over(double ceiling, int day) {
    return IntStream.range(0, ALL.draws())
        .filter(draw -> ALL.high(Nutrient.NITRATE, day, draw) > ceiling)
        .count();
  }

  private static Untouched untouched(double nitrate) {
    return new Untouched(POSTERIOR, DAYS, new double[] {nitrate, Double.POSITIVE_INFINITY});
  }

  @Test
  void aPromiseEndsOnTheFirstDayOnWhichTooManyOfAllDrawsAreOver() {
    for (int day : new int[] {3, 20, 45}) {
      double ceiling = passedBy(20, day);
      int end = 0;
      while (over(ceiling, end) < 20) {
        end++;
      }
      // runs are broken off week by week: the last digits differ
      assertThat(untouched(ceiling).daysFree(19)).isCloseTo(end, within(1));
    }
    assertThat(untouched(passedBy(1, DAYS - 1) * 10).daysFree(0)).isEqualTo(DAYS);
    assertThat(untouched(0).daysFree(0)).isZero();
  }

  /** What plans share is run once, and is the same to the last digit. */
  @Test
  void aRunFromAKeptStateGoesOnAsTheWholeRun() {
    Untouched known = untouched(passedBy(20, 45));
    Untouched unknown = untouched(passedBy(20, 45));
    known.daysFree(19);
    TankState some = new TankState(POSTERIOR.scenario());
    TankState all = new TankState(POSTERIOR.scenario());
    assertThat(known.begin(7, 40, some)).isEqualTo(35);
    assertThat(unknown.begin(7, 40, all)).isZero();
    int first = POSTERIOR.scenario().asOfDay() + 1;
    TankSimulator simulator = TankSimulator.quick(POSTERIOR.scenario());
    Trace trace = new Trace(POSTERIOR.scenario());
    for (int day = 0; day < 35; day += Untouched.EVERY_DAYS) {
      simulator.run(
          all,
          first + day,
          first + day + Untouched.EVERY_DAYS,
          POSTERIOR.draws().get(7).multipliers(),
          PlannedChanges.NONE,
          trace);
    }
    assertThat(all.nitrateMg()).isEqualTo(some.nitrateMg());
    assertThat(all.phosphorusMg()).isEqualTo(some.phosphorusMg());
    assertThat(all.nitrateMg()).isNotEqualTo(POSTERIOR.draws().get(7).state().nitrateMg());
  }

  @Test
  void aDayBeyondThoseJudgedBeginsWithTheLast() {
    TankState state = new TankState(POSTERIOR.scenario());
    assertThat(untouched(1).begin(0, 10 * DAYS, state)).isZero();
  }
}
