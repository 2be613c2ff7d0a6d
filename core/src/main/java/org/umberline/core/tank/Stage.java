package org.umberline.core.tank;

/**
 * How fast an animal grows, and so what share of the nitrogen and phosphorus it eats it keeps.
 * Shares: from memory, the range given in aquaculture. Greatest growth: from memory.
 */
public enum Stage implements Term {
  ADULT("adult", 0.10, 0.10, 0.001),
  GROWING("growing", 0.30, 0.25, 0.015),
  FRY("fry", 0.40, 0.35, 0.06);

  private final String term;
  private final double nitrogenKept;
  private final double phosphorusKept;
  private final double greatestGrowthPerDay;

  Stage(String term, double nitrogenKept, double phosphorusKept, double greatestGrowthPerDay) {
    this.term = term;
    this.nitrogenKept = nitrogenKept;
    this.phosphorusKept = phosphorusKept;
    this.greatestGrowthPerDay = greatestGrowthPerDay;
  }

  @Override
  public String term() {
    return term;
  }

  /** Share of the nitrogen eaten that stays in the animal. */
  public double nitrogenKept() {
    return nitrogenKept;
  }

  /** Share of the phosphorus eaten that stays in the animal. */
  public double phosphorusKept() {
    return phosphorusKept;
  }

  /** The most an animal can grow, as a share of its mass a day. */
  public double greatestGrowthPerDay() {
    return greatestGrowthPerDay;
  }
}
