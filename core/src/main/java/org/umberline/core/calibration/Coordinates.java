package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.List;

/**
 * The standard normal coordinates of a tank's unknowns and what each stands for: 0 is the prior's
 * median, 1 is one standard deviation of the logarithm above it.
 */
final class Coordinates {
  private record Prior(String name, double median, double sd) {}

  private final List<Prior> priors = new ArrayList<>();

  /** Adds one and says its index. */
  int add(String name, double median, double sd) {
    priors.add(new Prior(name, median, sd));
    return priors.size() - 1;
  }

  int size() {
    return priors.size();
  }

  /** The factor or concentration that coordinate {@code index} stands for. */
  double value(double[] z, int index) {
    return valueAt(index, z[index]);
  }

  /** What a coordinate of {@code z} stands for: also the prior's quantile there. */
  double valueAt(int index, double z) {
    Prior prior = priors.get(index);
    return prior.median * Math.exp(prior.sd * z);
  }

  /** What coordinate {@code index} stands for, with its unit where it has one. */
  String name(int index) {
    return priors.get(index).name;
  }

  /** Standard deviation of the logarithm of coordinate {@code index}. */
  double sd(int index) {
    return priors.get(index).sd;
  }
}
