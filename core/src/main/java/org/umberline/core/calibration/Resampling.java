package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.random.RandomGenerator;

/** Importance weights and what is drawn by them. */
final class Resampling {
  private static final int CUTS = 20;

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

  /**
   * Weights of which the greatest are cut off to one height, so low that enough draws count
   * (truncated importance sampling, Ionides, Journal of Computational and Graphical Statistics
   * 17:295, 2008): a few that carry all the weight say more of the search than of the tank. What is
   * hardly likely stays so. Where enough count nothing is cut off.
   *
   * @param logWeight up to a constant, some of them finite
   * @param enough draws that are to count
   * @return weights that add to 1
   */
  static double[] cutOff(double[] logWeight, double enough) {
    double[] weight = normalised(logWeight);
    if (effective(weight) >= enough) {
      return weight;
    }
    double[] sorted =
        Arrays.stream(logWeight).filter(w -> w > Double.NEGATIVE_INFINITY).sorted().toArray();
    double low = sorted[Math.max(0, sorted.length - (int) Math.ceil(enough))];
    double high = sorted[sorted.length - 1];
    for (int i = 0; i < CUTS; i++) {
      double middle = (low + high) / 2;
      if (effective(cutAt(logWeight, middle)) >= enough) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return cutAt(logWeight, low);
  }

  private static double[] cutAt(double[] logWeight, double height) {
    return normalised(Arrays.stream(logWeight).map(w -> Math.min(w, height)).toArray());
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
