package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.List;

/** Points at which the tank was run, and the likeliest of them. */
final class Tried {
  private final List<double[]> points = new ArrayList<>();
  private final List<double[]> truths = new ArrayList<>();
  private double[] likeliest;
  private double best = Double.NEGATIVE_INFINITY;

  /**
   * Adds a run.
   *
   * @param logPosterior how likely the tank finds its point, up to a constant
   */
  void add(Outcome outcome, double logPosterior) {
    points.add(outcome.z());
    truths.add(outcome.atTests());
    if (logPosterior > best) {
      best = logPosterior;
      likeliest = outcome.z();
    }
  }

  List<double[]> points() {
    return points;
  }

  /** Concentrations at the tests, by point. */
  List<double[]> truths() {
    return truths;
  }

  double[] likeliest() {
    return likeliest;
  }

  /** How likely the likeliest is, as a logarithm up to a constant. */
  double best() {
    return best;
  }
}
