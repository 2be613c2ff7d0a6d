package org.umberline.core.planning;

import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Term;

/** What keeps a fraction from being smaller, or makes an interval impossible. */
public enum BindingLimit implements Term {
  NITRATE_CEILING("nitrate ceiling"),
  NITRATE_FLOOR("nitrate floor"),
  PHOSPHATE_CEILING("phosphate ceiling"),
  PHOSPHATE_FLOOR("phosphate floor"),
  MAX_CHANGE_FRACTION("maxChangeFraction"),
  NITRATE_STEP("nitrate step"),
  SALINITY_STEP("salinity step"),
  ALKALINITY_STEP("alkalinity step"),
  SOURCE("source"),
  NONE("none");

  private final String term;

  BindingLimit(String term) {
    this.term = term;
  }

  /** The upper line of a nutrient. */
  static BindingLimit ceilingOf(Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE ? NITRATE_CEILING : PHOSPHATE_CEILING;
  }

  /** The lower line of a nutrient. */
  static BindingLimit floorOf(Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE ? NITRATE_FLOOR : PHOSPHATE_FLOOR;
  }

  @Override
  public String term() {
    return term;
  }
}
