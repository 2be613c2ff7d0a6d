package org.umberline.core.tank;

import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;

/** A solution that is dosed: what one millilitre brings, in mg of the ion. */
public record Fertiliser(String id, String name, double nitrateMgPerMl, double phosphateMgPerMl) {
  public double nitrogenMgPerMl() {
    return new Nitrate(nitrateMgPerMl).asNitrogen().mgPerLitre();
  }

  public double phosphorusMgPerMl() {
    return new Phosphate(phosphateMgPerMl).asPhosphorus().mgPerLitre();
  }
}
