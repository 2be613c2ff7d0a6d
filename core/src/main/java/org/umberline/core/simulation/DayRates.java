package org.umberline.core.simulation;

import java.util.Arrays;
import org.umberline.core.balance.FeedNutrients;

/** What holds on each day whatever the unknowns are, so that a run need not work it out anew. */
final class DayRates {
  /** No more days are run as one: what is read off in between gets worse with more. Chosen. */
  static final int MOST_ALIKE = 6;

  /** Days go on alike where nothing differs by more than this share. Chosen. */
  private static final double ALIKE = 0.02;

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

  /** The first day after each that does not go on as it does, or on which something happens. */
  final int[] alikeUntil;

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
    alikeUntil = new int[days];
    for (int day = 0; day < days; day++) {
      int end = day + 1;
      while (end < Math.min(days, day + MOST_ALIKE) && areAlike(scenario, day, end)) {
        end++;
      }
      alikeUntil[day] = end;
    }
  }

  /** Whether nothing happens from one day to another, and that one goes on as the first. */
  private boolean areAlike(Scenario scenario, int first, int day) {
    FeedNutrients before = scenario.food[first];
    FeedNutrients food = scenario.food[day];
    return first >= scenario.matureOn
        && scenario.firstEventOfDay[first] == scenario.firstEventOfDay[day + 1]
        && areNear(before.nitrogenDissolved(), food.nitrogenDissolved())
        && areNear(before.nitrogenSolid(), food.nitrogenSolid())
        && areNear(before.phosphorusDissolved(), food.phosphorusDissolved())
        && areNear(before.phosphorusSolid(), food.phosphorusSolid())
        && areNear(ammoniaBesides, first, day)
        && areNear(phosphorusBesides, first, day)
        && areNear(scenario.fertiliserNitrogen, first, day)
        && areNear(scenario.carbonNitrogen, first, day)
        && areNear(scenario.mineralisation, first, day)
        && areNear(scenario.ammoniaGrowth, first, day)
        && areNear(scenario.nitriteGrowth, first, day)
        && areNear(scenario.captureRate, first, day)
        && areNear(scenario.skimRate, first, day)
        && (scenario.algaeGreatestDryG.length == 0
            || areNear(scenario.algaeGreatestDryG, first, day))
        && areUsedAlike(scenario.adsorberInUse, first, day)
        && areUsedAlike(scenario.denitrifyingInUse, first, day);
  }

  private static boolean areUsedAlike(boolean[][] gearByDay, int first, int day) {
    return Arrays.stream(gearByDay).allMatch(used -> used[first] == used[day]);
  }

  private static boolean areNear(double[] byDay, int first, int day) {
    return areNear(byDay[first], byDay[day]);
  }

  private static boolean areNear(double first, double second) {
    return Math.abs(first - second) <= ALIKE * first;
  }
}
