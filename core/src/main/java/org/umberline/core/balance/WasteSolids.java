package org.umberline.core.balance;

/** Uneaten food, faeces and dead leaves lying in the tank. */
public final class WasteSolids {
  /** First-order mineralisation at 20 °C, per day. From memory, to be confirmed. */
  private static final double MINERALISATION_AT_20_C = 0.12;

  /** The rate doubles for each of these many °C. Common practice (Q10 of 2). */
  private static final double DOUBLING_C = 10;

  /** Share of the solids of a siphoned bed that the siphon takes. From memory. */
  public static final double SIPHON_TAKES = 0.5;

  private WasteSolids() {}

  /** The rate at which {@code share} of what is there goes in a day, per day; 0.999 at the most. */
  public static double ratePerDay(double share) {
    return -Math.log(1 - Math.min(share, 0.999));
  }

  /** Mineralisation to ammonia and phosphate, per day. */
  public static double mineralisationPerDay(double temperatureC) {
    return MINERALISATION_AT_20_C * warmth(temperatureC, 20);
  }

  /** How much faster bacteria work than at {@code referenceC}. */
  static double warmth(double temperatureC, double referenceC) {
    return Math.pow(2, (temperatureC - referenceC) / DOUBLING_C);
  }
}
