package org.umberline.core.calibration;

/** Where the load of a tank is free to bend, counted back from the as-of day. */
final class LoadKnots {
  /** Knots are this far apart, days, and twice as far further back. */
  private static final int APART_DAYS = 28;

  private static final int CLOSE = 4;

  private final int asOfDay;
  private final int count;

  LoadKnots(int asOfDay) {
    this.asOfDay = asOfDay;
    int knots = 0;
    for (int day = asOfDay; day > 0; day -= days(knots)) {
      knots++;
    }
    count = knots;
  }

  int count() {
    return count;
  }

  /** Days from knot {@code k} to the next. */
  int days(int k) {
    return k < CLOSE ? APART_DAYS : 2 * APART_DAYS;
  }

  /**
   * Fills {@code load} going back from the as-of day, straight between the knots.
   *
   * @param now the load of the as-of day
   * @param changes from each knot to the next, as a factor
   */
  void spread(double now, double[] changes, double[] load) {
    int day = asOfDay;
    load[day] = now;
    double later = now;
    for (int k = 0; k < count; k++) {
      double earlier = later * changes[k];
      int length = days(k);
      for (int step = 1; step <= length && day > 0; step++) {
        load[--day] = later + (earlier - later) * step / length;
      }
      later = earlier;
    }
  }
}
