package org.umberline.core.tank;

import java.util.OptionalDouble;

/**
 * What makes a keeper change water: keepers differ in that, and none of them is proved wrong. A
 * stance sets what its keepers take for granted. Common practice, no source.
 */
public enum Stance implements Term {
  /** When the water needs it, by its tests. */
  BY_NEED("by-need"),
  /** On the routine's own days, whether or not the water needs it. */
  FIXED_ROUTINE("fixed-routine"),
  /** By the tests, and nutrients shall never read zero: what grows needs some. */
  NEVER_ZERO("never-zero"),
  /** By the tests, and nutrients shall be as low as they can be. */
  AS_LOW_AS_POSSIBLE("as-low-as-possible"),
  /** By what is seen in the tank; tests are for when something is wrong. */
  BY_LOOK("by-look"),
  /** Never, if it can be helped: plants and bacteria do the work. */
  NO_CHANGE("no-change");

  /** The least that shows on a kit, mg/L NO3 and PO4. Common practice, no source. */
  private static final double SOME_NITRATE = 2;

  private static final double SOME_PHOSPHATE_MARINE = 0.03;
  private static final double SOME_PHOSPHATE = 0.05;

  private final String term;

  Stance(String term) {
    this.term = term;
  }

  @Override
  public String term() {
    return term;
  }

  /** The lines as a keeper of this stance means them; a floor he set himself stays. */
  public Lines meant(Lines lines, WaterKind water) {
    double phosphate = water == WaterKind.MARINE ? SOME_PHOSPHATE_MARINE : SOME_PHOSPHATE;
    return new Lines(meant(lines.nitrate(), SOME_NITRATE), meant(lines.phosphate(), phosphate));
  }

  private Line meant(Line line, double some) {
    return switch (this) {
      case AS_LOW_AS_POSSIBLE -> new Line(OptionalDouble.empty(), line.ceilingMgL());
      case NEVER_ZERO ->
          line.floorMgL().orElse(0) > 0 || line.ceilingMgL().orElse(0) <= some
              ? line
              : new Line(OptionalDouble.of(some), line.ceilingMgL());
      default -> line;
    };
  }
}
