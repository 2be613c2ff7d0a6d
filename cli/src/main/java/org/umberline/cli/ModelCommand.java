package org.umberline.cli;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import tools.jackson.databind.node.ObjectNode;

/** A verb that calibrates a tank on its log. */
abstract class ModelCommand extends FileCommand {
  static final Workers WORKERS = Workers.ofAllProcessors();

  @Option(
      names = "--as-of",
      paramLabel = "DAY",
      description =
          "a day, counted to its end in the tank's zone, or an instant with offset; hides every"
              + " later log entry (default: the last log entry)")
  String asOf;

  @Option(
      names = "--seed",
      defaultValue = "1",
      description = "the same file, seed and version give the same bytes (default: 1)")
  long seed;

  /** The tank as known at the as-of instant, the instant, and its day. */
  record Known(TankModel tank, Instant instant, LocalDate day) {}

  final Known known(TankModel tank) {
    if (asOf == null) {
      if (!tank.log().isEmpty()) {
        LogEntry last = tank.log().get(tank.log().size() - 1);
        return new Known(tank, last.at().toInstant(), tank.dayOf(last.at().toInstant()));
      }
      LocalDate day = tank.startedOn().orElseGet(() -> LocalDate.now(tank.timeZone()));
      return new Known(tank, day.atTime(12, 0).atZone(tank.timeZone()).toInstant(), day);
    }
    try {
      if (asOf.length() == "2026-11-25".length()) {
        LocalDate day = LocalDate.parse(asOf);
        Instant end = day.plusDays(1).atStartOfDay(tank.timeZone()).toInstant().minusNanos(1);
        return new Known(tank.knownAt(end), end, day);
      }
      Instant instant = OffsetDateTime.parse(asOf).toInstant();
      return new Known(tank.knownAt(instant), instant, tank.dayOf(instant));
    } catch (DateTimeException e) {
      throw new ParameterException(
          spec.commandLine(),
          "--as-of is "
              + asOf
              + "; allowed: a day such as 2026-11-25 or an instant such as"
              + " 2026-11-25T18:30:00+00:00");
    }
  }

  /** Refuses days outside 1 to {@code most}. */
  final void checkDays(int days, int most) {
    if (days < 1 || days > most) {
      throw new ParameterException(
          spec.commandLine(), "--days is " + days + "; allowed: 1 to " + most);
    }
  }

  final Posterior calibrate(Known known, int days) {
    return Calibration.calibrate(known.tank(), known.day(), days, Calibration.DRAWS, seed, WORKERS);
  }

  private record Head(
      String file, LocalDate asOf, List<String> defaultsUsed, List<String> notCounted) {}

  /** What every answer begins with, then {@code body}, a record. */
  static ObjectNode answer(String name, Known known, TankFile file, Object body) {
    Head head = new Head(name, known.day(), file.defaultsUsed(), file.notCounted());
    return Json.told(head).setAll(Json.told(body));
  }
}
