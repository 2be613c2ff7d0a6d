package org.umberline.core.planning;

import java.util.stream.DoubleStream;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/** The shares that may be advised: whole percents up to a tenth, then steps of five. */
final class Shares {
  /** Above this share the advice goes in steps of a twentieth, below in hundredths. Chosen. */
  private static final double COARSE_ABOVE = 0.10;

  private static final double ROUNDING = 1e-9;

  private Shares() {}

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
    return DoubleStream.concat(
            DoubleStream.iterate(1, p -> p <= 100, p -> p + (p < 10 || fine ? 1 : 5)),
            DoubleStream.of(Math.floor(largest * 100 + ROUNDING)))
        .filter(p -> p >= 1 && p <= largest * 100 + ROUNDING)
        .sorted()
        .distinct()
        .map(p -> p / 100)
        .toArray();
  }
}
