package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.AmountUnit;
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.planning.Advice.Pulled;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.MedicineCourse;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/** What can be done in a tank besides changing more water, each as something that can be tried. */
final class Levers {
  private static final double[] FEED = {2.0 / 3, 0.8, 0.9};

  /** A fifth fewer animals. Chosen. */
  private static final double STOCK = 0.8;

  /** Share of each stand that is cut a week more. Chosen. */
  private static final double CUT_MORE = 0.25;

  /** Twice the room for a stand. Chosen. */
  private static final double ROOM = 2;

  /** A quarter of the bed siphoned a week. Chosen. */
  private static final double SIPHON = 0.25;

  /** Share of the waste that a usual skimmer takes a day (from memory). */
  private static final double SKIMMED = 0.2;

  /** g of adsorber a litre that is put in. Common practice, no source. */
  private static final double ADSORBER_G_PER_L = 0.2;

  /** An adsorber is renewed now and then this often, days. Common practice, no source. */
  private static final int RENEWED_EVERY_DAYS = 35;

  /** Waters of about the tank's own salinity may be used, ppt. Chosen. */
  private static final double SAME_SALINITY_PPT = 2;

  /**
   * A lever, and what it means in the balance.
   *
   * @param nutrient what it is pulled for
   */
  record Pull(Pulled pulled, Nutrient nutrient, List<Try> tries) {}

  private final TankModel tank;
  private final Posterior posterior;
  private final LocalDate asOf;
  private final List<Pull> pulls = new ArrayList<>();

  private Levers(TankModel tank, Posterior posterior) {
    this.tank = tank;
    this.posterior = posterior;
    asOf = posterior.scenario().date(posterior.scenario().asOfDay());
  }

  /**
   * @param nutrient whose ceiling binds
   * @param phosphate whether phosphate is judged
   * @param renewalPlanned whether the plan renews the adsorber as it is
   */
  static List<Pull> of(
      TankModel tank,
      Posterior posterior,
      Nutrient nutrient,
      boolean phosphate,
      boolean renewalPlanned) {
    Levers levers = new Levers(tank, posterior);
    levers.fed(nutrient);
    levers.grown(nutrient);
    levers.filtered(nutrient);
    if (phosphate && MedicineCourse.running(tank, levers.asOf).isEmpty()) {
      levers.adsorbed(renewalPlanned);
    }
    for (SourceWater water : otherWaters(tank)) {
      levers.add(
          Lever.WATER,
          1,
          AmountUnit.SHARE,
          Optional.of(water.id()),
          nutrient,
          List.of(new Try(Try.Kind.CHANGE_WATER, water.id(), 1)));
    }
    return List.copyOf(levers.pulls);
  }

  private void add(
      Lever lever,
      double amount,
      AmountUnit unit,
      Optional<String> of,
      Nutrient nutrient,
      List<Try> tries) {
    pulls.add(new Pull(new Pulled(lever, amount, unit, of), nutrient, tries));
  }

  private void fed(Nutrient nutrient) {
    List<String> foods =
        tank.feeding().stream()
            .filter(f -> f.span().contains(asOf))
            .map(Feeding::food)
            .distinct()
            .toList();
    for (double share : foods.isEmpty() ? new double[0] : FEED) {
      add(
          Lever.FEED,
          share - 1,
          AmountUnit.SHARE,
          Optional.empty(),
          nutrient,
          foods.stream().map(food -> new Try(Try.Kind.FEED, food, share)).toList());
    }
    int animals =
        tank.livestock().stream()
            .filter(a -> a.span().contains(asOf))
            .mapToInt(Livestock::count)
            .sum();
    // of a few animals none can be a fifth
    if (animals >= 1 / (1 - STOCK) - 1e-9 && !foods.isEmpty()) {
      add(
          Lever.ANIMALS,
          STOCK - 1,
          AmountUnit.SHARE,
          Optional.empty(),
          nutrient,
          List.of(new Try(Try.Kind.STOCK, "", STOCK)));
    }
  }

  private void grown(Nutrient nutrient) {
    for (int j = 0; j < tank.plants().size(); j++) {
      PlantStand plant = tank.plants().get(j);
      if (!plant.span().contains(asOf)) {
        continue;
      }
      double grams = CUT_MORE * medianDryG(j) * 100 / plant.dryMatterPercent();
      if (grams >= 1) {
        add(
            Lever.HARVEST,
            grams,
            AmountUnit.GRAMS_PER_WEEK,
            Optional.of(plant.id()),
            nutrient,
            List.of(new Try(Try.Kind.HARVEST, plant.id(), grams)));
      }
      add(
          Lever.PLANTS,
          ROOM - 1,
          AmountUnit.SHARE,
          Optional.of(plant.id()),
          nutrient,
          List.of(new Try(Try.Kind.ROOM, plant.id(), ROOM)));
    }
  }

  private double medianDryG(int plant) {
    double[] dry =
        posterior.draws().stream().mapToDouble(d -> d.state().plantDryG(plant)).toArray();
    Quantiles.sort(dry);
    return Quantiles.of(dry, 0.5);
  }

  private void filtered(Nutrient nutrient) {
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.Mechanical && export.span().contains(asOf)) {
        add(
            Lever.MEDIA_CLEANING,
            1,
            AmountUnit.TIMES_PER_WEEK,
            Optional.of(export.id()),
            nutrient,
            List.of(new Try(Try.Kind.CLEAN, export.id(), 1)));
      }
    }
    boolean skims = tank.exports().stream().anyMatch(ExportMethod.Skimmer.class::isInstance);
    if (tank.water() == WaterKind.MARINE && !skims) {
      add(
          Lever.SKIMMER,
          SKIMMED,
          AmountUnit.SHARE,
          Optional.empty(),
          nutrient,
          List.of(new Try(Try.Kind.NEW_SKIMMER, "", SKIMMED)));
    }
    if (tank.substrate().kind() != SubstrateKind.BARE) {
      add(
          Lever.SIPHON,
          SIPHON,
          AmountUnit.SHARE,
          Optional.empty(),
          nutrient,
          List.of(new Try(Try.Kind.SIPHON, "", SIPHON)));
    }
  }

  private void adsorbed(boolean renewalPlanned) {
    Optional<ExportMethod.PhosphateAdsorber> present =
        tank.exports().stream()
            .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
            .map(ExportMethod.PhosphateAdsorber.class::cast)
            .filter(a -> a.span().contains(asOf))
            .findFirst();
    if (present.isPresent() && !renewalPlanned) {
      add(
          Lever.ADSORBER_RENEWAL,
          RENEWED_EVERY_DAYS,
          AmountUnit.DAYS,
          present.map(ExportMethod.PhosphateAdsorber::id),
          Nutrient.PHOSPHATE,
          List.of(new Try(Try.Kind.RENEW, present.get().id(), RENEWED_EVERY_DAYS)));
      return;
    }
    double grams =
        present
            .map(ExportMethod.PhosphateAdsorber::massG)
            .orElse(ADSORBER_G_PER_L * tank.netVolumeL());
    add(
        Lever.ADSORBER_MASS,
        grams,
        AmountUnit.GRAMS,
        Optional.empty(),
        Nutrient.PHOSPHATE,
        List.of(new Try(Try.Kind.ADSORBER, "", grams)));
  }

  /** Waters that are measured, not the change water alone, and of the tank's own salinity. */
  static List<SourceWater> otherWaters(TankModel tank) {
    return tank.waters().stream()
        .filter(w -> w.nitrate().isPresent() && w.phosphate().isPresent())
        .filter(
            w ->
                tank.changeWater().parts().size() != 1
                    || !tank.changeWater().parts().get(0).water().equals(w.id()))
        .filter(w -> Math.abs(w.salinityPpt().orElse(0) - tank.salinityPpt()) <= SAME_SALINITY_PPT)
        .toList();
  }
}
