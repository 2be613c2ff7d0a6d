package org.umberline.core.quantity;

/** A concentration of dissolved phosphorus, in mg of the element per litre. */
public record Phosphorus(double mgPerLitre) {
  public Phosphorus {
    Finite.notNegative(mgPerLitre, "phosphorus mg/L");
  }
}
