package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.UnplantedAlgae;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.TankModel;

/** Whatever grows in the tank: its plants and, where they were seen, algae nobody planted. */
final class Stands {
  /** One stand in the figures a run needs; {@code perGreatestDryG} is 1 over its most. */
  record Stand(
      double growthPerDay, double perGreatestDryG, double nitrogenMgPerG, double phosphorusMgPerG) {
    private static Stand of(PlantStand plant) {
      return new Stand(
          PlantGrowth.ratePerDay(plant.doublingDays()),
          1 / (plant.maxWetMassG() * plant.dryMatterPercent() / 100),
          plant.nitrogenPercentDry() * 10,
          plant.phosphorusPercentDry() * 10);
    }

    private static Stand ofAlgae() {
      return new Stand(
          PlantGrowth.ratePerDay(UnplantedAlgae.DOUBLING_DAYS),
          Double.NaN,
          UnplantedAlgae.NITROGEN_MG_PER_G,
          UnplantedAlgae.PHOSPHORUS_MG_PER_G);
    }
  }

  final Stand[] all;

  /** Index of the algae, one past the plants; out of range where none are seen. */
  final int algae;

  /** The most that algae can weigh on each day, g dry; empty where none are seen. */
  final double[] algaeGreatestDryG;

  /** Dry mass of each stand at the scenario's start, g. */
  final double[] initialDryG;

  /** When plants come and go, and the harvests that habit brings. */
  final List<Event> events = new ArrayList<>();

  private final Days days;
  private final TankModel tank;

  Stands(Days days, List<LogEntry> entries) {
    this.days = days;
    tank = days.tank;
    algae = tank.plants().size();
    algaeGreatestDryG = algaeSeen(entries);
    List<Stand> stands = new ArrayList<>(tank.plants().stream().map(Stand::of).toList());
    if (algaeGreatestDryG.length > 0) {
      stands.add(Stand.ofAlgae());
    }
    all = stands.toArray(Stand[]::new);
    initialDryG = new double[all.length];
    if (algaeGreatestDryG.length > 0) {
      initialDryG[algae] = UnplantedAlgae.greatestDryG(0, tank.netVolumeL()) / 2;
    }
    for (int j = 0; j < algae; j++) {
      PlantStand plant = tank.plants().get(j);
      if (days.known(plant.span())) {
        layOut(j, plant);
        layOutHarvests(j, plant, entries);
      }
    }
  }

  /**
   * Greatest dry mass of algae by day, from the worst that was observed around it; empty where no
   * observation speaks of algae. After the last observation what it saw goes on.
   */
  private double[] algaeSeen(List<LogEntry> entries) {
    int[] severity = new int[days.count];
    boolean any = false;
    for (LogEntry entry : entries) {
      if (entry instanceof LogEntry.Observation seen && UnplantedAlgae.isAlgae(seen.sign())) {
        any = true;
        int day = (int) days.timeOf(seen);
        boolean ongoing = day > days.asOf - UnplantedAlgae.SEEN_DAYS;
        int last =
            ongoing ? days.count - 1 : Math.min(days.count - 1, day + UnplantedAlgae.SEEN_DAYS);
        for (int d = Math.max(0, day - UnplantedAlgae.SEEN_DAYS); d <= last; d++) {
          severity[d] = d > day ? seen.severity() : Math.max(severity[d], seen.severity());
        }
      }
    }
    return any
        ? Arrays.stream(severity)
            .mapToDouble(s -> UnplantedAlgae.greatestDryG(s, tank.netVolumeL()))
            .toArray()
        : new double[0];
  }

  private void layOut(int index, PlantStand plant) {
    double dry = plant.wetMassG() * plant.dryMatterPercent() / 100;
    int age = -days.day(plant.span().from());
    if (age < 0) {
      events.add(new Event(-age, Event.Kind.PLANT_IN, index, dry, 0));
    } else if (days.covers(plant.span(), 0)) {
      Stand stand = all[index];
      initialDryG[index] =
          PlantGrowth.grown(dry, 1 / stand.perGreatestDryG(), stand.growthPerDay(), age);
    }
    if (isGone(plant)) {
      int end = days.day(plant.span().to().get()) + 1;
      if (end > 0) {
        events.add(new Event(end, Event.Kind.PLANT_OUT, index, 0, 0));
      }
    }
  }

  private boolean isGone(PlantStand plant) {
    return plant.span().to().filter(to -> !to.isAfter(days.date(days.asOf))).isPresent();
  }

  private void layOutHarvests(int index, PlantStand plant, List<LogEntry> entries) {
    if (isGone(plant)) {
      return;
    }
    List<LogEntry.Harvest> cuts = cuts(plant, entries);
    double wet =
        cuts(plant, days.habitEntries()).stream()
            .mapToDouble(LogEntry.Harvest::wetMassG)
            .average()
            .orElse(0);
    double dry = wet * plant.dryMatterPercent() / 100;
    for (double time : days.habitTimes(cuts.stream().map(cut -> days.timeOf(cut)).toList())) {
      events.add(new Event(time, Event.Kind.HARVEST, index, dry, 0));
    }
  }

  private static List<LogEntry.Harvest> cuts(PlantStand plant, List<LogEntry> entries) {
    return entries.stream()
        .filter(LogEntry.Harvest.class::isInstance)
        .map(LogEntry.Harvest.class::cast)
        .filter(harvest -> harvest.plant().equals(plant.id()))
        .toList();
  }

  /** A harvest of the log. */
  Event harvested(LogEntry.Harvest harvest) {
    List<String> ids = tank.plants().stream().map(PlantStand::id).toList();
    int index = ids.indexOf(harvest.plant());
    double dry = harvest.wetMassG() * tank.plants().get(index).dryMatterPercent() / 100;
    return new Event(days.timeOf(harvest), Event.Kind.HARVEST, index, dry, 0);
  }

  /** Nitrogen in stands {@code from} on, mg N. */
  double nitrogenMg(TankState state, int from) {
    double sum = 0;
    for (int j = from; j < all.length; j++) {
      sum += state.plantDryG[j] * all[j].nitrogenMgPerG();
    }
    return sum;
  }

  /** Phosphorus in stands {@code from} on, mg P. */
  double phosphorusMg(TankState state, int from) {
    double sum = 0;
    for (int j = from; j < all.length; j++) {
      sum += state.plantDryG[j] * all[j].phosphorusMgPerG();
    }
    return sum;
  }
}
