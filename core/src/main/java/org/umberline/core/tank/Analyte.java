package org.umberline.core.tank;

/**
 * What a test measures, with the unit its value is in when nobody names one, and the greatest value
 * a keeper's kit or meter could show, diluted samples included (common practice, no source); more
 * is a slip of the pen.
 */
public enum Analyte implements Term {
  NITRATE("nitrate", 1000),
  PHOSPHATE("phosphate", 50),
  AMMONIA("ammonia", 50),
  NITRITE("nitrite", 100),
  PH("pH", 14),
  ALKALINITY("alkalinity", 60),
  HARDNESS("hardness", 100),
  CALCIUM("calcium", 1500),
  MAGNESIUM("magnesium", 5000),
  SALINITY("salinity", 100),
  TEMPERATURE("temperature", 45),
  SILICATE("silicate", 100),
  DISSOLVED_SOLIDS("dissolved-solids", 50_000);

  private final String term;
  private final double greatest;

  Analyte(String term, double greatest) {
    this.term = term;
    this.greatest = greatest;
  }

  @Override
  public String term() {
    return term;
  }

  /** What it is called in a sentence. */
  public String words() {
    return term.replace('-', ' ');
  }

  /** The unit that is meant when none is named. */
  public TestUnit standardUnit() {
    return TestUnit.standard(this);
  }

  /** The least value that can be right, in the standard unit: salt water freezes at about -2 °C. */
  public double least() {
    return this == TEMPERATURE ? -2 : 0;
  }

  /** The greatest believable value, in the standard unit. */
  public double greatest() {
    return greatest;
  }
}
