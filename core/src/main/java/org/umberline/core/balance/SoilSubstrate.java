package org.umberline.core.balance;

/** New soil gives off ammonia in its first months. Figures chosen, no source. */
public final class SoilSubstrate {
  private static final double FIRST_MG_N_PER_M2_DAY = 140;
  private static final double HALVES_IN_DAYS = 14;
  private static final double CM2_PER_M2 = 10_000;

  /** Water over a bottom whose area is not known, cm. Chosen. */
  private static final double USUAL_HEIGHT_CM = 35;

  private SoilSubstrate() {}

  /** Area of a bottom that is not known, cm², for a net volume. */
  public static double usualAreaCm2(double volumeL) {
    return volumeL * 1000 / USUAL_HEIGHT_CM;
  }

  /** mg N that soil of {@code ageDays} gives off a day. */
  public static double ammoniaMgPerDay(double areaCm2, double ageDays) {
    return areaCm2
        / CM2_PER_M2
        * FIRST_MG_N_PER_M2_DAY
        * Math.pow(0.5, Math.max(0, ageDays) / HALVES_IN_DAYS);
  }
}
