package org.umberline.core.upkeep;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Predicate;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Sign;
import org.umberline.core.tank.TankModel;

/**
 * A piece of recurring work of one tank.
 *
 * @param key kind and subject, such as {@code clean:sponge}
 * @param subject the gear, plant, analyte or task
 * @param everyDays how often it is meant to be done
 * @param origin who says so
 * @param lastDone empty when the log does not know it
 * @param due the day it is next to be done, which may be past
 * @param pinned whether the keeper moved it to that day
 */
public record Work(
    String key,
    Kind kind,
    String subject,
    int everyDays,
    Origin origin,
    Optional<LocalDate> lastDone,
    LocalDate due,
    boolean pinned) {
  /** Kinds of work. */
  public enum Kind {
    CHANGE,
    TEST,
    CLEAN,
    RENEW,
    THIN,
    TASK
  }

  /** Who an interval comes from. */
  public enum Origin {
    TRADE,
    KEEPER,
    ROUTINE,
    MODEL,
    /** The keeper saw that it is wanted. */
    SEEN
  }

  /** Key of the water changes of the standing routine. */
  public static final String CHANGE = "change";

  // Intervals are common practice, no source.
  static final int TEST_DAYS = 14;
  static final int SPONGE_DAYS = 30;
  static final int SKIMMER_DAYS = 7;
  static final int ADSORBER_DAYS = 30;
  static final int THIN_DAYS = 30;
  static final int FAST_THIN_DAYS = 14;

  /**
   * All recurring work of a tank, changes first. What the keeper said outweighs the model, and the
   * model the trade.
   *
   * @param standing the routine whose next day may be past
   * @param foreseen days on which the model sees work fall due, by key
   */
  public static List<Work> of(
      TankModel tank,
      Care care,
      Optional<Routine> standing,
      LocalDate today,
      Map<String, LocalDate> foreseen) {
    Collector all = new Collector(tank, care, today, foreseen);
    standing.ifPresent(
        routine ->
            all.works.add(
                new Work(
                    CHANGE,
                    Kind.CHANGE,
                    "",
                    (int) Math.max(1, Math.round(routine.everyDays())),
                    Origin.ROUTINE,
                    all.last(LogEntry.WaterChange.class::isInstance),
                    routine.nextOn(),
                    true)));
    for (Analyte analyte : List.of(Analyte.NITRATE, Analyte.PHOSPHATE)) {
      boolean lined =
          (analyte == Analyte.NITRATE ? tank.lines().nitrate() : tank.lines().phosphate())
              .ceilingMgL()
              .isPresent();
      if (lined || analyte == Analyte.NITRATE) {
        all.add(
            Kind.TEST,
            analyte.term(),
            TEST_DAYS,
            e -> e instanceof LogEntry.Test test && test.analyte() == analyte);
      }
    }
    for (ExportMethod export : tank.exports()) {
      if (!export.span().contains(today)) {
        continue;
      }
      Predicate<LogEntry> cleaned =
          e -> e instanceof LogEntry.Clean clean && clean.export().equals(export.id());
      if (export instanceof ExportMethod.Mechanical) {
        all.add(Kind.CLEAN, export.id(), SPONGE_DAYS, cleaned);
      } else if (export instanceof ExportMethod.Skimmer) {
        all.add(Kind.CLEAN, export.id(), SKIMMER_DAYS, cleaned);
      } else if (export instanceof ExportMethod.PhosphateAdsorber) {
        all.add(
            Kind.RENEW,
            export.id(),
            ADSORBER_DAYS,
            e -> e instanceof LogEntry.Renew renew && renew.export().equals(export.id()));
      }
    }
    for (PlantStand plant : tank.plants()) {
      if (plant.span().contains(today)) {
        boolean fast =
            plant.kind() == PlantKind.FLOATING
                || plant.kind() == PlantKind.MACROALGAE
                || plant.kind() == PlantKind.TURF_SCRUBBER;
        all.add(
            Kind.THIN,
            plant.id(),
            fast ? FAST_THIN_DAYS : THIN_DAYS,
            e -> e instanceof LogEntry.Harvest cut && cut.plant().equals(plant.id()));
      }
    }
    for (Task task : care.tasks()) {
      all.add(
          Kind.TASK,
          task.term(),
          task.everyDays(),
          e -> e instanceof LogEntry.Observation seen && seen.sign().equals(task.sign()));
    }
    for (Care.OwnTask own : care.ownTasks()) {
      String sign = Task.signOf(own.name());
      all.add(
          Kind.TASK,
          own.name(),
          own.everyDays(),
          e -> e instanceof LogEntry.Observation seen && seen.sign().equals(sign));
    }
    return List.copyOf(all.works);
  }

  /** By how many days it is late on {@code today}; 0 when it is not. */
  public int lateDays(LocalDate today) {
    return (int) Math.max(0, ChronoUnit.DAYS.between(due, today));
  }

  /** Whether it stirs or rinses the living filter. */
  public boolean isFilterCleaning(TankModel tank) {
    return kind == Kind.CLEAN && isFilter(tank, subject);
  }

  private static boolean isFilter(TankModel tank, String export) {
    return tank.exports().stream()
        .anyMatch(gear -> gear instanceof ExportMethod.Mechanical && gear.id().equals(export));
  }

  /** The key of a kind of work on a subject. */
  public static String key(Kind kind, String subject) {
    return switch (kind) {
      case CHANGE -> CHANGE;
      case TASK -> "did:" + subject;
      default -> kind.name().toLowerCase(Locale.ROOT) + ":" + subject;
    };
  }

  private static final class Collector {
    /** Tasks that are wanted when the flow is weak. */
    private static final Set<String> CHOKED =
        Set.of(Task.FLOSS.term(), Task.CARTRIDGE.term(), Task.IMPELLER.term());

    private final List<Work> works = new ArrayList<>();
    private final TankModel tank;
    private final Care care;
    private final LocalDate today;
    private final Map<String, LocalDate> foreseen;

    Collector(TankModel tank, Care care, LocalDate today, Map<String, LocalDate> foreseen) {
      this.tank = tank;
      this.care = care;
      this.today = today;
      this.foreseen = foreseen;
    }

    Optional<LocalDate> last(Predicate<LogEntry> done) {
      return tank.log().stream()
          .filter(done)
          .map(entry -> tank.dayOf(entry.at().toInstant()))
          .reduce((a, b) -> b);
    }

    /** The day of the first entry of the log; long ago where there is none. */
    private LocalDate firstNoted() {
      return tank.log().isEmpty() ? LocalDate.MIN : tank.dayOf(tank.log().get(0).at().toInstant());
    }

    private static LocalDate latest(LocalDate a, LocalDate b) {
      return a.isAfter(b) ? a : b;
    }

    /** When weak flow was last seen, for what can bring it; until it was seen to be gone. */
    private Optional<LocalDate> choked(Kind kind, String subject) {
      boolean chokes =
          kind == Kind.CLEAN && isFilter(tank, subject)
              || kind == Kind.TASK && CHOKED.contains(subject);
      return !chokes
          ? Optional.empty()
          : tank.standing(Sign.WEAK_FLOW).map(seen -> tank.dayOf(seen.at().toInstant()));
    }

    private static boolean done(Optional<LocalDate> last, LocalDate since) {
      return last.filter(day -> !day.isBefore(since)).isPresent();
    }

    void add(Kind kind, String subject, int usual, Predicate<LogEntry> done) {
      String key = key(kind, subject);
      Optional<Care.Habit> habit = care.habit(key);
      OptionalInt wanted = habit.map(Care.Habit::everyDays).orElse(OptionalInt.empty());
      if (wanted.isPresent() && wanted.getAsInt() == 0) {
        return;
      }
      int every = wanted.orElse(usual);
      Optional<LocalDate> last = last(done);
      // what was never noted is due at most, not late: nobody knows when it was done
      LocalDate since =
          last.orElseGet(
              () ->
                  kind == Kind.TASK || !tank.log().isEmpty()
                      ? latest(today.minusDays(every), firstNoted())
                      : today);
      Origin origin = wanted.isPresent() ? Origin.KEEPER : Origin.TRADE;
      LocalDate due = since.plusDays(every);
      if (wanted.isEmpty() && foreseen.containsKey(key)) {
        due = foreseen.get(key);
        origin = Origin.MODEL;
      }
      Optional<LocalDate> choked = choked(kind, subject);
      if (choked.isPresent() && choked.get().isBefore(due) && !done(last, choked.get())) {
        due = choked.get();
        origin = Origin.SEEN;
      }
      if (kind == Kind.CLEAN && isFilter(tank, subject) && tank.startedOn().isPresent()) {
        // a filter that grows in is left alone
        due = latest(due, tank.startedOn().get().plusDays(TankModel.FILTER_GROWN_IN_DAYS));
      }
      // a day it was moved to counts until the work is done on or after its eve
      Optional<LocalDate> moved =
          habit
              .flatMap(Care.Habit::nextOn)
              .filter(day -> last.isEmpty() || last.get().isBefore(day.minusDays(1)));
      works.add(
          new Work(key, kind, subject, every, origin, last, moved.orElse(due), moved.isPresent()));
    }
  }
}
