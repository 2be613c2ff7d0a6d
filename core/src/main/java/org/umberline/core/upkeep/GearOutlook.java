package org.umberline.core.upkeep;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.TankModel;

/**
 * What the model knows of adsorbers and plant stands: how far gone they are, and when they want a
 * hand.
 */
public record GearOutlook(List<Wear> wear, List<Growth> growth) {
  /** An adsorber is renewed when this share of what it can hold is taken. Chosen. */
  static final double SPENT = 0.8;

  /** A stand is thinned before it fills this share of its room. Chosen. */
  static final double CROWDED = 0.8;

  private static final int FARTHEST_DAYS = 365;

  /**
   * @param used share of what it can hold, median of the draws
   * @param spentOn the day {@link #SPENT} is reached at the rate since it was last renewed
   * @param daysToSpent days in which a fresh one reaches it at that rate
   */
  public record Wear(String export, double used, LocalDate spentOn, int daysToSpent) {}

  /**
   * @param wetMassG now, median of the draws
   * @param crowdedOn the day it fills {@link #CROWDED} of its room, growing as its kind can at most
   */
  public record Growth(String plant, double wetMassG, LocalDate crowdedOn) {}

  public static GearOutlook of(TankModel tank, Posterior posterior, LocalDate today) {
    List<Wear> wear = new ArrayList<>();
    int adsorber = 0;
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.PhosphateAdsorber medium) {
        int index = adsorber++;
        if (medium.span().contains(today)) {
          wear.add(wear(tank, posterior, medium, index, today));
        }
      }
    }
    List<Growth> growth = new ArrayList<>();
    for (int i = 0; i < tank.plants().size(); i++) {
      PlantStand plant = tank.plants().get(i);
      if (plant.span().contains(today)) {
        growth.add(growth(posterior, plant, i, today));
      }
    }
    return new GearOutlook(List.copyOf(wear), List.copyOf(growth));
  }

  private static Wear wear(
      TankModel tank,
      Posterior posterior,
      ExportMethod.PhosphateAdsorber medium,
      int index,
      LocalDate today) {
    double used =
        median(
            posterior.draws().stream()
                .mapToDouble(d -> d.state().adsorberUsed(index, medium.capacityMgPPerG()))
                .toArray());
    LocalDate since =
        tank.log().stream()
            .filter(e -> e instanceof LogEntry.Renew renew && renew.export().equals(medium.id()))
            .map(e -> tank.dayOf(e.at().toInstant()))
            .reduce((a, b) -> b)
            .orElse(medium.span().from());
    long days = Math.max(1, ChronoUnit.DAYS.between(since, today));
    double perDay = used / days;
    long left = perDay > 0 ? (long) Math.ceil((SPENT - used) / perDay) : FARTHEST_DAYS;
    long whole = perDay > 0 ? (long) (SPENT / perDay) : FARTHEST_DAYS;
    return new Wear(
        medium.id(),
        used,
        today.plusDays(Math.max(0, Math.min(FARTHEST_DAYS, left))),
        (int) Math.min(FARTHEST_DAYS, whole));
  }

  private static Growth growth(Posterior posterior, PlantStand plant, int index, LocalDate today) {
    double wet =
        median(posterior.draws().stream().mapToDouble(d -> d.state().plantDryG(index)).toArray())
            * 100
            / plant.dryMatterPercent();
    double room = plant.maxWetMassG();
    double crowded = CROWDED * room;
    long days = FARTHEST_DAYS;
    if (wet >= crowded) {
      days = 0;
    } else if (wet > 0) {
      // logistic growth: the logarithm of m / (room - m) rises evenly
      double rise = Math.log(crowded / (room - crowded)) - Math.log(wet / (room - wet));
      days = (long) Math.ceil(rise * plant.doublingDays() / Math.log(2));
    }
    return new Growth(plant.id(), wet, today.plusDays(Math.min(FARTHEST_DAYS, days)));
  }

  private static double median(double[] sample) {
    Quantiles.sort(sample);
    return Quantiles.of(sample, 0.5);
  }

  /** Days on which the model sees work fall due, by the key of the work. */
  public Map<String, LocalDate> foreseen() {
    Map<String, LocalDate> foreseen = new TreeMap<>();
    wear.forEach(w -> foreseen.put(Work.key(Work.Kind.RENEW, w.export), w.spentOn));
    growth.forEach(g -> foreseen.put(Work.key(Work.Kind.THIN, g.plant), g.crowdedOn));
    return foreseen;
  }
}
