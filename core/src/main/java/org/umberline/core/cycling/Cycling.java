package org.umberline.core.cycling;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;

/**
 * How far the tests say a new filter has come.
 *
 * @param readings by day, the last first
 */
public record Cycling(Stage stage, List<Reading> readings) {
  /** Less than this is about nothing on most kits, mg/L NH3 or NO2. Common practice, no source. */
  private static final double SEEN_MG_L = 0.2;

  /** Days of readings that are shown. Chosen. */
  private static final int MOST_READINGS = 6;

  /** Twice as long as a filter takes. Chosen. */
  private static final int WATCHED_DAYS = 2 * TankModel.FILTER_GROWN_IN_DAYS;

  /**
   * Whether {@code tank} is so young that its ammonia and nitrite are watched day by day: past the
   * time a filter takes only where they were tested.
   */
  public static boolean isWatched(TankModel tank, LocalDate today) {
    boolean tested =
        tank.lastTest(Analyte.AMMONIA).isPresent() || tank.lastTest(Analyte.NITRITE).isPresent();
    int watched = tested ? WATCHED_DAYS : TankModel.FILTER_GROWN_IN_DAYS;
    return tank.startedOn().filter(day -> day.isAfter(today.minusDays(watched))).isPresent();
  }

  /** What grows in first is what takes ammonia, then what takes nitrite. */
  public enum Stage {
    /** Neither ammonia nor nitrite was ever tested. */
    UNTESTED,
    /** Neither was ever seen: nothing has fed the filter yet, or hardly anything. */
    NOT_BEGUN,
    /** Ammonia is there, nitrite isn't yet. */
    AMMONIA,
    /** Nitrite is there. */
    NITRITE,
    /** Both came, and read nothing now. */
    FALLEN
  }

  /** What was read on a day, mg/L NH3, NO2 and NO3; the last reading of each. */
  public record Reading(
      LocalDate on, OptionalDouble ammonia, OptionalDouble nitrite, OptionalDouble nitrate) {}

  public Cycling {
    readings = List.copyOf(readings);
  }

  public static Cycling of(TankModel tank, Instant now) {
    OptionalDouble ammonia = OptionalDouble.empty();
    OptionalDouble nitrite = OptionalDouble.empty();
    boolean ammoniaSeen = false;
    boolean nitriteSeen = false;
    Map<LocalDate, Reading> byDay = new TreeMap<>();
    for (LogEntry entry : tank.log()) {
      if (!(entry instanceof LogEntry.Test test) || test.at().toInstant().isAfter(now)) {
        continue;
      }
      double value = test.qualifier() == Qualifier.BELOW ? 0 : test.standardValue();
      LocalDate day = tank.dayOf(test.at().toInstant());
      Reading before =
          byDay.getOrDefault(
              day,
              new Reading(
                  day, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty()));
      OptionalDouble read = OptionalDouble.of(value);
      switch (test.analyte()) {
        case AMMONIA -> {
          ammonia = read;
          ammoniaSeen |= value >= SEEN_MG_L;
          byDay.put(day, new Reading(day, read, before.nitrite, before.nitrate));
        }
        case NITRITE -> {
          nitrite = read;
          nitriteSeen |= value >= SEEN_MG_L;
          byDay.put(day, new Reading(day, before.ammonia, read, before.nitrate));
        }
        case NITRATE -> byDay.put(day, new Reading(day, before.ammonia, before.nitrite, read));
        default -> {}
      }
    }
    List<Reading> readings = new ArrayList<>(byDay.values());
    Collections.reverse(readings);
    return new Cycling(
        stage(ammonia, nitrite, ammoniaSeen || nitriteSeen),
        readings.subList(0, Math.min(MOST_READINGS, readings.size())));
  }

  private static Stage stage(OptionalDouble ammonia, OptionalDouble nitrite, boolean begun) {
    if (ammonia.isEmpty() && nitrite.isEmpty()) {
      return Stage.UNTESTED;
    }
    if (nitrite.orElse(0) >= SEEN_MG_L) {
      return Stage.NITRITE;
    }
    if (ammonia.orElse(0) >= SEEN_MG_L) {
      return Stage.AMMONIA;
    }
    return begun ? Stage.FALLEN : Stage.NOT_BEGUN;
  }

  /** The last reading of ammonia or of nitrite, mg/L NH3 or NO2. */
  public OptionalDouble last(Analyte analyte) {
    return readings.stream()
        .map(reading -> analyte == Analyte.AMMONIA ? reading.ammonia : reading.nitrite)
        .filter(OptionalDouble::isPresent)
        .findFirst()
        .orElse(OptionalDouble.empty());
  }
}
