package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.TankModel;

/**
 * What a keeper who goes by look changes water for: algae on leaves, wood, rock or sand, not on the
 * glass. Two changes of a quarter, three days apart. Common practice, no source.
 */
final class SignSeen {
  /** Share of each of the changes. */
  static final double SHARE = 0.25;

  private static final int CHANGES = 2;
  private static final int APART_DAYS = 3;
  private static final List<String> ALGAE = List.of("hair-algae", "black-tufts", "slimy-mat");

  private SignSeen() {}

  /** The algae that ask for a change on {@code day}; empty where none do, or enough was done. */
  static Optional<LogEntry.Observation> asksForChange(TankModel tank, LocalDate day) {
    return ALGAE.stream()
        .map(tank::standing)
        .flatMap(Optional::stream)
        .filter(seen -> !seen.looks().equals(List.of(Look.ON_GLASS)))
        .filter(seen -> asksStill(tank, tank.dayOf(seen.at().toInstant()), day))
        .findFirst();
  }

  private static boolean asksStill(TankModel tank, LocalDate seen, LocalDate day) {
    List<LocalDate> changes =
        tank.log().stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .map(entry -> tank.dayOf(entry.at().toInstant()))
            .filter(on -> !on.isBefore(seen))
            .toList();
    return changes.size() < CHANGES
        && (changes.isEmpty()
            || !changes.get(changes.size() - 1).isAfter(day.minusDays(APART_DAYS)));
  }
}
