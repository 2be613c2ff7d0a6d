package org.umberline.core.tank;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Ways of keeping a tank, each with the lines its keepers hold to, mg/L of the ion, and the largest
 * single change they make. Common practice, no source; the keeper may change each number.
 */
public enum WayOfKeeping implements Term {
  FISH_ONLY("fish-only", WaterKind.FRESHWATER, 0, 40, 0, 0, 0.5),
  SENSITIVE("sensitive", WaterKind.FRESHWATER, 0, 20, 0, 0, 0.25),
  PLANTED_LOW_LIGHT("planted-low-light", WaterKind.FRESHWATER, 2, 25, 0.05, 1, 0.5),
  PLANTED_HIGH_LIGHT("planted-high-light", WaterKind.FRESHWATER, 5, 30, 0.1, 2, 0.5),
  NO_CHANGE("no-change", WaterKind.FRESHWATER, 0, 20, 0, 1, 0.33),
  MARINE_FISH_ONLY("marine-fish-only", WaterKind.MARINE, 0, 40, 0, 0.5, 0.33),
  MIXED_REEF("mixed-reef", WaterKind.MARINE, 2, 15, 0.03, 0.12, 0.25),
  STONY_REEF("stony-reef", WaterKind.MARINE, 1, 10, 0.02, 0.1, 0.25),
  SMALL_MARINE("small-marine", WaterKind.MARINE, 2, 15, 0.03, 0.12, 0.5),
  BRACKISH("brackish", WaterKind.BRACKISH, 0, 40, 0, 1, 0.5),
  /** Young fish raised on much food and much water. */
  GROW_OUT("grow-out", WaterKind.FRESHWATER, 0, 40, 0, 0, 0.5),
  /** A tank that cycles: rules for ammonia and nitrite, no lines yet. */
  NEW("new", WaterKind.FRESHWATER, 0, 0, 0, 0, 0.5);

  private final String term;
  private final WaterKind water;
  private final double nitrateFloor;
  private final double nitrateCeiling;
  private final double phosphateFloor;
  private final double phosphateCeiling;
  private final double largestChange;

  WayOfKeeping(
      String term,
      WaterKind water,
      double nitrateFloor,
      double nitrateCeiling,
      double phosphateFloor,
      double phosphateCeiling,
      double largestChange) {
    this.term = term;
    this.water = water;
    this.nitrateFloor = nitrateFloor;
    this.nitrateCeiling = nitrateCeiling;
    this.phosphateFloor = phosphateFloor;
    this.phosphateCeiling = phosphateCeiling;
    this.largestChange = largestChange;
  }

  @Override
  public String term() {
    return term;
  }

  public WaterKind water() {
    return water;
  }

  /** The lines of this way; no phosphate line where its keepers hold to none. */
  public Lines lines() {
    return new Lines(line(nitrateFloor, nitrateCeiling), line(phosphateFloor, phosphateCeiling));
  }

  private static Line line(double floor, double ceiling) {
    return ceiling == 0
        ? Line.NONE
        : new Line(
            floor == 0 ? OptionalDouble.empty() : OptionalDouble.of(floor),
            OptionalDouble.of(ceiling));
  }

  /** What keepers change on their routine's days, whatever the tests say. */
  public record UsualChange(double fraction, int everyDays) {}

  /** The usual routine for such a tank; empty where there is none. Common practice, no source. */
  public static Optional<UsualChange> usualChange(Optional<WayOfKeeping> keeping, WaterKind water) {
    if (keeping.isEmpty()) {
      return Optional.of(
          water == WaterKind.FRESHWATER ? new UsualChange(0.25, 14) : new UsualChange(0.15, 14));
    }
    return switch (keeping.get()) {
      case FISH_ONLY -> Optional.of(new UsualChange(0.25, 14));
      case SENSITIVE -> Optional.of(new UsualChange(0.15, 7));
      case PLANTED_HIGH_LIGHT -> Optional.of(new UsualChange(0.33, 7));
      case MARINE_FISH_ONLY -> Optional.of(new UsualChange(0.15, 14));
      case MIXED_REEF -> Optional.of(new UsualChange(0.15, 7));
      case STONY_REEF -> Optional.of(new UsualChange(0.1, 7));
      case SMALL_MARINE -> Optional.of(new UsualChange(0.35, 7));
      case BRACKISH -> Optional.of(new UsualChange(0.25, 7));
      case GROW_OUT -> Optional.of(new UsualChange(0.5, 7));
      case PLANTED_LOW_LIGHT, NO_CHANGE, NEW -> Optional.empty();
    };
  }

  /** The largest share of the water its keepers change at once. */
  public double largestChange() {
    return largestChange;
  }
}
