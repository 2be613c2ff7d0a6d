package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.WayOfKeeping;

/**
 * Which routine is advised: the keeper's own where it keeps the promise, else the least effort,
 * else what holds until the next tests.
 */
final class RoutineChoice {
  /** More of these where the load is heavy: days. Common practice, no source. */
  private static final List<Double> HEAVY_INTERVALS = List.of(3.0, 4.0);

  private static final double DAYS_PER_WEEK = 7;

  /** Nobody changes more than this every few days for a tank at rest. Chosen. */
  private static final double MOST_OF_OFTEN = 0.25;

  /** Interval that is preferred where there is no habit, days. Common practice, no source. */
  static final double USUAL_INTERVAL_DAYS = 7;

  /**
   * A change so many days ahead or more is named by its day alone: which share it takes hangs on
   * tests that are still to come, and moves with each of them. Chosen: the longest usual interval.
   */
  static final int LATER_DAYS = 28;

  /** Within this factor of the least effort the habit decides. Chosen. */
  private static final double AS_LITTLE_EFFORT = 1.1;

  private static final double ROUNDING = 1e-9;

  private final Basis b;
  private final List<Found> found;
  private final boolean keepsHabit;
  private final boolean later;
  private final Optional<Found> leastEffort;
  private final Optional<Found> chosen;

  /**
   * @param needed whether any change is
   */
  RoutineChoice(Basis basis, boolean needed) {
    b = basis;
    Optional<Found> kept = needed ? keptHabit() : unneeded();
    keepsHabit = kept.isPresent();
    later = needed && !keepsHabit && b.search.latestSafe() >= LATER_DAYS;
    boolean soon = needed && !later;
    found = soon ? lookedAt() : List.of();
    leastEffort = effortless();
    Optional<Found> lasting =
        (later ? unneeded() : kept.or(() -> leastEffort)).filter(this::isNoGuess);
    chosen =
        (soon ? lasting.or(() -> forNow().filter(this::isNoGuess)) : lasting).map(this::notLess);
  }

  /** Nobody catches up on a guess. */
  private boolean isNoGuess(Found routine) {
    return routine.catchUps() == 0 || !b.isGuess();
  }

  /** What was found for each interval, the shortest first; nothing where no change is needed. */
  List<Found> found() {
    return found;
  }

  /** The routine that is advised. */
  Optional<Found> chosen() {
    return chosen;
  }

  /** Whether the keeper's own routine goes on. */
  boolean keepsHabit() {
    return keepsHabit;
  }

  /** Whether a change is needed so late that which one is still open. */
  boolean isLater() {
    return later;
  }

  /** The least effort; among what is nearly as little, what is nearest to the habit. */
  Optional<Found> leastEffort() {
    return leastEffort;
  }

  /** The intervals that are looked at, the shortest first. */
  private List<Double> intervals() {
    if (b.hasFixedRoutine()) {
      return List.of(b.habit.orElseThrow().everyDays());
    }
    TreeSet<Double> intervals = new TreeSet<>(b.tank.limits().intervalsDays());
    if (intervals.isEmpty()) {
      intervals.addAll(Advisor.USUAL_INTERVALS);
      boolean heavy =
          b.tank.keeping().filter(way -> way == WayOfKeeping.GROW_OUT).isPresent()
              || b.habit.filter(routine -> routine.everyDays() < DAYS_PER_WEEK).isPresent();
      if (heavy) {
        intervals.addAll(HEAVY_INTERVALS);
      }
    }
    b.habit.ifPresent(routine -> intervals.add(routine.everyDays()));
    return List.copyOf(intervals);
  }

  /** Shorter intervals are looked at only where none of the usual ones is enough. */
  private List<Found> lookedAt() {
    List<Double> usual = intervals();
    List<Found> all = new ArrayList<>();
    usual.forEach(everyDays -> all.add(b.search.find(everyDays)));
    boolean named = !b.tank.limits().intervalsDays().isEmpty() || b.hasFixedRoutine();
    if (!named && all.stream().noneMatch(Found::feasible)) {
      HEAVY_INTERVALS.stream()
          .filter(everyDays -> !usual.contains(everyDays))
          .map(b.search::find)
          .filter(often -> !often.feasible() || often.fraction() <= MOST_OF_OFTEN)
          .forEach(all::add);
    }
    all.sort(Comparator.comparingDouble(Found::everyDays));
    return List.copyOf(all);
  }

  /** How far an interval is from a usual one: twice as often is as far as half as often. */
  private static double distance(double everyDays, double usual) {
    return Math.abs(Math.log(everyDays / usual));
  }

  /** What holds until the next tests where no routine lasts, nearest to once a week. */
  private Optional<Found> forNow() {
    return intervals().stream()
        .min(Comparator.comparingDouble(everyDays -> distance(everyDays, USUAL_INTERVAL_DAYS)))
        .map(b.search::forNow)
        .filter(Found::feasible);
  }

  /** The routine of a keeper who keeps it although the water needs none. */
  private Optional<Found> unneeded() {
    return b.hasFixedRoutine()
        ? b.habit.map(r -> Found.routine(r.everyDays(), r.fraction(), b.ahead(r.nextOn()), 0))
        : b.least.map(l -> Found.routine(l.everyDays(), l.fraction(), b.ahead(l.dueOn()), 0));
  }

  /** Never less than the keeper wants changed in any case. */
  private Found notLess(Found routine) {
    double least = b.least.map(l -> l.atEvery(routine.everyDays())).orElse(0.0);
    return routine.fraction() >= least ? routine : routine.of(b.search.upTo(least));
  }

  /** The keeper's own routine, where it keeps the promise or nearly does, if need be caught up. */
  private Optional<Found> keptHabit() {
    if (b.habit.isEmpty()) {
      return Optional.empty();
    }
    Routine routine = b.habit.get();
    OwnRoutine own = new OwnRoutine(b, routine, b.confidence - Advisor.NEARLY);
    int latest = own.latestStart();
    if (latest < PlanDays.TODAY) {
      return b.search.latestSafe() == PlanDays.TODAY ? own.caughtUp() : Optional.empty();
    }
    int day = b.hasFixedRoutine() ? Math.min(latest, b.ahead(routine.nextOn())) : latest;
    // over a line, and changed lately: the next change waits a little all the same
    boolean waits = b.search.latestSafe() == PlanDays.TODAY && day < b.search.days().earliest();
    int start = waits ? b.search.days().earliest() : day;
    int from = waits ? PlanDays.judgedAfter(start) : PlanDays.judgedFrom(start);
    return Optional.of(Found.routine(routine.everyDays(), routine.fraction(), start, from));
  }

  /**
   * What keeps the promise and would be done. One larger change now is nothing unusual; more than
   * that is, and is kept as short as can be.
   */
  List<Found> withFewCatchUps() {
    return withFewCatchUps(found);
  }

  private static List<Found> withFewCatchUps(List<Found> found) {
    List<Found> feasible = found.stream().filter(Found::feasible).toList();
    int fewest = Math.max(1, feasible.stream().mapToInt(Found::catchUps).min().orElse(0));
    return feasible.stream().filter(f -> f.catchUps() <= fewest).toList();
  }

  private Optional<Found> effortless() {
    double most = b.effort.maxMinutesPerWeek().orElse(Double.POSITIVE_INFINITY) * 4;
    List<Found> feasible =
        withFewCatchUps(
            found.stream()
                .filter(f -> b.minutesPer28Days(f.fraction(), f.everyDays()) <= most + ROUNDING)
                .toList());
    double least = feasible.stream().mapToDouble(this::effort).min().orElse(0);
    double usual = b.habit.map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS);
    return feasible.stream()
        .filter(f -> effort(f) <= least * AS_LITTLE_EFFORT + ROUNDING)
        .min(Comparator.comparingDouble(f -> distance(f.everyDays(), usual)));
  }

  private double effort(Found routine) {
    return b.effortPer28Days(routine.fraction(), routine.everyDays());
  }
}
