package org.umberline.core.dosing;

import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Salt;

/**
 * A rise of hardness by calcium and magnesium together, three to one by mass: common practice for
 * plants, no source.
 *
 * @param calciumChlorideG g of calcium chloride with two H2O
 * @param magnesiumSulfateG g of magnesium sulfate with seven H2O
 */
public record HardnessPair(double calciumChlorideG, double magnesiumSulfateG) {
  private static final double CALCIUM_PER_MAGNESIUM = 3;

  /**
   * @param rise dGH
   */
  public static HardnessPair of(double rise, double litres) {
    double ofCalcium = CALCIUM_PER_MAGNESIUM / Salt.CALCIUM_MG_L_PER_DGH;
    double ofMagnesium = 1 / Salt.MAGNESIUM_MG_L_PER_DGH;
    double calcium = rise * ofCalcium / (ofCalcium + ofMagnesium);
    return new HardnessPair(
        Salt.CALCIUM_CHLORIDE.grams(Analyte.HARDNESS, calcium, litres),
        Salt.MAGNESIUM_SULFATE.grams(Analyte.HARDNESS, rise - calcium, litres));
  }
}
