package org.umberline.core.forecast;

import java.util.Arrays;
import java.util.Optional;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Term;

/** The two nutrients a keeper draws lines for. */
public enum Nutrient implements Term {
  NITRATE("nitrate", "mg/L NO3", Analyte.NITRATE),
  PHOSPHATE("phosphate", "mg/L PO4", Analyte.PHOSPHATE);

  private final String term;
  private final String unit;
  private final Analyte analyte;

  Nutrient(String term, String unit, Analyte analyte) {
    this.analyte = analyte;
    this.term = term;
    this.unit = unit;
  }

  @Override
  public String term() {
    return term;
  }

  /** What a test of it measures. */
  public Analyte analyte() {
    return analyte;
  }

  /** The nutrient that a test of {@code analyte} measures. */
  public static Optional<Nutrient> of(Analyte analyte) {
    return Arrays.stream(values()).filter(nutrient -> nutrient.analyte == analyte).findFirst();
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
