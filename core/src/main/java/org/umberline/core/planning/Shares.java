package org.umberline.core.planning;

import java.util.stream.DoubleStream;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/** The shares that may be advised: whole percents up to a tenth, then steps of five. */
final class Shares {
  /** Above this share the advice goes in steps of a twentieth, below in hundredths. Chosen. */
  private static final double COARSE_ABOVE = 0.10;

  /** So little, in percents, is changed by nobody, but by those who do already. Chosen. */
  private static final int LEAST_PERCENT = 5;

  /** Nor is less than this once in three weeks or more seldom. Chosen. */
  private static final double LEAST_SELDOM = 0.10;

  private static final double SELDOM_DAYS = 21;

  private static final double ROUNDING = 1e-9;

  private Shares() {}

  /** The least share worth advising at an interval, but for those who change less already. */
  static double leastEvery(double days, TankModel tank) {
    return days < SELDOM_DAYS || ownPercent(tank) < 100 * LEAST_SELDOM ? 0 : LEAST_SELDOM;
  }

  /** What the keeper's own routine changes in whole percents, a hundred where it is none. */
  private static double ownPercent(TankModel tank) {
    return tank.routine()
        .map(r -> Math.floor(r.fraction() * 100 + ROUNDING))
        .filter(percent -> percent >= 1)
        .orElse(100.0);
  }

  /** The share of a routine every {@code days} that renews as much as another. */
  static double atEvery(double days, double fraction, double everyDays) {
    return 1 - Math.pow(1 - fraction, days / everyDays);
  }

  /**
   * Up to the largest, which is one of them, the least first; in whole percents throughout where
   * the keeper's own routine is so.
   */
  static double[] upTo(double largest, TankModel tank) {
    boolean fine =
        tank.routine()
            .map(Routine::fraction)
            .filter(f -> f > COARSE_ABOVE && Math.abs(f * 20 - Math.rint(f * 20)) > ROUNDING)
            .isPresent();
    double most = Math.floor(largest * 100 + ROUNDING);
    double least = Math.min(LEAST_PERCENT, ownPercent(tank));
    return DoubleStream.concat(
            DoubleStream.iterate(least, p -> p <= 100, p -> p + (p < 10 || fine ? 1 : 5)),
            DoubleStream.of(most))
        .filter(p -> p >= 1 && p <= most)
        .sorted()
        .distinct()
        .map(p -> p / 100)
        .toArray();
  }
}
