package org.umberline.core.quantity;

/** A concentration of ammonia, in mg/L as NH3 (total, NH3 + NH4). */
public record Ammonia(double mgPerLitre) {
  public Ammonia {
    Finite.notNegative(mgPerLitre, "ammonia mg/L");
  }

  /** The same, as mg/L of nitrogen. */
  public Nitrogen asNitrogen() {
    return new Nitrogen(mgPerLitre / AtomicMass.AMMONIA_PER_NITROGEN);
  }

  /** The ammonia that holds this much nitrogen. */
  public static Ammonia of(Nitrogen nitrogen) {
    return new Ammonia(nitrogen.mgPerLitre() * AtomicMass.AMMONIA_PER_NITROGEN);
  }
}
