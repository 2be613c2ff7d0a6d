package org.umberline.core.upkeep;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Work that recurs and is due: longer undone than its interval. Intervals are common practice, no
 * source.
 *
 * @param what test, clean or renew
 * @param id of the gear, or the analyte
 * @param lastDone empty when the log does not know it
 * @param everyDays how often it is usual
 * @param lateDays by how many days it is late
 */
public record DueWork(
    What what, String id, Optional<LocalDate> lastDone, int everyDays, int lateDays) {
  /** Kinds of work. */
  public enum What {
    TEST,
    CLEAN,
    RENEW
  }

  static final int TEST_DAYS = 14;
  static final int SPONGE_DAYS = 30;
  static final int SKIMMER_DAYS = 7;
  static final int ADSORBER_DAYS = 30;

  /** Everything that is due on {@code today}, latest first. */
  public static List<DueWork> of(TankModel tank, LocalDate today) {
    List<DueWork> due = new ArrayList<>();
    add(due, tank, today, What.TEST, "nitrate", TEST_DAYS, LogEntry.Test.class::isInstance);
    for (ExportMethod export : tank.exports()) {
      if (!export.span().contains(today)) {
        continue;
      }
      Predicate<LogEntry> cleaned =
          e -> e instanceof LogEntry.Clean clean && clean.export().equals(export.id());
      if (export instanceof ExportMethod.Mechanical) {
        add(due, tank, today, What.CLEAN, export.id(), SPONGE_DAYS, cleaned);
      } else if (export instanceof ExportMethod.Skimmer) {
        add(due, tank, today, What.CLEAN, export.id(), SKIMMER_DAYS, cleaned);
      } else if (export instanceof ExportMethod.PhosphateAdsorber) {
        add(
            due,
            tank,
            today,
            What.RENEW,
            export.id(),
            ADSORBER_DAYS,
            e -> e instanceof LogEntry.Renew renew && renew.export().equals(export.id()));
      }
    }
    due.sort(Comparator.comparingInt(DueWork::lateDays).reversed());
    return List.copyOf(due);
  }

  private static void add(
      List<DueWork> due,
      TankModel tank,
      LocalDate today,
      What what,
      String id,
      int everyDays,
      Predicate<LogEntry> done) {
    Optional<LocalDate> last =
        tank.log().stream()
            .filter(done)
            .map(entry -> tank.dayOf(entry.at().toInstant()))
            .reduce((a, b) -> b);
    LocalDate since =
        last.or(tank::startedOn)
            .orElseGet(
                () ->
                    tank.log().isEmpty() ? today : tank.dayOf(tank.log().get(0).at().toInstant()));
    int late = (int) ChronoUnit.DAYS.between(since, today) - everyDays;
    if (late > 0) {
      due.add(new DueWork(what, id, last, everyDays, late));
    }
  }
}
