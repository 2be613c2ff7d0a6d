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

  /**
   * The inner product from {@code from} to {@code to}: in four sums, which a processor works out
   * side by side.
   */
  static double dot(double[] a, double[] b, int from, int to) {
    double s0 = 0;
    double s1 = 0;
    double s2 = 0;
    double s3 = 0;
    int i = from;
    for (; i + 3 < to; i += 4) {
      s0 += a[i] * b[i];
      s1 += a[i + 1] * b[i + 1];
      s2 += a[i + 2] * b[i + 2];
      s3 += a[i + 3] * b[i + 3];
    }
    for (; i < to; i++) {
      s0 += a[i] * b[i];
    }
    return s0 + s1 + (s2 + s3);
  }
}
