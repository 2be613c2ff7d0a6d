package org.umberline.core.quantity;

/** The one check that a quantity is a number a tank can have. */
public final class Finite {
  private Finite() {}

  /**
   * Returns {@code value} when it is finite and not negative.
   *
   * @throws IllegalArgumentException naming {@code name} and the value found
   */
  public static double notNegative(double value, String name) {
    if (!(value >= 0) || Double.isInfinite(value)) {
      throw new IllegalArgumentException(name + " is " + value + "; allowed: 0 or more, finite");
    }
    return value;
  }

  /**
   * Returns {@code value} when it lies in 0..1.
   *
   * @throws IllegalArgumentException naming {@code name} and the value found
   */
  public static double share(double value, String name) {
    if (!(value >= 0 && value <= 1)) {
      throw new IllegalArgumentException(name + " is " + value + "; allowed: 0 to 1");
    }
    return value;
  }
}
