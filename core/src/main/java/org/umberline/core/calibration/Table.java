package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.stream.Stream;

/**
 * How tests depend on what acts on them, laid out both ways: sums over either run along memory,
 * four rows at once.
 */
final class Table {
  private final double[][] byColumn;
  private final double[][] byTest;

  /**
   * @param byColumn what acts on the tests, each by test; kept as it is
   * @param tests how many there are
   */
  Table(double[][] byColumn, int tests) {
    this.byColumn = byColumn;
    byTest = turned(byColumn, tests);
  }

  /** This table and more columns after its own. */
  Table with(double[][] more) {
    return new Table(
        Stream.of(byColumn, more).flatMap(Stream::of).toArray(double[][]::new), byTest.length);
  }

  /** Rows as columns. */
  static double[][] turned(double[][] rows, int width) {
    double[][] turned = new double[width][rows.length];
    for (int r = 0; r < rows.length; r++) {
      for (int c = 0; c < width; c++) {
        turned[c][r] = rows[r][c];
      }
    }
    return turned;
  }

  int columns() {
    return byColumn.length;
  }

  /** Adds each column times its factor to {@code sums}, by test. */
  void addColumns(double[] factors, double[] sums) {
    addRows(factors, byColumn, 0, byColumn.length, sums);
  }

  /** Fills {@code sums}, by column, with the tests between two of them, each times its factor. */
  void sumTests(double[] factors, int from, int to, double[] sums) {
    Arrays.fill(sums, 0);
    addRows(factors, byTest, from, to, sums);
  }

  /**
   * Adds some rows, each times its factor, to {@code sums}: what is summed up is fetched and put
   * back once for four of them.
   */
  static void addRows(double[] factors, double[][] rows, int from, int to, double[] sums) {
    int row = from;
    for (; row + 3 < to; row += 4) {
      double a = factors[row];
      double b = factors[row + 1];
      double c = factors[row + 2];
      double d = factors[row + 3];
      double[] ofA = rows[row];
      double[] ofB = rows[row + 1];
      double[] ofC = rows[row + 2];
      double[] ofD = rows[row + 3];
      for (int i = 0; i < sums.length; i++) {
        sums[i] += a * ofA[i] + b * ofB[i] + (c * ofC[i] + d * ofD[i]);
      }
    }
    for (; row < to; row++) {
      Vectors.add(factors[row], rows[row], sums, sums.length);
    }
  }
}
