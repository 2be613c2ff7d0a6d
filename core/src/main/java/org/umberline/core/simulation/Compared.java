package org.umberline.core.simulation;

/**
 * The larger and the smaller of two numbers in the inner loop: neither is NaN there, and a branch
 * that is foreseen takes less time than {@link Math#max}, which minds it.
 */
final class Compared {
  private Compared() {}

  static double larger(double one, double other) {
    return one > other ? one : other;
  }

  static double smaller(double one, double other) {
    return one < other ? one : other;
  }
}
