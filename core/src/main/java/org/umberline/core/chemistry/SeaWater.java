package org.umberline.core.chemistry;

import org.hipparchus.analysis.solvers.BrentSolver;

/**
 * Density of sea water at one atmosphere: the international equation of state EOS-80 (UNESCO
 * technical papers in marine science 44, 1983).
 */
public final class SeaWater {
  /** Hydrometers for aquariums are made for this temperature, of water and of reference. */
  private static final double GRAVITY_AT_C = 25;

  private static final double HIGHEST_PPT = 42;
  private static final double NEAR_ENOUGH_PPT = 1e-4;
  private static final int MOST_TRIES = 100;

  private SeaWater() {}

  /** Density over that of pure water, both at 25 °C. */
  public static double specificGravity(double salinity) {
    return density(salinity, GRAVITY_AT_C) / density(0, GRAVITY_AT_C);
  }

  /**
   * Salinity, ppt, of a specific gravity at 25 °C.
   *
   * @param gravity from 1 to that of 42 ppt
   */
  public static double salinityOf(double gravity) {
    return new BrentSolver(NEAR_ENOUGH_PPT)
        .solve(MOST_TRIES, ppt -> specificGravity(ppt) - gravity, 0, HIGHEST_PPT);
  }

  /** Salt in a litre, g: salinity is a share of mass, ppt. */
  public static double saltGramsPerLitre(double salinity, double temperatureC) {
    return salinity * density(salinity, temperatureC) / 1000;
  }

  /** kg/m³ at a practical salinity of 0 to 42 (ppt, near enough) and 0 to 40 °C. */
  public static double density(double salinity, double temperatureC) {
    double t = temperatureC;
    double pure =
        999.842594
            + t
                * (6.793952e-2
                    + t
                        * (-9.095290e-3
                            + t * (1.001685e-4 + t * (-1.120083e-6 + t * 6.536332e-9))));
    double first =
        8.24493e-1 + t * (-4.0899e-3 + t * (7.6438e-5 + t * (-8.2467e-7 + t * 5.3875e-9)));
    double root = -5.72466e-3 + t * (1.0227e-4 - t * 1.6546e-6);
    return pure
        + salinity * first
        + salinity * Math.sqrt(salinity) * root
        + salinity * salinity * 4.8314e-4;
  }
}
