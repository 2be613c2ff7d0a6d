package org.umberline.core.tank;

/** What lies on the bottom and exchanges phosphate with the water. */
public enum SubstrateKind implements Term {
  BARE("bare"),
  GRAVEL("gravel"),
  SAND("sand"),
  SOIL("soil"),
  MARINE_ROCK_AND_SAND("marine-rock-and-sand");

  private final String term;

  SubstrateKind(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }
}
