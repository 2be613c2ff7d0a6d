package org.umberline.core.forecast;

import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;

/** The two nutrients a keeper draws lines for. */
public enum Nutrient {
  NITRATE("nitrate", "mg/L NO3"),
  PHOSPHATE("phosphate", "mg/L PO4");

  private final String term;
  private final String unit;

  Nutrient(String term, String unit) {
    this.term = term;
    this.unit = unit;
  }

  public String term() {
    return term;
  }

  /** Unit of every concentration this nutrient is reported in. */
  public String unit() {
    return unit;
  }

  /** mg/L of the ion that holds {@code elementMgL} of N or P. */
  public double ion(double elementMgL) {
    return this == NITRATE
        ? Nitrate.of(new Nitrogen(elementMgL)).mgPerLitre()
        : Phosphate.of(new Phosphorus(elementMgL)).mgPerLitre();
  }

  /** mg/L of N or P in {@code ionMgL} of the ion. */
  public double element(double ionMgL) {
    return this == NITRATE
        ? new Nitrate(ionMgL).asNitrogen().mgPerLitre()
        : new Phosphate(ionMgL).asPhosphorus().mgPerLitre();
  }

  public Line line(Lines lines) {
    return this == NITRATE ? lines.nitrate() : lines.phosphate();
  }
}
