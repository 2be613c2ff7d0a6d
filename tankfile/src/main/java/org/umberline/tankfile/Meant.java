package org.umberline.tankfile;

import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.WaterKind;

/** What a number without a unit can only mean: salinity 1.025 is a gravity, 78 degrees are °F. */
public final class Meant {
  /** Salted water of about 1 ppt isn't kept, and no sea is denser than the upper end. Chosen. */
  private static final double LOWEST_GRAVITY = 1.001;

  private static final double HIGHEST_GRAVITY = 1.03;

  /** No tank is warmer in °C, nor warmer in °F than the next. Chosen. */
  private static final double HOTTEST_C = 45;

  private static final double HOTTEST_F = 110;
  private static final double TENTHS = 10;

  private Meant() {}

  /** {@code value} in the analyte's standard unit, to a tenth where it had to be converted. */
  public static double standard(Analyte analyte, double value, WaterKind water) {
    if (water != WaterKind.FRESHWATER && mayBeGravity(analyte, value)) {
      return ofGravity(value);
    }
    if (analyte == Analyte.TEMPERATURE && value > HOTTEST_C && value <= HOTTEST_F) {
      return tenths((value - 32) / 1.8);
    }
    return value;
  }

  /** Whether a salinity looks like a specific gravity; fresh water may have as many ppt. */
  public static boolean mayBeGravity(Analyte analyte, double value) {
    return analyte == Analyte.SALINITY && value >= LOWEST_GRAVITY && value <= HIGHEST_GRAVITY;
  }

  /** Salinity of a specific gravity, ppt, to a tenth. */
  public static double ofGravity(double gravity) {
    return tenths(SeaWater.salinityOf(gravity));
  }

  private static double tenths(double value) {
    return Math.rint(value * TENTHS) / TENTHS;
  }
}
