package org.umberline.core.calibration;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.umberline.core.calibration.Posterior.Spread;
import org.umberline.core.calibration.Posterior.Unknown;

/** What was learned of each unknown; summed up when it is asked for. Immutable. */
public final class Unknowns {
  /** Of a tank that is known to the last digit. */
  public static final Unknowns NONE = new Unknowns(new Coordinates(), new double[0][]);

  private final Coordinates coordinates;
  private final double[][] points;

  /**
   * @param points the draws, in normal coordinates
   */
  Unknowns(Coordinates coordinates, double[][] points) {
    this.coordinates = coordinates;
    this.points = points;
  }

  /** Each of them, in the order of the coordinates. */
  public List<Unknown> all() {
    return IntStream.range(0, coordinates.size()).mapToObj(this::of).toList();
  }

  /** The one of a name, where the tank has it. */
  public Optional<Unknown> of(String name) {
    return IntStream.range(0, coordinates.size())
        .filter(j -> coordinates.name(j).equals(name))
        .mapToObj(this::of)
        .findFirst();
  }

  private Unknown of(int j) {
    double[] sample = new double[points.length];
    for (int i = 0; i < sample.length; i++) {
      sample[i] = coordinates.value(points[i], j);
    }
    Quantiles.sort(sample);
    return new Unknown(
        coordinates.name(j),
        new Spread(
            coordinates.statedAt(j, -Quantiles.NORMAL_90),
            coordinates.statedAt(j, 0),
            coordinates.statedAt(j, Quantiles.NORMAL_90)),
        new Spread(
            Quantiles.of(sample, 0.1), Quantiles.of(sample, 0.5), Quantiles.of(sample, 0.9)));
  }
}
