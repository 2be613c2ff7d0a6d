package org.umberline.core.testing;

import java.util.Arrays;
import java.util.List;
import org.umberline.core.tank.Qualifier;

/**
 * What several readings of one sample come to: their median, made up for what was done to the
 * sample.
 *
 * @param value in the kit's unit
 * @param qualifier whether the kit could show it
 * @param spread the largest reading less the least, as read
 */
public record BenchReading(double value, Qualifier qualifier, double spread) {
  /** Most readings that are taken of one sample. */
  public static final int MOST = 9;

  /**
   * @param readings as read, one to {@link #MOST}
   * @param qualifier of them all; a reading beside the range makes the result one
   * @param dilution how many times the sample was diluted with pure water, 1 for not at all
   * @param lowRange how many times the usual sample a low-range variant takes, by which the card's
   *     value is divided, 1 for the usual one
   * @throws IllegalArgumentException naming what is out of range
   */
  public static BenchReading of(
      List<Double> readings, Qualifier qualifier, double dilution, double lowRange) {
    if (readings.isEmpty() || readings.size() > MOST) {
      throw new IllegalArgumentException(readings.size() + " readings; allowed: 1 to " + MOST);
    }
    if (!(dilution >= 1 && dilution <= 1000)) {
      throw new IllegalArgumentException("dilution is " + dilution + "; allowed: 1 to 1000");
    }
    if (!(lowRange >= 1 && lowRange <= 100)) {
      throw new IllegalArgumentException("low range is " + lowRange + "; allowed: 1 to 100");
    }
    double[] sorted = readings.stream().mapToDouble(Double::doubleValue).sorted().toArray();
    if (Arrays.stream(sorted).anyMatch(r -> !Double.isFinite(r) || r < 0)) {
      throw new IllegalArgumentException("a reading is below 0 or no number");
    }
    int middle = sorted.length / 2;
    double median =
        sorted.length % 2 == 1 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
    return new BenchReading(
        median * dilution / lowRange, qualifier, sorted[sorted.length - 1] - sorted[0]);
  }
}
