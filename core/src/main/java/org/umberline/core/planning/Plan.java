package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** How much water to change, how often, and what else would help. */
public record Plan(
    Today today,
    Optional<Recommended> recommended,
    List<Option> options,
    List<RecoveryStep> recovery,
    List<Lever> otherLevers) {
  /** What to do on the day. */
  public enum Verdict {
    CHANGE("change"),
    SKIP("skip");

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
   * @param holdsThroughHorizon whether no change is needed over the whole horizon
   */
  public record Today(
      Verdict verdict,
      OptionalDouble fraction,
      OptionalDouble litres,
      List<String> why,
      Optional<LocalDate> until,
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

  /** Something else to do: {@code change} is relative, the effect that on the steady climb. */
  public record Lever(String lever, double change, double effectNitrateMgLPerWeek) {}
}
