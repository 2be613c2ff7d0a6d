package org.umberline.core.planning;

import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/** The largest share one change may be, and what sets it. */
public record SingleChange(double largestFraction, BindingLimit limit) {
  /**
   * The largest change the tank's limits allow: the keeper's caps on share and litres, and the
   * steps of salinity, alkalinity and nitrate between the tank and the change water.
   *
   * @param nitrateMgL the tank's nitrate now, mg/L NO3
   * @param sourceNitrateMgL that of the change water, mg/L NO3
   */
  static SingleChange largest(TankModel tank, double nitrateMgL, double sourceNitrateMgL) {
    SingleChange result =
        new SingleChange(
            Math.min(
                tank.limits().maxChangeFraction(),
                tank.effort().maxLitresPerChange().orElse(Double.POSITIVE_INFINITY)
                    / tank.netVolumeL()),
            BindingLimit.MAX_CHANGE_FRACTION);
    OptionalDouble salinity = tank.blended(tank.changeWater(), SourceWater::salinityPpt);
    if (salinity.isPresent()) {
      result =
          result.within(
              tank.limits().maxSalinityStepPpt(),
              tank.salinityPpt() - salinity.getAsDouble(),
              BindingLimit.SALINITY_STEP);
    }
    OptionalDouble alkalinity = tank.blended(tank.changeWater(), SourceWater::alkalinityDkh);
    if (alkalinity.isPresent() && tank.alkalinityDkh().isPresent()) {
      result =
          result.within(
              tank.limits().maxAlkalinityStepDkh(),
              tank.alkalinityDkh().getAsDouble() - alkalinity.getAsDouble(),
              BindingLimit.ALKALINITY_STEP);
    }
    return result.within(
        tank.limits().maxNitrateStepMgL(),
        nitrateMgL - sourceNitrateMgL,
        BindingLimit.NITRATE_STEP);
  }

  private SingleChange within(OptionalDouble largestStep, double difference, BindingLimit by) {
    if (largestStep.isEmpty() || difference == 0) {
      return this;
    }
    double fraction = largestStep.getAsDouble() / Math.abs(difference);
    return fraction < largestFraction ? new SingleChange(fraction, by) : this;
  }

  /** mg/L of the nutrient's ion in the change water, for waters of {@code elementMgL} each. */
  static double source(TankModel tank, Nutrient nutrient, double[] elementMgL) {
    double sum = 0;
    for (Blend.Part part : tank.changeWater().parts()) {
      sum += part.share() * elementMgL[tank.waters().indexOf(tank.waterById(part.water()))];
    }
    return nutrient.ion(sum);
  }
}
