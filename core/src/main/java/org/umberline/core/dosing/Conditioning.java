package org.umberline.core.dosing;

import org.umberline.core.tank.TankModel;

/**
 * Tap water made fit: conditioner by its label, and the ammonia that chloramine leaves behind.
 *
 * @param ml of conditioner
 * @param ammoniaMgL in the tank, from the chloramine of the water that is poured in
 */
public record Conditioning(double ml, double ammoniaMgL) {
  private static final double LABEL_LITRES = 100;

  /**
   * @param litres of tap water
   * @param mlPer100L by the label
   * @param chloramineMgL in the tap water, by the supplier; 0 for none
   */
  public static Conditioning of(
      TankModel tank, double litres, double mlPer100L, double chloramineMgL) {
    return new Conditioning(ml(litres, mlPer100L), chloramineMgL * litres / tank.netVolumeL());
  }

  /** mL of conditioner for so many litres of tap water. */
  public static double ml(double litres, double mlPer100L) {
    return litres / LABEL_LITRES * mlPer100L;
  }
}
