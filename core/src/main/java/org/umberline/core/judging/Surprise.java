package org.umberline.core.judging;

import org.umberline.core.calibration.Quantiles;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;

/**
 * Whether a reading contradicts what is believed: nothing it may mean is anything that was
 * expected.
 *
 * @param low the level is over this in 95 of 100 draws, in the analyte's standard unit
 * @param high and under this in as many
 */
public record Surprise(boolean surprising, double low, double high) {
  private static final double TAIL = 0.05;

  /**
   * @param levels of the draws, in the analyte's standard unit
   */
  public static Surprise of(double[] levels, LogEntry.Test reading, Kit kit) {
    double[] sorted = levels.clone();
    Quantiles.sort(sorted);
    double low = Quantiles.of(sorted, TAIL);
    double high = Quantiles.of(sorted, 1 - TAIL);
    Range meaning = KitPower.meaning(TestLikelihood.of(reading, kit));
    return new Surprise(meaning.high() < low || meaning.low() > high, low, high);
  }
}
