package org.umberline.core.calibration;

import java.util.random.RandomGenerator;

/**
 * Draws from a stand-in's posterior by Hamiltonian Monte Carlo (Neal, Handbook of Markov Chain
 * Monte Carlo, 2011, chapter 5), in coordinates in which the posterior is nearly a standard normal.
 * Not to be shared between threads.
 */
final class Walk {
  /** Trajectories from around the most likely point to the first draw of the posterior. */
  private static final int TRAJECTORIES = 5;

  private static final int MOST_TRAJECTORIES = 30;

  /** Standard deviations of the density's logarithm below its usual value. */
  private static final double FAR_OUT = 4;

  /** Steps of a trajectory; with their length a quarter turn, which forgets where it began. */
  private static final int STEPS = 6;

  private static final double STEP = 0.3;

  /** Shortest and longest step beside that: where it is steep only short ones are taken. */
  private static final double SHORTEST = 0.3;

  private static final double LONGEST = 1.2;

  /** Where walks begin, standard deviations: far out they might stick. */
  private static final double START = 0.6;

  private final StandIn standIn;
  private final StandIn.Point point;
  private final double[] gradient;
  private final double[] force;
  private final double[] momentum;
  private final double[] place;
  private final double highest;
  private double logDensity;

  Walk(StandIn standIn) {
    this.standIn = standIn;
    point = standIn.new Point();
    int size = standIn.size();
    gradient = new double[size];
    force = new double[size];
    momentum = new double[size];
    place = new double[size];
    point.lookAt(standIn.mode());
    highest = point.logDensity(gradient);
  }

  /** Fills {@code draws} with draws of the posterior, hardly any like the one before. */
  void draw(double[][] draws, RandomGenerator random) {
    double[] start = new double[place.length];
    for (int j = 0; j < start.length; j++) {
      start[j] = START * random.nextGaussian();
    }
    double[] z = new double[start.length];
    from(start, z);
    for (int i = 1; i < TRAJECTORIES || i < MOST_TRAJECTORIES && isFarOut(z); i++) {
      z = next(z, STEPS, random);
    }
    for (int i = 0; i < draws.length; i++) {
      z = next(z, STEPS, random);
      draws[i] = z;
    }
  }

  /** Whether hardly any draw lies so far out: a walk that is stuck there goes on. */
  private boolean isFarOut(double[] z) {
    point.lookAt(z);
    double size = z.length;
    return point.logDensity(gradient) < highest - size / 2 - FAR_OUT * Math.sqrt(size / 2);
  }

  /** Logarithm of the stand-in's likelihood at {@code z}. */
  double logLikelihood(double[] z) {
    point.lookAt(z);
    return point.logLikelihood();
  }

  /** Where a trajectory of so many steps ends, or {@code z} where that is refused. */
  double[] next(double[] z, int steps, RandomGenerator random) {
    double[] moved = z.clone();
    for (int j = 0; j < place.length; j++) {
      momentum[j] = random.nextGaussian();
    }
    double step = STEP * (SHORTEST + (LONGEST - SHORTEST) * random.nextDouble());
    look(moved);
    double before = logDensity - 0.5 * Resampling.sumOfSquares(momentum);
    push(step / 2);
    for (int s = 0; s < steps; s++) {
      System.arraycopy(momentum, 0, place, 0, place.length);
      for (int j = 0; j < place.length; j++) {
        place[j] *= step;
      }
      shift(moved);
      look(moved);
      push(s == steps - 1 ? step / 2 : step);
    }
    double after = logDensity - 0.5 * Resampling.sumOfSquares(momentum);
    return Math.log(random.nextDouble()) < after - before ? moved : z;
  }

  private void look(double[] z) {
    point.lookAt(z);
    logDensity = point.logDensity(gradient);
    double[][] spread = standIn.spread();
    for (int column = 0; column < force.length; column++) {
      double sum = 0;
      for (int r = 0; r <= column; r++) {
        sum += spread[r][column] * gradient[r];
      }
      force[column] = sum;
    }
  }

  private void push(double step) {
    for (int j = 0; j < momentum.length; j++) {
      momentum[j] += step * force[j];
    }
  }

  /** Moves {@code z} by {@link #place}, given in normal coordinates. */
  private void shift(double[] z) {
    double[][] spread = standIn.spread();
    for (int r = 0; r < z.length; r++) {
      double sum = 0;
      for (int column = r; column < z.length; column++) {
        sum += spread[r][column] * place[column];
      }
      z[r] += sum;
    }
  }

  private void from(double[] normal, double[] z) {
    System.arraycopy(normal, 0, place, 0, place.length);
    System.arraycopy(standIn.mode(), 0, z, 0, z.length);
    shift(z);
  }
}
