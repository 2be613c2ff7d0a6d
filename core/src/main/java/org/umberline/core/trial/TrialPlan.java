package org.umberline.core.trial;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.judging.KitPower;
import org.umberline.core.planning.Levels;
import org.umberline.core.planning.Try;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.TankModel;

/**
 * What a trial is expected to show, and whether the keeper's kit can show it.
 *
 * @param expected by how much the level differs in the end from what it would be without it, mg/L
 *     of the ion; empty where the balance doesn't know what is tried
 * @param smallest difference that one reading before and one after show nine times in ten, mg/L
 * @param power whether the expected one can be shown
 * @param showsOn the day from which it can; empty where it can't
 * @param readings how many on each occasion, one after another, their mean taken
 * @param occasions when to test: before, on the way, at the end
 */
public record TrialPlan(
    Nutrient nutrient,
    LocalDate on,
    int days,
    Optional<Effect> expected,
    double smallest,
    Power power,
    Optional<LocalDate> showsOn,
    int readings,
    List<LocalDate> occasions) {
  /** More readings on one day nobody makes. Chosen. */
  private static final int MOST_READINGS = 4;

  private static final int WEEK = 7;

  /** The median with the range of eight draws in ten, mg/L of the ion. */
  public record Effect(double p10, double p50, double p90) {}

  /** What a kit can show of an effect. */
  public enum Power {
    /** With one reading on each occasion. */
    SHOWS,
    /** With several readings on each occasion. */
    SHOWS_WITH_REPEATS,
    /** Not with this kit. */
    CANNOT,
    /** Nobody knows how large it is. */
    UNKNOWN
  }

  public TrialPlan {
    occasions = List.copyOf(occasions);
  }

  /**
   * @param tried what is done otherwise; nothing where the balance doesn't know it
   * @param days how long it is watched
   */
  public static TrialPlan of(
      TankModel tank,
      Posterior posterior,
      Nutrient nutrient,
      List<Try> tried,
      LocalDate today,
      int days) {
    Kit kit =
        tank.kits().stream()
            .filter(one -> one.analyte() == nutrient.analyte())
            .findFirst()
            .orElseGet(() -> Kit.unnamed(nutrient.analyte()));
    double smallest = KitPower.smallestDifference(kit, new Levels(tank, posterior).now(nutrient));
    List<Effect> byDay =
        tried.isEmpty() ? List.of() : effects(tank, posterior, nutrient, tried, today, days);
    Optional<Effect> expected =
        byDay.isEmpty() ? Optional.empty() : Optional.of(byDay.get(byDay.size() - 1));
    double size = expected.map(effect -> Math.abs(effect.p50)).orElse(0.0);
    int readings = readings(kit, smallest, size);
    boolean shows = size > 0 && readings <= MOST_READINGS;
    Power power =
        expected.isEmpty()
            ? Power.UNKNOWN
            : shows ? readings > 1 ? Power.SHOWS_WITH_REPEATS : Power.SHOWS : Power.CANNOT;
    int taken = power == Power.SHOWS || power == Power.SHOWS_WITH_REPEATS ? readings : 2;
    return new TrialPlan(
        nutrient,
        today,
        days,
        expected,
        smallest,
        power,
        shows ? showsOn(byDay, smallest / Math.sqrt(readings), today) : Optional.empty(),
        taken,
        occasions(today, days));
  }

  /** What the draws differ by on each day ahead, under the keeper's own routine. */
  private static List<Effect> effects(
      TankModel tank,
      Posterior posterior,
      Nutrient nutrient,
      List<Try> tried,
      LocalDate today,
      int days) {
    int ahead = Math.min(days, posterior.scenario().days() - posterior.scenario().asOfDay() - 1);
    Posterior with = posterior.goingOnAs(Try.apply(tank, today, ahead, tried));
    PlannedChanges planned =
        tank.routine()
            .map(routine -> PlannedChanges.of(routine, posterior.scenario()))
            .orElse(PlannedChanges.NONE);
    Projection before = Projection.of(posterior, ahead, planned);
    Projection after = Projection.of(with, ahead, planned);
    List<Effect> effects = new ArrayList<>();
    for (int day = 0; day < ahead; day++) {
      double[] differences = new double[before.draws()];
      for (int draw = 0; draw < differences.length; draw++) {
        differences[draw] =
            nutrient.ion(after.high(nutrient, day, draw))
                - nutrient.ion(before.high(nutrient, day, draw));
      }
      Quantiles.sort(differences);
      effects.add(
          new Effect(
              Quantiles.of(differences, 0.1),
              Quantiles.of(differences, 0.5),
              Quantiles.of(differences, 0.9)));
    }
    return effects;
  }

  /** The mean of n readings errs by the root of n less; the steps of a card stay what they are. */
  private static int readings(Kit kit, double smallest, double effect) {
    if (effect <= 0 || effect >= smallest) {
      return 1;
    }
    return kit.method() == KitMethod.COLOUR_CARD
        ? MOST_READINGS + 1
        : (int) Math.min(MOST_READINGS + 1.0, Math.ceil(Math.pow(smallest / effect, 2)));
  }

  private static Optional<LocalDate> showsOn(List<Effect> byDay, double shown, LocalDate today) {
    for (int day = 0; day < byDay.size(); day++) {
      if (Math.abs(byDay.get(day).p50) >= shown) {
        return Optional.of(today.plusDays(day + 1L));
      }
    }
    return Optional.empty();
  }

  /** Before it, each week, and on the last two days. */
  static List<LocalDate> occasions(LocalDate today, int days) {
    List<LocalDate> occasions = new ArrayList<>();
    occasions.add(today);
    for (int day = WEEK; day < days - 1; day += WEEK) {
      occasions.add(today.plusDays(day));
    }
    occasions.add(today.plusDays(days - 1L));
    occasions.add(today.plusDays(days));
    return occasions;
  }
}
