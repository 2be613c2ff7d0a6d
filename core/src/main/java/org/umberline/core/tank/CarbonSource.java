package org.umberline.core.tank;

/** What carries the organic carbon that is dosed. Ethanol is 40 % by volume. */
public enum CarbonSource implements Additive {
  ETHANOL_40("ethanol-40"),
  SUGAR("sugar"),
  VINEGAR("vinegar");

  private final String term;

  CarbonSource(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }

  @Override
  public boolean movesNutrients() {
    return true;
  }

  @Override
  public boolean isWeighed() {
    return this == SUGAR;
  }
}
