package org.umberline.core.synthetic;

import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import java.util.stream.LongStream;
import org.umberline.core.calibration.KitReading;
import org.umberline.core.calibration.Progress;
import org.umberline.core.forecast.Hindcast;
import org.umberline.core.forecast.Hindcast.Forecasted;
import org.umberline.core.forecast.Hindcast.Score;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Hindcasts over synthetic tanks, told as a table: {@code first seed, seeds a way, draws}, and
 * {@code messy} for worse keepers.
 */
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
    return run(firstSeed, seeds, draws, false);
  }

  /** The same, of worse keepers if asked. */
  public static List<Result> run(long firstSeed, int seeds, int draws, boolean messy) {
    return LongStream.range(firstSeed, firstSeed + seeds)
        .boxed()
        .flatMap(
            seed ->
                Arrays.stream(SyntheticTank.Way.values())
                    .map(
                        way ->
                            new Tank(
                                way,
                                messy
                                    ? SyntheticTank.messy(way, seed)
                                    : SyntheticTank.of(way, seed))))
        .parallel()
        .map(
            tank ->
                new Result(
                    tank.way,
                    tank.model,
                    Hindcast.of(tank.model, draws, 1, WORKERS, Progress.NONE)))
        .toList();
  }

  private record Tank(SyntheticTank.Way way, TankModel model) {}

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
    List<Result> results = run(first, seeds, Integer.parseInt(arguments[2]), arguments.length > 3);
    for (Nutrient nutrient : Nutrient.values()) {
      for (int horizon : Hindcast.HORIZONS) {
        print("all", nutrient, horizon, score(results, null, nutrient, horizon));
        againstTruth(results, nutrient, horizon);
        bands(results, nutrient, horizon);
        whoeverKnewTheTruth(results, nutrient, horizon);
        besidePlainFit(results, nutrient, horizon);
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
    double[] medians = medians(errors);
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

  /** The middle one of each rule's errors. */
  private static double[] medians(List<double[]> errors) {
    double[] medians = new double[errors.get(0).length];
    for (int rule = 0; rule < medians.length; rule++) {
      int at = rule;
      double[] sorted = errors.stream().mapToDouble(e -> e[at]).sorted().toArray();
      medians[rule] = sorted[sorted.length / 2];
    }
    return medians;
  }

  /** How far off a reading is for one who knows what the tank held: what nobody can forecast. */
  private static void whoeverKnewTheTruth(List<Result> results, Nutrient nutrient, int horizon) {
    List<double[]> errors = new ArrayList<>();
    for (Result result : results) {
      for (Forecasted f : result.forecasts()) {
        if (f.nutrient() == nutrient && f.horizonDays() == horizon) {
          double[] from = {f.p50(), f.hold(), f.line(), f.slope(), result.truth(f)};
          errors.add(Arrays.stream(from).map(x -> Math.abs(x - f.reading()) / level(f)).toArray());
        }
      }
    }
    double[] medians = medians(errors);
    double better = Math.min(medians[1], medians[2]);
    System.out.printf(
        Locale.ROOT,
        "  error relative to level: of the better of hold and line %.2f, of the pencil rule %.2f;"
            + " whoever knew the truth %.2f, %.2f%n",
        medians[0] / better,
        medians[0] / medians[3],
        medians[4] / better,
        medians[4] / medians[3]);
  }

  /** How often the bands hold, by how many tests were known, and the score of the whole band. */
  private static void bands(List<Result> results, Nutrient nutrient, int horizon) {
    List<Forecasted> all =
        results.stream()
            .flatMap(r -> r.forecasts().stream())
            .filter(f -> f.nutrient() == nutrient && f.horizonDays() == horizon)
            .toList();
    System.out.printf(
        Locale.ROOT,
        "  80 %% band %.3f, 90 %% band %.3f; known tests 2-7 %.2f, 8-15 %.2f, 16+ %.2f;"
            + " error relative to level %.3f, slope %.3f; CRPS relative to level %.4f%n",
        share(all, Forecasted::inside80),
        share(all, Forecasted::inside90),
        among(all, 0, 7),
        among(all, 8, 15),
        among(all, 16, Integer.MAX_VALUE),
        median(all, f -> f.absoluteError() / level(f)),
        median(all, f -> Math.abs(f.slope() - f.reading()) / level(f)),
        all.stream().mapToDouble(f -> f.crps() / level(f)).average().orElse(Double.NaN));
  }

  /** The same readings forecast by {@link PlainFit}. */
  private static void besidePlainFit(List<Result> results, Nutrient nutrient, int horizon) {
    double[] sums =
        results.parallelStream()
            .flatMap(
                result ->
                    result.forecasts().stream()
                        .filter(f -> f.nutrient() == nutrient && f.horizonDays() == horizon)
                        .map(f -> plainFit(result.tank(), f)))
            .reduce(new double[3], (a, b) -> new double[] {a[0] + b[0], a[1] + b[1], a[2] + b[2]});
    System.out.printf(
        Locale.ROOT,
        "  plain fit: 80 %% band %.3f, CRPS relative to level %.4f%n",
        sums[1] / sums[0],
        sums[2] / sums[0]);
  }

  private static double[] plainFit(TankModel tank, Forecasted f) {
    LocalDate asOf = tank.dayOf(f.at()).minusDays(f.horizonDays());
    Random random = new Random(f.at().getEpochSecond());
    Kit kit =
        tank.kits().stream()
            .filter(
                k ->
                    k.analyte()
                        == (f.nutrient() == Nutrient.NITRATE ? Analyte.NITRATE : Analyte.PHOSPHATE))
            .findFirst()
            .orElseThrow();
    double[] shown =
        Arrays.stream(
                new PlainFit(tank, f.nutrient(), asOf, f.horizonDays(), random.nextLong())
                    .at(f.at()))
            .map(level -> KitReading.of(kit, level, random::nextGaussian))
            .sorted()
            .toArray();
    double below = Arrays.stream(shown).filter(v -> v < f.reading() - 1e-9).count();
    double same = Arrays.stream(shown).filter(v -> Math.abs(v - f.reading()) <= 1e-9).count();
    double place = (below + random.nextDouble() * same) / shown.length;
    return new double[] {
      1,
      place >= 0.1 && place <= 0.9 ? 1 : 0,
      Hindcast.rankedProbability(shown, f.reading()) / level(f)
    };
  }

  private static double level(Forecasted f) {
    return Math.max(f.reading(), f.nutrient() == Nutrient.NITRATE ? 2 : 0.05);
  }

  private static double among(List<Forecasted> all, int fewest, int most) {
    return share(
        all.stream().filter(f -> f.earlierTests() >= fewest && f.earlierTests() <= most).toList(),
        Forecasted::inside80);
  }

  private static double share(List<Forecasted> all, Predicate<Forecasted> which) {
    return all.stream().filter(which).count() / (double) all.size();
  }

  private static double median(List<Forecasted> all, ToDoubleFunction<Forecasted> of) {
    double[] sorted = all.stream().mapToDouble(of).sorted().toArray();
    return sorted.length == 0 ? Double.NaN : sorted[sorted.length / 2];
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
