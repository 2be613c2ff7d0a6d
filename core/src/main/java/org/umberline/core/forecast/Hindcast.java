package org.umberline.core.forecast;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.KitReading;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Progress;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;

/**
 * How forecasts of this tank would have done: every past test with two of its kind before it is
 * forecast from the entries known 7, 14 and 28 days earlier. The water changes that were then made
 * are given to the forecast, as they are to the rule that corrects for them; everything else of the
 * days ahead is hidden.
 */
public final class Hindcast {
  /** Days ahead that are scored. */
  public static final List<Integer> HORIZONS = List.of(7, 14, 28);

  /** Draws of each posterior: many are calibrated, and bands need no more. */
  public static final int DRAWS = 120;

  private static final int FEWEST_EARLIER_TESTS = 2;

  private Hindcast() {}

  /**
   * One test that was forecast, mg/L of the ion; the band and the median are of what the kit would
   * have shown.
   *
   * @param level median of the concentration as the kit sees it, before it is read
   * @param inside80 whether the reading lies in the middle 80 % of what the kit would have shown; a
   *     reading that many draws share counts by chance as much as by right
   * @param inside90 the same of the middle 90 %
   * @param crps continuous ranked probability score of what the kit would have shown, mg/L of the
   *     ion (Gneiting and Raftery, JASA 102, 2007)
   * @param earlierTests of its kind that were known
   */
  public record Forecasted(
      Nutrient nutrient,
      int horizonDays,
      Instant at,
      double reading,
      double level,
      double p10,
      double p50,
      double p90,
      boolean inside80,
      boolean inside90,
      double crps,
      int earlierTests,
      double hold,
      double line,
      double slope) {
    public double absoluteError() {
      return Math.abs(p50 - reading);
    }
  }

  /** Errors are medians of absolute differences, mg/L of the ion. */
  public record Score(
      int tests,
      double inside80,
      double medianAbsoluteError,
      double hold,
      double line,
      double slope) {
    /** Over tests that were forecast; NaN where there are none. */
    public static Score of(List<Forecasted> tests) {
      return new Score(
          tests.size(),
          tests.isEmpty()
              ? Double.NaN
              : tests.stream().filter(Forecasted::inside80).count() / (double) tests.size(),
          median(tests.stream().mapToDouble(Forecasted::absoluteError).toArray()),
          median(tests.stream().mapToDouble(t -> Math.abs(t.hold - t.reading)).toArray()),
          median(tests.stream().mapToDouble(t -> Math.abs(t.line - t.reading)).toArray()),
          median(tests.stream().mapToDouble(t -> Math.abs(t.slope - t.reading)).toArray()));
    }

    private static double median(double[] errors) {
      if (errors.length == 0) {
        return Double.NaN;
      }
      Quantiles.sort(errors);
      return Quantiles.of(errors, 0.5);
    }
  }

  /**
   * Forecasts every past test.
   *
   * @param draws of each posterior; fewer than usual do
   */
  public static List<Forecasted> of(
      TankModel tank, int draws, long seed, Workers workers, Progress progress) {
    return of(tank, HORIZONS, Integer.MAX_VALUE, draws, seed, workers, progress);
  }

  /**
   * Forecasts the newest tests of each nutrient, so many days earlier.
   *
   * @param horizons among {@link #HORIZONS}
   * @param mostTests of each nutrient
   */
  public static List<Forecasted> of(
      TankModel tank,
      List<Integer> horizons,
      int mostTests,
      int draws,
      long seed,
      Workers workers,
      Progress progress) {
    TreeMap<LocalDate, List<LogEntry.Test>> byAsOf = new TreeMap<>();
    for (Nutrient nutrient : Nutrient.values()) {
      List<LogEntry.Test> tests = tests(tank, nutrient);
      for (LogEntry.Test test :
          tests.subList(Math.max(0, tests.size() - mostTests), tests.size())) {
        if (test.qualifier() != Qualifier.EQUAL) {
          continue;
        }
        for (int horizon : horizons) {
          LocalDate asOf = day(tank, test).minusDays(horizon);
          if (known(tank, nutrient, asOf).size() >= FEWEST_EARLIER_TESTS) {
            byAsOf.computeIfAbsent(asOf, any -> new ArrayList<>()).add(test);
          }
        }
      }
    }
    List<Forecasted> all = new ArrayList<>();
    int done = 0;
    for (var dated : byAsOf.entrySet()) {
      progress.done(done++ / (double) byAsOf.size());
      all.addAll(forecast(tank, dated.getKey(), dated.getValue(), draws, seed, workers));
    }
    progress.done(1);
    all.sort(
        Comparator.comparing(Forecasted::nutrient)
            .thenComparing(Forecasted::horizonDays)
            .thenComparing(Forecasted::at));
    return List.copyOf(all);
  }

  private static List<Forecasted> forecast(
      TankModel tank,
      LocalDate asOf,
      List<LogEntry.Test> tests,
      int draws,
      long seed,
      Workers workers) {
    Instant end = asOf.plusDays(1).atStartOfDay(tank.timeZone()).toInstant();
    Instant last =
        tests.stream().map(t -> t.at().toInstant()).max(Comparator.naturalOrder()).orElseThrow();
    List<LogEntry> log = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      Instant at = entry.at().toInstant();
      boolean given = entry instanceof LogEntry.WaterChange && !at.isAfter(last);
      if (at.isBefore(end) || given || tests.contains(entry)) {
        log.add(entry);
      }
    }
    TankModel known = tank.withLog(log);
    int horizon = HORIZONS.get(HORIZONS.size() - 1);
    Posterior posterior = Calibration.calibrate(known, asOf, horizon, draws, seed, workers);
    Projection projection = Projection.of(posterior, horizon, PlannedChanges.NONE);
    Random random = new Random(seed ^ asOf.toEpochDay());
    List<Forecasted> forecasts = new ArrayList<>();
    List<LogEntry.Test> probes = posterior.scenario().probes();
    for (int p = posterior.scenario().probesKnown().size(); p < probes.size(); p++) {
      forecasts.add(forecasted(tank, asOf, projection, p, probes.get(p), random));
    }
    return forecasts;
  }

  private static Forecasted forecasted(
      TankModel tank,
      LocalDate asOf,
      Projection projection,
      int probe,
      LogEntry.Test test,
      Random random) {
    Nutrient nutrient = test.analyte() == Analyte.NITRATE ? Nutrient.NITRATE : Nutrient.PHOSPHATE;
    double[] element =
        nutrient == Nutrient.NITRATE
            ? projection.nitrateAtProbe[probe]
            : projection.phosphorusAtProbe[probe];
    List<Posterior.Draw> draws = projection.posterior().draws();
    Kit kit = tank.kitOf(test);
    double[] shown = new double[element.length];
    double[] level = new double[element.length];
    for (int i = 0; i < shown.length; i++) {
      double biased = nutrient.ion(element[i]) * draws.get(i).kitFactors()[probe];
      level[i] = biased;
      shown[i] = KitReading.of(kit, biased, random::nextGaussian);
    }
    double reading = test.standardValue();
    double below = Arrays.stream(shown).filter(s -> s < reading - 1e-9).count();
    double same = Arrays.stream(shown).filter(s -> Math.abs(s - reading) <= 1e-9).count();
    double place = (below + random.nextDouble() * same) / shown.length;
    Quantiles.sort(shown);
    Quantiles.sort(level);
    List<LogEntry.Test> earlier = known(tank, nutrient, asOf);
    List<LogEntry.WaterChange> changes =
        tank.log().stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .map(LogEntry.WaterChange.class::cast)
            .toList();
    Instant at = test.at().toInstant();
    return new Forecasted(
        nutrient,
        (int) (day(tank, test).toEpochDay() - asOf.toEpochDay()),
        at,
        reading,
        Quantiles.of(level, 0.5),
        Quantiles.of(shown, 0.1),
        Quantiles.of(shown, 0.5),
        Quantiles.of(shown, 0.9),
        place >= 0.1 && place <= 0.9,
        place >= 0.05 && place <= 0.95,
        rankedProbability(shown, reading),
        earlier.size(),
        PlainRules.hold(earlier),
        PlainRules.line(earlier, at),
        PlainRules.slope(tank, nutrient, earlier, changes, at));
  }

  /**
   * Continuous ranked probability score: mean distance of the draws from the reading, less half
   * their mean distance from one another.
   *
   * @param sorted draws, in the unit of the reading and of the score
   */
  public static double rankedProbability(double[] sorted, double reading) {
    double away = 0;
    double apart = 0;
    int draws = sorted.length;
    for (int i = 0; i < draws; i++) {
      away += Math.abs(sorted[i] - reading);
      apart += (2.0 * i - draws + 1) * sorted[i];
    }
    return away / draws - apart / ((double) draws * draws);
  }

  private static List<LogEntry.Test> tests(TankModel tank, Nutrient nutrient) {
    Analyte analyte = nutrient == Nutrient.NITRATE ? Analyte.NITRATE : Analyte.PHOSPHATE;
    return tank.log().stream()
        .filter(LogEntry.Test.class::isInstance)
        .map(LogEntry.Test.class::cast)
        .filter(test -> test.analyte() == analyte)
        .toList();
  }

  private static List<LogEntry.Test> known(TankModel tank, Nutrient nutrient, LocalDate asOf) {
    return tests(tank, nutrient).stream().filter(t -> !day(tank, t).isAfter(asOf)).toList();
  }

  private static LocalDate day(TankModel tank, LogEntry entry) {
    return tank.dayOf(entry.at().toInstant());
  }
}
