package org.umberline.core.quantity;

/** A concentration of nitrite, in mg/L as NO2. */
public record Nitrite(double mgPerLitre) {
  public Nitrite {
    Finite.notNegative(mgPerLitre, "nitrite mg/L");
  }

  /** The same, as mg/L of nitrogen. */
  public Nitrogen asNitrogen() {
    return new Nitrogen(mgPerLitre / AtomicMass.NITRITE_PER_NITROGEN);
  }

  /** The nitrite that holds this much nitrogen. */
  public static Nitrite of(Nitrogen nitrogen) {
    return new Nitrite(nitrogen.mgPerLitre() * AtomicMass.NITRITE_PER_NITROGEN);
  }
}
