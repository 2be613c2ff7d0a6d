package org.umberline.core.quantity;

/** A concentration of phosphate, in mg/L as PO4. */
public record Phosphate(double mgPerLitre) {
  public Phosphate {
    Finite.notNegative(mgPerLitre, "phosphate mg/L");
  }

  /** The same, as mg/L of phosphorus. */
  public Phosphorus asPhosphorus() {
    return new Phosphorus(mgPerLitre / AtomicMass.PHOSPHATE_PER_PHOSPHORUS);
  }

  /** The phosphate that holds this much phosphorus. */
  public static Phosphate of(Phosphorus phosphorus) {
    return new Phosphate(phosphorus.mgPerLitre() * AtomicMass.PHOSPHATE_PER_PHOSPHORUS);
  }
}
