package org.umberline.core.calibration;

import java.util.Arrays;

/** Arithmetic on arrays in the inner loop of the search. */
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

  /** Those of {@code all} that stand at {@code which}. */
  static int[] of(int[] all, int[] which) {
    return Arrays.stream(which).map(i -> all[i]).toArray();
  }

  /** Adds {@code factor} times the first {@code count} of {@code what} to {@code to}. */
  static void add(double factor, double[] what, double[] to, int count) {
    for (int i = 0; i < count; i++) {
      to[i] += factor * what[i];
    }
  }

  /** Inverse of an upper triangular matrix. */
  static double[][] inverse(double[][] upper) {
    int size = upper.length;
    double[][] inverse = new double[size][size];
    for (int row = size - 1; row >= 0; row--) {
      double[] sum = inverse[row];
      sum[row] = 1;
      for (int l = row + 1; l < size; l++) {
        for (int k = l; k < size; k++) {
          sum[k] -= upper[row][l] * inverse[l][k];
        }
      }
      for (int k = row; k < size; k++) {
        sum[k] /= upper[row][row];
      }
    }
    return inverse;
  }
}
