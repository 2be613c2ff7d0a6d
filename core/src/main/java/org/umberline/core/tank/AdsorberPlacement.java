package org.umberline.core.tank;

/** How the water meets a phosphate adsorber. */
public enum AdsorberPlacement implements Term {
  REACTOR("reactor"),
  BAG("bag");

  private final String term;

  AdsorberPlacement(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
