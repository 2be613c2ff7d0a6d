package org.umberline.core.tank;

/**
 * Shapes of animals, for a mass from a length: mass = a × length³, g and cm. A body of one shape
 * keeps its proportions as it grows, so the power is near 3 (Froese 2006, J. Appl. Ichthyol. 22:
 * most fish lie between 2.7 and 3.4); the factors are from memory, right within a third.
 */
public enum BodyShape implements Term {
  EEL_LIKE("eel-like", 0.001),
  SLENDER("slender", 0.007),
  USUAL("usual", 0.012),
  DEEP("deep", 0.02),
  ROUND("round", 0.035);

  private final String term;
  private final double gramsPerCm3;

  BodyShape(String term, double gramsPerCm3) {
    this.term = term;
    this.gramsPerCm3 = gramsPerCm3;
  }

  @Override
  public String term() {
    return term;
  }

  /** g of an animal this many cm long, tail fin left out. */
  public double massG(double lengthCm) {
    return gramsPerCm3 * lengthCm * lengthCm * lengthCm;
  }
}
