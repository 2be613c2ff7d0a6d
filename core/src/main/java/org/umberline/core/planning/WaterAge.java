package org.umberline.core.planning;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Shares of the water that have been in the tank for more than so many days, 0..1: each change of f
 * leaves (1 - f) of what was there (mass balance).
 */
public record WaterAge(double over30Days, double over90Days, double over180Days) {
  /** What the logged changes leave at {@code now}; a tank younger than that has none so old. */
  static WaterAge logged(TankModel tank, Instant now) {
    return new WaterAge(left(tank, now, 30), left(tank, now, 90), left(tank, now, 180));
  }

  private static double left(TankModel tank, Instant now, int days) {
    Instant since = now.minus(days, ChronoUnit.DAYS);
    boolean younger =
        tank.startedOn()
            .map(start -> start.atStartOfDay(tank.timeZone()).toInstant().isAfter(since))
            .orElse(false);
    if (younger) {
      return 0;
    }
    return left(tank, since, now);
  }

  /** The share of the water that the changes after {@code since}, up to {@code now}, leave. */
  static double left(TankModel tank, Instant since, Instant now) {
    double left = 1;
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.WaterChange change
          && change.at().toInstant().isAfter(since)
          && !change.at().toInstant().isAfter(now)) {
        left *= 1 - Math.min(1, change.litres() / tank.netVolumeL());
      }
    }
    return left;
  }

  /** What a routine leaves once it has gone on for long. */
  static WaterAge underRoutine(double fraction, double everyDays) {
    return new WaterAge(
        Math.pow(1 - fraction, 30 / everyDays),
        Math.pow(1 - fraction, 90 / everyDays),
        Math.pow(1 - fraction, 180 / everyDays));
  }
}
