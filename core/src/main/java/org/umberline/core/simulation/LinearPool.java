package org.umberline.core.simulation;

/** A pool that loses a constant share: its factors, kept for the rate and step last asked for. */
final class LinearPool {
  /** What remains of the pool at the end of a step. */
  double remains;

  /** What remains of an even inflow during it. */
  double remainsOfInflow;

  private double rate = -1;
  private double step = -1;

  /**
   * @param ratePerDay share lost, per day
   * @param days length of the step
   */
  void over(double ratePerDay, double days) {
    if (ratePerDay != rate || days != step) {
      rate = ratePerDay;
      step = days;
      remains = Math.exp(-ratePerDay * days);
      remainsOfInflow = (1 - remains) / (ratePerDay * days);
    }
  }
}
