package org.umberline.core.tank;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What the keeper accepts of a plan.
 *
 * @param maxChangeFraction largest single change, share of the net volume
 * @param intervalsDays days between changes the keeper would live with
 * @param confidence chance, over both nutrients and the horizon, with which the lines must hold
 * @param horizonDays how far ahead the lines must hold
 * @param maxNitrateStepMgL largest fall of nitrate by one change, mg/L NO3
 * @param maxSalinityStepPpt largest step of salinity by one change, ppt
 * @param maxAlkalinityStepDkh largest step of alkalinity by one change, dKH
 */
public record Limits(
    double maxChangeFraction,
    List<Double> intervalsDays,
    double confidence,
    int horizonDays,
    OptionalDouble maxNitrateStepMgL,
    OptionalDouble maxSalinityStepPpt,
    OptionalDouble maxAlkalinityStepDkh) {
  /** Common practice, no source. */
  public static final Limits DEFAULT =
      new Limits(
          0.5,
          List.of(1.0, 2.0, 3.5, 7.0, 14.0, 28.0),
          0.9,
          90,
          OptionalDouble.empty(),
          OptionalDouble.of(1),
          OptionalDouble.of(1));

  public Limits {
    intervalsDays = List.copyOf(intervalsDays);
  }
}
