package org.umberline.core.tank;

/** What a keeper sees of a sign when looking closer. Common practice, no source. */
public enum Look implements Term {
  ON_LEAVES("on-leaves"),
  ON_WOOD("on-wood"),
  ON_ROCK("on-rock"),
  ON_SAND("on-sand"),
  ON_GLASS("on-glass"),
  MANY_BUBBLES("many-bubbles"),
  FEW_BUBBLES("few-bubbles"),
  WIPES_OFF("wipes-off"),
  CLINGS("clings"),
  OLD_LEAVES("old-leaves"),
  NEW_LEAVES("new-leaves"),
  STILL_SURFACE("still-surface"),
  MOVING_SURFACE("moving-surface"),
  LONG_LIGHT("long-light"),
  SHORT_LIGHT("short-light"),
  ALL_ANIMALS("all-animals"),
  ONE_ANIMAL("one-animal"),
  /** Water runs past a filter's medium. */
  GOES_AROUND("goes-around"),
  GOES_THROUGH("goes-through");

  private final String term;

  Look(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
