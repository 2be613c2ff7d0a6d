package org.umberline.core.simulation;

/** What holds on each day whatever the unknowns are, so that a run need not work it out anew. */
final class DayRates {
  /** Share of the waste solids that goes, whichever way, per day. */
  final double[] goes;

  /** Which part of what goes turns to minerals, is caught in media, is skimmed. */
  final double[] mineralShare;

  final double[] captureShare;
  final double[] skimShare;

  /** Ammonia besides that of food, mg N a day. */
  final double[] ammoniaBesides;

  /** Phosphate besides that of food, water and what nobody listed, mg P a day. */
  final double[] phosphorusBesides;

  DayRates(Scenario scenario) {
    int days = scenario.days();
    goes = new double[days];
    mineralShare = new double[days];
    captureShare = new double[days];
    skimShare = new double[days];
    ammoniaBesides = new double[days];
    phosphorusBesides = new double[days];
    double ofTopOff = scenario.topOffLitresPerDay * scenario.blendAmmonia[scenario.topOffBlend];
    for (int day = 0; day < days; day++) {
      goes[day] = scenario.mineralisation[day] + scenario.captureRate[day] + scenario.skimRate[day];
      mineralShare[day] = scenario.mineralisation[day] / goes[day];
      captureShare[day] = scenario.captureRate[day] / goes[day];
      skimShare[day] = scenario.skimRate[day] / goes[day];
      ammoniaBesides[day] = scenario.animalNitrogen[day] + scenario.soilNitrogen[day] + ofTopOff;
      phosphorusBesides[day] = scenario.animalPhosphorus[day] + scenario.fertiliserPhosphorus[day];
    }
  }
}
