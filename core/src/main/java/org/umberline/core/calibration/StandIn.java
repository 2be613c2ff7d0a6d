package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.EigenDecompositionSymmetric;
import org.hipparchus.linear.RealMatrix;

/**
 * Stands in for a tank near one point of its unknowns, at a thousandth of the cost of a run: what
 * tests show is said by a {@link ResponseSurface}. Its most likely point is found by a damped
 * Newton search (Levenberg-Marquardt on the curvature of each test's likelihood); {@link Walk}
 * draws from it.
 */
final class StandIn {
  /**
   * The step at which slopes are taken, prior standard deviations: large beside what the stepping
   * of a run rounds, small beside what bends.
   */
  static final double DELTA = 0.2;

  /** No coordinate goes further than this from where the slopes were taken, led by parabolas. */
  private static final double TRUSTED_FROM_AFAR = 2;

  /** And led by the likelihood itself. */
  private static final double TRUSTED = 1;

  private static final int NEWTON_STEPS = 30;

  /**
   * A coordinate stays as it is where what it stands for reaches no further, as a logarithm, or
   * where tests tell of it so little beside the prior. Chosen.
   */
  private static final double HARDLY = 0.15;

  /** A part of a sum that is more than this goes as the sum itself. Chosen. */
  private static final double NEARLY_ALL = 0.9;

  /** And one that is less than this doesn't move it. Chosen. */
  private static final double HARDLY_ANY = 1e-6;

  /** The step at which likelihoods' slopes are taken: wider than a step of their tables. */
  private static final double H = 0.05;

  /**
   * Fewer draws than coordinates spread nowhere in some directions, and a search for directions may
   * fail where many are alike nothing: this is added to all alike before it, and taken off again.
   */
  private static final double LEVELLED = 0.01;

  private final TestLikelihood[] likelihoods;
  private final ResponseSurface surface;
  private final double[] at;
  private final Point here;

  private double[] mode;
  private Evened evened;

  // what draws are taken around, in even coordinates
  private double[] centre;
  private double[][] spread;

  /** The same with its rows as columns. */
  private double[][] reach;

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
    this.likelihoods = likelihoods;
    this.at = at.clone();
    surface = new ResponseSurface(parameters, at, base, truths);
    here = new Point();
  }

  /**
   * Learns what it misses from runs, and looks for the most likely point once more.
   *
   * @param zs where the tank was run
   * @param truths what it held at the tests
   */
  void learn(List<double[]> zs, List<double[]> truths) {
    surface.learn(zs, truths, mode, likelihoods);
    searchOn();
  }

  private double logPosterior(double[] z, boolean rough) {
    here.lookAt(z);
    double sum = -0.5 * Resampling.sumOfSquares(z);
    for (int i = 0; i < likelihoods.length; i++) {
      sum += value(i, here.shown[i], rough);
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

  /** Looks for the most likely point once more, where readings are believed otherwise. */
  void searchOn() {
    search(mode, false);
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
    centre = z;
    spread = Vectors.inverse(new CholeskyDecomposition(curvature).getLT().getData());
    reach = Table.turned(spread, spread.length);
    evened = evened();
  }

  /**
   * Even coordinates around the most likely point; what a run doesn't depend on is even already.
   */
  private Evened evened() {
    int size = mode.length;
    double[] sure = new double[size];
    double[] bends = new double[size];
    double[] row = new double[size];
    here.lookAt(mode);
    for (int i = 0; i < likelihoods.length; i++) {
      double bend = bend(i, here.shown[i], false);
      Arrays.fill(row, 0);
      here.onSurface.addSlopes(i, row);
      for (int j = 0; j < surface.structural; j++) {
        sure[j] += bend * row[j] * row[j];
        bends[j] += row[j] == 0 ? 0 : bend;
      }
    }
    double[] sharpness = new double[size];
    double[] share = new double[size];
    for (int j = 0; j < surface.structural; j++) {
      double variance = Resampling.sumOfSquares(spread[j]);
      share[j] = sure[j] == 0 ? 0 : Math.sqrt(sure[j] / bends[j]) / surface.sd[j];
      if (surface.sd[j] * Math.sqrt(variance) > HARDLY
          && share[j] > HARDLY_ANY
          && share[j] < NEARLY_ALL) {
        double told = Math.sqrt(Math.max(0, 1 / variance - 1));
        sharpness[j] = told < HARDLY ? 0 : told;
      }
    }
    return new Evened(mode, surface.sd, sharpness, share);
  }

  /**
   * Stretches the directions in which draws reach much further than the curvature at the most
   * likely point lets expect; what draws so few might show by chance is left.
   */
  void stretch(double[][] draws) {
    int size = mode.length;
    double[][] even = new double[draws.length][size];
    for (int i = 0; i < draws.length; i++) {
      evened.fromUnknowns(draws[i], even[i]);
    }
    RealMatrix normal = new Array2DRowRealMatrix(draws.length, size);
    centre = new double[size];
    for (double[] z : even) {
      for (int j = 0; j < size; j++) {
        centre[j] += z[j] / draws.length;
      }
    }
    for (int i = 0; i < draws.length; i++) {
      normal.setRow(i, solve(even[i]));
    }
    RealMatrix spreads = normal.transposeMultiply(normal).scalarMultiply(1.0 / draws.length);
    for (int j = 0; j < size; j++) {
      spreads.addToEntry(j, j, LEVELLED);
    }
    EigenDecompositionSymmetric directions = new EigenDecompositionSymmetric(spreads);
    double chance = 1 + Math.sqrt(size / (double) draws.length);
    for (int k = 0; k < size; k++) {
      double times = Math.sqrt(Math.max(0, directions.getEigenvalue(k) - LEVELLED));
      if (times > chance) {
        stretch(directions.getEigenvector(k).toArray(), times);
      }
    }
    reach = Table.turned(spread, size);
  }

  private void stretch(double[] direction, double times) {
    for (double[] row : spread) {
      double along = 0;
      for (int j = 0; j < row.length; j++) {
        along += row[j] * direction[j];
      }
      for (int j = 0; j < row.length; j++) {
        row[j] += (times - 1) * along * direction[j];
      }
    }
  }

  /** The step from the centre to a point of even coordinates in normal ones. */
  private double[] solve(double[] z) {
    double[] normal = new double[z.length];
    for (int r = z.length - 1; r >= 0; r--) {
      double rest = z[r] - centre[r];
      for (int k = r + 1; k < z.length; k++) {
        rest -= spread[r][k] * normal[k];
      }
      normal[r] = rest / spread[r][r];
    }
    return normal;
  }

  /** Negative second derivative of the log posterior, kept positive; fills {@code gradient}. */
  private RealMatrix curvature(double[] z, boolean rough, double[] gradient) {
    int size = z.length;
    double[][] sum = new double[size][size];
    for (int j = 0; j < size; j++) {
      sum[j][j] = 1;
      gradient[j] = -z[j];
    }
    here.lookAt(z);
    double[] row = new double[size];
    for (int i = 0; i < likelihoods.length; i++) {
      double shown = here.shown[i];
      double rise = (value(i, shown + H, rough) - value(i, shown - H, rough)) / (2 * H);
      double bend = bend(i, shown, rough);
      Arrays.fill(row, 0);
      here.onSurface.addSlopes(i, row);
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

  /** How sharply a test tells of what it shows: its curvature, never negative. */
  private double bend(int test, double logShown, boolean rough) {
    double sides = value(test, logShown + H, rough) + value(test, logShown - H, rough);
    return Math.max(0, (2 * value(test, logShown, rough) - sides) / (H * H));
  }

  int size() {
    return at.length;
  }

  double[] mode() {
    return mode;
  }

  /** The coordinates that {@link #centre} and {@link #spread} are told in. */
  Evened coordinates() {
    return evened;
  }

  /** Where draws lie around: the most likely point until draws were seen. */
  double[] centre() {
    return centre;
  }

  /** Takes independent standard normal coordinates to a step from the centre. */
  double[][] spread() {
    return spread;
  }

  /** How far each of those coordinates reaches: the columns of {@link #spread}. */
  double[][] reach() {
    return reach;
  }

  /** What the stand-in says of one point of the unknowns. Not to be shared between threads. */
  final class Point {
    private final SurfacePoint onSurface = new SurfacePoint(surface);
    private final double[] shown = new double[likelihoods.length];
    private final double[] by = new double[likelihoods.length];
    private final double[] slope = new double[1];
    private double[] z;

    /** Makes {@code z} the point that is told of; it is not to change meanwhile. */
    void lookAt(double[] z) {
      this.z = z;
      onSurface.lookAt(z);
      onSurface.logShown(shown);
    }

    /** Logarithm of the likelihood. */
    double logLikelihood() {
      double sum = 0;
      for (int i = 0; i < shown.length; i++) {
        sum += likelihoods[i].quickLogLikelihood(shown[i]);
      }
      return sum;
    }

    /**
     * Logarithm of the posterior, up to a constant.
     *
     * @param gradient is filled
     * @param belief how much the tests are believed: their likelihood is raised to this power
     */
    double logDensity(double[] gradient, double belief) {
      double sum = -0.5 * Resampling.sumOfSquares(z);
      for (int j = 0; j < gradient.length; j++) {
        gradient[j] = -z[j];
      }
      for (int i = 0; i < shown.length; i++) {
        sum += belief * likelihoods[i].quickLogLikelihood(shown[i], slope);
        by[i] = belief * slope[0];
      }
      onSurface.addSlopes(by, gradient);
      return sum;
    }
  }
}
