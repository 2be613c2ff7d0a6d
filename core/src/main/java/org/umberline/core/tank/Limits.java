package org.umberline.core.tank;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What the keeper accepts of a plan.
 *
 * @param maxChangeFraction largest single change, share of the net volume
 * @param intervalsDays days between changes the keeper would live with; empty when none are named
 * @param confidence chance with which each line must hold on any one day
 * @param horizonDays how far ahead the forecast is shown
 * @param maxNitrateStepMgL largest fall of nitrate by one change, mg/L NO3
 * @param maxSalinityStepPpt largest step of salinity by one change, ppt
 * @param maxAlkalinityStepDkh largest step of alkalinity by one change, dKH
 * @param leastChangeFraction share of the water to be changed whatever the tests say; empty for
 *     none
 * @param leastChangeDays within so many days
 */
public record Limits(
    double maxChangeFraction,
    List<Double> intervalsDays,
    double confidence,
    int horizonDays,
    OptionalDouble maxNitrateStepMgL,
    OptionalDouble maxSalinityStepPpt,
    OptionalDouble maxAlkalinityStepDkh,
    OptionalDouble leastChangeFraction,
    double leastChangeDays) {
  /** Days within which the least change is made, when the keeper doesn't say. Chosen. */
  public static final double DEFAULT_LEAST_CHANGE_DAYS = 28;

  /** Without a way of keeping or a kind of water. Common practice, no source. */
  public static final Limits DEFAULT = of(WaterKind.FRESHWATER, Optional.empty());

  /**
   * The limits of a keeper who names none: a step of alkalinity by the kind of water, the largest
   * change by the way of keeping. Common practice, no source.
   */
  public static Limits of(WaterKind water, Optional<WayOfKeeping> keeping) {
    double alkalinityStep =
        switch (water) {
          case FRESHWATER -> 3;
          case BRACKISH -> 2;
          case MARINE -> 1;
        };
    return new Limits(
        keeping.map(WayOfKeeping::largestChange).orElse(0.5),
        List.of(),
        0.9,
        90,
        OptionalDouble.empty(),
        OptionalDouble.of(1),
        OptionalDouble.of(alkalinityStep),
        OptionalDouble.empty(),
        DEFAULT_LEAST_CHANGE_DAYS);
  }

  public Limits {
    intervalsDays = List.copyOf(intervalsDays);
  }
}
