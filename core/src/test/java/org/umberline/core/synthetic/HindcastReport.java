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

/** Hindcasts over synthetic tanks, told as a table: {@code first seed, seeds a way, draws}. */
public final class HindcastReport {
  /** Seeds from here on are for tuning; those from 0 on are for reports only. */
  public static final long FIRST_TUNING_SEED = 1000;

  private HindcastReport() {}

  /** Every forecast of every tank. */
  public record Result(SyntheticTank.Way way, List<Forecasted> forecasts) {}

  public static List<Result> run(long firstSeed, int seeds, int draws) {
    return LongStream.range(firstSeed, firstSeed + seeds)
        .boxed()
        .flatMap(
            seed -> Arrays.stream(SyntheticTank.Way.values()).map(way -> new Object[] {way, seed}))
        .parallel()
        .map(
            job ->
                new Result(
                    (SyntheticTank.Way) job[0],
                    Hindcast.of(
                        SyntheticTank.of((SyntheticTank.Way) job[0], (long) job[1]), draws, 1)))
        .toList();
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
      }
    }
    for (SyntheticTank.Way way : SyntheticTank.Way.values()) {
      for (Nutrient nutrient : Nutrient.values()) {
        print(way.name(), nutrient, 14, score(results, way, nutrient, 14));
      }
    }
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
