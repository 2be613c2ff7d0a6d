package org.umberline.core.simulation;

/**
 * The exponential's series: {@code 1 / denominator(x)} is exp(−x) to the fifth order, positive, and
 * 0 for large x; {@code numerator(x) / denominator(x)} is (1 − 1 / denominator(x)) / x, what
 * remains of an even inflow.
 */
final class Exponential {
  private Exponential() {}

  static double denominator(double x) {
    return 1 + x * (1 + x * (1.0 / 2 + x * (1.0 / 6 + x * (1.0 / 24))));
  }

  static double numerator(double x) {
    return 1 + x * (1.0 / 2 + x * (1.0 / 6 + x * (1.0 / 24)));
  }
}
