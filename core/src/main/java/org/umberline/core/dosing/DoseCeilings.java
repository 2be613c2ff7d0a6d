package org.umberline.core.dosing;

import java.util.OptionalDouble;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/**
 * How far something may be raised in a day, and at all. Common practice, no source; what is marked
 * so is from memory.
 */
public final class DoseCeilings {
  private static final double SMALL_TANK_L = 40;
  private static final double NITRATE = 5;
  private static final double NITRATE_SMALL_TANK = 2;
  private static final double PHOSPHATE = 0.5;
  private static final double PHOSPHATE_MARINE = 0.05;
  private static final double ALKALINITY_DKH = 1;

  /** From memory: fish of soft water stand no quick rise. */
  private static final double HARDNESS_DGH = 1;

  /** From memory, mg/L. */
  private static final double CALCIUM = 20;

  /** From memory, mg/L. */
  private static final double MAGNESIUM = 50;

  /** A lower limit is cleared by half of itself. Chosen. */
  private static final double ABOVE_FLOOR = 1.5;

  private DoseCeilings() {}

  /** What a nutrient is raised to where its lower limit is {@code floorMgL}, mg/L of the ion. */
  public static double aboveFloor(double floorMgL) {
    return ABOVE_FLOOR * floorMgL;
  }

  /**
   * The most that a day may raise it, in the analyte's standard unit.
   *
   * @throws IllegalArgumentException for what is never dosed
   */
  public static double stepADay(TankModel tank, Analyte analyte) {
    return switch (analyte) {
      case NITRATE -> tank.netVolumeL() < SMALL_TANK_L ? NITRATE_SMALL_TANK : NITRATE;
      case PHOSPHATE -> isMarine(tank) ? PHOSPHATE_MARINE : PHOSPHATE;
      case ALKALINITY -> ALKALINITY_DKH;
      case HARDNESS -> HARDNESS_DGH;
      case CALCIUM -> CALCIUM;
      case MAGNESIUM -> MAGNESIUM;
      default -> throw new IllegalArgumentException(analyte.term() + " is never dosed");
    };
  }

  /** The most that a tank of this kind should hold after a dose; from memory but for nitrate. */
  static double highest(TankModel tank, Analyte analyte) {
    boolean marine = isMarine(tank);
    return switch (analyte) {
      case NITRATE -> marine ? 20 : 40;
      case PHOSPHATE -> marine ? 0.2 : 2;
      case ALKALINITY -> 12;
      case HARDNESS -> 20;
      case CALCIUM -> marine ? 480 : 120;
      case MAGNESIUM -> marine ? 1500 : 50;
      default -> throw new IllegalArgumentException(analyte.term() + " is never dosed");
    };
  }

  /** What a marine tank is usually kept at, in the analyte's standard unit; from memory. */
  public static OptionalDouble usualMarine(Analyte analyte) {
    return switch (analyte) {
      case ALKALINITY -> OptionalDouble.of(8);
      case CALCIUM -> OptionalDouble.of(420);
      case MAGNESIUM -> OptionalDouble.of(1300);
      default -> OptionalDouble.empty();
    };
  }

  private static boolean isMarine(TankModel tank) {
    return tank.water() == WaterKind.MARINE;
  }
}
