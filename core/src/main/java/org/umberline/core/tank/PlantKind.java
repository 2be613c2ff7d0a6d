package org.umberline.core.tank;

/**
 * Kinds of plants and algae kept on purpose, with what is assumed of a stand when the keeper gives
 * no figures: days to double its mass in moderate light with enough food, dry matter as a percent
 * of wet mass, nitrogen and phosphorus as percents of dry mass. From memory, to be confirmed.
 */
public enum PlantKind implements Term {
  FLOATING("floating", 7, 6, 4.0, 0.6),
  FAST_STEMS("fast-stems", 14, 8, 3.0, 0.5),
  CARPET("carpet", 21, 8, 3.0, 0.4),
  MOSS("moss", 35, 10, 3.0, 0.4),
  SLOW_LEAVES("slow-leaves", 60, 10, 2.5, 0.35),
  EMERSED_ROOTS("emersed-roots", 21, 12, 2.5, 0.35),
  MACROALGAE("macroalgae", 14, 10, 3.0, 0.25),
  TURF_SCRUBBER("turf-scrubber", 7, 10, 3.5, 0.3);

  /** A stand may grow to this many times its first mass unless the keeper says otherwise. */
  public static final double DEFAULT_GREATEST_GROWTH = 3;

  private final String term;
  private final double doublingDays;
  private final double dryMatterPercent;
  private final double nitrogenPercentDry;
  private final double phosphorusPercentDry;

  PlantKind(
      String term,
      double doublingDays,
      double dryMatterPercent,
      double nitrogenPercentDry,
      double phosphorusPercentDry) {
    this.term = term;
    this.doublingDays = doublingDays;
    this.dryMatterPercent = dryMatterPercent;
    this.nitrogenPercentDry = nitrogenPercentDry;
    this.phosphorusPercentDry = phosphorusPercentDry;
  }

  @Override
  public String term() {
    return term;
  }

  public double doublingDays() {
    return doublingDays;
  }

  public double dryMatterPercent() {
    return dryMatterPercent;
  }

  public double nitrogenPercentDry() {
    return nitrogenPercentDry;
  }

  public double phosphorusPercentDry() {
    return phosphorusPercentDry;
  }
}
