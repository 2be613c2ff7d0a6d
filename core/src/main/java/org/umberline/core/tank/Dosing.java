package org.umberline.core.tank;

/** A standing dose of a fertiliser, spread evenly over its days. */
public record Dosing(String fertiliser, double mlPerDose, double dosesPerWeek, Span span) {
  public double mlPerDay() {
    return mlPerDose * dosesPerWeek / 7;
  }
}
