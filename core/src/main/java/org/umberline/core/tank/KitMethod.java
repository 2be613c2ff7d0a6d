package org.umberline.core.tank;

/** How a test kit is read. */
public enum KitMethod implements Term {
  COLOUR_CARD("colour-card"),
  PHOTOMETER("photometer"),
  TITRATION("titration");

  private final String term;

  KitMethod(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
