package org.umberline.core.tank;

/** What kind of water a tank holds. */
public enum WaterKind implements Term {
  FRESHWATER("freshwater"),
  BRACKISH("brackish"),
  MARINE("marine");

  private final String term;

  WaterKind(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
