package org.umberline.core.trouble;

import java.util.Optional;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.Term;

/** What can be so of a tank and tells one cause from another. */
public enum Clue implements Term {
  NITRATE_LOW("nitrate-low", Analyte.NITRATE),
  NITRATE_HIGH("nitrate-high", Analyte.NITRATE),
  PHOSPHATE_LOW("phosphate-low", Analyte.PHOSPHATE),
  PHOSPHATE_HIGH("phosphate-high", Analyte.PHOSPHATE),
  AMMONIA("ammonia", Analyte.AMMONIA),
  NITRITE("nitrite", Analyte.NITRITE),
  SILICATE("silicate", Analyte.SILICATE),
  SALINITY_OFF("salinity-off", Analyte.SALINITY),
  ALKALINITY_OFF("alkalinity-off", Analyte.ALKALINITY),
  /** More comes in a week than goes out. */
  GAINS("gains"),
  YOUNG("young"),
  CHANGES_MISSED("changes-missed"),
  WORK_MISSED("work-missed"),
  FILTER_CLEANED("filter-cleaned"),
  CARBON("carbon"),
  FED_MORE("fed-more"),
  DEATH("death"),
  NEW_ANIMALS("new-animals"),
  WARM("warm"),
  WEAK_FLOW("weak-flow"),
  ON_GLASS_ONLY("on-glass-only"),
  MANY_BUBBLES("many-bubbles", Look.MANY_BUBBLES, Look.FEW_BUBBLES),
  WIPES_OFF("wipes-off", Look.WIPES_OFF, Look.CLINGS),
  OLD_LEAVES("old-leaves", Look.OLD_LEAVES, Look.NEW_LEAVES),
  STILL_SURFACE("still-surface", Look.STILL_SURFACE, Look.MOVING_SURFACE),
  LONG_LIGHT("long-light", Look.LONG_LIGHT, Look.SHORT_LIGHT),
  ALL_ANIMALS("all-animals", Look.ALL_ANIMALS, Look.ONE_ANIMAL),
  /** A clogged medium lets water go around it, and may still look fast. */
  GOES_AROUND("goes-around", Look.GOES_AROUND, Look.GOES_THROUGH);

  private final String term;
  private final Optional<Analyte> test;
  private final Optional<Look> yes;
  private final Optional<Look> no;

  Clue(String term) {
    this(term, Optional.empty(), Optional.empty(), Optional.empty());
  }

  Clue(String term, Analyte test) {
    this(term, Optional.of(test), Optional.empty(), Optional.empty());
  }

  Clue(String term, Look yes, Look no) {
    this(term, Optional.empty(), Optional.of(yes), Optional.of(no));
  }

  Clue(String term, Optional<Analyte> test, Optional<Look> yes, Optional<Look> no) {
    this.term = term;
    this.test = test;
    this.yes = yes;
    this.no = no;
  }

  @Override
  public String term() {
    return term;
  }

  /** The test that settles it. */
  public Optional<Analyte> test() {
    return test;
  }

  /** What is seen where it is so. */
  public Optional<Look> yes() {
    return yes;
  }

  /** What is seen where it isn't. */
  public Optional<Look> no() {
    return no;
  }
}
