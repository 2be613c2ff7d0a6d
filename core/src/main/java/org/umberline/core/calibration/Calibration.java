package org.umberline.core.calibration;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.random.RandomGenerator;
import org.hipparchus.random.Well19937a;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Learns a tank's unknowns from its tests: the most likely point by a damped Newton search
 * (Levenberg-Marquardt on the curvature of each test's likelihood), a normal proposal from the
 * curvature there, importance weights, and where these are too uneven, preconditioned
 * Crank-Nicolson moves (Cotter, Roberts, Stuart, White, Statistical Science 28, 2013) of the
 * resampled draws.
 */
public final class Calibration {
  /** Draws a posterior holds unless asked otherwise. */
  public static final int DRAWS = 500;

  /** No test older than this many days is used: the load has drifted too far since. */
  private static final int LONGEST_WINDOW_DAYS = 400;

  /** A log that begins this soon after the tank's start is run from the start. */
  private static final int START_KNOWN_DAYS = 60;

  private static final int PROPOSALS_PER_DRAW = 2;
  private static final int NEWTON_STEPS = 25;

  /** Below this share of effective draws the resampled draws are moved. */
  private static final double FEWEST_EFFECTIVE = 0.3;

  private static final int MOVES = 5;
  private static final double MOVE_SIZE = 0.35;

  private final Scenario scenario;
  private final Parameters parameters;
  private final TankSimulator simulator;
  private final List<LogEntry.Test> tests;
  private final TestLikelihood[] likelihoods;
  private final boolean[] nitrate;
  private final int[] bias;
  private final Multipliers multipliers;
  private final TankState state;
  private final Trace trace;
  private final double[] truth;

  /**
   * Calibrates {@code tank} on the entries of its log.
   *
   * @param tank with its log as known at the as-of instant
   * @param asOf the last day of the log's knowledge
   * @param horizonDays days ahead to lay out
   * @param draws how many draws the posterior shall hold
   * @param seed the same seed gives the same draws
   */
  public static Posterior calibrate(
      TankModel tank, LocalDate asOf, int horizonDays, int draws, long seed) {
    Scenario scenario = Scenario.of(tank, firstDay(tank, asOf), asOf, horizonDays);
    return new Calibration(scenario).run(draws, new Well19937a(seed));
  }

  /** The first day that is run: the log's first, the tank's start, or a window before as-of. */
  static LocalDate firstDay(TankModel tank, LocalDate asOf) {
    LocalDate first = asOf;
    if (!tank.log().isEmpty()) {
      LocalDate firstEntry = tank.dayOf(tank.log().get(0).at().toInstant());
      first = firstEntry.isBefore(first) ? firstEntry : first;
    }
    if (tank.startedOn().isPresent()) {
      LocalDate started = tank.startedOn().get();
      if (started.isBefore(first) && !started.isBefore(first.minusDays(START_KNOWN_DAYS))) {
        first = started;
      }
    }
    LocalDate earliest = asOf.minusDays(LONGEST_WINDOW_DAYS);
    return first.isBefore(earliest) ? earliest : first;
  }

  private Calibration(Scenario scenario) {
    this.scenario = scenario;
    parameters = new Parameters(scenario);
    simulator = new TankSimulator(scenario);
    tests = scenario.probes();
    likelihoods = new TestLikelihood[tests.size()];
    nitrate = new boolean[tests.size()];
    bias = new int[tests.size()];
    for (int i = 0; i < likelihoods.length; i++) {
      LogEntry.Test test = tests.get(i);
      likelihoods[i] = TestLikelihood.of(test, scenario.tank().kitOf(test));
      nitrate[i] = test.analyte() == Analyte.NITRATE;
      bias[i] = parameters.biasOf(test);
    }
    multipliers = parameters.fresh();
    state = new TankState(scenario);
    trace = new Trace(scenario);
    truth = new double[tests.size()];
  }

  private Posterior run(int draws, RandomGenerator random) {
    int size = parameters.size();
    double[] mode = new double[size];
    RealMatrix curvature = null;
    if (!tests.isEmpty()) {
      search(mode, true);
      curvature = search(mode, false);
    }
    // z = mode + spread * xi has the curvature's inverse as its covariance
    double[][] spread = spread(curvature, size);

    int proposals = draws * PROPOSALS_PER_DRAW;
    double[][] xi = new double[proposals][size];
    double[] logWeight = new double[proposals];
    double[] z = new double[size];
    for (int i = 0; i < proposals; i++) {
      for (int j = 0; j < size; j++) {
        xi[i][j] = random.nextGaussian();
      }
      logWeight[i] = logWeight(place(mode, spread, xi[i], z), xi[i]);
    }
    double[] weight = normalised(logWeight);
    double effective = 1 / sumOfSquares(weight);
    int[] chosen = resample(weight, draws, random);
    double[][] kept = new double[draws][];
    for (int i = 0; i < draws; i++) {
      kept[i] = xi[chosen[i]].clone();
    }
    if (effective < FEWEST_EFFECTIVE * draws) {
      move(kept, mode, spread, random);
    }
    return posterior(kept, mode, spread, effective, random);
  }

  /** Runs the past for the coordinates and leaves the concentrations at the tests in truth. */
  private void simulate(double[] z) {
    parameters.apply(z, multipliers, state);
    simulator.run(state, 0, scenario.asOfDay() + 1, multipliers, PlannedChanges.NONE, trace);
    for (int i = 0; i < truth.length; i++) {
      truth[i] =
          nitrate[i]
              ? Nitrate.of(new Nitrogen(trace.probeNitrogen[i])).mgPerLitre()
              : Phosphate.of(new Phosphorus(trace.probePhosphorus[i])).mgPerLitre();
    }
  }

  private double shown(int test, double[] z) {
    return truth[test] * parameters.value(z, bias[test]);
  }

  private double logPosterior(double[] z, boolean rough) {
    double sum = -0.5 * sumOfSquares(z);
    for (int i = 0; i < truth.length; i++) {
      double shown = shown(i, z);
      sum += rough ? likelihoods[i].roughLogLikelihood(shown) : likelihoods[i].logLikelihood(shown);
    }
    return sum;
  }

  /** Moves {@code z} to the most likely point and returns the curvature there. */
  private RealMatrix search(double[] z, boolean rough) {
    int size = z.length;
    simulate(z);
    double best = logPosterior(z, rough);
    double damping = 1e-2;
    RealMatrix curvature = null;
    double[] gradient = new double[size];
    for (int iteration = 0; iteration < NEWTON_STEPS; iteration++) {
      curvature = curvature(z, rough, gradient);
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
          // No coordinate goes further than 2 prior deviations at once: exponentials punish haste.
          next[j] = z[j] + Math.max(-2, Math.min(2, step[j]));
        }
        simulate(next);
        double value = logPosterior(next, rough);
        if (value > best) {
          better = true;
          gain = value - best;
          best = value;
          System.arraycopy(next, 0, z, 0, size);
          damping = Math.max(1e-6, damping / 5);
        } else {
          damping *= 5;
        }
      }
      if (!better || gain < 1e-3) {
        break;
      }
    }
    return curvature(z, rough, gradient);
  }

  /** Negative second derivative of the log posterior, kept positive; fills {@code gradient}. */
  private RealMatrix curvature(double[] z, boolean rough, double[] gradient) {
    int size = z.length;
    int count = truth.length;
    simulate(z);
    double[] base = truth.clone();
    double[][] slope = new double[count][size];
    double[] moved = z.clone();
    double delta = 1e-4;
    for (int j = 0; j < parameters.firstBias(); j++) {
      moved[j] = z[j] + delta;
      simulate(moved);
      moved[j] = z[j];
      for (int i = 0; i < count; i++) {
        slope[i][j] = (truth[i] - base[i]) / delta * parameters.value(z, bias[i]);
      }
    }
    System.arraycopy(base, 0, truth, 0, count);
    double[][] sum = new double[size][size];
    for (int j = 0; j < size; j++) {
      sum[j][j] = 1;
      gradient[j] = -z[j];
    }
    for (int i = 0; i < count; i++) {
      double shown = shown(i, z);
      slope[i][bias[i]] = shown * parameters.sd(bias[i]);
      double h = 1e-3 * (shown + 1e-3);
      double middle = value(i, shown, rough);
      double above = value(i, shown + h, rough);
      double below = value(i, shown - h, rough);
      double first = (above - below) / (2 * h);
      double second = Math.max(0, -(above - 2 * middle + below) / (h * h));
      for (int j = 0; j < size; j++) {
        gradient[j] += first * slope[i][j];
        for (int l = 0; l <= j; l++) {
          sum[j][l] += second * slope[i][j] * slope[i][l];
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

  private double value(int test, double shown, boolean rough) {
    return rough
        ? likelihoods[test].roughLogLikelihood(shown)
        : likelihoods[test].logLikelihood(shown);
  }

  /** The inverse transpose of the curvature's Cholesky factor; the identity without curvature. */
  private static double[][] spread(RealMatrix curvature, int size) {
    double[][] spread = new double[size][size];
    if (curvature == null) {
      for (int j = 0; j < size; j++) {
        spread[j][j] = 1;
      }
      return spread;
    }
    double[][] upper = new CholeskyDecomposition(curvature).getLT().getData();
    for (int column = 0; column < size; column++) {
      for (int row = size - 1; row >= 0; row--) {
        double rest = row == column ? 1 : 0;
        for (int l = row + 1; l < size; l++) {
          rest -= upper[row][l] * spread[l][column];
        }
        spread[row][column] = rest / upper[row][row];
      }
    }
    return spread;
  }

  private static double[] place(double[] mode, double[][] spread, double[] xi, double[] z) {
    for (int row = 0; row < z.length; row++) {
      double sum = mode[row];
      for (int column = row; column < z.length; column++) {
        sum += spread[row][column] * xi[column];
      }
      z[row] = sum;
    }
    return z;
  }

  /** Log of posterior over proposal, up to a constant. */
  private double logWeight(double[] z, double[] xi) {
    simulate(z);
    return logPosterior(z, false) + 0.5 * sumOfSquares(xi);
  }

  private static double[] normalised(double[] logWeight) {
    double most = Double.NEGATIVE_INFINITY;
    for (double w : logWeight) {
      most = Math.max(most, w);
    }
    double[] weight = new double[logWeight.length];
    double sum = 0;
    for (int i = 0; i < weight.length; i++) {
      weight[i] = Math.exp(logWeight[i] - most);
      sum += weight[i];
    }
    for (int i = 0; i < weight.length; i++) {
      weight[i] /= sum;
    }
    return weight;
  }

  private static double sumOfSquares(double[] values) {
    double sum = 0;
    for (double value : values) {
      sum += value * value;
    }
    return sum;
  }

  /** Systematic resampling: one random offset, equal steps through the cumulated weights. */
  private static int[] resample(double[] weight, int draws, RandomGenerator random) {
    int[] chosen = new int[draws];
    double offset = random.nextDouble();
    double cumulated = weight[0];
    int at = 0;
    for (int i = 0; i < draws; i++) {
      double target = (i + offset) / draws;
      while (cumulated < target && at < weight.length - 1) {
        cumulated += weight[++at];
      }
      chosen[i] = at;
    }
    // Neighbours are copies of one another: shuffled, any part of the draws stands for the whole.
    for (int i = draws - 1; i > 0; i--) {
      int other = random.nextInt(i + 1);
      int swap = chosen[i];
      chosen[i] = chosen[other];
      chosen[other] = swap;
    }
    return chosen;
  }

  private void move(double[][] kept, double[] mode, double[][] spread, RandomGenerator random) {
    int size = mode.length;
    double[] z = new double[size];
    double[] proposal = new double[size];
    double shrink = Math.sqrt(1 - MOVE_SIZE * MOVE_SIZE);
    for (double[] xi : kept) {
      double current = logWeight(place(mode, spread, xi, z), xi);
      for (int m = 0; m < MOVES; m++) {
        for (int j = 0; j < size; j++) {
          proposal[j] = shrink * xi[j] + MOVE_SIZE * random.nextGaussian();
        }
        double next = logWeight(place(mode, spread, proposal, z), proposal);
        if (Math.log(random.nextDouble()) < next - current) {
          System.arraycopy(proposal, 0, xi, 0, size);
          current = next;
        }
      }
    }
  }

  private Posterior posterior(
      double[][] kept, double[] mode, double[][] spread, double effective, RandomGenerator random) {
    int draws = kept.length;
    int past = scenario.asOfDay() + 1;
    double[][] nitrogen = new double[past][draws];
    double[][] phosphorus = new double[past][draws];
    double[][] atTests = new double[truth.length][draws];
    List<Posterior.Draw> result = new ArrayList<>(draws);
    double[] z = new double[mode.length];
    for (int i = 0; i < draws; i++) {
      simulate(place(mode, spread, kept[i], z));
      for (int day = 0; day < past; day++) {
        nitrogen[day][i] = trace.nitrogen[day];
        phosphorus[day][i] = trace.phosphorus[day];
      }
      for (int t = 0; t < truth.length; t++) {
        atTests[t][i] = truth[t];
      }
      Multipliers own = parameters.fresh();
      parameters.apply(z, own, new TankState(scenario));
      drift(own.nitrogenLoad, random);
      drift(own.phosphorusLoad, random);
      result.add(new Posterior.Draw(state.copy(), own));
    }
    List<Posterior.Reading> readings = new ArrayList<>();
    for (int t = 0; t < truth.length; t++) {
      readings.add(new Posterior.Reading(t, likelihoods[t], median(atTests[t])));
    }
    double[][] n = quantiles(nitrogen);
    double[][] p = quantiles(phosphorus);
    return new Posterior(
        scenario,
        List.copyOf(result),
        new Posterior.Fit(n[0], n[1], n[2], p[0], p[1], p[2]),
        List.copyOf(readings),
        effective);
  }

  /** Lets the load wander on into the days ahead. */
  private void drift(double[] load, RandomGenerator random) {
    double perDay = Priors.DRIFT_PER_ROOT_WEEK / Math.sqrt(7);
    for (int day = scenario.asOfDay() + 1; day < load.length; day++) {
      load[day] = load[day - 1] * Math.exp(perDay * random.nextGaussian());
    }
  }

  private static double median(double[] sample) {
    Quantiles.sort(sample);
    return Quantiles.of(sample, 0.5);
  }

  private static double[][] quantiles(double[][] byDay) {
    double[][] result = new double[3][byDay.length];
    for (int day = 0; day < byDay.length; day++) {
      Quantiles.sort(byDay[day]);
      result[0][day] = Quantiles.of(byDay[day], 0.1);
      result[1][day] = Quantiles.of(byDay[day], 0.5);
      result[2][day] = Quantiles.of(byDay[day], 0.9);
    }
    return result;
  }
}
