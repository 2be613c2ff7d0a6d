package org.umberline.core.dosing;

import java.util.Optional;

/**
 * What a dosing pump gave in a timed run, and so how long it has to run.
 *
 * @param mlPerMinute what it gives
 * @param secondsPerDay how long it has to run; 0 where it can't
 * @param shortRun whether the run was too short to be sure of it
 */
public record PumpCalibration(
    double mlPerMinute, double secondsPerDay, boolean shortRun, Optional<Refusal> refusal) {
  private static final double SECONDS_A_DAY = 86_400;

  /** What is measured over less than that many seconds, or mL, is mostly drops. Chosen. */
  private static final double FEWEST_SECONDS = 30;

  private static final double FEWEST_ML = 5;

  /** All of them more than 0. */
  public static PumpCalibration of(double ml, double seconds, double mlPerDay) {
    double perSecond = ml / seconds;
    double wanted = mlPerDay / perSecond;
    boolean tooSlow = wanted > SECONDS_A_DAY;
    return new PumpCalibration(
        60 * perSecond,
        tooSlow ? 0 : wanted,
        seconds < FEWEST_SECONDS || ml < FEWEST_ML,
        tooSlow
            ? Optional.of(Refusal.of(Refusal.Why.PUMP_TOO_SLOW, perSecond * SECONDS_A_DAY))
            : Optional.empty());
  }
}
