package org.umberline.core.tank;

/** Whether a reading is a value or only says that the truth lies beyond the kit's range. */
public enum Qualifier implements Term {
  EQUAL("="),
  BELOW("<"),
  ABOVE(">");

  private final String term;

  Qualifier(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
