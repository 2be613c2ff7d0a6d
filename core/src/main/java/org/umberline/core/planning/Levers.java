package org.umberline.core.planning;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/**
 * What else than changing water would do: each lever is run over the next weeks from where the tank
 * stands, beside the same draws without it.
 */
final class Levers {
  private static final double[] FEED = {-0.1, -0.2, -0.5};

  /** Share of each stand that the harvest lever takes a week. Chosen. */
  private static final double HARVESTED = 0.25;

  /** Share of the waste that a usual skimmer takes a day (from memory). */
  private static final double SKIMMED = 0.2;

  /** g of adsorber a litre that the lever adds. Common practice, no source. */
  private static final double ADSORBER_G_PER_L = 0.2;

  static final double ADSORBER_CAPACITY = 6;
  private static final int DAYS = 28;
  private static final int DRAWS = 60;
  private static final double DAYS_PER_WEEK = 7;

  private final TankModel tank;
  private final Posterior posterior;
  private final Scenario scenario;
  private final int first;
  private final int days;
  private final int draws;
  private final PlannedChanges routine;
  private final double[][] usual;

  /**
   * @param routine the changes that go on beside each lever
   */
  Levers(TankModel tank, Posterior posterior, PlannedChanges routine) {
    this.tank = tank;
    this.posterior = posterior;
    this.routine = routine;
    scenario = posterior.scenario();
    first = scenario.asOfDay() + 1;
    days = Math.min(DAYS, scenario.days() - first);
    draws = Math.min(DRAWS, posterior.draws().size());
    usual = days > 0 ? ends(scenario, m -> {}) : new double[2][0];
  }

  List<Plan.Lever> all() {
    List<Plan.Lever> levers = new ArrayList<>();
    if (days < DAYS_PER_WEEK) {
      return levers;
    }
    if (scenario.foodOf(first).nitrogen() > 0) {
      for (double change : FEED) {
        levers.add(lever("feed", change, scenario, m -> feed(m, 1 + change)));
      }
    }
    if (!tank.plants().isEmpty()) {
      levers.add(lever("harvest a week", HARVESTED, scenario.with(harvested()), m -> {}));
    }
    boolean skims = tank.exports().stream().anyMatch(ExportMethod.Skimmer.class::isInstance);
    if (tank.water() == WaterKind.MARINE && !skims) {
      levers.add(
          lever(
              "skimmer",
              SKIMMED,
              scenario.with(with(new ExportMethod.Skimmer("+skimmer", SKIMMED, now()))),
              m -> {}));
    }
    if (tank.exports().stream().noneMatch(ExportMethod.PhosphateAdsorber.class::isInstance)) {
      double grams = ADSORBER_G_PER_L * tank.netVolumeL();
      ExportMethod adsorber =
          new ExportMethod.PhosphateAdsorber(
              "+adsorber", grams, ADSORBER_CAPACITY, AdsorberPlacement.REACTOR, now());
      levers.add(lever("phosphate adsorber g", grams, scenario.with(with(adsorber)), m -> {}));
    }
    cleaningWeekly().ifPresent(levers::add);
    purest()
        .ifPresent(
            water ->
                levers.add(
                    lever(
                        "change water " + water.name(),
                        1,
                        scenario.with(
                            tank.withChangeWater(
                                new Blend(List.of(new Blend.Part(water.id(), 1))))),
                        m -> {})));
    return levers;
  }

  Optional<Plan.Lever> cleaningWeekly() {
    boolean media = tank.exports().stream().anyMatch(ExportMethod.Mechanical.class::isInstance);
    return media && days >= DAYS_PER_WEEK
        ? Optional.of(lever("media cleaned weekly", 1, scenario.with(cleaned()), m -> {}))
        : Optional.empty();
  }

  private Plan.Lever lever(
      String name, double change, Scenario changed, Consumer<Multipliers> pulled) {
    double[][] ends = ends(changed, pulled);
    double[] effect = new double[2];
    for (int n = 0; n < 2; n++) {
      double[] apart = new double[draws];
      for (int i = 0; i < draws; i++) {
        apart[i] = ends[n][i] - usual[n][i];
      }
      Quantiles.sort(apart);
      double perWeek = Quantiles.of(apart, 0.5) * DAYS_PER_WEEK / days;
      double one = Nutrient.values()[n].ion(1);
      effect[n] = perWeek * one;
    }
    return new Plan.Lever(name, change, effect[0], effect[1]);
  }

  /** mg of the element per litre at the end of the days, {@code [nutrient][draw]}. */
  private double[][] ends(Scenario changed, Consumer<Multipliers> pulled) {
    TankSimulator simulator = TankSimulator.quick(changed);
    Trace trace = new Trace(changed);
    double[][] ends = new double[2][draws];
    for (int i = 0; i < draws; i++) {
      Posterior.Draw draw = posterior.draws().get(i);
      Multipliers multipliers = draw.multipliers().copy();
      pulled.accept(multipliers);
      TankState state = draw.state().in(changed);
      simulator.run(state, first, first + days, multipliers, routine, trace);
      ends[0][i] = state.nitrateMg() / changed.volumeL();
      ends[1][i] = state.phosphorusMg() / changed.volumeL();
    }
    return ends;
  }

  private void feed(Multipliers multipliers, double factor) {
    for (int day = first; day < scenario.days(); day++) {
      multipliers.nitrogenLoad[day] *= factor;
      multipliers.phosphorusLoad[day] *= factor;
    }
  }

  private Span now() {
    return new Span(scenario.date(scenario.asOfDay()), Optional.empty());
  }

  private TankModel with(ExportMethod gear) {
    List<ExportMethod> exports = new ArrayList<>(tank.exports());
    exports.add(gear);
    return tank.withExports(exports);
  }

  private OffsetDateTime noon(int week) {
    LocalDate day = scenario.date(first + week * 7 + 3);
    return day.atTime(LocalTime.NOON).atZone(tank.timeZone()).toOffsetDateTime();
  }

  private TankModel harvested() {
    List<LogEntry> log = new ArrayList<>(tank.log());
    for (int j = 0; j < tank.plants().size(); j++) {
      PlantStand plant = tank.plants().get(j);
      double wet = medianDryG(j) * 100 / plant.dryMatterPercent();
      for (int week = 0; week * 7 + 3 < days; week++) {
        log.add(new LogEntry.Harvest(noon(week), plant.id(), HARVESTED * wet, ""));
      }
    }
    return tank.withLog(log);
  }

  private double medianDryG(int plant) {
    double[] dry =
        posterior.draws().stream().mapToDouble(d -> d.state().plantDryG(plant)).toArray();
    Quantiles.sort(dry);
    return Quantiles.of(dry, 0.5);
  }

  private TankModel cleaned() {
    List<LogEntry> log = new ArrayList<>(tank.log());
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.Mechanical) {
        for (int week = 0; week * 7 + 3 < days; week++) {
          log.add(new LogEntry.Clean(noon(week), export.id(), ""));
        }
      }
    }
    return tank.withLog(log);
  }

  /** The water with the least nitrate and phosphate, if it is purer than the change water. */
  private Optional<SourceWater> purest() {
    return tank.waters().stream()
        .filter(w -> w.nitrate().isPresent() && w.phosphate().isPresent())
        .filter(w -> routine.time().length > 0)
        .filter(w -> tank.changeWater().parts().stream().noneMatch(p -> p.water().equals(w.id())))
        .filter(
            w ->
                purer(w.nitrate().get().mgPerLitre(), Nutrient.NITRATE)
                    || purer(w.phosphate().get().mgPerLitre(), Nutrient.PHOSPHATE))
        .min(
            (a, b) ->
                Double.compare(a.nitrate().get().mgPerLitre(), b.nitrate().get().mgPerLitre()));
  }

  private boolean purer(double mgL, Nutrient nutrient) {
    double[] elementMgL =
        nutrient == Nutrient.NITRATE
            ? posterior.draws().get(0).multipliers().waterNitrateMgL
            : posterior.draws().get(0).multipliers().waterPhosphorusMgL;
    return mgL < SingleChange.source(tank, nutrient, elementMgL);
  }
}
