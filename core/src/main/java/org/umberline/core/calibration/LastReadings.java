package org.umberline.core.calibration;

import java.util.List;
import java.util.random.RandomGenerator;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;

/**
 * What the last readings say beside a draw: a model is never quite the tank, and where it lies off
 * the readings of the last weeks the draw is moved towards them. Older readings count for less.
 */
final class LastReadings {
  /** Readings fade with this time, days; those three times as old are passed over. Chosen. */
  private static final double FADE_DAYS = 30;

  /** How far a model lies off its tank, standard deviation of the logarithm. Chosen. */
  private static final double OFF_SD = 0.3;

  /**
   * The draws were weighed by these readings already; they count by so much again. Chosen on
   * synthetic tanks.
   */
  private static final double COUNTS_AGAIN = 0.5;

  private static final double FARTHEST = 1.2;
  private static final int STEPS = 49;

  private final double[] weight;
  private final TestLikelihood[] likelihoods;
  private final boolean any;

  /**
   * @param ageDays of each test at the as-of day's end
   */
  LastReadings(
      List<LogEntry.Test> tests, TestLikelihood[] likelihoods, double[] ageDays, Analyte analyte) {
    this.likelihoods = likelihoods;
    weight = new double[tests.size()];
    boolean found = false;
    for (int t = 0; t < weight.length; t++) {
      if (tests.get(t).analyte() == analyte && ageDays[t] < 3 * FADE_DAYS) {
        weight[t] = COUNTS_AGAIN * Math.exp(-ageDays[t] / FADE_DAYS);
        found = true;
      }
    }
    any = found;
  }

  /**
   * How far a draw is moved, as the logarithm of a factor: drawn from what the readings allow.
   *
   * @param shown what the kits would show of the draw at each test
   */
  double offset(double[] shown, RandomGenerator random) {
    if (!any) {
      return 0;
    }
    double[] chance = new double[STEPS];
    double most = Double.NEGATIVE_INFINITY;
    for (int i = 0; i < STEPS; i++) {
      double off = at(i);
      double log = -0.5 * off * off / (OFF_SD * OFF_SD);
      for (int t = 0; t < weight.length; t++) {
        if (weight[t] > 0) {
          log += weight[t] * likelihoods[t].logLikelihood(shown[t] * Math.exp(off));
        }
      }
      chance[i] = log;
      most = Math.max(most, log);
    }
    double sum = 0;
    for (int i = 0; i < STEPS; i++) {
      chance[i] = Math.exp(chance[i] - most);
      sum += chance[i];
    }
    double left = random.nextDouble() * sum;
    for (int i = 0; i < STEPS; i++) {
      left -= chance[i];
      if (left <= 0) {
        return at(i) + (random.nextDouble() - 0.5) * step();
      }
    }
    return 0;
  }

  private static double step() {
    return 2 * FARTHEST / (STEPS - 1);
  }

  private static double at(int i) {
    return i * step() - FARTHEST;
  }
}
