package org.umberline.cli;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.TankFile;
import tools.jackson.databind.node.ObjectNode;

/** A verb that calibrates a tank on its log. */
abstract class ModelCommand extends FileCommand {
  static final Workers WORKERS = Workers.ofAllProcessors();

  private static final String AS_OF = "as-of";
  private static final String SEED = "seed";
  private static final String DAYS = "days";

  private long seed;
  private int days;
  private int mostDays;

  ModelCommand(String about) {
    super(about);
    addOption(
        AS_OF,
        "DAY",
        "a day, counted to its end in the tank's zone, or an instant with offset; hides every"
            + " later log entry (otherwise: the last log entry)");
    addOption(SEED, "N", "the same file, seed and version give the same bytes (otherwise: 1)");
  }

  /** The tank as known at the as-of instant, the instant, and its day. */
  record Known(TankModel tank, Instant instant, LocalDate day) {}

  final Known known(TankModel tank) {
    Optional<String> given = value(AS_OF);
    if (given.isEmpty()) {
      if (!tank.log().isEmpty()) {
        LogEntry last = tank.log().get(tank.log().size() - 1);
        return new Known(tank, last.at().toInstant(), tank.dayOf(last.at().toInstant()));
      }
      LocalDate day = tank.startedOn().orElseGet(() -> LocalDate.now(tank.timeZone()));
      return new Known(tank, day.atTime(12, 0).atZone(tank.timeZone()).toInstant(), day);
    }
    String asOf = given.get();
    try {
      if (asOf.length() == "2026-11-25".length()) {
        LocalDate day = LocalDate.parse(asOf);
        Instant end = day.plusDays(1).atStartOfDay(tank.timeZone()).toInstant().minusNanos(1);
        return new Known(tank.knownAt(end), end, day);
      }
      Instant instant = OffsetDateTime.parse(asOf).toInstant();
      return new Known(tank.knownAt(instant), instant, tank.dayOf(instant));
    } catch (DateTimeException e) {
      throw new UsageException(
          "--as-of is "
              + asOf
              + "; allowed: a day such as 2026-11-25 or an instant such as"
              + " 2026-11-25T18:30:00+00:00");
    }
  }

  /** Adds the option that {@link #days} is read from. */
  final void addDays(String what, int otherwise, int most) {
    addOption(DAYS, "N", what + " (otherwise: " + otherwise + ")");
    days = otherwise;
    mostDays = most;
  }

  /** The days that were asked for. */
  final int days() {
    return days;
  }

  final long seed() {
    return seed;
  }

  @Override
  void readOptions() {
    seed = number(SEED, 1, Long.MIN_VALUE, Long.MAX_VALUE);
    days = Math.toIntExact(number(DAYS, days, 1, mostDays));
  }

  final Posterior calibrate(Known known, int days) {
    return Calibration.calibrate(
        known.tank(), known.day(), days, Calibration.DRAWS, seed(), WORKERS);
  }

  private record Head(
      String file, LocalDate asOf, List<String> defaultsUsed, List<String> notCounted) {}

  /** What every answer begins with, then {@code body}, a record. */
  static ObjectNode answer(String name, Known known, TankFile file, Object body) {
    Head head = new Head(name, known.day(), file.defaultsUsed(), file.notCounted());
    return Json.told(head).setAll(Json.told(body));
  }
}
