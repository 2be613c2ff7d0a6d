package org.umberline.core.synthetic;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.RealMatrix;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * A fourth rule to hold forecasts against: one pool of one nutrient in daily steps, a handful of
 * unknowns, the most likely point by Gauss-Newton, a normal around it, re-weighted; the load drifts
 * on, and what separates the last readings from the fit fades. It knows nothing of events beyond
 * changes and doses. Shares no equation with the model.
 */
final class PlainFit {
  private static final int DRAWS = 300;
  private static final double FEWEST_EFFECTIVE = 60;
  private static final double DRIFT_PER_ROOT_WEEK = 0.04;
  private static final double FADE_DAYS = 30;
  private static final double STEP = 0.05;

  private static final int LOAD = 0;
  private static final int UNLISTED = 1;
  private static final int LOSS = 2;
  private static final int UPTAKE = 3;
  private static final int START = 4;
  private static final int BOUND = 5;

  private final TankModel tank;
  private final Nutrient nutrient;
  private final LocalDate first;
  private final int asOf;
  private final double[] median = new double[6];
  private final double[] sd = {0.4, 1.2, 1, 0.7, 1.2, 0.5};
  private final double[] dose;
  private final double[] changed;
  private final double[] source;
  private final List<LogEntry.Test> tests = new ArrayList<>();
  private final List<TestLikelihood> likelihoods = new ArrayList<>();
  private final double[][] draws;

  /**
   * Fits one nutrient of a tank.
   *
   * @param tank with changes to come in its log; other entries after the as-of day are passed over
   * @param days ahead
   */
  PlainFit(TankModel tank, Nutrient nutrient, LocalDate asOf, int days, long seed) {
    this.tank = tank;
    this.nutrient = nutrient;
    first = tank.dayOf(tank.log().get(0).at().toInstant());
    this.asOf = index(asOf);
    int length = this.asOf + days + 2;
    dose = new double[length];
    changed = new double[length];
    source = new double[length];
    layOut();
    double[] mode = mostLikely();
    draws = drawn(mode, new Random(seed));
  }

  private int index(LocalDate day) {
    return (int) (day.toEpochDay() - first.toEpochDay());
  }

  private boolean nitrate() {
    return nutrient == Nutrient.NITRATE;
  }

  private void layOut() {
    double perDay =
        tank.feeding().stream()
            .mapToDouble(
                f ->
                    f.gramsPerDay()
                        * tank.foods().stream()
                            .filter(food -> food.id().equals(f.food()))
                            .mapToDouble(
                                food ->
                                    nitrate()
                                        ? food.proteinPercent() * 10 / 6.25
                                        : food.phosphorusPercent() * 10)
                            .sum())
            .sum();
    median[LOAD] = Math.max(1e-6, 0.8 * nutrient.ion(perDay / tank.netVolumeL()));
    median[UNLISTED] =
        nutrient.ion(perDay > 0 ? (nitrate() ? 0.005 : 0.0005) : nitrate() ? 0.1 : 0.012);
    median[LOSS] = 0.006;
    double dry =
        tank.plants().stream()
            .mapToDouble(
                (PlantStand p) ->
                    p.wetMassG()
                        * p.dryMatterPercent()
                        / 100
                        * Math.log(2)
                        / p.doublingDays()
                        * (nitrate() ? p.nitrogenPercentDry() : p.phosphorusPercentDry())
                        * 10)
            .sum();
    median[UPTAKE] = nutrient.ion(dry / tank.netVolumeL()) * 0.5 + (nitrate() ? 0.05 : 0.005);
    median[START] = nitrate() ? 10 : 0.3;
    median[BOUND] = nitrate() ? 1e-3 : 1.5;
    double dosed =
        tank.dosing().stream()
            .mapToDouble(
                d ->
                    d.mlPerDay()
                        * tank.fertilisers().stream()
                            .filter(f -> f.id().equals(d.fertiliser()))
                            .mapToDouble(f -> nitrate() ? f.nitrateMgPerMl() : f.phosphateMgPerMl())
                            .sum())
            .sum();
    Arrays.fill(dose, dosed / tank.netVolumeL());
    for (LogEntry entry : tank.log()) {
      int day = index(tank.dayOf(entry.at().toInstant()));
      if (entry instanceof LogEntry.WaterChange change && day < changed.length) {
        changed[day] = Math.min(0.95, change.litres() / tank.netVolumeL());
        source[day] = of(change.water());
      } else if (entry instanceof LogEntry.Test test
          && day <= asOf
          && test.analyte() == (nitrate() ? Analyte.NITRATE : Analyte.PHOSPHATE)) {
        tests.add(test);
        likelihoods.add(TestLikelihood.of(test, tank.kitOf(test)));
      }
    }
  }

  private double of(Blend blend) {
    double sum = 0;
    for (Blend.Part part : blend.parts()) {
      SourceWater water = tank.waterById(part.water());
      sum +=
          part.share()
              * (nitrate()
                  ? water.nitrate().map(n -> n.mgPerLitre()).orElse(1.0)
                  : water.phosphate().map(p -> p.mgPerLitre()).orElse(0.03));
    }
    return sum;
  }

  private double value(double[] z, int unknown) {
    return median[unknown] * Math.exp(sd[unknown] * z[unknown]);
  }

  /** The level at noon of each day, before the day's change. */
  private double[] run(double[] z, int to, Random drift) {
    double level = value(z, START);
    double ratio = value(z, BOUND);
    double bound = level * ratio;
    double load = value(z, LOAD);
    double half = nitrate() ? 0.5 : 0.03;
    double[] levels = new double[to + 1];
    for (int day = 0; day <= to; day++) {
      if (drift != null && day > asOf) {
        load *= Math.exp(DRIFT_PER_ROOT_WEEK / Math.sqrt(7) * drift.nextGaussian());
      }
      double in = load + value(z, UNLISTED) + dose[day];
      double out = value(z, LOSS) * level + value(z, UPTAKE) * level / (level + half);
      double moves = 0.5 * (ratio * level - bound) / (1 + ratio);
      levels[day] = level;
      level = Math.max(1e-4, level + in - out - moves);
      bound += moves;
      level += changed[day] * (source[day] - level);
    }
    return levels;
  }

  private double[] shown(double[] z) {
    double[] levels = run(z, asOf, null);
    return tests.stream().mapToDouble(t -> levels[index(tank.dayOf(t.at().toInstant()))]).toArray();
  }

  private double logPosterior(double[] z, double[] shown) {
    double sum = 0;
    for (double c : z) {
      sum -= c * c / 2;
    }
    for (int i = 0; i < shown.length; i++) {
      sum += likelihoods.get(i).logLikelihood(shown[i]);
    }
    return sum;
  }

  private RealMatrix curvature;

  private double[] mostLikely() {
    double[] z = new double[sd.length];
    double damping = 1;
    for (int round = 0; round < 40; round++) {
      double[] here = shown(z);
      double best = logPosterior(z, here);
      double[] gradient = new double[z.length];
      curvature = curvature(z, here, gradient);
      boolean better = false;
      while (!better && damping < 1e6) {
        RealMatrix damped = curvature.copy();
        for (int j = 0; j < z.length; j++) {
          damped.addToEntry(j, j, damping);
        }
        double[] step =
            new CholeskyDecomposition(damped, 1e-6, 1e-12)
                .getSolver()
                .solve(new ArrayRealVector(gradient))
                .toArray();
        double[] next = z.clone();
        for (int j = 0; j < z.length; j++) {
          next[j] = Math.max(-4, Math.min(4, z[j] + step[j]));
        }
        if (logPosterior(next, shown(next)) > best) {
          better = true;
          z = next;
          damping = Math.max(1e-3, damping / 5);
        } else {
          damping *= 5;
        }
      }
      if (!better) {
        break;
      }
    }
    return z;
  }

  private RealMatrix curvature(double[] z, double[] here, double[] gradient) {
    double[][] slope = new double[z.length][];
    for (int j = 0; j < z.length; j++) {
      double[] moved = z.clone();
      moved[j] += STEP;
      slope[j] = shown(moved);
    }
    double[][] sum = new double[z.length][z.length];
    for (int j = 0; j < z.length; j++) {
      gradient[j] = -z[j];
      sum[j][j] = 1;
    }
    double h = 0.05;
    for (int i = 0; i < here.length; i++) {
      TestLikelihood likelihood = likelihoods.get(i);
      double middle = likelihood.logLikelihood(here[i]);
      double above = likelihood.logLikelihood(here[i] * Math.exp(h));
      double below = likelihood.logLikelihood(here[i] * Math.exp(-h));
      double once = (above - below) / (2 * h);
      double twice = Math.max(0, -(above - 2 * middle + below) / (h * h));
      for (int j = 0; j < z.length; j++) {
        double perJ = Math.log(slope[j][i] / here[i]) / STEP;
        gradient[j] += once * perJ;
        for (int l = 0; l < z.length; l++) {
          sum[j][l] += twice * perJ * Math.log(slope[l][i] / here[i]) / STEP;
        }
      }
    }
    return new Array2DRowRealMatrix(sum, false);
  }

  /** Levels of each draw from the first day on. */
  private double[][] drawn(double[] mode, Random random) {
    RealMatrix root =
        new CholeskyDecomposition(
                new CholeskyDecomposition(curvature, 1e-6, 1e-12).getSolver().getInverse(),
                1e-6,
                1e-12)
            .getL();
    double[][] zs = new double[DRAWS][];
    double[] log = new double[DRAWS];
    for (int d = 0; d < DRAWS; d++) {
      double[] normal = random.doubles(mode.length).map(u -> random.nextGaussian()).toArray();
      double[] step = root.operate(normal);
      zs[d] = mode.clone();
      double density = 0;
      for (int j = 0; j < mode.length; j++) {
        zs[d][j] += step[j];
        density -= normal[j] * normal[j] / 2;
      }
      log[d] = logPosterior(zs[d], shown(zs[d])) - density;
    }
    double power = 1;
    double[] weight = weights(log, power);
    while (1 / Arrays.stream(weight).map(w -> w * w).sum() < FEWEST_EFFECTIVE && power > 1e-3) {
      power *= 0.8;
      weight = weights(log, power);
    }
    double[][] levels = new double[DRAWS][];
    for (int d = 0; d < DRAWS; d++) {
      double left = random.nextDouble();
      int at = 0;
      while (at < DRAWS - 1 && (left -= weight[at]) > 0) {
        at++;
      }
      levels[d] = run(zs[at], dose.length - 1, random);
      carry(levels[d]);
    }
    return levels;
  }

  /** Moves the days ahead by what separates the last readings from the draw. */
  private void carry(double[] levels) {
    double sum = 0;
    double weights = 0.5;
    for (int i = 0; i < tests.size(); i++) {
      int day = index(tank.dayOf(tests.get(i).at().toInstant()));
      double weight = Math.exp(-(asOf - day) / FADE_DAYS);
      double shown = Math.max(1e-3, levels[day]);
      double meant =
          Math.max(likelihoods.get(i).lowest(), Math.min(likelihoods.get(i).highest(), shown));
      sum += weight * Math.log(Math.max(1e-3, meant) / shown);
      weights += weight;
    }
    double offset = Math.max(-1, Math.min(1, sum / weights));
    for (int day = asOf + 1; day < levels.length; day++) {
      levels[day] *= Math.exp(offset * Math.exp(-(day - asOf) / FADE_DAYS));
    }
  }

  private static double[] weights(double[] log, double power) {
    double most = Arrays.stream(log).max().orElseThrow();
    double[] weight = Arrays.stream(log).map(l -> Math.exp(power * (l - most))).toArray();
    double sum = Arrays.stream(weight).sum();
    return Arrays.stream(weight).map(w -> w / sum).toArray();
  }

  /** Each draw's concentration at an instant ahead, mg/L of the ion. */
  double[] at(Instant instant) {
    int day = index(tank.dayOf(instant));
    return Arrays.stream(draws).mapToDouble(levels -> levels[day]).toArray();
  }
}
