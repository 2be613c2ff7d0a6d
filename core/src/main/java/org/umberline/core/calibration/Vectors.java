package org.umberline.core.calibration;

/** Sums over arrays in the inner loop of the search. */
final class Vectors {
  private Vectors() {}

  /** Those of {@code all} that stand at {@code which}. */
  static double[] of(double[] all, int[] which) {
    double[] result = new double[which.length];
    for (int i = 0; i < which.length; i++) {
      result[i] = all[which[i]];
    }
    return result;
  }

  /** Adds {@code factor} times the first {@code count} of {@code what} to {@code to}. */
  static void add(double factor, double[] what, double[] to, int count) {
    for (int i = 0; i < count; i++) {
      to[i] += factor * what[i];
    }
  }
}
