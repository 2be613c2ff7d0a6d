package org.umberline.core.simulation;

import java.util.Arrays;

/**
 * What is not known for sure about a tank, one guess of it: the factors by which the true load and
 * uptake differ from what the entries say, and the waters nobody measured.
 */
public final class Multipliers {
  /** Factor on the greatest growth of every plant stand. */
  public double uptake = 1;

  /** Factor on the ratio of bound to dissolved phosphate. */
  public double exchange = 1;

  /** Factor on what beds, slow filters and rock denitrify. */
  public double denitrification = 1;

  /** Factor on the nitrogen of food, one a day of the scenario. */
  public final double[] nitrogenLoad;

  /** Factor on the phosphorus of food, one a day of the scenario. */
  public final double[] phosphorusLoad;

  /** mg N/L of each water of the tank, in the order of the tank's list. */
  public final double[] waterNitrogenMgL;

  /** mg P/L of each water of the tank, in the order of the tank's list. */
  public final double[] waterPhosphorusMgL;

  Multipliers(int days, double[] waterNitrogenMgL, double[] waterPhosphorusMgL) {
    nitrogenLoad = new double[days];
    phosphorusLoad = new double[days];
    Arrays.fill(nitrogenLoad, 1);
    Arrays.fill(phosphorusLoad, 1);
    this.waterNitrogenMgL = waterNitrogenMgL.clone();
    this.waterPhosphorusMgL = waterPhosphorusMgL.clone();
  }
}
