package org.umberline.core.trial;

import java.time.Instant;
import java.util.OptionalDouble;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * A trial beside another tank in which it was not tried. What both share, such as the kit, the tap
 * and the season, moves both away from what was foreseen of them; the trial moves only one.
 *
 * @param own by how much the tests of the trial's tank differ from what was foreseen, mg/L of the
 *     ion
 * @param other the same of the other tank, over the same days
 * @param low tenth percentile of the difference of the two
 * @param high ninetieth
 * @param otherKind whether the other tank holds another kind of water and so shares little
 * @param otherChanged whether something else happened in the other tank that may have moved it
 */
public record TrialBeside(
    Verdict verdict,
    double own,
    double other,
    double low,
    double high,
    boolean otherKind,
    boolean otherChanged) {

  /** What the two say together. */
  public enum Verdict {
    /** No tests that tell in the trial's tank. */
    NOT_TESTED,
    /** None in the other. */
    OTHER_NOT_TESTED,
    /** The two differ by more than their tests could by themselves. */
    DIFFER,
    /** What one shows, the other may have shown too. */
    ALIKE
  }

  /**
   * @param trial of {@code tank}, of nitrate or phosphate
   * @param other the tank beside it
   */
  public static TrialBeside of(
      TankModel tank, LogEntry.Trial trial, TankModel other, Instant now, Workers workers) {
    TrialOutcome own = TrialOutcome.of(tank, trial, now, workers);
    if (own.verdict() == TrialOutcome.Verdict.WAITING) {
      return untold(Verdict.NOT_TESTED);
    }
    LogEntry.Trial nothing =
        new LogEntry.Trial(
            trial.at(), "", trial.analyte(), trial.days(), OptionalDouble.empty(), "");
    TrialOutcome control = TrialOutcome.of(other, nothing, now, workers);
    if (control.verdict() == TrialOutcome.Verdict.WAITING) {
      return untold(Verdict.OTHER_NOT_TESTED);
    }
    double apart = departure(own) - departure(control);
    double within = Math.hypot(within(own), within(control));
    return new TrialBeside(
        // what the tank's own tests can't tell, no other tank tells of it
        Math.abs(departure(own)) > within(own) && Math.abs(apart) > within
            ? Verdict.DIFFER
            : Verdict.ALIKE,
        departure(own),
        departure(control),
        apart - within,
        apart + within,
        tank.water() != other.water(),
        !control.others().isEmpty());
  }

  private static TrialBeside untold(Verdict verdict) {
    return new TrialBeside(verdict, 0, 0, 0, 0, false, false);
  }

  private static double departure(TrialOutcome outcome) {
    return outcome.seen() - outcome.without();
  }

  /** Half the width of what eight chances in ten lie in. */
  private static double within(TrialOutcome outcome) {
    return (outcome.high() - outcome.low()) / 2;
  }
}
