package org.umberline.core.simulation;

/**
 * The exponential's series: {@link #remains} is exp(−x) to the fifth order, positive, and 0 for
 * large x. Times it, {@link #series} is what remains of an even inflow, (1 − remains) / x.
 */
final class Exponential {
  private Exponential() {}

  static double series(double x) {
    return 1 + x / 2 + x * x * (1.0 / 6 + x * (1.0 / 24));
  }

  /**
   * @param series of the same x
   */
  static double remains(double x, double series) {
    return 1 / (1 + x * series);
  }

  /**
   * What a loss of x has to do with over a step, on the average: of a pool and an even inflow.
   * Times {@link #remains} and x it is what was lost.
   *
   * @param series of the same x
   */
  static double passed(double pool, double inflow, double x, double series) {
    return pool * series + inflow * (0.5 + x * (1.0 / 3 + x * (1.0 / 8 + x * (1.0 / 24))));
  }

  /**
   * The product of 1 / {@link #remains} of two numbers of which the sum and the product are known.
   */
  static double both(double sum, double product) {
    double squares = sum * sum - 2 * product;
    double cubes = sum * (squares - product);
    double fourths = squares * squares - 2 * product * product;
    double first = 1 + sum + squares / 2 + cubes / 6 + fourths / 24;
    double second = 1 + sum / 2 + squares / 6 + cubes / 24;
    double third = 1.0 / 4 + sum / 12 + squares / 48;
    double fourth = 1.0 / 36 + sum / 144 + product / 576;
    return first + product * (second + product * (third + product * fourth));
  }
}
