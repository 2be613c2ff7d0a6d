package org.umberline.core.trouble;

import java.util.OptionalDouble;

/**
 * A clue of this tank.
 *
 * @param chance that it is so, 0..1; by the tests and what they leave open
 * @param value what it was judged by: mg/L of the ion, days, °C, ppt or dKH; empty where it is a
 *     look or a deed
 */
public record Found(Clue clue, double chance, OptionalDouble value) {
  static Found of(Clue clue, boolean so) {
    return new Found(clue, so ? SURE : 1 - SURE, OptionalDouble.empty());
  }

  static Found of(Clue clue, boolean so, double value) {
    return new Found(clue, so ? SURE : 1 - SURE, OptionalDouble.of(value));
  }

  /** Nobody sees or reads without a mistake now and then. Chosen. */
  private static final double SURE = 0.95;

  /** Whether it is more likely so than not. */
  public boolean isSo() {
    return chance >= 0.5;
  }
}
