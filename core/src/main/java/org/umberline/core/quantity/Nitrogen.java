package org.umberline.core.quantity;

/** A concentration of dissolved nitrogen, in mg of the element per litre. */
public record Nitrogen(double mgPerLitre) {
  public Nitrogen {
    Finite.notNegative(mgPerLitre, "nitrogen mg/L");
  }
}
