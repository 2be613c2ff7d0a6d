package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.random.RandomGenerator;

/**
 * Draws from a stand-in's posterior by Hamiltonian Monte Carlo (Neal, Handbook of Markov Chain
 * Monte Carlo, 2011, chapter 5), in coordinates in which the posterior is nearly a standard normal.
 * A trajectory goes on about where the one before was going (momentum partly refreshed, 5.3), so
 * that short ones get as far as long ones. Not to be shared between threads.
 */
final class Walk {
  /** Trajectories from around the most likely point to the first draw of the posterior. */
  private static final int TRAJECTORIES = 10;

  private static final int MOST_TRAJECTORIES = 30;

  /** Standard deviations of the density's logarithm below its usual value. */
  private static final double FAR_OUT = 4;

  /**
   * Steps of a trajectory: with their length less than a quarter turn. Longer ones leave the draws
   * too narrow where it is steep, which effective draws don't show. Chosen by ranks of drawn tanks.
   */
  private static final int STEPS = 4;

  static final double STEP = 0.3;

  /** Share of its momentum that a trajectory takes over from the one before. Chosen by ranks. */
  private static final double KEPT = 0.8;

  private static final double FRESH = Math.sqrt(1 - KEPT * KEPT);

  /** No step is shorter than this: the walk would hardly get away. Chosen. */
  private static final double LEAST_STEP = 0.1;

  /** How quickly the step follows the share of trajectories that were taken. Chosen. */
  private static final double FOLLOWS = 2;

  /** Shortest and longest step beside that: where it is steep only short ones are taken. */
  private static final double SHORTEST = 0.3;

  private static final double LONGEST = 1.2;

  /** Where walks begin, standard deviations: far out they might stick. */
  private static final double START = 0.6;

  private final StandIn standIn;
  private final double belief;
  private final double highest;
  private final StandIn.Point point;
  private final double[] gradient;
  private final double[] momentum;
  private final double[] place;

  /** The unknowns where the walk stands: it goes in {@link StandIn#coordinates}. */
  private double[] unknowns;

  /** Logarithm of the density where the walk stands, and its slopes in normal coordinates. */
  private double logDensity;

  private double[] force;

  /**
   * @param belief how much the tests are believed: 1 for the posterior, less for a wider one
   */
  Walk(StandIn standIn, double belief) {
    this.standIn = standIn;
    this.belief = belief;
    point = standIn.new Point();
    int size = standIn.size();
    gradient = new double[size];
    force = new double[size];
    momentum = new double[size];
    place = new double[size];
    point.lookAt(standIn.mode());
    highest = point.logDensity(gradient, belief) - standIn.coordinates().logRoom(standIn.mode());
  }

  /**
   * The step for the next draws: shorter where too few trajectories were taken with the last one,
   * and never longer than {@link #STEP}.
   *
   * @param taken share of the trajectories that were taken
   * @param wanted share that should be
   */
  static double step(double last, double taken, double wanted) {
    return Math.max(LEAST_STEP, Math.min(STEP, last * Math.exp(FOLLOWS * (taken - wanted))));
  }

  /**
   * Fills {@code draws} with draws of the posterior, hardly any like the one before.
   *
   * @param usual step of a trajectory, which varies about it
   */
  void draw(double[][] draws, double usual, RandomGenerator random) {
    for (int j = 0; j < place.length; j++) {
      place[j] = START * random.nextGaussian();
      momentum[j] = random.nextGaussian();
    }
    double[] even = standIn.centre().clone();
    unknowns = standIn.mode().clone();
    shift(even);
    look(even);
    for (int i = 1; i < TRAJECTORIES || i < MOST_TRAJECTORIES && isFarOut(); i++) {
      even = goOn(even, usual, random);
    }
    for (int i = 0; i < draws.length; i++) {
      even = goOn(even, usual, random);
      draws[i] = unknowns.clone();
    }
  }

  /** How much less likely than the likeliest point hardly any draw is, as a logarithm. */
  static double farOut(int coordinates) {
    return coordinates / 2.0 + FAR_OUT * Math.sqrt(coordinates / 2.0);
  }

  /** Whether hardly any draw lies so far out: a walk that is stuck there goes on. */
  private boolean isFarOut() {
    return logDensity < highest - farOut(place.length);
  }

  /** Logarithm of the stand-in's likelihood at {@code z}, as far as it is believed. */
  double logLikelihood(double[] z) {
    point.lookAt(z);
    return belief * point.logLikelihood();
  }

  /**
   * Where a trajectory ends, at which the walk stands, or where it began if it is refused: then the
   * walk turns about.
   *
   * @param even where the walk stands, even coordinates
   */
  private double[] goOn(double[] even, double usual, RandomGenerator random) {
    double[] moved = even.clone();
    double logDensityBefore = logDensity;
    double[] forceBefore = force.clone();
    double[] unknownsBefore = unknowns.clone();
    for (int j = 0; j < place.length; j++) {
      momentum[j] = KEPT * momentum[j] + FRESH * random.nextGaussian();
    }
    double[] momentumBefore = momentum.clone();
    double step = usual * (SHORTEST + (LONGEST - SHORTEST) * random.nextDouble());
    double before = logDensity - 0.5 * Resampling.sumOfSquares(momentum);
    push(step / 2);
    for (int s = 0; s < STEPS; s++) {
      for (int j = 0; j < place.length; j++) {
        place[j] = step * momentum[j];
      }
      shift(moved);
      look(moved);
      push(s == STEPS - 1 ? step / 2 : step);
    }
    double after = logDensity - 0.5 * Resampling.sumOfSquares(momentum);
    if (Math.log(random.nextDouble()) < after - before) {
      return moved;
    }
    logDensity = logDensityBefore;
    force = forceBefore;
    unknowns = unknownsBefore;
    for (int j = 0; j < momentum.length; j++) {
      momentum[j] = -momentumBefore[j];
    }
    return even;
  }

  private void look(double[] even) {
    Evened coordinates = standIn.coordinates();
    coordinates.toUnknowns(even, unknowns);
    point.lookAt(unknowns);
    logDensity = point.logDensity(gradient, belief) - coordinates.logRoom(unknowns);
    coordinates.turn(unknowns, gradient);
    Arrays.fill(force, 0);
    Table.addRows(gradient, standIn.spread(), 0, gradient.length, force);
  }

  private void push(double step) {
    for (int j = 0; j < momentum.length; j++) {
      momentum[j] += step * force[j];
    }
  }

  /** Moves a point by {@link #place}, given in normal coordinates. */
  private void shift(double[] even) {
    Table.addRows(place, standIn.reach(), 0, place.length, even);
  }
}
