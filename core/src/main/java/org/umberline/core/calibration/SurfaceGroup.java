package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.List;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;

/**
 * Tests of one element on a {@link ResponseSurface}, and what runs taught of them. Tables are by
 * what acts on the tests, then by test.
 */
final class SurfaceGroup {
  /** What is learned is held back as by so many runs that miss nothing. */
  private static final double HELD_BACK = 1;

  final int[] tests;
  final Columns brought;
  final Columns goes;
  final Columns reads;

  /** How many coordinates a run depends on. */
  private final int structural;

  /** Those of them that a run's slopes tell of. */
  private final int[] coordinates;

  // Pairs of coordinates whose product was learned from; the second is -1 for the first alone
  int[] first = {};
  int[] second = {};
  double[] constant;

  /** What is added to a test's logarithm: readings' columns, then what was learned of pairs. */
  Table straight;

  SurfaceGroup(
      int[] tests,
      double[][] brought,
      double[][] goes,
      double[][] reads,
      int structural,
      IntUnaryOperator link,
      IntUnaryOperator rate) {
    this.tests = tests;
    this.brought = new Columns(brought, tests);
    this.goes = new Columns(goes, tests);
    this.reads = new Columns(reads, tests);
    this.structural = structural;
    coordinates =
        IntStream.concat(
                Arrays.stream(this.brought.which).map(link),
                Arrays.stream(this.goes.which).map(rate))
            .toArray();
    forget();
  }

  /** Forgets what runs taught. */
  void forget() {
    first = new int[0];
    second = first;
    layOut(new double[0][]);
    constant = new double[tests.length];
  }

  private void layOut(double[][] learned) {
    straight = reads.values.with(learned);
  }

  /**
   * Learns from runs by least squares.
   *
   * @param zs where the tank was run
   * @param misses by run and test, logarithms
   * @param middle among those runs
   */
  void learn(List<double[]> zs, double[][] misses, double[] middle) {
    chooseFeatures(zs.size());
    int features = first.length;
    double[][] normal = new double[features + 1][features + 1];
    double[][] right = new double[features + 1][tests.length];
    double[] x = new double[features + 1];
    x[features] = 1;
    for (int r = 0; r < zs.size(); r++) {
      fillFeatures(zs.get(r), middle, x, 0);
      double[] missed = Vectors.of(misses[r], tests);
      for (int a = 0; a <= features; a++) {
        Vectors.add(x[a], x, normal[a], a + 1);
        Vectors.add(x[a], missed, right[a], missed.length);
      }
    }
    for (int a = 0; a <= features; a++) {
      normal[a][a] += HELD_BACK;
      for (int b = 0; b < a; b++) {
        normal[b][a] = normal[a][b];
      }
    }
    double[][] solved =
        new CholeskyDecomposition(new Array2DRowRealMatrix(normal, false), 1e-9, 1e-14)
            .getSolver()
            .solve(new Array2DRowRealMatrix(right, false))
            .getData();
    layOut(Arrays.copyOf(solved, features));
    constant = solved[features];
  }

  private void chooseFeatures(int runs) {
    int[] own = coordinates;
    int products = own.length * (own.length - 1) / 2;
    boolean squares = runs > 3 * structural;
    boolean all = runs > 2 * (structural + own.length + products);
    IntStream.Builder first = IntStream.builder();
    IntStream.Builder second = IntStream.builder();
    for (int j = 0; j < structural; j++) {
      first.add(j);
      second.add(-1);
    }
    for (int j = 0; squares && j < own.length; j++) {
      for (int l = all ? 0 : j; l <= j; l++) {
        first.add(own[j]);
        second.add(own[l]);
      }
    }
    this.first = first.build().toArray();
    this.second = second.build().toArray();
  }

  /** Fills {@code x} with the coordinates, away from the middle, and their products. */
  private void fillFeatures(double[] z, double[] middle, double[] x, int from) {
    for (int f = 0; f < first.length; f++) {
      int a = first[f];
      int b = second[f];
      double away = z[a] - middle[a];
      x[from + f] = b < 0 ? away : away * (z[b] - middle[b]);
    }
  }

  /** Fills {@code x} with what the columns of {@link #straight} are taken times. */
  void fillStraight(double[] z, double[] middle, double[] x) {
    for (int k = 0; k < reads.which.length; k++) {
      x[k] = z[structural + reads.which[k]];
    }
    fillFeatures(z, middle, x, reads.which.length);
  }

  /** The columns of a table that are not all 0, each by test. */
  static final class Columns {
    final int[] which;
    final Table values;

    Columns(double[][] all, int[] tests) {
      which =
          IntStream.range(0, all.length)
              .filter(k -> Arrays.stream(tests).anyMatch(i -> all[k][i] != 0))
              .toArray();
      values =
          new Table(
              Arrays.stream(which)
                  .mapToObj(k -> Vectors.of(all[k], tests))
                  .toArray(double[][]::new),
              tests.length);
    }
  }
}
