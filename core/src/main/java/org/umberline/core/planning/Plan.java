package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How much water to change, how often, and what else would help.
 *
 * @param testFirst the test that would settle the decision, where one would
 * @param blends where nothing is feasible, the shares of purer water that would make it so
 * @param drip the continuous exchange that keeps the lines, where one does
 * @param notes what the arithmetic of changes says about this plan, in words
 */
public record Plan(
    Today today,
    Optional<Recommended> recommended,
    List<Option> options,
    List<RecoveryStep> recovery,
    List<Lever> otherLevers,
    Optional<TestFirst> testFirst,
    List<BlendAdvice> blends,
    Optional<Drip> drip,
    NoChange noChange,
    Upkeep upkeep,
    List<String> notes) {
  /** What to do on the day. */
  public enum Verdict {
    CHANGE("change"),
    SKIP("skip"),
    TEST_FIRST("test-first");

    private final String term;

    Verdict(String term) {
      this.term = term;
    }

    public String term() {
      return term;
    }
  }

  /**
   * @param fraction share of the net volume to change today, empty when none
   * @param until without any further change the lines hold, with the wanted confidence, through
   *     this day; empty when they do not hold tomorrow, or hold over the whole horizon
   * @param atOnce whether ammonia or nitrite of a new tank calls for it, whatever routine holds
   * @param holdsThroughHorizon whether no change is needed over the whole horizon
   */
  public record Today(
      Verdict verdict,
      OptionalDouble fraction,
      OptionalDouble litres,
      List<String> why,
      Optional<LocalDate> until,
      boolean atOnce,
      boolean holdsThroughHorizon) {}

  /** Peaks and troughs are medians of the draws over the days judged, mg/L of the ion. */
  public record Recommended(
      double fraction,
      double everyDays,
      double litres,
      LocalDate nextOn,
      double probabilityWithinLines,
      double nitratePeakMgL,
      double nitrateTroughMgL,
      double phosphatePeakMgL,
      double phosphateTroughMgL) {}

  /**
   * The smallest sufficient change for one interval; {@code fraction} is empty when there is none.
   */
  public record Option(
      double everyDays,
      OptionalDouble fraction,
      boolean feasible,
      BindingLimit bindingLimit,
      OptionalDouble litresPer28Days,
      OptionalDouble turnoverPer28Days,
      double probabilityWithinLines) {}

  /** One change of a series that brings a tank back under its lines; after it, medians. */
  public record RecoveryStep(
      LocalDate on, double fraction, double nitrateAfterMgL, double phosphateAfterMgL) {}

  /**
   * Something else to do.
   *
   * @param change how far the lever is pulled: a relative change, a share, or g where the lever's
   *     name says so
   * @param effectNitrateMgLPerWeek change of the climb over the next four weeks, median of draws
   * @param effectPhosphateMgLPerWeek the same of phosphate
   */
  public record Lever(
      String lever,
      double change,
      double effectNitrateMgLPerWeek,
      double effectPhosphateMgLPerWeek) {}

  /**
   * A test that is worth more than acting now.
   *
   * @param analyte what to test
   * @param chance that a line is crossed before the next occasion if nothing is done, as known now
   * @param value by how much the expected cost falls, as a share of the risk the keeper accepts
   * @param settles chance that the reading turns the decision round
   */
  public record TestFirst(String analyte, double chance, double value, double settles) {}

  /** A share of another water in the change water that makes a routine feasible. */
  public record BlendAdvice(String water, double share, double fraction, double everyDays) {}

  /**
   * Continuous exchange.
   *
   * @param litresPerDay dripped in and let out
   * @param renewedPerWeek share of the water that a week of it renews: 1 - exp(-7 q)
   */
  public record Drip(double litresPerDay, double renewedPerWeek) {}

  /**
   * What would keep the balance without any change.
   *
   * @param feasible whether the lines hold over the horizon without any
   * @param netNitrogenMgPerDay what would have to go by other ways, mg N a day, median
   * @param floatingPlantsGPerWeek wet mass of floating plants to take out a week that holds as much
   * @param deepBedM2 area of a deep bed that denitrifies as much at the nitrate now
   */
  public record NoChange(
      boolean feasible,
      double netNitrogenMgPerDay,
      double floatingPlantsGPerWeek,
      double deepBedM2) {}

  /**
   * What changes renew besides nutrients.
   *
   * @param now how old the water is by the log
   * @param recommended how old it becomes under the recommended routine, where there is one
   * @param alkalinityUsedDkhPerWeek by nitrification of food's nitrogen, dKH a week
   * @param alkalinityBroughtDkhPerWeek by the recommended routine, dKH a week; empty where the
   *     alkalinity of tank or water is not known
   */
  public record Upkeep(
      WaterAge now,
      Optional<WaterAge> recommended,
      double alkalinityUsedDkhPerWeek,
      OptionalDouble alkalinityBroughtDkhPerWeek) {}

  /**
   * What a routine, or none, comes to; peaks and troughs as in {@link Recommended}.
   *
   * @param minutesPer28Days about, by {@link Planner}'s rule for the time one change takes
   * @param saltGramsPer28Days to mix the change water from fresh water, 0 in fresh tanks
   */
  public record Measures(
      double probabilityWithinLines,
      double nitratePeakMgL,
      double nitrateTroughMgL,
      double phosphatePeakMgL,
      double phosphateTroughMgL,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}
}
