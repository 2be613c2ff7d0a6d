package org.umberline.core.simulation;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.umberline.core.tank.Routine;

/**
 * Water changes still to come: the time of each in days from the scenario's start, and its share.
 */
public record PlannedChanges(double[] time, double[] fraction) {
  public static final PlannedChanges NONE = new PlannedChanges(new double[0], new double[0]);

  /** Time of day of a planned change, as a share of the day. */
  public static final double NOON = 0.5;

  public PlannedChanges {
    if (time.length != fraction.length) {
      throw new IllegalArgumentException("as many fractions as times are needed");
    }
  }

  /** The changes of {@code routine} after the as-of day, at noon, as far as the scenario goes. */
  public static PlannedChanges of(Routine routine, Scenario scenario) {
    LocalDate last = scenario.date(scenario.days() - 1);
    return atNoon(
        routine.daysAfter(scenario.date(scenario.asOfDay()), last).stream()
            .map(scenario::day)
            .toList(),
        routine.fraction());
  }

  /**
   * The same {@code fraction} at noon of each of {@code days}, counted from the scenario's start.
   */
  public static PlannedChanges atNoon(List<Integer> days, double fraction) {
    double[] time = days.stream().mapToDouble(day -> day + NOON).toArray();
    double[] fractions = new double[time.length];
    Arrays.fill(fractions, fraction);
    return new PlannedChanges(time, fractions);
  }

  /** These changes and then {@code later}, which must not begin before these end. */
  public PlannedChanges then(PlannedChanges later) {
    double[] times = Arrays.copyOf(time, time.length + later.time.length);
    double[] fractions = Arrays.copyOf(fraction, times.length);
    System.arraycopy(later.time, 0, times, time.length, later.time.length);
    System.arraycopy(later.fraction, 0, fractions, fraction.length, later.fraction.length);
    return new PlannedChanges(times, fractions);
  }
}
