package org.umberline.core.calibration;

import java.util.Comparator;
import java.util.function.DoubleSupplier;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;

/** What a kit may show for a concentration that is known. */
public final class KitReading {
  private KitReading() {}

  /**
   * One reading, in the analyte's standard unit, the reader's error included.
   *
   * @param standard the concentration as the kit sees it, its bias included
   * @param gaussian gives standard normal numbers
   */
  public static double of(Kit kit, double standard, DoubleSupplier gaussian) {
    double perUnit = kit.unit().standardPerUnit();
    double exact = standard / perUnit;
    double error = Math.hypot(kit.absoluteError(), kit.relativeError() * exact);
    double seen = Math.max(0, exact + error * gaussian.getAsDouble());
    double shown = seen;
    if (kit.method() == KitMethod.COLOUR_CARD && kit.steps().size() > 1) {
      shown =
          kit.steps().stream()
              .min(Comparator.comparingDouble(step -> Math.abs(step - seen)))
              .orElseThrow();
    } else if (kit.resolution().orElse(0) > 0) {
      double resolution = kit.resolution().getAsDouble();
      shown = Math.rint(seen / resolution) * resolution;
    }
    return shown * perUnit;
  }
}
