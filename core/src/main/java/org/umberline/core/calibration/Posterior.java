package org.umberline.core.calibration;

import java.util.List;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;

/**
 * What the tests leave believable about a tank: equally likely draws of its state at the end of the
 * as-of day and of its multipliers, the load's drift into the days ahead included.
 *
 * @param scenario the entries the draws belong to, days ahead included
 * @param fit the past, one element a day from the scenario's first day
 * @param readings every nitrate and phosphate test beside what the draws say of it
 * @param effectiveSamples effective sample size of the importance weights, before resampling
 */
public record Posterior(
    Scenario scenario, List<Draw> draws, Fit fit, List<Reading> readings, double effectiveSamples) {
  /** One draw; its state must be copied before it is run. */
  public record Draw(TankState state, Multipliers multipliers) {}

  /** Quantiles of the past at the end of each day, mg of the element per litre. */
  public record Fit(
      double[] nitrogenP10,
      double[] nitrogenP50,
      double[] nitrogenP90,
      double[] phosphorusP10,
      double[] phosphorusP50,
      double[] phosphorusP90) {}

  /**
   * One test.
   *
   * @param test index among the scenario's probes
   * @param modelled median of the draws at the test's instant, in the analyte's standard unit
   */
  public record Reading(int test, TestLikelihood likelihood, double modelled) {}
}
