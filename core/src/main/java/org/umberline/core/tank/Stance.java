package org.umberline.core.tank;

/** What makes a keeper change water. */
public enum Stance implements Term {
  /** When the water needs it. */
  BY_NEED("by-need"),
  /** On the routine's own days, whether or not the water needs it. */
  FIXED_ROUTINE("fixed-routine");

  private final String term;

  Stance(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
