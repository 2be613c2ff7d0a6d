package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.TankModel;

/**
 * One change, or equal ones, that bring a nutrient to a level: (now - target) / (now - source).
 *
 * @param nowMgL what the tank is believed to hold, mg/L of the ion
 * @param sourceMgL what the change water holds
 * @param fraction share of the single change, or of each of the series; empty when no number does
 * @param series shares in order; one where one is within the largest change
 * @param litres of all of them together
 * @param buckets of the keeper's size, rounded up, of all of them together
 * @param bestReachableMgL the lowest level that changes with this water come near
 */
public record OneOff(
    Nutrient nutrient,
    double nowMgL,
    double targetMgL,
    double sourceMgL,
    OptionalDouble fraction,
    List<Double> series,
    double litres,
    int buckets,
    double bestReachableMgL) {

  /** More changes than this are no repair. Chosen. */
  private static final int MOST = 14;

  static OneOff of(
      Levels levels,
      double largestShare,
      Effort effort,
      TankModel tank,
      Nutrient nutrient,
      double targetMgL) {
    double now = levels.now(nutrient);
    double source = levels.ofChangeWater(nutrient);
    List<Double> series = new ArrayList<>();
    OptionalDouble fraction = OptionalDouble.empty();
    if (now <= targetMgL) {
      fraction = OptionalDouble.of(0);
    } else if (source < targetMgL && largestShare > 0) {
      double left = (targetMgL - source) / (now - source);
      for (int count = 1; count <= MOST && fraction.isEmpty(); count++) {
        double each = 1 - Math.pow(left, 1.0 / count);
        if (each <= largestShare + 1e-9) {
          fraction = OptionalDouble.of(each);
          for (int i = 0; i < count; i++) {
            series.add(each);
          }
        }
      }
    }
    double litres = series.stream().mapToDouble(share -> share * tank.netVolumeL()).sum();
    return new OneOff(
        nutrient,
        now,
        targetMgL,
        source,
        fraction,
        List.copyOf(series),
        litres,
        (int) Math.ceil(litres / effort.bucketL() - 1e-9),
        Math.min(now, source));
  }
}
