package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.random.RandomGenerator;
import org.umberline.core.tank.Analyte;

/** Finds the most likely point of a tank's unknowns, and what the tests would show around it. */
final class ModeSearch {
  /** Times the tank is made linear anew, at most; the first of them on parabolas, which lead. */
  private static final int LINEARISATIONS = 8;

  /** Parabolas lead on until the most likely point moves by less than this. */
  private static final double NEAR = 1;

  /** The search ends when the most likely point moves by less than this in every coordinate. */
  private static final double SETTLED = 0.25;

  /** More readings of one analyte than this share are hardly ever blunders. Chosen. */
  private static final double MOST_BLUNDERS = 0.2;

  /** Points of the prior that are tried where the first search fails, and searches from them. */
  private static final int TRIED_STARTS = 200;

  private static final int STARTS = 3;

  /** More readings of one analyte than this share off any course: none of them is sure. Chosen. */
  private static final double MOST_OFF = 0.35;

  private final Parameters parameters;
  private final int[] movedFirst;
  private final Readings readings;
  private final PastRuns runs;

  ModeSearch(Parameters parameters, Readings readings, PastRuns runs) {
    this.parameters = parameters;
    movedFirst = movedFirst(parameters);
    this.readings = readings;
    this.runs = runs;
  }

  /**
   * Finds the most likely point and what the tests would show around it. A point at which readings
   * are written off is not believed: the search begins anew from where the prior alone comes
   * nearest to all of them. Readings that no course can bring together scatter more than their kit
   * is said to, and are believed so much less.
   */
  StandIn find(RandomGenerator random) {
    StandIn standIn = nearest(random);
    if (readings.trustAgreeing(standIn.mode(), runs.atTests(standIn.mode()))) {
      standIn.searchOn();
    }
    return standIn;
  }

  private StandIn nearest(RandomGenerator random) {
    StandIn standIn = linearise(new double[parameters.size()], true);
    double[] atTests = runs.atTests(standIn.mode());
    if (readings.writtenOff(standIn.mode(), atTests, MOST_BLUNDERS).isEmpty()) {
      return standIn;
    }
    double best = readings.logPosterior(standIn.mode(), atTests);
    for (double[] start : starts(random)) {
      StandIn other = linearise(start, false);
      double value = readings.logPosterior(other.mode(), runs.atTests(other.mode()));
      if (value > best) {
        best = value;
        standIn = other;
      }
    }
    Set<Analyte> off = readings.writtenOff(standIn.mode(), runs.atTests(standIn.mode()), MOST_OFF);
    readings.scatter(off);
    return off.isEmpty() ? standIn : linearise(new double[parameters.size()], true);
  }

  /** Searches on from a point that turned out to be likelier than the end of the last search. */
  StandIn from(double[] likelier) {
    return linearise(likelier, false);
  }

  /** How likely the tank finds a point, as a logarithm up to a constant. */
  double logPosterior(double[] z) {
    return readings.logPosterior(z, runs.atTests(z));
  }

  /** Which of nitrate and phosphate too many readings would be blunders of at {@code z}. */
  Set<Analyte> writtenOff(double[] z) {
    Set<Analyte> off = EnumSet.of(Analyte.NITRATE, Analyte.PHOSPHATE);
    off.retainAll(readings.writtenOff(z, runs.atTests(z), MOST_OFF));
    return off;
  }

  /** Points of the prior that come nearest to the readings, the nearest first. */
  private List<double[]> starts(RandomGenerator random) {
    double[][] zs = new double[TRIED_STARTS][parameters.size()];
    for (double[] z : zs) {
      for (int j = 0; j < parameters.firstRead(); j++) {
        z[j] = random.nextGaussian();
      }
    }
    List<Outcome> tried =
        runs.sideBySide(TRIED_STARTS, Calibration.FINDING, 0, own -> i -> own.outcome(zs[i]));
    return tried.stream()
        .sorted(Comparator.comparingDouble(readings::misfit))
        .limit(STARTS)
        .map(Outcome::z)
        .toList();
  }

  private StandIn linearise(double[] start, boolean fromAfar) {
    double[] at = start;
    StandIn standIn = null;
    boolean rough = fromAfar;
    for (int round = 0; round < LINEARISATIONS; round++) {
      List<Outcome> around = around(at, Calibration.FINDING * round / LINEARISATIONS);
      double[] base = around.get(0).atTests();
      double here = rough ? 0 : readings.logPosterior(at, base);
      standIn = new StandIn(parameters, readings.believed, at, base, truths(around));
      double[] next = standIn.search(rough);
      double furthest = 0;
      for (int j = 0; j < next.length; j++) {
        furthest = Math.max(furthest, Math.abs(next[j] - at[j]));
      }
      if (!rough) {
        if (furthest < SETTLED) {
          break;
        }
        next = noWorse(at, here, next);
        if (next == at) {
          standIn.stay();
          break;
        }
      }
      rough = rough && furthest >= NEAR && round < LINEARISATIONS / 2;
      if (round < LINEARISATIONS - 1) {
        at = next;
      }
    }
    return standIn;
  }

  /**
   * The runs at a point, and around it with one coordinate after the other moved a little.
   *
   * @param done share of all work done before
   */
  private List<Outcome> around(double[] at, double done) {
    List<double[]> points = new ArrayList<>();
    points.add(at);
    for (int j : movedFirst) {
      double[] moved = at.clone();
      moved[j] += StandIn.DELTA;
      int partner = parameters.partnerOf(j);
      if (partner >= 0) {
        moved[partner] += StandIn.DELTA;
      }
      points.add(moved);
    }
    return runs.sideBySide(points.size(), done, 0, own -> i -> own.outcome(points.get(i)));
  }

  /**
   * Concentrations at the tests with one coordinate after the other moved.
   *
   * @param around the runs {@link #around} a point
   */
  private double[][] truths(List<Outcome> around) {
    double[] base = around.get(0).atTests();
    double[][] truths = new double[parameters.firstRead()][];
    for (int k = 0; k < movedFirst.length; k++) {
      int j = movedFirst[k];
      int partner = parameters.partnerOf(j);
      truths[j] = around.get(k + 1).atTests();
      if (partner >= 0) {
        truths[partner] = truths[j].clone();
        for (int i = 0; i < base.length; i++) {
          truths[readings.isOfPhosphate(i) ? j : partner][i] = base[i];
        }
      }
    }
    return truths;
  }

  /** The coordinates that are moved, each by itself or with its partner. */
  private static int[] movedFirst(Parameters parameters) {
    boolean[] isMoved = new boolean[parameters.firstRead()];
    List<Integer> first = new ArrayList<>();
    for (int j = 0; j < isMoved.length; j++) {
      if (!isMoved[j]) {
        first.add(j);
        int partner = parameters.partnerOf(j);
        if (partner >= 0) {
          isMoved[partner] = true;
        }
      }
    }
    return first.stream().mapToInt(Integer::intValue).toArray();
  }

  /** The point towards {@code next} that is no less likely than {@code at}, or {@code at}. */
  private double[] noWorse(double[] at, double here, double[] next) {
    double share = 1;
    for (int i = 0; i < 4; i++) {
      double[] tried = at.clone();
      for (int j = 0; j < tried.length; j++) {
        tried[j] += share * (next[j] - at[j]);
      }
      if (readings.logPosterior(tried, runs.atTests(tried)) >= here - 1e-3) {
        return tried;
      }
      share /= 2;
    }
    return at;
  }
}
