package org.umberline.core.dosing;

import java.time.LocalDate;
import java.util.Optional;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Hydrogen peroxide against algae on rock and wood, by the water that is in the tank while it is
 * treated. Common practice, no source.
 *
 * @param leastMl of the solution
 * @param mostMl in all: no more is drawn up
 */
public record Peroxide(double leastMl, double mostMl, Optional<Refusal> refusal) {
  /** How work that was done with it stands in the log. */
  public static final String DONE = "peroxide treatment";

  private static final double LEAST_ML_PER_LITRE = 0.2;
  private static final double MOST_ML_PER_LITRE = 0.4;

  /** The strength those are for, percent. */
  private static final double USUAL_PERCENT = 3;

  /** Stronger ones burn skin and eyes. */
  private static final double STRONGEST_PERCENT = 6;

  private static final int DAYS_BETWEEN = 7;

  /**
   * @param litres in the tank while it is treated, what was drained taken off
   * @param percent strength of the solution
   */
  public static Peroxide of(TankModel tank, double litres, double percent, LocalDate today) {
    Optional<Refusal> refusal = refusal(tank, litres, percent, today);
    if (refusal.isPresent()) {
      return new Peroxide(0, 0, refusal);
    }
    double ml = litres * USUAL_PERCENT / percent;
    return new Peroxide(LEAST_ML_PER_LITRE * ml, MOST_ML_PER_LITRE * ml, Optional.empty());
  }

  private static Optional<Refusal> refusal(
      TankModel tank, double litres, double percent, LocalDate today) {
    if (percent > STRONGEST_PERCENT) {
      return Optional.of(Refusal.of(Refusal.Why.TOO_STRONG, STRONGEST_PERCENT));
    }
    if (litres > tank.netVolumeL()) {
      return Optional.of(Refusal.of(Refusal.Why.MORE_THAN_THE_TANK, tank.netVolumeL()));
    }
    boolean lately =
        tank.log().stream()
            .anyMatch(
                entry ->
                    entry instanceof LogEntry.Observation seen
                        && seen.sign().equals(DONE)
                        && tank.dayOf(seen.at().toInstant())
                            .isAfter(today.minusDays(DAYS_BETWEEN)));
    return lately ? Optional.of(Refusal.of(Refusal.Why.DONE_LATELY)) : Optional.empty();
  }
}
