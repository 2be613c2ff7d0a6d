package org.umberline.core.simulation;

import java.util.Arrays;

/**
 * What is not known for sure about a tank, one guess of it: the factors by which the true load and
 * uptake differ from what the entries say, and the waters nobody measured.
 */
public final class Multipliers {
  /** Factor on the greatest growth of every plant stand. */
  public double uptake = 1;

  /**
   * Factor on the mass that every plant stand has when it is put in, and on the most it grows to.
   */
  public double plantMass = 1;

  /** Factor on what bacteria take for the carbon that is dosed. */
  public double carbon = 1;

  /** Factor on the ratio of bound to dissolved phosphate. */
  public double exchange = 1;

  /** Factor on what beds, slow filters and rock denitrify. */
  public double denitrification = 1;

  /** Factor on what denitrifies without gear for it: films, sand, the insides of stones. */
  public double unseenDenitrification = 1;

  /** Nitrogen that comes in a day and that no entry of the make-up accounts for, mg N/L. */
  public double unlistedNitrogen;

  /** The same of phosphorus, mg P/L. */
  public double unlistedPhosphorus;

  /** Share of the dissolved phosphorus that goes for good a day, into films and mud. */
  public double phosphorusLoss;

  /** Factor on how fast nitrifiers grow. */
  public double nitrifierGrowth = 1;

  /** Factor on the nitrogen of food, one a day of the scenario. */
  public final double[] nitrogenLoad;

  /** Factor on the phosphorus of food, one a day of the scenario. */
  public final double[] phosphorusLoad;

  /**
   * Logarithm of the factor by which nitrate jumps at the start of each day of the scenario, by
   * something nobody wrote down.
   */
  public final double[] nitrateJump;

  /** The same of phosphate. */
  public final double[] phosphorusJump;

  /** mg nitrate N/L of each water of the tank, in the order of the tank's list. */
  public final double[] waterNitrateMgL;

  /** mg P/L of each water of the tank, in the order of the tank's list. */
  public final double[] waterPhosphorusMgL;

  Multipliers(int days, double[] waterNitrateMgL, double[] waterPhosphorusMgL) {
    nitrogenLoad = new double[days];
    phosphorusLoad = new double[days];
    nitrateJump = new double[days];
    phosphorusJump = new double[days];
    Arrays.fill(nitrogenLoad, 1);
    Arrays.fill(phosphorusLoad, 1);
    this.waterNitrateMgL = waterNitrateMgL.clone();
    this.waterPhosphorusMgL = waterPhosphorusMgL.clone();
  }

  public Multipliers copy() {
    Multipliers copy = new Multipliers(nitrogenLoad.length, waterNitrateMgL, waterPhosphorusMgL);
    copy.uptake = uptake;
    copy.plantMass = plantMass;
    copy.carbon = carbon;
    copy.exchange = exchange;
    copy.denitrification = denitrification;
    copy.unseenDenitrification = unseenDenitrification;
    copy.nitrifierGrowth = nitrifierGrowth;
    copy.unlistedNitrogen = unlistedNitrogen;
    copy.unlistedPhosphorus = unlistedPhosphorus;
    copy.phosphorusLoss = phosphorusLoss;
    System.arraycopy(nitrogenLoad, 0, copy.nitrogenLoad, 0, nitrogenLoad.length);
    System.arraycopy(phosphorusLoad, 0, copy.phosphorusLoad, 0, phosphorusLoad.length);
    System.arraycopy(nitrateJump, 0, copy.nitrateJump, 0, nitrateJump.length);
    System.arraycopy(phosphorusJump, 0, copy.phosphorusJump, 0, phosphorusJump.length);
    return copy;
  }
}
