package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Workers;

/** Makes a posterior of draws, and lets what nobody can know wander on into the days ahead. */
final class PosteriorSummary {
  /** The past's bands are drawn from every so many draws: it is for the eye. */
  private static final int FIT_EVERY = 4;

  private final Scenario scenario;
  private final Parameters parameters;
  private final Readings readings;
  private final Workers workers;

  PosteriorSummary(Scenario scenario, Parameters parameters, Readings readings, Workers workers) {
    this.workers = workers;
    this.scenario = scenario;
    this.parameters = parameters;
    this.readings = readings;
  }

  /**
   * What draws say together.
   *
   * @param kept the runs of what was learned
   */
  Posterior posterior(List<Outcome> kept, Learned learned) {
    RandomGenerator random = new SplittableRandom(learned.seed());
    int draws = kept.size();
    int past = scenario.asOfDay() + 1;
    int drawn = (draws + FIT_EVERY - 1) / FIT_EVERY;
    double[][] nitrogen = new double[past][drawn];
    double[][] phosphorus = new double[past][drawn];
    double[][] atTests = new double[readings.count()][draws];
    List<Posterior.Draw> result = new ArrayList<>(draws);
    for (int i = 0; i < draws; i++) {
      Outcome outcome = kept.get(i);
      Departures nitrate = parameters.nitrateDepartures();
      Departures phosphate = parameters.phosphorusDepartures();
      if (i % FIT_EVERY == 0) {
        double[] nitrateDeparted = nitrate.atDayEnds(outcome.z());
        double[] phosphateDeparted = phosphate.atDayEnds(outcome.z());
        for (int day = 0; day < past; day++) {
          nitrogen[day][i / FIT_EVERY] = outcome.nitrate()[day] * Math.exp(nitrateDeparted[day]);
          phosphorus[day][i / FIT_EVERY] =
              outcome.phosphorus()[day] * Math.exp(phosphateDeparted[day]);
        }
      }
      double[] departed = parameters.logDepartures(outcome.z());
      for (int t = 0; t < readings.count(); t++) {
        atTests[t][i] = outcome.atTests()[t] * Math.exp(departed[t]);
      }
      Multipliers own = outcome.multipliers().copy();
      drift(own.nitrogenLoad, random);
      drift(own.phosphorusLoad, random);
      TankState end = outcome.end().copy();
      end.jump(nitrate.now(outcome.z()), phosphate.now(outcome.z()));
      double nitrateUnrest = nitrate.unrest(outcome.z());
      jumps(own.nitrateJump, Priors.NITRATE_JUMP_PER_ROOT_WEEK, nitrateUnrest, random);
      double phosphateUnrest = phosphate.unrest(outcome.z());
      jumps(own.phosphorusJump, Priors.PHOSPHATE_JUMP_PER_ROOT_WEEK, phosphateUnrest, random);
      result.add(
          new Posterior.Draw(
              outcome.start(), end, own, parameters.kitFactors(outcome.z(), random)));
    }
    List<Posterior.Reading> read = new ArrayList<>();
    for (int t = 0; t < readings.count(); t++) {
      double sd = Quantiles.standardDeviation(atTests[t]);
      read.add(new Posterior.Reading(t, readings.asKitsSay[t], median(atTests[t]), sd));
    }
    double[][] n = quantiles(nitrogen);
    double[][] p = quantiles(phosphorus);
    return new Posterior(
        scenario,
        workers,
        List.copyOf(result),
        new Posterior.Fit(n[0], n[1], n[2], p[0], p[1], p[2]),
        List.copyOf(read),
        new Unknowns(parameters.coordinates(), learned.points()),
        learned);
  }

  /** Lets the load wander on into the days ahead, straight from week to week. */
  private void drift(double[] load, RandomGenerator random) {
    int today = scenario.asOfDay();
    double later = load[today];
    for (int week = today; week < load.length; week += 7) {
      double earlier = later;
      later = earlier * Math.exp(Priors.DRIFT_PER_ROOT_WEEK * random.nextGaussian());
      int end = Math.min(load.length - 1, week + 7);
      for (int day = week + 1; day <= end; day++) {
        load[day] = earlier + (later - earlier) * (day - week) / 7;
      }
    }
  }

  /** What nobody will write down goes on as well, as large as it was in this tank. */
  private void jumps(double[] jump, double scale, double unrest, RandomGenerator random) {
    for (int week = scenario.asOfDay() + 1; week < jump.length; week += 7) {
      int day = week + random.nextInt(7);
      double size = scale * Priors.jump(unrest * random.nextGaussian());
      if (day < jump.length) {
        jump[day] = size;
      }
    }
  }

  private static double median(double[] sample) {
    Quantiles.sort(sample);
    return Quantiles.of(sample, 0.5);
  }

  private static double[][] quantiles(double[][] byDay) {
    double[][] result = new double[3][byDay.length];
    for (int day = 0; day < byDay.length; day++) {
      Quantiles.sort(byDay[day]);
      result[0][day] = Quantiles.of(byDay[day], 0.1);
      result[1][day] = Quantiles.of(byDay[day], 0.5);
      result[2][day] = Quantiles.of(byDay[day], 0.9);
    }
    return result;
  }
}
