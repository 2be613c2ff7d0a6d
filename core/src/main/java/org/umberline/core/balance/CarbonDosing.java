package org.umberline.core.balance;

import org.umberline.core.tank.CarbonSource;

/**
 * Bacteria grown on dosed organic carbon: they take nitrogen and phosphorus from the water and
 * become waste solids, so that without a skimmer or fine filtration it all comes back.
 */
public final class CarbonDosing {
  /** Share of the carbon that becomes bacteria. From memory. */
  private static final double YIELD = 0.45;

  /** mg C a mg of N and of P in bacteria, 41 : 7.2 : 1 by mass. From memory. */
  private static final double CARBON_PER_PHOSPHORUS = 41;

  public static final double NITROGEN_PER_PHOSPHORUS = 7.2;

  /** g C a mL of ethanol of 40 %. From memory: 0.4 x 0.789 g/mL x 24/46. */
  private static final double ETHANOL_G_C_PER_ML = 0.165;

  /** g C a g of sucrose: 12 x 12 of 342. From the formula. */
  private static final double SUGAR_G_C_PER_G = 0.421;

  /** g C a mL of vinegar of 5 % acetic acid: 0.05 g/mL x 24/60. From the formula. */
  private static final double VINEGAR_G_C_PER_ML = 0.020;

  /**
   * Share of the carbon not built into bacteria that reaches the places where beds and rock
   * denitrify. Chosen, no source.
   */
  private static final double REACHES_BED = 0.1;

  /** mg C that denitrifying a mg of N takes: 5 C for 4 N, by mass. From the equation. */
  private static final double CARBON_PER_DENITRIFIED = 1.07;

  private CarbonDosing() {}

  /** mg C in {@code amount} mL, or g of sugar. */
  public static double carbonMg(CarbonSource source, double amount) {
    double grams =
        switch (source) {
          case ETHANOL_40 -> ETHANOL_G_C_PER_ML;
          case SUGAR -> SUGAR_G_C_PER_G;
          case VINEGAR -> VINEGAR_G_C_PER_ML;
        };
    return 1000 * grams * amount;
  }

  /** mg N that bacteria grown on {@code carbonMg} take up. */
  public static double nitrogenMg(double carbonMg) {
    return YIELD * carbonMg * NITROGEN_PER_PHOSPHORUS / CARBON_PER_PHOSPHORUS;
  }

  /** mg P that bacteria grown on {@code carbonMg} take up. */
  public static double phosphorusMg(double carbonMg) {
    return YIELD * carbonMg / CARBON_PER_PHOSPHORUS;
  }

  /** mg N that beds and rock can denitrify more for {@code carbonMg}. */
  public static double denitrifiesMg(double carbonMg) {
    return (1 - YIELD) * REACHES_BED * carbonMg / CARBON_PER_DENITRIFIED;
  }
}
