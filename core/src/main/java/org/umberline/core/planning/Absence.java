package org.umberline.core.planning;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/**
 * What an absence does to a tank: nobody changes water, somebody or something feeds another amount.
 * Each draw is run through it as it stands.
 *
 * @param without what comes of it when nothing is done before
 * @param with what comes of the smallest change before it that keeps the lines; empty where none is
 *     needed or none is enough
 * @param changeOn the day of that change
 * @param testOn the day after the return, when a test tells what it did
 */
public record Absence(
    Outcome without, Optional<Outcome> with, LocalDate changeOn, LocalDate testOn) {
  /**
   * Chance and medians over the absence, mg/L of the ion.
   *
   * @param probabilityWithinLines the least share of the draws under the ceilings on any one day
   * @param changeBefore share of the net volume that was changed before, 0 for none
   */
  public record Outcome(
      double changeBefore,
      double probabilityWithinLines,
      double nitratePeakMgL,
      double phosphatePeakMgL) {}

  /**
   * Works it out.
   *
   * @param from the first day away, after the posterior's as-of day
   * @param to the last day away, within the days its scenario lays out
   * @param shareOfRation what is fed meanwhile, as a share of the usual ration
   * @throws IllegalArgumentException when the days are out of that order
   */
  public static Absence of(
      TankModel tank, Posterior posterior, LocalDate from, LocalDate to, double shareOfRation) {
    Scenario scenario = posterior.scenario();
    int first = scenario.asOfDay() + 1;
    int start = scenario.day(from) - first;
    int days = (int) ChronoUnit.DAYS.between(scenario.date(first), to) + 1;
    if (start < 0 || to.isBefore(from) || first + days > scenario.days()) {
      throw new IllegalArgumentException(
          "away from " + from + " to " + to + "; allowed: days after as-of, in order, laid out");
    }
    double wanted = tank.limits().confidence();
    Promise promise =
        new Promise(fedOtherwise(posterior, from, to, shareOfRation), tank.lines(), wanted, days);
    LocalDate changeOn = start > 0 ? from.minusDays(1) : scenario.date(first - 1);
    PlannedChanges before = before(tank.routine(), scenario, changeOn);
    Outcome without = outcome(promise, before, 0, start);
    Optional<Outcome> with = Optional.empty();
    int most = (int) Math.floor(100 * tank.limits().maxChangeFraction() + 1e-9);
    if (without.probabilityWithinLines() < wanted) {
      int low = 0;
      int high = most + 1;
      while (high - low > 1) {
        int middle = (low + high) / 2;
        PlannedChanges tried = before.then(change(scenario, changeOn, middle / 100.0));
        if (promise.underCeilings(tried, start, days) >= wanted - 1e-9) {
          high = middle;
        } else {
          low = middle;
        }
      }
      if (high <= most) {
        PlannedChanges changes = before.then(change(scenario, changeOn, high / 100.0));
        with = Optional.of(outcome(promise, changes, high / 100.0, start));
      }
    }
    return new Absence(without, with, changeOn, to.plusDays(1));
  }

  private static Outcome outcome(
      Promise promise, PlannedChanges changes, double changeBefore, int start) {
    LineRange range = LineRange.of(promise.projection(changes), start);
    return new Outcome(
        changeBefore,
        promise.underCeilings(changes, start, promise.days()),
        range.nitratePeak(),
        range.phosphatePeak());
  }

  /** The routine's changes up to the eve of the absence, where that day itself has none yet. */
  private static PlannedChanges before(
      Optional<Routine> routine, Scenario scenario, LocalDate changeOn) {
    PlannedChanges changes = PlannedChanges.NONE;
    if (routine.isPresent()) {
      List<LocalDate> days =
          routine.get().daysAfter(scenario.date(scenario.asOfDay()), changeOn.minusDays(1));
      for (LocalDate day : days) {
        changes = changes.then(change(scenario, day, routine.get().fraction()));
      }
    }
    return changes;
  }

  /** One change at noon, or at the end of the as-of day itself. */
  private static PlannedChanges change(Scenario scenario, LocalDate on, double fraction) {
    double noon = Math.max(scenario.asOfDay() + 1, scenario.day(on) + 0.5);
    return new PlannedChanges(new double[] {noon}, new double[] {fraction});
  }

  private static Posterior fedOtherwise(
      Posterior posterior, LocalDate from, LocalDate to, double share) {
    Scenario scenario = posterior.scenario();
    return new Posterior(
        scenario,
        posterior.workers(),
        posterior.draws().stream()
            .map(
                draw -> {
                  Multipliers other = draw.multipliers().copy();
                  for (int day = scenario.day(from); day <= scenario.day(to); day++) {
                    other.nitrogenLoad[day] *= share;
                    other.phosphorusLoad[day] *= share;
                  }
                  return new Posterior.Draw(draw.start(), draw.state(), other, draw.kitFactors());
                })
            .toList(),
        posterior.fit(),
        posterior.readings(),
        posterior.unknowns(),
        posterior.learned());
  }
}
