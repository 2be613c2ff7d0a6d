package org.umberline.core.planning;

import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.SourceWater;
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
 * @param with the water that makes it possible where the change water alone does not
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
    double bestReachableMgL,
    Optional<With> with) {

  /** More changes than this are no repair. Chosen. */
  private static final int MOST = 14;

  private static final double ROUNDING = 1e-9;

  /** A blend's share is told in steps of a twentieth. */
  private static final int BLEND_STEPS = 20;

  /**
   * @param water id of the water mixed in
   * @param share of the change water that it makes up
   * @param fraction of each change with it
   * @param changes how many of them
   */
  public record With(String water, double share, double fraction, int changes) {}

  static OneOff of(
      Levels levels,
      double largestShare,
      Effort effort,
      TankModel tank,
      Nutrient nutrient,
      double targetMgL) {
    double now = levels.now(nutrient);
    double source = levels.ofChangeWater(nutrient);
    List<Double> series = series(now, source, targetMgL, largestShare);
    OptionalDouble fraction =
        now <= targetMgL
            ? OptionalDouble.of(0)
            : series.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(series.get(0));
    double litres = series.stream().mapToDouble(share -> share * tank.netVolumeL()).sum();
    return new OneOff(
        nutrient,
        now,
        targetMgL,
        source,
        fraction,
        series,
        litres,
        (int) Math.ceil(litres / effort.bucketL() - ROUNDING),
        Math.min(now, source),
        fraction.isPresent()
            ? Optional.empty()
            : with(tank, nutrient, now, source, targetMgL, largestShare));
  }

  /** The fewest equal changes that reach the target; none where that is not possible. */
  private static List<Double> series(double now, double source, double target, double largest) {
    if (now <= target || source >= target || largest <= 0) {
      return List.of();
    }
    double left = (target - source) / (now - source);
    for (int count = 1; count <= MOST; count++) {
      double each = 1 - Math.pow(left, 1.0 / count);
      if (each <= largest + ROUNDING) {
        return Collections.nCopies(count, each);
      }
    }
    return List.of();
  }

  /** The least of a purer water, in steps, with which it can be done. */
  private static Optional<With> with(
      TankModel tank, Nutrient nutrient, double now, double source, double target, double largest) {
    for (SourceWater water : Levers.otherWaters(tank)) {
      double pure =
          nutrient == Nutrient.NITRATE
              ? water.nitrate().orElseThrow().mgPerLitre()
              : water.phosphate().orElseThrow().mgPerLitre();
      for (int step = 1; step <= BLEND_STEPS; step++) {
        double share = step / (double) BLEND_STEPS;
        List<Double> series = series(now, source + share * (pure - source), target, largest);
        if (!series.isEmpty()) {
          return Optional.of(new With(water.id(), share, series.get(0), series.size()));
        }
      }
    }
    return Optional.empty();
  }
}
