package org.umberline.core.balance;

import java.util.List;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.Stage;

/** Shares of the nitrogen and phosphorus eaten that stay in the animals, 0..1. */
public record Retention(double nitrogen, double phosphorus) {
  /** What is kept where no livestock is listed. */
  public static final Retention ADULT =
      new Retention(Stage.ADULT.nitrogenKept(), Stage.ADULT.phosphorusKept());

  /**
   * The shares of a mixed stock, by mass, at most what its animals can grow.
   *
   * @param animals those present on the day
   * @param nitrogenEatenMgPerDay mg N eaten a day by all of them
   * @param phosphorusEatenMgPerDay mg P eaten a day by all of them
   */
  public static Retention of(
      List<Livestock> animals, double nitrogenEatenMgPerDay, double phosphorusEatenMgPerDay) {
    double mass = animals.stream().mapToDouble(Livestock::totalMassG).sum();
    if (mass == 0) {
      return ADULT;
    }
    double nitrogen = 0;
    double phosphorus = 0;
    double growthGPerDay = 0;
    for (Livestock animal : animals) {
      double share = animal.totalMassG() / mass;
      nitrogen += share * animal.stage().nitrogenKept();
      phosphorus += share * animal.stage().phosphorusKept();
      growthGPerDay += animal.totalMassG() * animal.stage().greatestGrowthPerDay();
    }
    return new Retention(
        atMost(nitrogen, growthGPerDay * AnimalBody.NITROGEN_MG_PER_G, nitrogenEatenMgPerDay),
        atMost(
            phosphorus, growthGPerDay * AnimalBody.PHOSPHORUS_MG_PER_G, phosphorusEatenMgPerDay));
  }

  private static double atMost(double share, double mostMgPerDay, double eatenMgPerDay) {
    return eatenMgPerDay > 0 ? Math.min(share, mostMgPerDay / eatenMgPerDay) : share;
  }
}
