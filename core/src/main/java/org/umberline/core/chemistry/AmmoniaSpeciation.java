package org.umberline.core.chemistry;

/** How much of the total ammonia is free, un-ionised NH3, the form that harms. */
public final class AmmoniaSpeciation {
  private static final double KELVIN = 273.15;

  private AmmoniaSpeciation() {}

  /**
   * Free share of total ammonia, 0..1, in fresh water (Emerson, Russo, Lund, Thurston, Journal of
   * the Fisheries Research Board of Canada 32, 1975).
   */
  public static double freeShare(double pH, double temperatureC) {
    double pKa = 0.09018 + 2729.92 / (temperatureC + KELVIN);
    return 1 / (1 + Math.pow(10, pKa - pH));
  }

  /**
   * Acute criterion, mg total ammonia N per litre, where salmonids may be present (US EPA, Aquatic
   * Life Ambient Water Quality Criteria for Ammonia, Freshwater, 2013).
   */
  public static double acuteCriterionMgL(double pH, double temperatureC) {
    double low = 1 + Math.pow(10, 7.204 - pH);
    double high = 1 + Math.pow(10, pH - 7.204);
    double salmonids = 0.275 / low + 39.0 / high;
    double mussels =
        0.7249 * (0.0114 / low + 1.6181 / high) * 23.12 * Math.pow(10, 0.036 * (20 - temperatureC));
    return Math.min(salmonids, mussels);
  }

  /** Chronic criterion, mg total ammonia N per litre (same source). */
  public static double chronicCriterionMgL(double pH, double temperatureC) {
    double low = 1 + Math.pow(10, 7.688 - pH);
    double high = 1 + Math.pow(10, pH - 7.688);
    return 0.8876
        * (0.0278 / low + 1.1994 / high)
        * 2.126
        * Math.pow(10, 0.028 * (20 - Math.max(temperatureC, 7)));
  }
}
