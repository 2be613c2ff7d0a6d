package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.RealMatrix;

/**
 * Stands in for a tank near one point of its unknowns, at a thousandth of the cost of a run. A
 * concentration is the sum of what each input brought, divided by the sum of the rates at which it
 * goes; and what runs show it to miss is learned from them ({@link #learn}). Its most likely point
 * is found by a damped Newton search (Levenberg-Marquardt on the curvature of each test's
 * likelihood); {@link Walk} draws from it.
 */
final class StandIn {
  /**
   * The step at which slopes are taken, prior standard deviations: large beside what the stepping
   * of a run rounds, small beside what bends.
   */
  static final double DELTA = 0.2;

  /**
   * Draws believe the tests by this much only: where the tank differs from its stand-in the truth
   * must still lie among them. Chosen by ranks of drawn tanks.
   */
  private static final double TEMPER = 0.8;

  /** No coordinate goes further than this from where the slopes were taken, led by parabolas. */
  private static final double TRUSTED_FROM_AFAR = 2;

  /** And led by the likelihood itself. */
  private static final double TRUSTED = 1;

  private static final int NEWTON_STEPS = 30;

  /** A concentration this small is taken for none, in the standard unit. */
  private static final double NOTHING = 1e-6;

  /** Under this share of where the slopes were taken a concentration's logarithm goes straight. */
  private static final double LOW = 0.1;

  /** What is learned is held back as by so many runs that miss nothing. */
  private static final double HELD_BACK = 1;

  /** A run that is further off, as a logarithm, teaches no more than this. */
  private static final double FARTHEST_MISS = 1;

  private final Parameters parameters;
  private final TestLikelihood[] likelihoods;
  private final double[] at;
  private final int structural;
  private final double[] logBase;
  private final int[][] chains;

  /** By test and chain's link: how much of the concentration at {@code at} it brought, as share. */
  private final double[][][] brought;

  /** By test: the chains that brought anything. */
  private final int[][] counts;

  /** Coordinates that are no inputs: mostly rates at which something goes. */
  private final int[] rates;

  /**
   * By test and rate: the share of what goes that goes by it at {@code at}; less than 0 for none.
   */
  private final double[][] goes;

  /** By test: slopes of the logarithm of what is read, from the first coordinate it depends on. */
  private final double[][] reads;

  // Pairs of coordinates whose product was learned from; the second is -1 for the first alone
  private int[] first = {};
  private int[] second = {};
  private double[] middle;
  private double[] constant;
  private double[][] learned;

  private final Point here;

  private double[] mode;
  private double[][] spread;

  /**
   * @param at where {@code base} was found
   * @param base concentrations at the tests
   * @param truths the same with one coordinate after the other moved by {@link #DELTA}
   */
  StandIn(
      Parameters parameters,
      TestLikelihood[] likelihoods,
      double[] at,
      double[] base,
      double[][] truths) {
    this.parameters = parameters;
    this.likelihoods = likelihoods;
    this.at = at.clone();
    structural = truths.length;
    List<int[]> inputs = parameters.inputs();
    chains = inputs.toArray(int[][]::new);
    boolean[] input = new boolean[at.length];
    for (int c = 0; c < chains.length; c++) {
      for (int j : chains[c]) {
        input[j] = true;
      }
    }
    logBase = new double[base.length];
    brought = new double[base.length][chains.length][];
    counts = new int[base.length][];
    rates = IntStream.range(0, structural).filter(j -> !input[j]).toArray();
    goes = new double[base.length][rates.length];
    reads = new double[base.length][];
    for (int i = 0; i < base.length; i++) {
      double level = Math.max(NOTHING, base[i]);
      logBase[i] = Math.log(level);
      for (int c = 0; c < chains.length; c++) {
        brought[i][c] = brought(chains[c], truths, i, level);
      }
      double[][] ofTest = brought[i];
      counts[i] =
          IntStream.range(0, chains.length)
              .filter(c -> Arrays.stream(ofTest[c]).anyMatch(b -> b != 0))
              .toArray();
      for (int r = 0; r < rates.length; r++) {
        double slope = Math.log(Math.max(NOTHING, truths[rates[r]][i]) / level);
        goes[i][r] = -slope / Math.expm1(parameters.sd(rates[r]) * DELTA);
      }
      reads[i] = parameters.reads(i);
    }
    middle = at.clone();
    here = new Point();
  }

  /** Goes on straight below {@link #LOW}. */
  private static double logarithm(double share) {
    return share > LOW ? Math.log(share) : Math.log(LOW) + share / LOW - 1;
  }

  /** What each link brought: moving one moves those after it as well. */
  private double[] brought(int[] chain, double[][] truths, int test, double level) {
    double[] result = new double[chain.length];
    double later = 0;
    for (int l = chain.length - 1; l >= 0; l--) {
      int j = chain[l];
      double all = (truths[j][test] - level) / level / Math.expm1(parameters.sd(j) * DELTA);
      result[l] = all - later;
      later = all;
    }
    return result;
  }

  /**
   * Learns what it misses from runs, by least squares on the coordinates a run depends on, their
   * squares and, where there are runs enough, their products.
   *
   * @param zs where the tank was run
   * @param truths what it held at the tests
   */
  void learn(List<double[]> zs, List<double[]> truths) {
    int runs = zs.size();
    int linear = structural;
    int squares = runs > 3 * linear ? linear : 0;
    int products = linear * (linear - 1) / 2;
    boolean all = runs > 2 * (linear + squares + products);
    int features = linear + squares + (all ? products : 0);
    int[] ones = new int[features];
    int[] twos = new int[features];
    int f = 0;
    for (int j = 0; j < linear; j++) {
      ones[f] = j;
      twos[f++] = -1;
    }
    for (int j = 0; j < squares; j++) {
      ones[f] = j;
      twos[f++] = j;
    }
    for (int j = 0; all && j < linear; j++) {
      for (int l = 0; l < j; l++) {
        ones[f] = j;
        twos[f++] = l;
      }
    }
    first = new int[0];
    second = first;
    learned = null;
    int tests = logBase.length;
    double[][] misses = new double[runs][tests];
    for (int r = 0; r < runs; r++) {
      here.lookAt(zs.get(r));
      for (int i = 0; i < tests; i++) {
        double missed =
            Math.log(Math.max(NOTHING, truths.get(r)[i]))
                + Math.log(parameters.read(zs.get(r), i))
                - here.logShown(i);
        misses[r][i] = Math.max(-FARTHEST_MISS, Math.min(FARTHEST_MISS, missed));
      }
    }
    middle = mode.clone();
    first = ones;
    second = twos;
    double[][] normal = new double[features + 1][features + 1];
    double[][] right = new double[features + 1][tests];
    double[] x = new double[features + 1];
    for (int r = 0; r < runs; r++) {
      here.lookAt(zs.get(r));
      System.arraycopy(here.feature, 0, x, 0, features);
      x[features] = 1;
      for (int a = 0; a <= features; a++) {
        for (int b = 0; b <= a; b++) {
          normal[a][b] += x[a] * x[b];
        }
        for (int i = 0; i < tests; i++) {
          right[a][i] += x[a] * misses[r][i];
        }
      }
    }
    for (int a = 0; a <= features; a++) {
      normal[a][a] += HELD_BACK;
      for (int b = 0; b < a; b++) {
        normal[b][a] = normal[a][b];
      }
    }
    DecompositionSolver solver =
        new CholeskyDecomposition(new Array2DRowRealMatrix(normal, false), 1e-9, 1e-14).getSolver();
    double[][] solved = solver.solve(new Array2DRowRealMatrix(right, false)).getData();
    learned = new double[tests][features];
    constant = new double[tests];
    for (int i = 0; i < tests; i++) {
      for (int a = 0; a < features; a++) {
        learned[i][a] = solved[a][i];
      }
      constant[i] = solved[features][i];
    }
    search(mode, false);
  }

  private double logPosterior(double[] z, boolean rough) {
    here.lookAt(z);
    double sum = -0.5 * Resampling.sumOfSquares(z);
    for (int i = 0; i < logBase.length; i++) {
      sum += value(i, here.logShown(i), rough);
    }
    return sum;
  }

  private double value(int test, double logShown, boolean rough) {
    return rough
        ? likelihoods[test].roughLogLikelihood(Math.exp(logShown))
        : likelihoods[test].quickLogLikelihood(logShown);
  }

  /** The most likely point; the curvature there is kept for {@link Walk}. */
  double[] search(boolean rough) {
    return search(at, rough);
  }

  private double[] search(double[] from, boolean rough) {
    double trusted = rough ? TRUSTED_FROM_AFAR : TRUSTED;
    int size = from.length;
    double[] z = from.clone();
    double best = logPosterior(z, rough);
    double damping = 1e-2;
    double[] gradient = new double[size];
    RealMatrix curvature = curvature(z, rough, gradient);
    for (int iteration = 0; iteration < NEWTON_STEPS; iteration++) {
      boolean better = false;
      double gain = 0;
      while (!better && damping < 1e8) {
        RealMatrix damped = curvature.copy();
        for (int j = 0; j < size; j++) {
          damped.multiplyEntry(j, j, 1 + damping);
        }
        double[] step =
            new CholeskyDecomposition(damped)
                .getSolver()
                .solve(new ArrayRealVector(gradient, false))
                .toArray();
        double[] next = new double[size];
        for (int j = 0; j < size; j++) {
          next[j] = Math.max(from[j] - trusted, Math.min(from[j] + trusted, z[j] + step[j]));
        }
        double value = logPosterior(next, rough);
        if (value > best) {
          better = true;
          gain = value - best;
          best = value;
          z = next;
          damping = Math.max(1e-6, damping / 5);
        } else {
          damping *= 5;
        }
      }
      curvature = curvature(z, rough, gradient);
      if (!better || gain < 1e-4) {
        break;
      }
    }
    settle(z, curvature);
    return z;
  }

  /** Takes the point where the slopes were taken for the most likely one. */
  void stay() {
    settle(at.clone(), curvature(at, false, new double[at.length]));
  }

  private void settle(double[] z, RealMatrix curvature) {
    mode = z;
    spread = inverse(new CholeskyDecomposition(curvature).getLT().getData());
  }

  /** Negative second derivative of the log posterior, kept positive; fills {@code gradient}. */
  private RealMatrix curvature(double[] z, boolean rough, double[] gradient) {
    int size = z.length;
    double[][] sum = new double[size][size];
    for (int j = 0; j < size; j++) {
      sum[j][j] = 1;
      gradient[j] = -z[j];
    }
    // wider than a step of the likelihoods' tables
    double h = 0.05;
    here.lookAt(z);
    for (int i = 0; i < logBase.length; i++) {
      double shown = here.logShown(i);
      double there = value(i, shown, rough);
      double above = value(i, shown + h, rough);
      double below = value(i, shown - h, rough);
      double rise = (above - below) / (2 * h);
      double bend = Math.max(0, -(above - 2 * there + below) / (h * h));
      double[] row = here.slopes(i);
      for (int j = 0; j < size; j++) {
        gradient[j] += rise * row[j];
        double weighted = bend * row[j];
        if (weighted != 0) {
          for (int l = 0; l <= j; l++) {
            sum[j][l] += weighted * row[l];
          }
        }
      }
    }
    for (int j = 0; j < size; j++) {
      for (int l = 0; l < j; l++) {
        sum[l][j] = sum[j][l];
      }
    }
    return new Array2DRowRealMatrix(sum, false);
  }

  /** Inverse of an upper triangular matrix. */
  private static double[][] inverse(double[][] upper) {
    int size = upper.length;
    double[][] inverse = new double[size][size];
    for (int column = 0; column < size; column++) {
      for (int row = column; row >= 0; row--) {
        double rest = row == column ? 1 : 0;
        for (int l = row + 1; l <= column; l++) {
          rest -= upper[row][l] * inverse[l][column];
        }
        inverse[row][column] = rest / upper[row][row];
      }
    }
    return inverse;
  }

  int size() {
    return at.length;
  }

  double[] mode() {
    return mode;
  }

  /**
   * Takes independent standard normal coordinates to a step from the most likely point: upper
   * triangular.
   */
  double[][] spread() {
    return spread;
  }

  /** What the stand-in says of one point of the unknowns. Not to be shared between threads. */
  final class Point {
    private final double[][] link = new double[chains.length][];
    private final double[] rate = new double[rates.length];
    private final double[] feature = new double[structural * (structural + 3) / 2];
    private final double[] row = new double[at.length];
    private final double[] slope = new double[1];
    private double[] z;

    Point() {
      for (int c = 0; c < chains.length; c++) {
        link[c] = new double[chains[c].length];
      }
    }

    /** Makes {@code z} the point that is told of; it is not to change meanwhile. */
    void lookAt(double[] z) {
      this.z = z;
      for (int c = 0; c < chains.length; c++) {
        double sum = 0;
        for (int l = 0; l < chains[c].length; l++) {
          int j = chains[c][l];
          sum += parameters.sd(j) * (z[j] - at[j]);
          link[c][l] = Math.exp(sum);
        }
      }
      for (int r = 0; r < rates.length; r++) {
        rate[r] = Math.exp(parameters.sd(rates[r]) * (z[rates[r]] - at[rates[r]]));
      }
      for (int f = 0; f < first.length; f++) {
        double away = z[first[f]] - middle[first[f]];
        feature[f] = second[f] < 0 ? away : away * (z[second[f]] - middle[second[f]]);
      }
    }

    /** The concentration as a share of that at {@code at}, from the inputs alone. */
    private double inputs(int test) {
      double share = 1;
      for (int c : counts[test]) {
        double[] ofTest = brought[test][c];
        for (int l = 0; l < ofTest.length; l++) {
          share += ofTest[l] * (link[c][l] - 1);
        }
      }
      return share;
    }

    /** What goes as a share of that at {@code at}. */
    private double outputs(int test) {
      double share = 1;
      for (int r = 0; r < rates.length; r++) {
        share += goes[test][r] * (rate[r] - 1);
      }
      return share;
    }

    double logShown(int test) {
      double sum = logBase[test] + logarithm(inputs(test)) - logarithm(outputs(test));
      double[] ofTest = reads[test];
      for (int j = 0; j < ofTest.length; j++) {
        sum += ofTest[j] * z[structural + j];
      }
      if (learned != null) {
        sum += constant[test];
        double[] weights = learned[test];
        for (int f = 0; f < weights.length; f++) {
          sum += weights[f] * feature[f];
        }
      }
      return sum;
    }

    /** Fills {@link #row} with the slopes of the logarithm of what {@code test} shows. */
    double[] slopes(int test) {
      Arrays.fill(row, 0, structural, 0);
      System.arraycopy(reads[test], 0, row, structural, reads[test].length);
      double perShare = 1 / Math.max(LOW, inputs(test));
      for (int c : counts[test]) {
        double later = 0;
        for (int l = chains[c].length - 1; l >= 0; l--) {
          int j = chains[c][l];
          later += brought[test][c][l] * link[c][l];
          row[j] += perShare * later * parameters.sd(j);
        }
      }
      perShare = 1 / Math.max(LOW, outputs(test));
      for (int r = 0; r < rates.length; r++) {
        row[rates[r]] -= perShare * goes[test][r] * rate[r] * parameters.sd(rates[r]);
      }
      for (int f = 0; f < first.length; f++) {
        double weight = learned[test][f];
        int a = first[f];
        int b = second[f];
        if (b < 0) {
          row[a] += weight;
        } else {
          row[a] += weight * (z[b] - middle[b]);
          row[b] += weight * (z[a] - middle[a]);
        }
      }
      return row;
    }

    /** Logarithm of the likelihood, tempered. */
    double logLikelihood() {
      double sum = 0;
      for (int i = 0; i < logBase.length; i++) {
        sum += likelihoods[i].quickLogLikelihood(logShown(i));
      }
      return TEMPER * sum;
    }

    /** Logarithm of the posterior as {@link Walk} draws from it, up to a constant. */
    double logDensity(double[] gradient) {
      double sum = -0.5 * Resampling.sumOfSquares(z);
      for (int j = 0; j < gradient.length; j++) {
        gradient[j] = -z[j];
      }
      for (int i = 0; i < logBase.length; i++) {
        sum += TEMPER * likelihoods[i].quickLogLikelihood(logShown(i), slope);
        double by = TEMPER * slope[0];
        if (by != 0) {
          slopes(i);
          for (int j = 0; j < gradient.length; j++) {
            gradient[j] += by * row[j];
          }
        }
      }
      return sum;
    }
  }
}
