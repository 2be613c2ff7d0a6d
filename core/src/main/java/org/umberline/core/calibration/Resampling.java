package org.umberline.core.calibration;

import java.util.random.RandomGenerator;

/** Importance weights and what is drawn by them. */
final class Resampling {
  private Resampling() {}

  /** Weights that add to 1, from their logarithms up to a constant. */
  static double[] normalised(double[] logWeight) {
    double most = Double.NEGATIVE_INFINITY;
    for (double w : logWeight) {
      most = Math.max(most, w);
    }
    double[] weight = new double[logWeight.length];
    double sum = 0;
    for (int i = 0; i < weight.length; i++) {
      weight[i] = Math.exp(logWeight[i] - most);
      sum += weight[i];
    }
    for (int i = 0; i < weight.length; i++) {
      weight[i] /= sum;
    }
    return weight;
  }

  /** Effective sample size of weights that add to 1. */
  static double effective(double[] weight) {
    return 1 / sumOfSquares(weight);
  }

  static double sumOfSquares(double[] values) {
    double sum = 0;
    for (double value : values) {
      sum += value * value;
    }
    return sum;
  }

  /** Systematic resampling: one random offset, equal steps through the cumulated weights. */
  static int[] resample(double[] weight, int draws, RandomGenerator random) {
    int[] chosen = new int[draws];
    double offset = random.nextDouble();
    double cumulated = weight[0];
    int at = 0;
    for (int i = 0; i < draws; i++) {
      double target = (i + offset) / draws;
      while (cumulated < target && at < weight.length - 1) {
        cumulated += weight[++at];
      }
      chosen[i] = at;
    }
    // Neighbours are copies of one another: shuffled, any part of the draws stands for the whole.
    for (int i = draws - 1; i > 0; i--) {
      int other = random.nextInt(i + 1);
      int swap = chosen[i];
      chosen[i] = chosen[other];
      chosen[other] = swap;
    }
    return chosen;
  }
}
