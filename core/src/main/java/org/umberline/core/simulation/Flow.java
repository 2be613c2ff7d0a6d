package org.umberline.core.simulation;

/**
 * The named ways by which nitrogen and phosphorus enter and leave a tank. Everything that enters
 * leaves by one of them or is still there.
 */
public enum Flow {
  FOOD(true),
  TOP_OFF_WATER(true),
  CHANGE_WATER(true),
  FERTILISER(true),
  ANIMALS(true),
  SOIL(true),
  UNLISTED(true),
  PLANTS_PUT_IN(true),
  UNEXPLAINED_IN(true),
  GROWTH_OF_ANIMALS(false),
  WATER_TAKEN_OUT(false),
  SIPHONED(false),
  PLANTS_TAKEN_OUT(false),
  SKIMMED(false),
  MEDIA_CLEANED(false),
  ADSORBER_RENEWED(false),
  DENITRIFIED(false),
  DENITRIFIED_UNSEEN(false),
  PHOSPHORUS_LOST(false),
  UNEXPLAINED_OUT(false);

  private final boolean in;

  Flow(boolean in) {
    this.in = in;
  }

  /** Whether the flow brings in; otherwise it takes out. */
  public boolean in() {
    return in;
  }
}
