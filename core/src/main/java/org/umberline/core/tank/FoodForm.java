package org.umberline.core.tank;

/**
 * The form a food comes in, with the composition assumed when a food's label is not known. All
 * percents are of the mass as fed. Composition: from memory, to be confirmed.
 */
public enum FoodForm implements Term {
  DRY("dry", 45, 1.2, 8),
  FROZEN("frozen", 9, 0.15, 86),
  FRESH("fresh", 15, 0.20, 78),
  LIVE("live", 9, 0.15, 86),
  GEL("gel", 14, 0.30, 75);

  private final String term;
  private final double proteinPercent;
  private final double phosphorusPercent;
  private final double moisturePercent;

  FoodForm(String term, double proteinPercent, double phosphorusPercent, double moisturePercent) {
    this.term = term;
    this.proteinPercent = proteinPercent;
    this.phosphorusPercent = phosphorusPercent;
    this.moisturePercent = moisturePercent;
  }

  @Override
  public String term() {
    return term;
  }

  public double proteinPercent() {
    return proteinPercent;
  }

  public double phosphorusPercent() {
    return phosphorusPercent;
  }

  public double moisturePercent() {
    return moisturePercent;
  }
}
