package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.List;

/**
 * The standard normal coordinates of a tank's unknowns and what each stands for: 0 is the prior's
 * median, 1 is one standard deviation of the logarithm above it.
 */
final class Coordinates {
  private record Prior(String name, double median, double stated, double sd) {}

  private final List<Prior> priors = new ArrayList<>();

  /** Adds one and says its index. */
  int add(String name, double median, double sd) {
    return addDoubted(name, median, sd, 1);
  }

  /**
   * Adds one that is believed less than is stated.
   *
   * @param doubt what its standard deviation is widened by
   */
  int addDoubted(String name, double median, double sd, double doubt) {
    priors.add(new Prior(name, median, sd, doubt * sd));
    return priors.size() - 1;
  }

  int size() {
    return priors.size();
  }

  /** The factor or concentration that coordinate {@code index} stands for. */
  double value(double[] z, int index) {
    return valueAt(index, z[index]);
  }

  private double valueAt(int index, double z) {
    Prior prior = priors.get(index);
    return prior.median * Math.exp(prior.sd * z);
  }

  /** What was stated of a coordinate before any doubt, as a quantile {@code z} of its normal. */
  double statedAt(int index, double z) {
    Prior prior = priors.get(index);
    return prior.median * Math.exp(prior.stated * z);
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
