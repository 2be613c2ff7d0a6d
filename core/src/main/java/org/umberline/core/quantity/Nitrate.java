package org.umberline.core.quantity;

/** A concentration of nitrate, in mg/L as NO3. */
public record Nitrate(double mgPerLitre) {
  public Nitrate {
    Finite.notNegative(mgPerLitre, "nitrate mg/L");
  }

  /** The same, as mg/L of nitrogen. */
  public Nitrogen asNitrogen() {
    return new Nitrogen(mgPerLitre / AtomicMass.NITRATE_PER_NITROGEN);
  }

  /** The nitrate that holds this much nitrogen. */
  public static Nitrate of(Nitrogen nitrogen) {
    return new Nitrate(nitrogen.mgPerLitre() * AtomicMass.NITRATE_PER_NITROGEN);
  }
}
