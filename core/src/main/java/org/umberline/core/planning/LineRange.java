package org.umberline.core.planning;

import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;

/** Medians over the draws of each draw's most and least, mg/L of the ion. */
record LineRange(
    double nitratePeak, double nitrateTrough, double phosphatePeak, double phosphateTrough) {

  /**
   * @param from day ahead from which is looked
   */
  static LineRange of(Projection projection, int from) {
    return new LineRange(
        peak(projection, Nutrient.NITRATE, from),
        trough(projection, Nutrient.NITRATE, from),
        peak(projection, Nutrient.PHOSPHATE, from),
        trough(projection, Nutrient.PHOSPHATE, from));
  }

  private static double peak(Projection projection, Nutrient nutrient, int from) {
    double[] sample = new double[projection.draws()];
    for (int draw = 0; draw < sample.length; draw++) {
      for (int day = from; day < projection.days(); day++) {
        sample[draw] = Math.max(sample[draw], projection.high(nutrient, day, draw));
      }
    }
    return median(nutrient, sample);
  }

  private static double trough(Projection projection, Nutrient nutrient, int from) {
    double[] sample = new double[projection.draws()];
    for (int draw = 0; draw < sample.length; draw++) {
      sample[draw] = Double.POSITIVE_INFINITY;
      for (int day = from; day < projection.days(); day++) {
        sample[draw] = Math.min(sample[draw], projection.low(nutrient, day, draw));
      }
    }
    return median(nutrient, sample);
  }

  private static double median(Nutrient nutrient, double[] sample) {
    if (sample.length == 0) {
      return 0;
    }
    Quantiles.sort(sample);
    return nutrient.ion(Quantiles.of(sample, 0.5));
  }
}
