package org.umberline.core.practice;

import java.util.List;
import org.umberline.core.tank.Term;

/** The tanks there are to practise on, the easiest first. What each hides stands in its name. */
public enum PracticeCase implements Term {
  RICH_TAP("hallway"),
  WRONG_VOLUME("second-hand"),
  UNSEEN_DEATH("thicket"),
  FULL_ROCK("old-rock"),
  BLIND_KIT("clean-sheet");

  private final String term;

  PracticeCase(String term) {
    this.term = term;
  }

  /** A name that gives nothing away. */
  @Override
  public String term() {
    return term;
  }

  /** What there is to fill up with. */
  public List<Filling> fillings() {
    return this == FULL_ROCK ? List.of(Filling.USUAL) : List.of(Filling.values());
  }

  /** The check that finds out what is hidden. */
  public Check tells() {
    return switch (this) {
      case RICH_TAP -> Check.CHANGE_WATER;
      case WRONG_VOLUME -> Check.VOLUME;
      case UNSEEN_DEATH -> Check.ANIMALS;
      // read a second time, after a change
      case FULL_ROCK -> Check.PHOSPHATE;
      case BLIND_KIT -> Check.STANDARD;
    };
  }

  /** The test of the nutrient that has a line. */
  public Check watchedBy() {
    return hasPhosphateLine() ? Check.PHOSPHATE : Check.NITRATE;
  }

  /** Whether phosphate has a line here, and adsorber is at hand. */
  public boolean hasPhosphateLine() {
    return this == FULL_ROCK;
  }
}
