package org.umberline.core.practice;

import java.util.Optional;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Term;

/** What a keeper can look into, with the minutes it takes. Minutes are chosen, no source. */
public enum Check implements Term {
  NITRATE("nitrate", 7, Analyte.NITRATE),
  PHOSPHATE("phosphate", 7, Analyte.PHOSPHATE),
  AMMONIA("ammonia", 7, Analyte.AMMONIA),
  /** Nitrate of what a change is filled up with. */
  CHANGE_WATER("change-water", 7, Analyte.NITRATE),
  /** Counting them; one that is found dead is taken out. */
  ANIMALS("animals", 5, null),
  /** Filling up with a bucket that is counted. */
  VOLUME("volume", 30, null),
  /** The nitrate kit on a solution that is known; a kit that fails it is replaced. */
  STANDARD("standard", 10, Analyte.NITRATE);

  private final String term;
  private final int minutes;
  private final Analyte analyte;

  Check(String term, int minutes, Analyte analyte) {
    this.term = term;
    this.minutes = minutes;
    this.analyte = analyte;
  }

  @Override
  public String term() {
    return term;
  }

  public int minutes() {
    return minutes;
  }

  /** What is read, where something is. */
  public Optional<Analyte> analyte() {
    return Optional.ofNullable(analyte);
  }
}
