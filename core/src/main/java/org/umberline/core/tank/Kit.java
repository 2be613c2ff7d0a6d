package org.umberline.core.tank;

import java.util.List;
import java.util.OptionalDouble;

/**
 * A test kit. Errors are one standard deviation; absolute (in {@code unit}) and relative add in
 * squares.
 *
 * @param steps the values of a colour card, ascending, in {@code unit}; empty for other methods
 */
public record Kit(
    String id,
    Analyte analyte,
    KitMethod method,
    List<Double> steps,
    TestUnit unit,
    OptionalDouble min,
    OptionalDouble max,
    OptionalDouble resolution,
    double absoluteError,
    double relativeError) {
  public Kit {
    steps = List.copyOf(steps);
  }

  /** What is assumed of a test whose kit is not named. From memory. */
  public static Kit unnamed(Analyte analyte) {
    return new Kit(
        "",
        analyte,
        KitMethod.PHOTOMETER,
        List.of(),
        analyte.standardUnit(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        unnamedError(analyte),
        defaultRelativeError(KitMethod.COLOUR_CARD));
  }

  private static double unnamedError(Analyte analyte) {
    return switch (analyte) {
      case NITRATE -> 2;
      case PHOSPHATE, NITRITE -> 0.05;
      case AMMONIA -> 0.1;
      default -> 0;
    };
  }

  /** Relative error assumed of a kit that states none. From memory. */
  public static double defaultRelativeError(KitMethod method) {
    return switch (method) {
      case COLOUR_CARD -> 0.15;
      case PHOTOMETER -> 0.05;
      case TITRATION -> 0.07;
    };
  }
}
