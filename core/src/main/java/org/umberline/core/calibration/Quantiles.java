package org.umberline.core.calibration;

import java.util.Arrays;

/** Quantiles of a sample, straight between its order statistics. */
public final class Quantiles {
  /** Nine tenths of a standard normal lie below this. */
  public static final double NORMAL_90 = 1.2815515655446004;

  private Quantiles() {}

  static double standardDeviation(double[] sample) {
    double mean = Arrays.stream(sample).average().orElse(0);
    double sum = 0;
    for (double value : sample) {
      sum += (value - mean) * (value - mean);
    }
    return Math.sqrt(sum / sample.length);
  }

  /** Sorts {@code sample} in place. */
  public static void sort(double[] sample) {
    Arrays.sort(sample);
  }

  /** The quantile at {@code share}, 0..1, of a sorted sample of at least one. */
  public static double of(double[] sorted, double share) {
    double place = share * (sorted.length - 1);
    int below = (int) place;
    return below + 1 < sorted.length
        ? sorted[below] + (place - below) * (sorted[below + 1] - sorted[below])
        : sorted[below];
  }
}
