package org.umberline.core.balance;

import org.umberline.core.tank.AdsorberPlacement;

/** Granular media that bind phosphate until they are full. From memory. */
public final class Adsorber {
  private static final double REACTOR_L_PER_G_DAY = 2.5;
  private static final double BAG_L_PER_G_DAY = 0.8;

  /** mg P that a gram of medium holds when it is full, where nobody says. From memory. */
  public static final double USUAL_CAPACITY_MG_P_PER_G = 6;

  private Adsorber() {}

  /** Water that a gram of fresh medium clears of phosphate, L a day. */
  public static double clearedLPerGDay(AdsorberPlacement placement) {
    return placement == AdsorberPlacement.REACTOR ? REACTOR_L_PER_G_DAY : BAG_L_PER_G_DAY;
  }
}
