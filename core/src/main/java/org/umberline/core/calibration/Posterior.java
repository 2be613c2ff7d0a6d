package org.umberline.core.calibration;

import java.util.List;
import java.util.Optional;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.TankModel;

/**
 * What the tests leave believable about a tank: equally likely draws of its state at the end of the
 * as-of day and of its multipliers, the load's drift into the days ahead included.
 *
 * @param scenario the entries the draws belong to, days ahead included
 * @param fit the past, one element a day from the scenario's first day
 * @param readings every test the balance answers for beside what the draws say of it
 * @param unknowns what was learned of each unknown
 * @param workers that run the draws into the days ahead
 * @param learned all that was searched for; the rest follows from it
 */
public record Posterior(
    Scenario scenario,
    Workers workers,
    List<Draw> draws,
    Fit fit,
    List<Reading> readings,
    Unknowns unknowns,
    Learned learned) {
  /** Effective sample size of the importance weights, before resampling. */
  public double effectiveSamples() {
    return learned.effectiveSamples();
  }

  /**
   * Standard deviations from which a test contradicts the rest: one in a hundred good tests does.
   */
  public static final double CONTRADICTION = 2.6;

  /**
   * One draw; its states must be copied before they are run.
   *
   * @param start at the start of the scenario's first day
   * @param state at the end of the as-of day, with all that flowed since the start
   * @param kitFactors what the kit of each of the scenario's probes shows for a true 1
   */
  public record Draw(
      TankState start, TankState state, Multipliers multipliers, double[] kitFactors) {}

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
   * @param modelledSd their standard deviation, same unit
   */
  public record Reading(int test, TestLikelihood likelihood, double modelled, double modelledSd) {
    /**
     * How far the reading lies from what the draws say, in standard deviations of both together; 0
     * inside what the reading may mean.
     */
    public double standardised() {
      return likelihood.standardised(modelled, modelledSd);
    }

    /** Whether the test is so far off that it should be repeated before anything is done. */
    public boolean contradicts() {
      return Math.abs(standardised()) > CONTRADICTION;
    }
  }

  /**
   * The same draws in a tank that goes on differently from the as-of day: another ration, water,
   * gear or habit. What was learned of the past stays.
   *
   * @param changed holds the same foods, waters and plants, and at least the same gear
   */
  public Posterior goingOnAs(TankModel changed) {
    Scenario ahead = scenario.with(changed);
    return new Posterior(
        ahead,
        workers,
        draws.stream()
            .map(d -> new Draw(d.start, d.state.in(ahead), d.multipliers, d.kitFactors))
            .toList(),
        fit,
        readings,
        unknowns,
        learned);
  }

  /** Tenth, middle and ninetieth percentile. */
  public record Spread(double p10, double p50, double p90) {}

  /** Names of unknowns that others than the learning know. */
  public static final String NITROGEN_LOAD = "nitrogen load";

  public static final String PHOSPHORUS_LOAD = "phosphorus load";
  public static final String UNLISTED_NITROGEN = "unlisted nitrogen, mg N/L a day";
  public static final String UNLISTED_PHOSPHORUS = "unlisted phosphorus, mg P/L a day";
  public static final String UNSEEN_DENITRIFICATION = "unseen denitrification";
  public static final String PHOSPHORUS_LOSS = "phosphorus lost, share a day";

  /** One unknown before and after the tests were seen. */
  public record Unknown(String name, Spread prior, Spread posterior) {
    /**
     * How far the tests moved it from what the make-up lets expect, in standard deviations of its
     * logarithm before they were seen.
     */
    public double moved() {
      return Math.log(posterior.p50 / prior.p50)
          / (Math.log(prior.p90 / prior.p50) / Quantiles.NORMAL_90);
    }

    /** The same as a factor. */
    public double factor() {
      return posterior.p50 / prior.p50;
    }
  }

  /** The unknown of a name, where this tank has it. */
  public Optional<Unknown> unknown(String name) {
    return unknowns.of(name);
  }
}
