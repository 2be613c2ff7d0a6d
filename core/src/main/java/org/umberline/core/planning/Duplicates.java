package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** Entries of the log that stand in it twice, the same to the letter. */
final class Duplicates {
  private Duplicates() {}

  /** The days on which an entry stands again, each once, in order. */
  static List<LocalDate> days(TankModel tank) {
    Set<LogEntry> seen = new HashSet<>();
    List<LocalDate> days = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      LocalDate day = tank.dayOf(entry.at().toInstant());
      if (!seen.add(entry) && !days.contains(day)) {
        days.add(day);
      }
    }
    return days;
  }
}
