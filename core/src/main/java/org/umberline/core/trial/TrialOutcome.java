package org.umberline.core.trial;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.KitReading;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.trouble.Story;

/**
 * What a trial did, by its tests: their mean beside what the kit would have shown without it, as it
 * was foreseen on the day it began, the changes of water since then done as they were.
 *
 * @param readings tests of its last two thirds, which tell
 * @param seen their mean, mg/L of the ion
 * @param without median of what the kit would have shown in their place
 * @param low tenth percentile of that
 * @param high ninetieth
 * @param others what else happened meanwhile that may have done it
 */
public record TrialOutcome(
    LogEntry.Trial trial,
    LocalDate ends,
    Verdict verdict,
    int readings,
    double seen,
    double without,
    double low,
    double high,
    List<Story.Happened> others) {
  private static final long SEED = 1;

  /** Tests of the first third show too little of it. Chosen. */
  private static final double TELLS_AFTER = 1.0 / 3;

  /** What is done within so many days of its beginning may be the trial itself. Chosen. */
  private static final int ITSELF_DAYS = 2;

  /** What the tests say. */
  public enum Verdict {
    /** None that tells yet. */
    WAITING,
    /** The level moved as it should, further than without it. */
    HELPED,
    /** It should have moved by now, and didn't. */
    DID_NOT,
    /** Lower than without it; nothing was expected. */
    LOWER,
    /** Higher than without it; nothing was expected. */
    HIGHER,
    /** What the tests show, both would have shown. */
    CANT_TELL
  }

  public TrialOutcome {
    others = List.copyOf(others);
  }

  /** Each trial of a nutrient up to now, the last first. */
  public static List<TrialOutcome> all(TankModel tank, Instant now, Workers workers) {
    List<TrialOutcome> all = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Trial trial
          && !trial.at().toInstant().isAfter(now)
          && Nutrient.of(trial.analyte()).isPresent()) {
        all.add(0, of(tank, trial, now, workers));
      }
    }
    return List.copyOf(all);
  }

  /** What {@code trial}, of nitrate or phosphate, did in {@code tank}. */
  static TrialOutcome of(TankModel tank, LogEntry.Trial trial, Instant now, Workers workers) {
    LocalDate begun = tank.dayOf(trial.at().toInstant());
    LocalDate ends = begun.plusDays(trial.days());
    List<LogEntry.Test> tests = telling(tank, trial, begun, ends, now);
    List<Story.Happened> others = others(tank, trial, begun, ends, now);
    if (tests.isEmpty()) {
      return new TrialOutcome(trial, ends, Verdict.WAITING, 0, 0, 0, 0, 0, others);
    }
    double seen = tests.stream().mapToDouble(LogEntry.Test::standardValue).average().orElse(0);
    double[] shown = shownWithout(tank, trial, begun, tests, workers);
    double low = Quantiles.of(shown, 0.1);
    double without = Quantiles.of(shown, 0.5);
    double high = Quantiles.of(shown, 0.9);
    return new TrialOutcome(
        trial,
        ends,
        verdict(seen, without, low, high, trial.expected()),
        tests.size(),
        seen,
        without,
        low,
        high,
        others);
  }

  private static List<LogEntry.Test> telling(
      TankModel tank, LogEntry.Trial trial, LocalDate begun, LocalDate ends, Instant now) {
    LocalDate from = begun.plusDays(Math.max(1, Math.round(TELLS_AFTER * trial.days())));
    return tank.log().stream()
        .filter(LogEntry.Test.class::isInstance)
        .map(LogEntry.Test.class::cast)
        .filter(test -> test.analyte() == trial.analyte() && !test.at().toInstant().isAfter(now))
        .filter(
            test -> {
              LocalDate day = tank.dayOf(test.at().toInstant());
              return !day.isBefore(from) && !day.isAfter(ends);
            })
        .toList();
  }

  /** Means of what the kit would have shown on those days, ascending, one for each draw. */
  private static double[] shownWithout(
      TankModel tank,
      LogEntry.Trial trial,
      LocalDate begun,
      List<LogEntry.Test> tests,
      Workers workers) {
    List<LogEntry> log =
        tank.log().stream()
            .filter(
                entry ->
                    !tank.dayOf(entry.at().toInstant()).isAfter(begun)
                        || entry instanceof LogEntry.WaterChange
                        || entry instanceof LogEntry.Test && tests.contains(entry))
            .toList();
    Nutrient nutrient = Nutrient.of(trial.analyte()).orElseThrow();
    int days = trial.days() + 1;
    Posterior posterior =
        Calibration.calibrate(tank.withLog(log), begun, days, Calibration.DRAWS, SEED, workers);
    Projection ahead = Projection.of(posterior, days, PlannedChanges.NONE);
    Random random = new Random(SEED);
    int known = posterior.scenario().probesKnown().size();
    List<LogEntry.Test> probes = posterior.scenario().probes();
    double[] means = new double[posterior.draws().size()];
    for (int draw = 0; draw < means.length; draw++) {
      double sum = 0;
      for (int p = known; p < probes.size(); p++) {
        Kit kit = tank.kitOf(probes.get(p));
        double level = ahead.atProbe(nutrient, p, draw);
        double biased = level * posterior.draws().get(draw).kitFactors()[p];
        sum += KitReading.of(kit, biased, random::nextGaussian);
      }
      means[draw] = sum / (probes.size() - known);
    }
    Quantiles.sort(means);
    return means;
  }

  static Verdict verdict(
      double seen, double without, double low, double high, OptionalDouble expected) {
    if (expected.isEmpty() || expected.getAsDouble() == 0) {
      return seen < low ? Verdict.LOWER : seen > high ? Verdict.HIGHER : Verdict.CANT_TELL;
    }
    double deviation = Math.max(1e-9, (high - low) / (2 * Quantiles.NORMAL_90));
    double direction = Math.signum(expected.getAsDouble());
    if (direction * (seen - without) > Quantiles.NORMAL_90 * deviation) {
      return Verdict.HELPED;
    }
    double short0 = direction * (without + expected.getAsDouble() - seen);
    return short0 > Quantiles.NORMAL_90 * deviation ? Verdict.DID_NOT : Verdict.CANT_TELL;
  }

  /** What may have done it instead: more than what is done every week. */
  private static List<Story.Happened> others(
      TankModel tank, LogEntry.Trial trial, LocalDate begun, LocalDate ends, Instant now) {
    Instant end = ends.plusDays(1).atStartOfDay(tank.timeZone()).toInstant();
    List<Story.Happened> all =
        Story.between(
                tank,
                begun.minusDays(ITSELF_DAYS).atStartOfDay(tank.timeZone()).toInstant(),
                end.isAfter(now) ? now : end)
            .stream()
            .filter(TrialOutcome::counts)
            .filter(happened -> happened.entry().filter(trial::equals).isEmpty())
            .toList();
    List<Story.Happened> itself =
        all.stream()
            .filter(happened -> happened.entry().isEmpty())
            .filter(happened -> !happened.on().isAfter(begun.plusDays(ITSELF_DAYS)))
            .limit(1)
            .toList();
    return all.stream().filter(happened -> !itself.contains(happened)).toList();
  }

  private static boolean counts(Story.Happened happened) {
    return happened
        .entry()
        .map(
            entry ->
                entry instanceof LogEntry.Renew
                    || entry instanceof LogEntry.Death
                    || entry instanceof LogEntry.Fast
                    || entry instanceof LogEntry.Medicine
                    || entry instanceof LogEntry.Trial)
        .orElse(true);
  }
}
