package org.umberline.core.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import org.umberline.core.tank.TankModel;

/**
 * The least that a keeper wants changed whatever the tests say, for what nobody measures.
 *
 * @param dueOn the first day on which less than that would have been changed; never before as-of
 */
record LeastChange(double fraction, double everyDays, LocalDate dueOn) {
  private static final double ROUNDING = 1e-9;

  /** Empty for a keeper who wants none. */
  static Optional<LeastChange> of(TankModel tank, LocalDate asOf) {
    double fraction = tank.limits().leastChangeFraction().orElse(0);
    if (fraction <= 0) {
      return Optional.empty();
    }
    double everyDays = tank.limits().leastChangeDays();
    LocalDate due = asOf;
    LocalDate last = asOf.plusDays((long) everyDays);
    while (due.isBefore(last)
        && renewed(tank, due.minusDays((long) everyDays)) >= fraction - ROUNDING) {
      due = due.plusDays(1);
    }
    return Optional.of(new LeastChange(fraction, everyDays, due));
  }

  /** Share of the water that the changes after a day renewed. */
  private static double renewed(TankModel tank, LocalDate after) {
    // the very start of the next day counts
    Instant since = after.plusDays(1).atStartOfDay(tank.timeZone()).toInstant().minusNanos(1);
    return 1 - WaterAge.left(tank, since, Instant.MAX);
  }

  /** The least share of a routine at another interval that renews as much. */
  double atEvery(double days) {
    return Shares.atEvery(days, fraction, everyDays);
  }
}
