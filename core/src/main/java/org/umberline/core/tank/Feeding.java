package org.umberline.core.tank;

/** A standing ration, spread evenly over its days. */
public record Feeding(
    String food, double gramsPerFeed, double feedsPerWeek, double uneatenFraction, Span span) {
  /**
   * Share of a ration that nothing eats, when the keeper doesn't say. Common practice, no source.
   */
  public static final double DEFAULT_UNEATEN_FRACTION = 0.05;

  public double gramsPerDay() {
    return gramsPerFeed * feedsPerWeek / 7;
  }
}
