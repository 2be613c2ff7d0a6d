package org.umberline.core.synthetic;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.LongStream;
import org.umberline.core.forecast.Hindcast;
import org.umberline.core.forecast.Hindcast.Forecasted;
import org.umberline.core.forecast.Hindcast.Score;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** Hindcasts over synthetic tanks, told as a table: {@code first seed, seeds a way, draws}. */
public final class HindcastReport {
  /** Seeds from here on are for tuning; those from 0 on are for reports only. */
  public static final long FIRST_TUNING_SEED = 1000;

  private HindcastReport() {}

  /** Every forecast of every tank. */
  public record Result(SyntheticTank.Way way, TankModel tank, List<Forecasted> forecasts) {
    /** The concentration as the kit saw it, which the synthetic keeper's notes give away. */
    double truth(Forecasted forecast) {
      Analyte analyte =
          forecast.nutrient() == Nutrient.NITRATE ? Analyte.NITRATE : Analyte.PHOSPHATE;
      return tank.log().stream()
          .filter(LogEntry.Test.class::isInstance)
          .map(LogEntry.Test.class::cast)
          .filter(t -> t.analyte() == analyte && t.at().toInstant().equals(forecast.at()))
          .mapToDouble(t -> Double.parseDouble(t.note()))
          .findFirst()
          .orElseThrow();
    }
  }

  public static List<Result> run(long firstSeed, int seeds, int draws) {
    return LongStream.range(firstSeed, firstSeed + seeds)
        .boxed()
        .flatMap(
            seed ->
                Arrays.stream(SyntheticTank.Way.values())
                    .map(way -> new Object[] {way, seed, draws}))
        .parallel()
        .map(HindcastReport::result)
        .toList();
  }

  private static Result result(Object[] job) {
    SyntheticTank.Way way = (SyntheticTank.Way) job[0];
    TankModel tank = SyntheticTank.of(way, (long) job[1]);
    return new Result(way, tank, Hindcast.of(tank, draws(job), 1));
  }

  private static int draws(Object[] job) {
    return (int) job[2];
  }

  /** Scores of one nutrient and horizon over tanks of one way, or of all for null. */
  public static Score score(
      List<Result> results, SyntheticTank.Way way, Nutrient nutrient, int horizon) {
    List<Forecasted> all = new ArrayList<>();
    for (Result result : results) {
      if (way == null || result.way() == way) {
        result.forecasts().stream()
            .filter(f -> f.nutrient() == nutrient && f.horizonDays() == horizon)
            .forEach(all::add);
      }
    }
    return Score.of(all);
  }

  public static void main(String[] arguments) {
    long first = Long.parseLong(arguments[0]);
    int seeds = Integer.parseInt(arguments[1]);
    List<Result> results = run(first, seeds, Integer.parseInt(arguments[2]));
    for (Nutrient nutrient : Nutrient.values()) {
      for (int horizon : Hindcast.HORIZONS) {
        print("all", nutrient, horizon, score(results, null, nutrient, horizon));
        againstTruth(results, nutrient, horizon);
      }
    }
    for (SyntheticTank.Way way : SyntheticTank.Way.values()) {
      for (Nutrient nutrient : Nutrient.values()) {
        print(way.name(), nutrient, 14, score(results, way, nutrient, 14));
      }
    }
  }

  /** The same errors against what was true: no kit's error and no card's step in them. */
  private static void againstTruth(List<Result> results, Nutrient nutrient, int horizon) {
    List<double[]> errors = new ArrayList<>();
    for (Result result : results) {
      for (Forecasted f : result.forecasts()) {
        if (f.nutrient() == nutrient && f.horizonDays() == horizon) {
          double truth = result.truth(f);
          errors.add(
              new double[] {
                Math.abs(f.level() - truth),
                Math.abs(f.hold() - truth),
                Math.abs(f.line() - truth),
                Math.abs(f.slope() - truth),
                Math.abs(f.reading() - truth)
              });
        }
      }
    }
    double[] medians = new double[5];
    for (int rule = 0; rule < medians.length; rule++) {
      int at = rule;
      double[] sorted = errors.stream().mapToDouble(e -> e[at]).sorted().toArray();
      medians[rule] = sorted[sorted.length / 2];
    }
    double better = Math.min(medians[1], medians[2]);
    System.out.printf(
        Locale.ROOT,
        "  against the truth: %.3f  hold %.3f line %.3f slope %.3f  below better rule %.0f %%,"
            + " below slope %.0f %%; readings themselves are off by %.3f%n",
        medians[0],
        medians[1],
        medians[2],
        medians[3],
        100 * (1 - medians[0] / better),
        100 * (1 - medians[0] / medians[3]),
        medians[4]);
  }

  private static void print(String what, Nutrient nutrient, int horizon, Score score) {
    double better = Math.min(score.hold(), score.line());
    System.out.printf(
        Locale.ROOT,
        "%-20s %-9s %2d d  n %5d  inside %.2f  error %.3f  hold %.3f line %.3f slope %.3f"
            + "  below better rule %4.0f %%, below slope %4.0f %%%n",
        what,
        nutrient.term(),
        horizon,
        score.tests(),
        score.inside80(),
        score.medianAbsoluteError(),
        score.hold(),
        score.line(),
        score.slope(),
        100 * (1 - score.medianAbsoluteError() / better),
        100 * (1 - score.medianAbsoluteError() / score.slope()));
  }
}
