package org.umberline.core.simulation;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * The tank's temperature on each day: what its tests say, straight between them; where they cover
 * most of a year, a yearly wave fitted to them for the days they do not reach; else the stated one.
 */
final class Temperatures {
  /** Tests that span this many days show a season. */
  private static final int SEASON_DAYS = 270;

  private static final int FEWEST_FOR_SEASON = 6;

  /** A test tells of the days around it, this many to each side. */
  private static final int TELLS_DAYS = 21;

  private static final double YEAR_DAYS = 365.25;

  private final double stated;
  private final int[] day;
  private final double[] celsius;

  /** Mean, cosine and sine of the yearly wave; empty without one. */
  private final double[] season;

  static Temperatures of(TankModel tank, LocalDate firstDay, int asOfDay) {
    List<int[]> days = new ArrayList<>();
    List<Double> values = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Test test && test.analyte() == Analyte.TEMPERATURE) {
        int day = (int) ChronoUnit.DAYS.between(firstDay, tank.dayOf(test.at().toInstant()));
        if (day <= asOfDay) {
          days.add(new int[] {day});
          values.add(test.standardValue());
        }
      }
    }
    return new Temperatures(
        tank.temperatureC(),
        days.stream().mapToInt(d -> d[0]).toArray(),
        values.stream().mapToDouble(Double::doubleValue).toArray());
  }

  private Temperatures(double stated, int[] day, double[] celsius) {
    this.stated = stated;
    this.day = day;
    this.celsius = celsius;
    boolean seasonal =
        day.length >= FEWEST_FOR_SEASON && day[day.length - 1] - day[0] >= SEASON_DAYS;
    season = seasonal ? fit(day, celsius) : new double[0];
  }

  private static double[] fit(int[] day, double[] celsius) {
    double[][] rows = new double[day.length][];
    for (int i = 0; i < day.length; i++) {
      rows[i] = wave(day[i]);
    }
    return LeastSquares.fit(rows, celsius);
  }

  private static double[] wave(double day) {
    double angle = 2 * Math.PI * day / YEAR_DAYS;
    return new double[] {1, Math.cos(angle), Math.sin(angle)};
  }

  /** °C on {@code d}, a day from the scenario's first. */
  double at(int d) {
    int next = 0;
    while (next < day.length && day[next] < d) {
      next++;
    }
    boolean after = next < day.length;
    boolean before = next > 0;
    if (after && before && day[next] - day[next - 1] <= 2 * TELLS_DAYS) {
      double span = day[next] - day[next - 1];
      double share = (d - day[next - 1]) / span;
      return celsius[next - 1] + share * (celsius[next] - celsius[next - 1]);
    }
    if (after && day[next] - d <= TELLS_DAYS) {
      return celsius[next];
    }
    if (before && d - day[next - 1] <= TELLS_DAYS) {
      return celsius[next - 1];
    }
    if (season.length > 0) {
      double[] wave = wave(d);
      return season[0] + season[1] * wave[1] + season[2] * wave[2];
    }
    return before ? celsius[next - 1] : stated;
  }
}
