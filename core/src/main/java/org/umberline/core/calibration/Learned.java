package org.umberline.core.calibration;

import java.util.Set;
import org.umberline.core.tank.Analyte;

/**
 * What a calibration searched for: small enough to be kept, enough to have its posterior again
 * within a tenth of the time ({@link Calibration#again}). It means something only with the tank and
 * the days it was learned of, to the version that learned it.
 *
 * @param points the coordinates of each draw, one row a draw
 * @param effectiveSamples effective sample size of the importance weights, before resampling
 * @param doubted analytes of which the readings were believed rather than the make-up
 * @param seed of what nobody can know of the days ahead
 */
public record Learned(double[][] points, double effectiveSamples, Set<Analyte> doubted, long seed) {
  public Learned {
    doubted = Set.copyOf(doubted);
  }
}
