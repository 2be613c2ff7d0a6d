package org.umberline.core.judging;

import java.util.List;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;

/**
 * What a kit can tell apart. A change smaller than that is no information, not no change (common
 * practice, no source).
 */
public final class KitPower {
  /** Two readings of one water differ by less than this many deviations nine times in ten. */
  private static final double NINE_IN_TEN = 1.645;

  private KitPower() {}

  /**
   * The smallest difference from {@code level} that the kit shows nine times in ten, in the
   * analyte's standard unit: for a colour card at least the way to the next step.
   */
  public static double smallestDifference(Kit kit, double level) {
    double perUnit = kit.unit().standardPerUnit();
    double value = level / perUnit;
    double error = Math.hypot(kit.absoluteError(), kit.relativeError() * value);
    double noise = NINE_IN_TEN * Math.sqrt(2) * error;
    if (kit.method() == KitMethod.COLOUR_CARD && kit.steps().size() > 1) {
      return perUnit * Math.max(noise, widestStep(kit.steps(), value));
    }
    return perUnit * Math.max(noise, kit.resolution().orElse(0));
  }

  private static double widestStep(List<Double> steps, double value) {
    int nearest = 0;
    for (int i = 1; i < steps.size(); i++) {
      if (Math.abs(steps.get(i) - value) < Math.abs(steps.get(nearest) - value)) {
        nearest = i;
      }
    }
    double below = nearest > 0 ? steps.get(nearest) - steps.get(nearest - 1) : 0;
    double above = nearest + 1 < steps.size() ? steps.get(nearest + 1) - steps.get(nearest) : 0;
    return Math.max(below, above);
  }

  /** What a reading may mean: a card's step, or the reading give or take nine cases in ten. */
  static Range meaning(TestLikelihood reading) {
    if (reading.use() == TestLikelihood.Use.EXACT) {
      double middle = reading.highest() - reading.error();
      double wide = NINE_IN_TEN * reading.error();
      return new Range(Math.max(0, middle - wide), middle + wide);
    }
    return new Range(
        Math.max(0, reading.lowest() - reading.error()), reading.highest() + reading.error());
  }
}
