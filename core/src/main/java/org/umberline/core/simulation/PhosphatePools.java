package org.umberline.core.simulation;

/** Phosphate in the water and on rock and sand, which exchange it. */
final class PhosphatePools {
  /** Where a step leads to, mg P. */
  double water;

  double bound;

  /**
   * A step of both at once, with an even inflow into the water: the exponential's series (see
   * {@link Exponential}) of the 2 x 2 system, by the theorem of Cayley and Hamilton.
   *
   * @param binds share of the water's that is bound over the step
   * @param frees share of what is bound that comes free over the step
   * @param x what the water loses over the step, as a share
   * @param in what comes into the water over the step, mg P
   */
  void step(
      double waterBefore, double boundBefore, double binds, double frees, double x, double in) {
    double leaves = x + binds;
    double both = binds * frees;
    double trace = leaves + frees;
    double determinant = x * frees;
    // off the diagonal: X^2, X^3 and X^4 are these times X, and the diagonal's terms are all
    // positive
    double square = trace * trace - determinant;
    double off = 1 + trace / 2 + square / 6 + trace * (square - determinant) / 24;
    double offIn = 1.0 / 2 + trace / 6 + square / 24;
    double leaves2 = leaves * leaves + both;
    double leaves3 = leaves * leaves2 + both * trace;
    double frees2 = frees * frees + both;
    double frees3 = frees * frees2 + both * trace;
    double crossed = both * trace * trace;
    double d11 = 1 + leaves + leaves2 / 2 + leaves3 / 6 + (leaves2 * leaves2 + crossed) / 24;
    double d22 = 1 + frees + frees2 / 2 + frees3 / 6 + (frees2 * frees2 + crossed) / 24;
    double inWater = waterBefore + in * (1 + leaves / 2 + leaves2 / 6 + leaves3 / 24);
    // what of the inflow is bound within the step, by the same series
    double inBound = boundBefore - in * offIn * binds;
    double scale = 1 / Exponential.both(trace, determinant);
    water = scale * (d22 * inWater + off * frees * inBound);
    bound = scale * (d11 * inBound + off * binds * inWater);
  }
}
