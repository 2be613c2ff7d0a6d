package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.List;

/**
 * How one nutrient departs from its run by what nobody wrote down: departures begin now and then
 * and fade. They lie side by side among the coordinates, the latest first.
 */
final class Departures {
  /** They begin this far apart, days, and twice as far further back. */
  private static final int APART_DAYS = 14;

  private static final int CLOSE = 6;

  private final int asOfDay;
  private final int first;
  private final int[] days;
  private final double[] sds;

  /** What is left of each at the end of the as-of day, for a coordinate of 1. */
  private final double[] leftNow;

  /**
   * @param first coordinate of the latest
   */
  Departures(int asOfDay, int first) {
    this.asOfDay = asOfDay;
    this.first = first;
    List<Integer> begin = new ArrayList<>();
    double back = APART_DAYS / 2.0;
    while (back < asOfDay) {
      begin.add((int) (asOfDay - back));
      back += back < CLOSE * APART_DAYS ? APART_DAYS : 2 * APART_DAYS;
    }
    days = begin.stream().mapToInt(Integer::intValue).toArray();
    sds = new double[days.length];
    leftNow = new double[days.length];
    int later = asOfDay;
    for (int k = 0; k < days.length; k++) {
      double weeks = Math.max(1, 2 * (later - days[k])) / 7.0;
      sds[k] = Priors.DEPARTURE_PER_ROOT_WEEK * Math.sqrt(weeks);
      later = days[k] - (later - days[k]);
      leftNow[k] = sds[k] * left(days[k], asOfDay + 1);
    }
  }

  /** The coordinate of the latest departure. */
  int first() {
    return first;
  }

  int count() {
    return days.length;
  }

  /** Day on which departure {@code k} begins. */
  int day(int k) {
    return days[k];
  }

  /** Standard deviation of its logarithm. */
  double sd(int k) {
    return sds[k];
  }

  /**
   * Adds how what is read at {@code time} depends on each of them.
   *
   * @param row by coordinate from {@code from} on
   */
  void addReads(double[] row, int from, double time) {
    for (int k = 0; k < days.length; k++) {
      row[first + k - from] = sds[k] * left(days[k], time);
    }
  }

  /** What is left at {@code time} of a departure that began on {@code day}. */
  private static double left(int day, double time) {
    return time < day ? 0 : Math.exp(-(time - day) / Priors.DEPARTURE_FADES_DAYS);
  }

  /** How far the nutrient lay from its run at each day's end, as the logarithm of a factor. */
  double[] atDayEnds(double[] z) {
    double[] atEnd = new double[asOfDay + 1];
    for (int k = 0; k < days.length; k++) {
      atEnd[days[k]] += sds[k] * z[first + k];
    }
    double fades = left(0, 1);
    double sum = 0;
    for (int day = 0; day < atEnd.length; day++) {
      sum = (sum + atEnd[day]) * fades;
      atEnd[day] = sum;
    }
    return atEnd;
  }

  /** The same at the end of the as-of day alone. */
  double now(double[] z) {
    double sum = 0;
    for (int k = 0; k < days.length; k++) {
      sum += leftNow[k] * z[first + k];
    }
    return sum;
  }

  /**
   * How large they were beside what is usual: 1 where they were as usual, or where too little is
   * known of them.
   */
  double unrest(double[] z) {
    double squares = Priors.UNREST_WEIGHT;
    for (int k = 0; k < days.length; k++) {
      squares += z[first + k] * z[first + k];
    }
    return Math.sqrt(squares / (Priors.UNREST_WEIGHT + days.length));
  }
}
