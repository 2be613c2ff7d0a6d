package org.umberline.core.forecast;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * What keepers do by hand to guess the next reading, to measure a forecast against. All in mg/L of
 * the ion; a reading with a mark counts as its number.
 */
public final class PlainRules {
  private static final double DAY_SECONDS = 86_400;

  private PlainRules() {}

  /** Stays as last tested. */
  public static double hold(List<LogEntry.Test> tests) {
    return last(tests).standardValue();
  }

  /** Straight line through the last two tests, not below zero. */
  public static double line(List<LogEntry.Test> tests, Instant at) {
    LogEntry.Test last = last(tests);
    LogEntry.Test before = tests.get(tests.size() - 2);
    double days = days(before, last);
    double slope = days > 0 ? (last.standardValue() - before.standardValue()) / days : 0;
    return Math.max(0, last.standardValue() + slope * days(last.at().toInstant(), at));
  }

  /**
   * Last test plus the mean slope between tests, corrected for the dilution of each change in
   * between and to come; not below zero.
   */
  public static double slope(
      TankModel tank,
      Nutrient nutrient,
      List<LogEntry.Test> tests,
      List<LogEntry.WaterChange> changes,
      Instant at) {
    double rise = 0;
    double time = 0;
    for (int i = 1; i < tests.size(); i++) {
      LogEntry.Test from = tests.get(i - 1);
      LogEntry.Test to = tests.get(i);
      Dilution between =
          dilution(tank, nutrient, changes, from.at().toInstant(), to.at().toInstant());
      rise += to.standardValue() - between.stays * from.standardValue() - between.brought;
      time += between.days;
    }
    double slope = time > 0 ? rise / time : 0;
    LogEntry.Test last = last(tests);
    Dilution ahead = dilution(tank, nutrient, changes, last.at().toInstant(), at);
    return Math.max(0, ahead.stays * last.standardValue() + ahead.brought + slope * ahead.days);
  }

  /**
   * What changes between two instants do.
   *
   * @param stays share left of what was there
   * @param brought mg/L brought in
   * @param days what a steady rise of 1 mg/L a day comes to, thinned by the changes after it
   */
  private record Dilution(double stays, double brought, double days) {}

  private static Dilution dilution(
      TankModel tank,
      Nutrient nutrient,
      List<LogEntry.WaterChange> changes,
      Instant from,
      Instant to) {
    double stays = 1;
    double brought = 0;
    double risen = 0;
    Instant at = from;
    for (LogEntry.WaterChange change : changes) {
      Instant when = change.at().toInstant();
      if (when.isAfter(from) && !when.isAfter(to)) {
        double share = Math.min(1, change.litres() / tank.netVolumeL());
        risen = (risen + days(at, when)) * (1 - share);
        stays *= 1 - share;
        brought = brought * (1 - share) + share * source(tank, nutrient, change.water());
        at = when;
      }
    }
    return new Dilution(stays, brought, risen + days(at, to));
  }

  private static double source(TankModel tank, Nutrient nutrient, Blend water) {
    double sum = 0;
    for (Blend.Part part : water.parts()) {
      SourceWater source = tank.waterById(part.water());
      Optional<Double> mgL =
          nutrient == Nutrient.NITRATE
              ? source.nitrate().map(n -> n.mgPerLitre())
              : source.phosphate().map(p -> p.mgPerLitre());
      sum += part.share() * mgL.orElse(0.0);
    }
    return sum;
  }

  private static LogEntry.Test last(List<LogEntry.Test> tests) {
    return tests.get(tests.size() - 1);
  }

  private static double days(LogEntry.Test from, LogEntry.Test to) {
    return days(from.at().toInstant(), to.at().toInstant());
  }

  private static double days(Instant from, Instant to) {
    return Duration.between(from, to).toSeconds() / DAY_SECONDS;
  }
}
