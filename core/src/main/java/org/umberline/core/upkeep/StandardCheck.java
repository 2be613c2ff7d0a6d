package org.umberline.core.upkeep;

import java.time.LocalDate;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;

/**
 * What an instrument or kit read on a solution of a known content. A reading that is further off
 * than the kit's own error is made up for; common practice, no source.
 *
 * @param standard what the solution holds, more than 0, in the kit's unit
 * @param read what was read, at least 0, in the kit's unit
 */
public record StandardCheck(LocalDate on, double standard, double read) {
  /** Within so many deviations a kit reads as well as it promises. */
  private static final double DEVIATIONS = 2;

  /** A reading under this share of its standard is a broken kit, not one to reckon with. Chosen. */
  private static final double BROKEN = 0.5;

  public double offset() {
    return read - standard;
  }

  /** Whether it is as good as its own error. */
  public boolean isWithin(Kit kit) {
    return Math.abs(offset())
        <= DEVIATIONS * Math.hypot(kit.absoluteError(), kit.relativeError() * standard) + 1e-9;
  }

  /** Whether nothing that is read with it can be made up for. */
  public boolean isBroken() {
    return read < BROKEN * standard || standard < BROKEN * read;
  }

  /** The next day it is to be checked on. */
  public LocalDate dueOn() {
    return on.plusDays(Task.CALIBRATION.everyDays());
  }

  /** Whether readings are made up for: not those of a card, whose steps are what is seen. */
  public boolean corrects(Kit kit) {
    return kit.method() != KitMethod.COLOUR_CARD && !isWithin(kit) && !isBroken();
  }

  /**
   * What a reading would be on a true instrument: meters of pH, salinity and temperature are off by
   * as much everywhere near their standard, others by as large a part.
   *
   * @param value in the kit's unit
   */
  public double corrected(Kit kit, double value) {
    return switch (kit.analyte()) {
      case PH, SALINITY, TEMPERATURE -> Math.max(0, value - offset());
      default -> value * standard / read;
    };
  }
}
