package org.umberline.core.forecast;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.tank.Lines;

/**
 * What is believed of one nutrient: now, on each day ahead, and when it passes its ceiling. All
 * concentrations are mg/L of the ion, and true ones: a kit's error is not in them.
 */
public record Forecast(Nutrient nutrient, Now now, List<Day> days, Optional<Ceiling> ceiling) {
  /** Quantiles at the end of the as-of day. */
  public record Now(double p10, double p25, double p50, double p75, double p90) {}

  /** Quantiles at the end of a day, after that day's changes. */
  public record Day(
      LocalDate on,
      double p05,
      double p10,
      double p25,
      double p50,
      double p75,
      double p90,
      double p95) {}

  /**
   * The days by which 1, 5 and 9 draws in 10 have been above the ceiling; empty where that is not
   * within the horizon.
   */
  public record Ceiling(
      double mgL,
      Optional<LocalDate> early,
      Optional<LocalDate> likely,
      Optional<LocalDate> late) {}

  /** Reads {@code nutrient} off a projection; {@code lines} gives the ceiling. */
  public static Forecast of(Projection projection, Nutrient nutrient, Lines lines) {
    int index = nutrient.ordinal();
    List<Day> days = new ArrayList<>(projection.days());
    for (int day = 0; day < projection.days(); day++) {
      double[] sample = projection.end[index][day].clone();
      Quantiles.sort(sample);
      days.add(
          new Day(
              date(projection, day),
              at(nutrient, sample, 0.05),
              at(nutrient, sample, 0.10),
              at(nutrient, sample, 0.25),
              at(nutrient, sample, 0.50),
              at(nutrient, sample, 0.75),
              at(nutrient, sample, 0.90),
              at(nutrient, sample, 0.95)));
    }
    OptionalDouble ceiling = nutrient.line(lines).ceilingMgL();
    return new Forecast(
        nutrient,
        now(projection, nutrient),
        List.copyOf(days),
        ceiling.isPresent()
            ? Optional.of(crossing(projection, nutrient, ceiling.getAsDouble()))
            : Optional.empty());
  }

  private static LocalDate date(Projection projection, int dayAhead) {
    Scenario scenario = projection.scenario();
    return scenario.date(scenario.asOfDay() + 1 + dayAhead);
  }

  private static double at(Nutrient nutrient, double[] sorted, double share) {
    return nutrient.ion(Quantiles.of(sorted, share));
  }

  private static Now now(Projection projection, Nutrient nutrient) {
    double volume = projection.scenario().tank().netVolumeL();
    double[] sample =
        projection.posterior().draws().stream()
            .mapToDouble(draw -> elementMg(draw.state(), nutrient) / volume)
            .toArray();
    Quantiles.sort(sample);
    return new Now(
        at(nutrient, sample, 0.1),
        at(nutrient, sample, 0.25),
        at(nutrient, sample, 0.5),
        at(nutrient, sample, 0.75),
        at(nutrient, sample, 0.9));
  }

  private static double elementMg(TankState state, Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE ? state.nitrateMg() : state.phosphorusMg();
  }

  private static Ceiling crossing(Projection projection, Nutrient nutrient, double ceilingMgL) {
    double ceiling = nutrient.element(ceilingMgL);
    double[] first = new double[projection.draws()];
    Arrays.fill(first, Double.POSITIVE_INFINITY);
    for (int draw = 0; draw < first.length; draw++) {
      for (int day = 0; day < projection.days(); day++) {
        if (projection.high[nutrient.ordinal()][day][draw] > ceiling) {
          first[draw] = day;
          break;
        }
      }
    }
    Arrays.sort(first);
    return new Ceiling(
        ceilingMgL,
        dayByWhich(projection, first, 0.1),
        dayByWhich(projection, first, 0.5),
        dayByWhich(projection, first, 0.9));
  }

  private static Optional<LocalDate> dayByWhich(
      Projection projection, double[] sortedDays, double share) {
    double day = sortedDays[(int) Math.ceil(share * sortedDays.length) - 1];
    return Double.isInfinite(day) ? Optional.empty() : Optional.of(date(projection, (int) day));
  }
}
