package org.umberline.core.chemistry;

/**
 * Oxygen that water holds in balance with air at sea level: Benson and Krause 1984 (Limnology and
 * Oceanography 29), coefficients from memory.
 */
public final class OxygenSaturation {
  private static final double KELVIN = 273.15;

  private OxygenSaturation() {}

  /** mg/L at {@code temperatureC} and {@code salinityPpt}. */
  public static double mgPerLitre(double temperatureC, double salinityPpt) {
    double t = temperatureC + KELVIN;
    double fresh =
        -139.34411
            + 1.575701e5 / t
            - 6.642308e7 / (t * t)
            + 1.2438e10 / (t * t * t)
            - 8.621949e11 / (t * t * t * t);
    double salt = salinityPpt * (0.017674 - 10.754 / t + 2140.7 / (t * t));
    return Math.exp(fresh - salt);
  }
}
