package org.umberline.core.tank;

import java.util.OptionalDouble;

/**
 * What changing water costs its keeper. Defaults are chosen, no source.
 *
 * @param minutesPerChange for laying out, switching off and on, and clearing away
 * @param minutesPerLitre for preparing, letting out and pouring
 * @param bucketL what is carried at once, litres
 * @param maxLitresPerChange most that one change may be, litres
 * @param maxMinutesPerWeek most time for changes, on the average
 * @param pricePerLitre of salt and water, in any money
 * @param pricePerMinute what a minute is worth, in the same money; 0 leaves prices out
 */
public record Effort(
    double minutesPerChange,
    double minutesPerLitre,
    double bucketL,
    OptionalDouble maxLitresPerChange,
    OptionalDouble maxMinutesPerWeek,
    double pricePerLitre,
    double pricePerMinute) {
  public static final Effort DEFAULT =
      new Effort(12, 0.4, 10, OptionalDouble.empty(), OptionalDouble.empty(), 0, 0);

  /** Minutes one change of so many litres takes. */
  public double minutes(double litres) {
    return minutesPerChange + minutesPerLitre * litres;
  }

  /** What one change of so many litres comes to in minutes, its price counted in minutes' worth. */
  public double worth(double litres) {
    double priced = pricePerMinute > 0 ? litres * pricePerLitre / pricePerMinute : 0;
    return minutes(litres) + priced;
  }
}
