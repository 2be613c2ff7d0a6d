package org.umberline.core.calibration;

import java.util.random.RandomGenerator;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;

/**
 * A tank near one point of its unknowns: the logarithm of what each test would show is linear in
 * the logarithms of the unknowns. Its most likely point is found by a damped Newton search
 * (Levenberg-Marquardt on the curvature of each test's likelihood); draws come from a normal
 * proposal there, weighted, resampled and moved.
 */
final class Linearisation {
  /**
   * The step at which slopes are taken, prior standard deviations: large beside what the stepping
   * of a run rounds, small beside what bends.
   */
  static final double DELTA = 0.1;

  /**
   * Draws believe the tests by this much only: where the tank differs from its stand-in the truth
   * must still lie among them.
   */
  private static final double TEMPER = 0.9;

  /** No coordinate goes further than this from where the slopes were taken, led by parabolas. */
  private static final double TRUSTED_FROM_AFAR = 2;

  /** And led by the likelihood itself. */
  private static final double TRUSTED = 1;

  private static final int NEWTON_STEPS = 30;
  private static final int PROPOSALS_PER_DRAW = 3;
  private static final int MOVES = 12;
  private static final double MOVE_SIZE = 0.4;

  /** A concentration this small is taken for none, in the standard unit. */
  private static final double NOTHING = 1e-6;

  private final Parameters parameters;
  private final TestLikelihood[] likelihoods;
  private final int[] bias;
  private final double[] at;
  private final double[] base;

  /** Slope of the logarithm of what each test shows, its kit's bias included. */
  private final double[][] slope;

  /** Where the slopes were taken, and where they are asked for, as the unknowns are shaped. */
  private final double[] shapeAt;

  private final double[] shape;

  private double[] mode;
  private double[][] spread;
  private double[][] root;

  /**
   * @param at where {@code base} was found
   * @param base concentrations at the tests
   * @param truths the same with one coordinate after the other moved by {@link #DELTA}
   */
  Linearisation(
      Parameters parameters,
      TestLikelihood[] likelihoods,
      int[] bias,
      double[] at,
      double[] base,
      double[][] truths) {
    this.parameters = parameters;
    this.likelihoods = likelihoods;
    this.bias = bias;
    this.at = at.clone();
    this.base = new double[base.length];
    slope = new double[base.length][at.length];
    shapeAt = new double[at.length];
    shape = new double[at.length];
    double[] moved = new double[at.length];
    for (int j = 0; j < at.length; j++) {
      shapeAt[j] = parameters.shape(j, at[j]);
      moved[j] = parameters.shape(j, at[j] + DELTA) - shapeAt[j];
    }
    for (int i = 0; i < base.length; i++) {
      this.base[i] = Math.log(Math.max(NOTHING, base[i])) + Math.log(parameters.value(at, bias[i]));
      for (int j = 0; j < truths.length; j++) {
        slope[i][j] =
            Math.log(Math.max(NOTHING, truths[j][i]) / Math.max(NOTHING, base[i])) / moved[j];
      }
      slope[i][bias[i]] = parameters.sd(bias[i]);
    }
  }

  /** Makes {@code z} the point that {@link #logShown} tells of. */
  private void lookAt(double[] z) {
    for (int j = 0; j < z.length; j++) {
      shape[j] = parameters.shape(j, z[j]) - shapeAt[j];
    }
  }

  private double logShown(int test) {
    double sum = base[test];
    double[] row = slope[test];
    for (int j = 0; j < row.length; j++) {
      sum += row[j] * shape[j];
    }
    return sum;
  }

  /** Logarithm of the likelihood, tempered as for {@link #draw}. */
  double logLikelihood(double[] z) {
    lookAt(z);
    double sum = 0;
    for (int i = 0; i < base.length; i++) {
      sum += likelihoods[i].quickLogLikelihood(logShown(i));
    }
    return TEMPER * sum;
  }

  private double tempered(double[] z) {
    return logLikelihood(z) - 0.5 * Resampling.sumOfSquares(z);
  }

  private double logPosterior(double[] z, boolean rough) {
    lookAt(z);
    double sum = -0.5 * Resampling.sumOfSquares(z);
    for (int i = 0; i < base.length; i++) {
      sum += value(i, logShown(i), rough);
    }
    return sum;
  }

  private double value(int test, double logShown, boolean rough) {
    return rough
        ? likelihoods[test].roughLogLikelihood(Math.exp(logShown))
        : likelihoods[test].quickLogLikelihood(logShown);
  }

  /** The most likely point; the curvature there is kept for {@link #draw}. */
  double[] search(boolean rough) {
    double trusted = rough ? TRUSTED_FROM_AFAR : TRUSTED;
    int size = at.length;
    double[] z = at.clone();
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
          next[j] = Math.max(at[j] - trusted, Math.min(at[j] + trusted, z[j] + step[j]));
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
    root = new CholeskyDecomposition(curvature).getLT().getData();
    spread = inverse(root);
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
    lookAt(z);
    double[] perCoordinate = new double[size];
    for (int j = 0; j < size; j++) {
      perCoordinate[j] = parameters.shapeSlope(j, z[j]);
    }
    double[] row = new double[size];
    for (int i = 0; i < base.length; i++) {
      double shown = logShown(i);
      double middle = value(i, shown, rough);
      double above = value(i, shown + h, rough);
      double below = value(i, shown - h, rough);
      double first = (above - below) / (2 * h);
      double second = Math.max(0, -(above - 2 * middle + below) / (h * h));
      for (int j = 0; j < size; j++) {
        row[j] = slope[i][j] * perCoordinate[j];
      }
      for (int j = 0; j < size; j++) {
        gradient[j] += first * row[j];
        double weighted = second * row[j];
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

  /** Coordinate {@code j} of the most likely point. */
  double mode(int j) {
    return mode[j];
  }

  /** Fills {@code step} with a draw of the proposal, less the most likely point. */
  void proposal(RandomGenerator random, double[] step) {
    int size = step.length;
    double[] xi = new double[size];
    for (int j = 0; j < size; j++) {
      xi[j] = random.nextGaussian();
    }
    for (int row = 0; row < size; row++) {
      double sum = 0;
      for (int column = row; column < size; column++) {
        sum += spread[row][column] * xi[column];
      }
      step[row] = sum;
    }
  }

  /** Logarithm of the proposal's density at {@code z}, up to a constant. */
  double logProposal(double[] z) {
    double sum = 0;
    for (int row = 0; row < z.length; row++) {
      double xi = 0;
      for (int column = row; column < z.length; column++) {
        xi += root[row][column] * (z[column] - mode[column]);
      }
      sum += xi * xi;
    }
    return -0.5 * sum;
  }

  /** Equally likely draws of the linear tank's posterior. */
  double[][] draw(int draws, RandomGenerator random) {
    int size = at.length;
    int proposals = draws * PROPOSALS_PER_DRAW;
    double[][] proposed = new double[proposals][size];
    double[] logWeight = new double[proposals];
    for (int i = 0; i < proposals; i++) {
      double[] z = proposed[i];
      proposal(random, z);
      for (int j = 0; j < size; j++) {
        z[j] += mode[j];
      }
      logWeight[i] = tempered(z) - logProposal(z);
    }
    int[] chosen = Resampling.resample(Resampling.normalised(logWeight), draws, random);
    double[][] kept = new double[draws][];
    double[] noise = new double[size];
    double[] next = new double[size];
    double shrink = Math.sqrt(1 - MOVE_SIZE * MOVE_SIZE);
    for (int i = 0; i < draws; i++) {
      double[] z = proposed[chosen[i]].clone();
      double current = logWeight[chosen[i]];
      for (int m = 0; m < MOVES; m++) {
        proposal(random, noise);
        for (int j = 0; j < size; j++) {
          next[j] = mode[j] + shrink * (z[j] - mode[j]) + MOVE_SIZE * noise[j];
        }
        double weight = tempered(next) - logProposal(next);
        if (Math.log(random.nextDouble()) < weight - current) {
          System.arraycopy(next, 0, z, 0, size);
          current = weight;
        }
      }
      kept[i] = z;
    }
    return kept;
  }
}
