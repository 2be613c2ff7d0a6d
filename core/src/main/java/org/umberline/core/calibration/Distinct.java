package org.umberline.core.calibration;

import java.nio.DoubleBuffer;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Draws among which the same point may lie several times: a walk stays where it is refused, and
 * what carries much weight is drawn often. Each point needs one run.
 *
 * @param points each of them once, in the order in which they are first met
 * @param which point each draw is, by its place among {@code points}
 */
record Distinct(double[][] points, int[] which) {
  static Distinct of(double[][] draws) {
    Map<DoubleBuffer, Integer> places = new LinkedHashMap<>();
    int[] which = new int[draws.length];
    for (int i = 0; i < draws.length; i++) {
      which[i] = places.computeIfAbsent(DoubleBuffer.wrap(draws[i]), point -> places.size());
    }
    return new Distinct(
        places.keySet().stream().map(DoubleBuffer::array).toArray(double[][]::new), which);
  }

  int count() {
    return points.length;
  }

  /** By draw what was found {@code byPoint}. */
  double[] byDraw(double[] byPoint) {
    return Arrays.stream(which).mapToDouble(i -> byPoint[i]).toArray();
  }

  /** By draw what was found {@code byPoint}. */
  <T> List<T> byDraw(List<T> byPoint) {
    return Arrays.stream(which).mapToObj(byPoint::get).toList();
  }
}
