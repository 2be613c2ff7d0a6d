package org.umberline.core.upkeep;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/**
 * A tank's work laid out over the days ahead. Filter cleaning keeps its distance from every change,
 * so that the living filter and the water are never both disturbed; floss is changed and water
 * tested on the day after a change that is near; what is late is spread, a few pieces a day. Common
 * practice, no source.
 *
 * @param occurrences by day
 */
public record Schedule(List<Occurrence> occurrences) {
  /** Pieces of late work that a day of catching up takes besides a change. Chosen. */
  static final int CATCH_UP_A_DAY = 2;

  /** Work that follows a change is drawn to it from this many days around. */
  static final int NEAR_A_CHANGE = 3;

  /**
   * One time a piece of work is to be done.
   *
   * @param lateDays by how many days it is late, 0 when it is not
   * @param moved why it stands on this day and no other, empty when nothing moved it
   */
  public record Occurrence(Work work, LocalDate on, int lateDays, Optional<Moved> moved) {}

  /** What moves a piece of work from the day it is due. */
  public enum Moved {
    /** Nothing could: changes come so often that no day is far enough from them. */
    NOT_FAR_ENOUGH,
    KEPT_FROM_CHANGE,
    AFTER_CHANGE,
    CATCHING_UP
  }

  /**
   * Why a piece of work may not be done on a day: it is past or too near to a change.
   *
   * @param nearest the nearest day on which it may; empty for a past one, or where none is near
   */
  public record Objection(LocalDate day, boolean past, Optional<LocalDate> nearest) {}

  public Schedule {
    occurrences = List.copyOf(occurrences);
  }

  /**
   * Lays the work out.
   *
   * @param standing the routine the changes follow, its next day may be past
   * @param once days of changes that are made once, before the routine
   * @param days how many, today being the first
   */
  public static Schedule of(
      TankModel tank,
      Care care,
      List<Work> works,
      Optional<Routine> standing,
      List<LocalDate> once,
      LocalDate today,
      int days) {
    return new Maker(tank, care, standing, once, today, days).make(works);
  }

  /**
   * Why a piece of work may not be done on a day.
   *
   * @return empty when it may
   */
  public static Optional<Objection> against(
      TankModel tank,
      Care care,
      Work work,
      Optional<Routine> standing,
      List<LocalDate> once,
      LocalDate today,
      LocalDate day) {
    if (day.isBefore(today)) {
      return Optional.of(new Objection(day, true, Optional.empty()));
    }
    Maker maker =
        new Maker(
            tank, care, standing, once, today, (int) ChronoUnit.DAYS.between(today, day) + 60);
    if (!work.isFilterCleaning(tank) || maker.keepsAway(day)) {
      return Optional.empty();
    }
    return Optional.of(new Objection(day, false, Optional.ofNullable(maker.nearestAway(day, 30))));
  }

  private static final class Maker {
    private final TankModel tank;
    private final Care care;
    private final LocalDate today;
    private final LocalDate end;

    /** Changes that are still to be made. */
    private final TreeSet<LocalDate> toCome = new TreeSet<>();

    /** Those and the ones that were made. */
    private final TreeSet<LocalDate> changes = new TreeSet<>();

    private final List<Occurrence> made = new ArrayList<>();
    private final Map<LocalDate, Integer> catchUp = new HashMap<>();

    Maker(
        TankModel tank,
        Care care,
        Optional<Routine> standing,
        List<LocalDate> once,
        LocalDate today,
        int days) {
      this.tank = tank;
      this.care = care;
      this.today = today;
      end = today.plusDays(days);
      tank.log().stream()
          .filter(LogEntry.WaterChange.class::isInstance)
          .map(entry -> tank.dayOf(entry.at().toInstant()))
          .filter(day -> day.isAfter(today.minusDays(60)))
          .forEach(changes::add);
      toCome.addAll(once);
      standing.ifPresent(routine -> toCome.addAll(planned(routine)));
      changes.addAll(toCome);
    }

    /** The changes to come: one that is late is due today, and the rhythm goes on from there. */
    private List<LocalDate> planned(Routine routine) {
      Routine from = routine.nextOn().isBefore(today) ? routine.startingOn(today) : routine;
      return from.daysAfter(today.minusDays(1), end.plusDays(care.filterDaysFromChange()));
    }

    Schedule make(List<Work> works) {
      works.stream()
          .sorted(Comparator.comparingInt((Work work) -> work.lateDays(today)).reversed())
          .forEach(this::place);
      made.sort(Comparator.comparing(Occurrence::on).thenComparing(o -> o.work().key()));
      return new Schedule(made);
    }

    private void place(Work work) {
      if (work.kind() == Work.Kind.CHANGE) {
        for (LocalDate day : toCome) {
          boolean first = made.stream().noneMatch(o -> o.work().equals(work));
          add(work, day, first ? work.lateDays(today) : 0, Optional.empty());
        }
        return;
      }
      LocalDate due = work.due();
      boolean first = true;
      while (due.isBefore(end)) {
        int late = first ? work.lateDays(today) : 0;
        LocalDate on = due.isBefore(today) ? today : due;
        Optional<Moved> moved = Optional.empty();
        if (work.isFilterCleaning(tank)) {
          LocalDate away = keepsAway(on) ? on : nearestAway(on, Math.max(7, work.everyDays()));
          if (away == null) {
            moved = Optional.of(Moved.NOT_FAR_ENOUGH);
          } else if (!away.equals(on)) {
            on = away;
            moved = Optional.of(Moved.KEPT_FROM_CHANGE);
          }
        } else if (!(first && work.pinned()) && followsChanges(work)) {
          LocalDate after = dayAfterChange(on);
          if (after != null && !after.equals(on)) {
            on = after;
            moved = Optional.of(Moved.AFTER_CHANGE);
          }
        }
        boolean neverNoted = first && work.lastDone().isEmpty() && !due.isAfter(today);
        if ((late > 0 || neverNoted) && !(first && work.pinned())) {
          LocalDate free = freeDay(work, on);
          moved = free.equals(on) ? moved : Optional.of(Moved.CATCHING_UP);
          on = free;
          catchUp.merge(on, 1, Integer::sum);
        }
        add(work, on, late, moved);
        LocalDate next = (on.isAfter(due) ? on : due).plusDays(work.everyDays());
        due = next;
        first = false;
      }
    }

    private void add(Work work, LocalDate on, int late, Optional<Moved> moved) {
      if (on.isBefore(end)) {
        made.add(new Occurrence(work, on, late, moved));
      }
    }

    private static boolean followsChanges(Work work) {
      return work.kind() == Work.Kind.TEST
          || work.kind() == Work.Kind.TASK && work.subject().equals(Task.FLOSS.term());
    }

    private LocalDate freeDay(Work work, LocalDate from) {
      LocalDate day = from;
      for (int i = 0; i < 30; i++) {
        boolean may = !work.isFilterCleaning(tank) || keepsAway(day);
        if (may && catchUp.getOrDefault(day, 0) < CATCH_UP_A_DAY) {
          return day;
        }
        day = day.plusDays(1);
      }
      return from;
    }

    private LocalDate dayAfterChange(LocalDate near) {
      return changes
          .subSet(near.minusDays(NEAR_A_CHANGE), true, near.plusDays(NEAR_A_CHANGE), true)
          .stream()
          .map(change -> change.plusDays(1))
          .filter(day -> !day.isBefore(today))
          .min(Comparator.comparingLong(day -> Math.abs(ChronoUnit.DAYS.between(day, near))))
          .orElse(null);
    }

    boolean keepsAway(LocalDate day) {
      int apart = care.filterDaysFromChange();
      return apart == 0
          || changes
              .subSet(day.minusDays(apart - 1L), true, day.plusDays(apart - 1L), true)
              .isEmpty();
    }

    /** The nearest day that keeps away from every change, a later one before an earlier one. */
    LocalDate nearestAway(LocalDate day, int within) {
      for (int i = 0; i <= within; i++) {
        if (keepsAway(day.plusDays(i))) {
          return day.plusDays(i);
        }
        if (!day.minusDays(i).isBefore(today) && keepsAway(day.minusDays(i))) {
          return day.minusDays(i);
        }
      }
      return null;
    }
  }
}
