package org.umberline.core.balance;

/**
 * Ammonia to nitrite to nitrate by bacteria that grow with what they oxidise. Rates: textbook range
 * (US EPA, Nitrogen Control manual, 1993), the figures within it from memory; they are those at 25
 * °C and double each 10 °C, as mineralisation does.
 */
public final class Nitrification {
  /** Ammonia at which its oxidisers work at half of their most, mg N/L. From memory. */
  public static final double HALF_SATURATION_AMMONIA_MG_L = 0.3;

  /** Nitrite at which its oxidisers work at half of their most, mg N/L. From memory. */
  public static final double HALF_SATURATION_NITRITE_MG_L = 0.2;

  /** Share of the oxidisers that dies a day. From memory. */
  public static final double DECAY_PER_DAY = 0.03;

  /** What the oxidisers of each step of a new tank can oxidise, mg N a day and litre. Chosen. */
  public static final double SEED_MG_PER_L_DAY = 0.0005;

  /** A mature filter is at rest with this load at least, mg N a day and litre. Chosen. */
  public static final double MATURE_MG_PER_L_DAY = 0.15;

  /** A filter is mature this many days after its tank was started. Common practice, no source. */
  public static final int MATURE_AFTER_DAYS = 90;

  /** mg CaCO3 used for a mg of ammonia N oxidised (US EPA, Nitrogen Control manual, 1993). */
  public static final double ALKALINITY_MG_PER_MG = 7.14;

  /**
   * The same for nitrogen that came as protein: its ammonification gives half of it back (same
   * manual).
   */
  public static final double ALKALINITY_OF_FOOD_MG_PER_MG = 3.57;

  /** mg of oxygen used for a mg of ammonia N oxidised (same manual). */
  public static final double OXYGEN_MG_PER_MG = 4.57;

  private static final double AMMONIA_GROWTH_PER_DAY = 0.5;
  private static final double NITRITE_GROWTH_PER_DAY = 0.4;
  private static final double REFERENCE_C = 25;

  private Nitrification() {}

  /** Greatest growth of the ammonia oxidisers, per day. */
  public static double ammoniaGrowthPerDay(double temperatureC) {
    return AMMONIA_GROWTH_PER_DAY * WasteSolids.warmth(temperatureC, REFERENCE_C);
  }

  /** Greatest growth of the nitrite oxidisers, per day. */
  public static double nitriteGrowthPerDay(double temperatureC) {
    return NITRITE_GROWTH_PER_DAY * WasteSolids.warmth(temperatureC, REFERENCE_C);
  }

  /**
   * Concentration at which oxidisers of the given growth neither gain nor lose, same unit as {@code
   * halfSaturation}: what a mature tank rests at.
   */
  public static double restingMgL(double halfSaturation, double growthPerDay) {
    return halfSaturation * DECAY_PER_DAY / (growthPerDay - DECAY_PER_DAY);
  }
}
