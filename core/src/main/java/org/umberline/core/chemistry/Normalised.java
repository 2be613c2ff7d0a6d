package org.umberline.core.chemistry;

/**
 * Readings put right for water that evaporated: what is dissolved stays behind, so a tank 3 % low
 * reads 3 % high (mass balance).
 */
public final class Normalised {
  private Normalised() {}

  /**
   * What a reading would be at the normal water level.
   *
   * @param shareLow how much of the net volume is missing, 0..1, under 1
   */
  public static double toLevel(double reading, double shareLow) {
    if (!(shareLow >= 0 && shareLow < 1)) {
      throw new IllegalArgumentException("shareLow is " + shareLow + "; allowed: 0 to under 1");
    }
    return reading * (1 - shareLow);
  }

  /**
   * What a reading would be at the salinity the tank is kept at: salt tells how far the water is
   * thickened or thinned.
   *
   * @param measuredPpt salinity when the sample was taken, over 0
   * @param keptPpt salinity the tank is kept at
   */
  public static double toSalinity(double reading, double measuredPpt, double keptPpt) {
    if (!(measuredPpt > 0)) {
      throw new IllegalArgumentException("measuredPpt is " + measuredPpt + "; allowed: over 0");
    }
    return reading * keptPpt / measuredPpt;
  }
}
