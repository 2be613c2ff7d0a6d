package org.umberline.core.ledger;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.TankModel;

/**
 * What each entry of a make-up does to the balance on paper, before any test has been seen: what
 * the ration and the waters bring, and what plants and gear take at their best. mg of N and P a
 * day; what comes in is positive.
 *
 * @param kind the list of the make-up it stands in
 * @param id the entry's
 */
public record PaperBalance(
    String kind, String id, double nitrogenMgPerDay, double phosphorusMgPerDay) {
  private static final double MG_PER_G = 1000;

  /** An adsorber is used up in about this many days. Common practice, no source. */
  private static final double ADSORBER_LASTS_DAYS = 30;

  /** Every entry that counts on {@code day}. */
  public static List<PaperBalance> of(TankModel tank, LocalDate day) {
    List<PaperBalance> entries = new ArrayList<>();
    for (Feeding feeding : tank.feeding()) {
      if (feeding.span().contains(day)) {
        FeedNutrients brought =
            FeedNutrients.whole(tank.foodById(feeding.food()), feeding.gramsPerDay());
        entries.add(
            new PaperBalance("feeding", feeding.food(), brought.nitrogen(), brought.phosphorus()));
      }
    }
    for (Dosing dosing : tank.dosing()) {
      if (dosing.span().contains(day)) {
        Fertiliser fertiliser = tank.fertiliserById(dosing.fertiliser());
        entries.add(
            new PaperBalance(
                "dosing",
                dosing.fertiliser(),
                dosing.mlPerDay() * fertiliser.nitrogenMgPerMl(),
                dosing.mlPerDay() * fertiliser.phosphorusMgPerMl()));
      }
    }
    if (tank.topOff().litresPerDay() > 0) {
      entries.add(
          new PaperBalance(
              "topOff",
              "",
              tank.topOff().litresPerDay()
                  * new Nitrate(tank.nitrateMgL(tank.topOff().water())).asNitrogen().mgPerLitre(),
              tank.topOff().litresPerDay()
                  * new Phosphate(tank.phosphateMgL(tank.topOff().water()))
                      .asPhosphorus()
                      .mgPerLitre()));
    }
    for (PlantStand plant : tank.plants()) {
      if (plant.span().contains(day)) {
        double dryGrowthG =
            PlantGrowth.ratePerDay(plant.doublingDays())
                * plant.wetMassG()
                * plant.dryMatterPercent()
                / 100;
        entries.add(
            new PaperBalance(
                "plants",
                plant.id(),
                -dryGrowthG * MG_PER_G * plant.nitrogenPercentDry() / 100,
                -dryGrowthG * MG_PER_G * plant.phosphorusPercentDry() / 100));
      }
    }
    for (ExportMethod export : tank.exports()) {
      if (export.span().contains(day)) {
        double phosphorus =
            export instanceof ExportMethod.PhosphateAdsorber adsorber
                ? -adsorber.massG() * adsorber.capacityMgPPerG() / ADSORBER_LASTS_DAYS
                : 0;
        entries.add(
            new PaperBalance(
                "exports", export.id(), -Denitrification.greatestMgPerDay(export), phosphorus));
      }
    }
    return List.copyOf(entries);
  }
}
