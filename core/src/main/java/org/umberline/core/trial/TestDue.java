package org.umberline.core.trial;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * A test that a running trial asks for: its latest occasion has come, and none was read since.
 *
 * @param on the day it was for
 */
public record TestDue(LogEntry.Trial trial, LocalDate on) {
  /**
   * Those that are due, one of each analyte, for the longest-running trial; a trial that is over
   * asks for nothing.
   */
  public static List<TestDue> of(TankModel tank, LocalDate today) {
    Map<Analyte, TestDue> due = new LinkedHashMap<>();
    tank.log().stream()
        .filter(LogEntry.Trial.class::isInstance)
        .map(LogEntry.Trial.class::cast)
        .flatMap(trial -> of(tank, trial, today).stream())
        .forEach(test -> due.putIfAbsent(test.trial().analyte(), test));
    return List.copyOf(due.values());
  }

  private static Optional<TestDue> of(TankModel tank, LogEntry.Trial trial, LocalDate today) {
    LocalDate begun = tank.dayOf(trial.at().toInstant());
    if (today.isBefore(begun) || today.isAfter(begun.plusDays(trial.days()))) {
      return Optional.empty();
    }
    return TrialPlan.occasions(begun, trial.days()).stream()
        .filter(day -> !day.isAfter(today))
        .reduce((a, b) -> b)
        .filter(day -> !isRead(tank, trial, day))
        .map(day -> new TestDue(trial, day));
  }

  private static boolean isRead(TankModel tank, LogEntry.Trial trial, LocalDate from) {
    return tank.lastTest(trial.analyte())
        .map(test -> !tank.dayOf(test.at().toInstant()).isBefore(from))
        .orElse(false);
  }
}
