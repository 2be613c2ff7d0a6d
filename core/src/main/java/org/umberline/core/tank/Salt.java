package org.umberline.core.tank;

/**
 * A pure salt that is dosed to raise something. Shares are by the formula and IUPAC standard atomic
 * weights (2007 values).
 */
public enum Salt implements Additive {
  /** KNO3. */
  POTASSIUM_NITRATE("potassium-nitrate", Analyte.NITRATE, 613.3, "potassium", 386.7, 5.5),
  /** Ca(NO3)2 with four H2O. */
  CALCIUM_NITRATE("calcium-nitrate", Analyte.NITRATE, 525.1, "calcium", 169.7, 4.5),
  /** KH2PO4. */
  POTASSIUM_PHOSPHATE("potassium-phosphate", Analyte.PHOSPHATE, 697.9, "potassium", 287.3, 5.5),
  /** NaHCO3; a g brings 11.90 meq, and a meq/L is 2.804 dKH. */
  SODIUM_BICARBONATE("sodium-bicarbonate", Analyte.ALKALINITY, 33.38, "sodium", 273.7, 4.8),
  /** CaCl2 with two H2O. */
  CALCIUM_CHLORIDE("calcium-chloride", Analyte.CALCIUM, 272.6, "chloride", 482.3, 4.2),
  /** MgCl2 with six H2O. */
  MAGNESIUM_CHLORIDE("magnesium-chloride", Analyte.MAGNESIUM, 119.6, "chloride", 348.8, 4),
  /** MgSO4 with seven H2O. */
  MAGNESIUM_SULFATE("magnesium-sulfate", Analyte.MAGNESIUM, 98.61, "sulfate", 389.7, 4.5);

  /** A dGH is 10 mg/L of CaO: 40.078 g/mol of calcium in 56.077 (IUPAC). */
  public static final double CALCIUM_MG_L_PER_DGH = 10 * 40.078 / 56.077;

  /** As many moles of magnesium, 24.305 g/mol (IUPAC). */
  public static final double MAGNESIUM_MG_L_PER_DGH = 10 * 24.305 / 56.077;

  private final String term;
  private final Analyte raises;
  private final double perGram;
  private final String companion;
  private final double companionMgPerGram;
  private final double teaspoonG;

  Salt(
      String term,
      Analyte raises,
      double perGram,
      String companion,
      double companionMgPerGram,
      double teaspoonG) {
    this.term = term;
    this.raises = raises;
    this.perGram = perGram;
    this.companion = companion;
    this.companionMgPerGram = companionMgPerGram;
    this.teaspoonG = teaspoonG;
  }

  @Override
  public String term() {
    return term;
  }

  @Override
  public boolean isWeighed() {
    return true;
  }

  @Override
  public boolean movesNutrients() {
    return raises == Analyte.NITRATE || raises == Analyte.PHOSPHATE;
  }

  public Analyte raises() {
    return raises;
  }

  /** What a gram brings: mg of the ion, or dKH times litres. */
  public double perGram() {
    return perGram;
  }

  /**
   * What a gram brings of {@code analyte}: mg of the ion, or dKH or dGH times litres. Calcium and
   * magnesium make hardness.
   */
  public double perGram(Analyte analyte) {
    if (analyte == Analyte.HARDNESS) {
      return switch (raises) {
        case CALCIUM -> perGram / CALCIUM_MG_L_PER_DGH;
        case MAGNESIUM -> perGram / MAGNESIUM_MG_L_PER_DGH;
        default -> 0;
      };
    }
    return analyte == raises ? perGram : 0;
  }

  /**
   * What raises a water by so much.
   *
   * @param rise in the standard unit of what it raises
   * @return g
   */
  public double grams(double rise, double litres) {
    return grams(raises, rise, litres);
  }

  /**
   * What raises {@code analyte} of a water by so much.
   *
   * @param rise in the analyte's standard unit
   * @return g
   */
  public double grams(Analyte analyte, double rise, double litres) {
    return rise * litres / perGram(analyte);
  }

  /** The other ion that comes with it. */
  public String companion() {
    return companion;
  }

  public double companionMgPerGram() {
    return companionMgPerGram;
  }

  /** About what a level teaspoon of 5 mL weighs, g. From memory: grains differ, a scale doesn't. */
  public double teaspoonG() {
    return teaspoonG;
  }
}
