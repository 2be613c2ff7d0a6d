package org.umberline.core.cycling;

import org.umberline.core.chemistry.AmmoniaSpeciation;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/** Ammonia and nitrite that animals stand. Common practice, no source. */
public final class SafeLevels {
  /** Free ammonia that calls for a change at once, mg/L NH3-N. */
  public static final double AMMONIA_ACT_MG_N_L = 0.05;

  /** Free ammonia from which care is asked for, mg/L NH3-N. */
  public static final double AMMONIA_CARE_MG_N_L = 0.02;

  private final double freeShare;
  private final double nitriteCareMgL;

  private SafeLevels(TankModel tank) {
    freeShare = AmmoniaSpeciation.freeShare(tank.pH(), tank.temperatureC());
    nitriteCareMgL = nitriteLimitMgL(tank.water()) / 2;
  }

  /** What {@code tank}'s animals stand, by the pH and temperature it is said to have. */
  public static SafeLevels of(TankModel tank) {
    return new SafeLevels(tank);
  }

  /** Nitrite that calls for a change at once, mg/L NO2; chloride protects. */
  public static double nitriteLimitMgL(WaterKind water) {
    return switch (water) {
      case FRESHWATER -> 1;
      case BRACKISH -> 5;
      case MARINE -> 10;
    };
  }

  /**
   * Whether no care is asked for.
   *
   * @param ammonia total ammonia, mg/L NH3
   * @param nitrite mg/L NO2
   */
  public boolean allow(double ammonia, double nitrite) {
    double freeN = new Ammonia(ammonia).asNitrogen().mgPerLitre() * freeShare;
    return freeN <= AMMONIA_CARE_MG_N_L && nitrite <= nitriteCareMgL;
  }
}
