package org.umberline.core.planning;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Routine;

/**
 * The keeper's own routine, the least effort, the least water and the least often, side by side.
 */
final class WaysBeside {
  private static final double WEEKS_4 = 28;

  /** Nobody comes twice as often for less than this factor of the water. Chosen. */
  private static final double AS_LITTLE_WATER = 1.15;

  private final Basis b;
  private final Basis alone;

  /**
   * @param alone the same without the work that is due
   */
  WaysBeside(Basis basis, Basis alone) {
    b = basis;
    this.alone = alone;
  }

  /**
   * @param feasible what keeps the promise and would be done
   */
  List<Advice.Way> of(List<Found> feasible, Optional<Found> leastEffort) {
    List<Advice.Way> ways = new ArrayList<>();
    int start =
        b.habit
            .map(r -> (int) ChronoUnit.DAYS.between(b.asOf, r.nextOn()) - 1)
            .map(day -> Math.max(day, PlanDays.TODAY))
            .orElse(PlanDays.TODAY);
    double fraction = b.habit.map(Routine::fraction).orElse(0.0);
    double everyDays = b.habit.map(Routine::everyDays).orElse(WEEKS_4);
    // as the keeper does now: without the work that is due
    ways.add(way(alone, Advice.WayKind.AS_NOW, fraction, everyDays, start, 0, 0, 0));
    add(ways, Advice.WayKind.LEAST_EFFORT, leastEffort);
    add(ways, Advice.WayKind.LEAST_WATER, leastWater(feasible));
    add(
        ways,
        Advice.WayKind.LEAST_OFTEN,
        feasible.stream().max(Comparator.comparingDouble(Found::everyDays)));
    return List.copyOf(ways);
  }

  /** The least water; of what takes nearly as little, the least often. */
  private static Optional<Found> leastWater(List<Found> feasible) {
    double least = feasible.stream().mapToDouble(WaysBeside::aDay).min().orElse(0);
    return feasible.stream()
        .filter(f -> aDay(f) <= least * AS_LITTLE_WATER + 1e-9)
        .max(Comparator.comparingDouble(Found::everyDays));
  }

  private static double aDay(Found routine) {
    return routine.fraction() / routine.everyDays();
  }

  private void add(List<Advice.Way> ways, Advice.WayKind kind, Optional<Found> found) {
    found.ifPresent(
        f ->
            ways.add(
                way(
                    b,
                    kind,
                    f.fraction(),
                    f.everyDays(),
                    f.start(),
                    f.catchUps(),
                    f.catchUpFraction(),
                    b.search.keptFrom(f))));
  }

  static Optional<Advice.CaughtUp> caughtUp(int times, double fraction) {
    return times > 0 ? Optional.of(new Advice.CaughtUp(fraction, times)) : Optional.empty();
  }

  private static Advice.Way way(
      Basis b,
      Advice.WayKind kind,
      double fraction,
      double everyDays,
      int start,
      int catchUps,
      double catchUpFraction,
      int from) {
    PlannedChanges changes =
        b.search.days().changes(catchUps, catchUpFraction, start, fraction, everyDays);
    double litresPer28 = fraction <= 0 ? 0 : b.litres(fraction) * WEEKS_4 / everyDays;
    double gramsPerLitre = SeaWater.saltGramsPerLitre(b.tank.salinityPpt(), b.tank.temperatureC());
    return new Advice.Way(
        kind,
        caughtUp(catchUps, catchUpFraction),
        fraction,
        everyDays,
        b.date(start),
        b.promise.keeps(changes, from, b.search.surely()),
        b.promise.within(changes, from, b.search.surely()),
        litresPer28,
        b.minutesPer28Days(fraction, everyDays),
        litresPer28 * gramsPerLitre);
  }
}
