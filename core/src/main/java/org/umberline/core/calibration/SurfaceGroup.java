package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntUnaryOperator;
import java.util.function.ToIntFunction;
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

  /** Products are learned from so many runs each, and no more of them than so many. Chosen. */
  private static final int RUNS_A_PRODUCT = 4;

  private static final int MOST_PRODUCTS = 60;

  /**
   * What makes runs likelier or less likely by no more than this, as the variance of a logarithm,
   * is not learned: a hundred of such hardly matter together. Chosen.
   */
  private static final double LEAST_TOLD = 0.0005;

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
   * Learns from runs by least squares: on single coordinates first, then on those products of two
   * as well, squares among them, that tell most of what is left.
   *
   * @param zs where the tank was run
   * @param misses by run and test, logarithms
   * @param middle among those runs
   * @param sharpness of each test: mean square of its log-likelihood's slope by what it shows
   */
  void learn(List<double[]> zs, double[][] misses, double[] middle, double[] sharpness) {
    double[][] missed = new double[zs.size()][];
    for (int r = 0; r < missed.length; r++) {
      missed[r] = Vectors.of(misses[r], tests);
    }
    first = IntStream.range(0, structural).toArray();
    second = new int[structural];
    Arrays.fill(second, -1);
    double[] weights = Vectors.of(sharpness, tests);
    addProducts(zs, left(zs, missed, middle, fitted(zs, missed, middle)), middle, weights);
    double[][] solved = fitted(zs, missed, middle);
    constant = solved[first.length];
    int[] kept = kept(zs, middle, solved, weights);
    first = Vectors.of(first, kept);
    second = Vectors.of(second, kept);
    layOut(Arrays.stream(kept).mapToObj(f -> solved[f]).toArray(double[][]::new));
  }

  /** The features by which runs get noticeably likelier or less likely. */
  private int[] kept(List<double[]> zs, double[] middle, double[][] solved, double[] weights) {
    double[] x = new double[first.length];
    double[] sums = new double[x.length];
    double[] squares = new double[x.length];
    for (double[] z : zs) {
      fillFeatures(z, middle, x, 0);
      for (int f = 0; f < x.length; f++) {
        sums[f] += x[f] / zs.size();
        squares[f] += x[f] * x[f] / zs.size();
      }
    }
    return IntStream.range(0, x.length)
        .filter(f -> weighted(solved[f], weights) * (squares[f] - sums[f] * sums[f]) >= LEAST_TOLD)
        .toArray();
  }

  /** Sum of squares by test, each times how much it matters. */
  private static double weighted(double[] byTest, double[] weights) {
    double sum = 0;
    for (int i = 0; i < byTest.length; i++) {
      sum += weights[i] * byTest[i] * byTest[i];
    }
    return sum;
  }

  /** What the features teach of each test, the constant last. */
  private double[][] fitted(List<double[]> zs, double[][] missed, double[] middle) {
    int features = first.length;
    double[][] normal = new double[features + 1][features + 1];
    double[][] right = new double[features + 1][tests.length];
    double[] x = new double[features + 1];
    x[features] = 1;
    for (int r = 0; r < missed.length; r++) {
      fillFeatures(zs.get(r), middle, x, 0);
      for (int a = 0; a <= features; a++) {
        Vectors.add(x[a], x, normal[a], a + 1);
        Vectors.add(x[a], missed[r], right[a], tests.length);
      }
    }
    for (int a = 0; a <= features; a++) {
      normal[a][a] += HELD_BACK;
      for (int b = 0; b < a; b++) {
        normal[b][a] = normal[a][b];
      }
    }
    return new CholeskyDecomposition(new Array2DRowRealMatrix(normal, false), 1e-9, 1e-14)
        .getSolver()
        .solve(new Array2DRowRealMatrix(right, false))
        .getData();
  }

  /** What is missed still, by run and test. */
  private double[][] left(
      List<double[]> zs, double[][] missed, double[] middle, double[][] fitted) {
    double[] x = new double[first.length + 1];
    x[first.length] = 1;
    double[][] left = new double[missed.length][];
    for (int r = 0; r < missed.length; r++) {
      fillFeatures(zs.get(r), middle, x, 0);
      left[r] = missed[r].clone();
      for (int a = 0; a < x.length; a++) {
        Vectors.add(-x[a], fitted[a], left[r], tests.length);
      }
    }
    return left;
  }

  /** A product of two coordinates, and how much of what is left it alone would tell. */
  private record Product(int first, int second, double tells) {}

  private void addProducts(List<double[]> zs, double[][] left, double[] middle, double[] weights) {
    int runs = left.length;
    double[][] away = new double[coordinates.length][runs];
    for (int k = 0; k < coordinates.length; k++) {
      int j = coordinates[k];
      for (int r = 0; r < runs; r++) {
        away[k][r] = zs.get(r)[j] - middle[j];
      }
    }
    double[] x = new double[runs];
    double[] told = new double[tests.length];
    List<Product> products = new ArrayList<>();
    for (int k = 0; k < coordinates.length; k++) {
      for (int l = 0; l <= k; l++) {
        double mean = 0;
        for (int r = 0; r < runs; r++) {
          x[r] = away[k][r] * away[l][r];
          mean += x[r] / runs;
        }
        for (int r = 0; r < runs; r++) {
          x[r] -= mean;
        }
        Arrays.fill(told, 0);
        Table.addRows(x, left, 0, runs, told);
        double tells = weighted(told, weights) / (HELD_BACK + Resampling.sumOfSquares(x));
        if (tells > LEAST_TOLD * runs) {
          products.add(new Product(coordinates[k], coordinates[l], tells));
        }
      }
    }
    List<Product> best =
        products.stream()
            .sorted(Comparator.comparingDouble(Product::tells).reversed())
            .limit(Math.min(MOST_PRODUCTS, runs / RUNS_A_PRODUCT))
            .toList();
    first = IntStream.concat(Arrays.stream(first), of(best, Product::first)).toArray();
    second = IntStream.concat(Arrays.stream(second), of(best, Product::second)).toArray();
  }

  private static IntStream of(List<Product> products, ToIntFunction<Product> coordinate) {
    return products.stream().mapToInt(coordinate);
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
