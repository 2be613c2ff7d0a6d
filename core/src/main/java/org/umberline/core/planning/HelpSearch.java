package org.umberline.core.planning;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.AmountUnit;
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/**
 * What else would help: each lever is pulled in the same draws and the changes are looked for anew.
 * What helps the line that binds comes first.
 */
final class HelpSearch {
  private static final double[] FEED_LESS = {-0.1, -0.2, -1.0 / 3};
  private static final double FEED_MORE = 0.2;

  /** Share of each stand that is cut a week more. Chosen. */
  private static final double CUT_MORE = 0.25;

  /** Share of the waste that a usual skimmer takes a day (from memory). */
  private static final double SKIMMED = 0.2;

  /** g of adsorber a litre that is put in. Common practice, no source. */
  private static final double ADSORBER_G_PER_L = 0.2;

  /** mg P that a g of adsorber holds (from memory). */
  static final double ADSORBER_CAPACITY = 6;

  /** An adsorber is renewed now and then this often, days. Common practice, no source. */
  private static final int RENEWED_EVERY_DAYS = 35;

  /** A floor is raised to this much of itself. Chosen. */
  private static final double ABOVE_FLOOR = 1.5;

  /** Nitrate is raised by so much a day at most, mg/L. Common practice, no source. */
  private static final double MOST_NITRATE_A_DAY = 5;

  /** g of NO3 in a g of potassium nitrate (IUPAC molar masses). */
  private static final double NITRATE_IN_POTASSIUM_NITRATE = 0.613;

  /** g of PO4 in a g of monopotassium phosphate (IUPAC molar masses). */
  private static final double PHOSPHATE_IN_POTASSIUM_PHOSPHATE = 0.698;

  /** Phosphate is raised by so much a day at most, mg/L, marine and other. Common practice. */
  private static final double MOST_PHOSPHATE_A_DAY_MARINE = 0.05;

  private static final double MOST_PHOSPHATE_A_DAY = 0.5;

  /** Waters of about the tank's own salinity may be mixed in, ppt. Chosen. */
  private static final double SAME_SALINITY_PPT = 2;

  /** A blend's share is worked out in steps of a twentieth. */
  private static final int BLEND_STEPS = 20;

  private static final double USUAL_INTERVAL_DAYS = 7;
  private static final int DAYS_PER_WEEK = 7;

  private final TankModel tank;
  private final Posterior posterior;
  private final Lines lines;
  private final LocalDate asOf;
  private final int daysAhead;
  private final double everyDays;

  HelpSearch(TankModel tank, Posterior posterior, Lines lines, Optional<Double> everyDays) {
    this.tank = tank;
    this.posterior = posterior;
    this.lines = lines;
    asOf = posterior.scenario().date(posterior.scenario().asOfDay());
    daysAhead =
        Math.min(
            Advisor.DAYS_JUDGED, posterior.scenario().days() - posterior.scenario().asOfDay() - 1);
    this.everyDays =
        everyDays.orElse(tank.routine().map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS));
  }

  /** The routine that is enough in a tank that goes on otherwise. */
  private record Enough(OptionalDouble fraction, double everyDays, double minutesPer28Days) {}

  private Enough enough(TankModel changed) {
    Posterior ahead = posterior.goingOnAs(changed);
    TankModel judged = changed.withLines(lines);
    Levels levels = new Levels(judged, ahead);
    Promise promise = new Promise(ahead, lines, tank.limits().confidence(), daysAhead);
    SingleChange single =
        SingleChange.largest(
            judged, levels.now(Nutrient.NITRATE), levels.ofChangeWater(Nutrient.NITRATE));
    boolean tooRich =
        levels.sourceTooRich(Nutrient.NITRATE) || levels.sourceTooRich(Nutrient.PHOSPHATE);
    ChangeSearch search =
        new ChangeSearch(
            judged, promise, posterior.scenario().asOfDay() + 1, single, tooRich, Optional.empty());
    if (search.noneNeeded()) {
      return new Enough(OptionalDouble.of(0), everyDays, 0);
    }
    ChangeSearch.Found found = search.find(everyDays);
    double litres = found.fraction() * tank.netVolumeL();
    return found.feasible()
        ? new Enough(
            OptionalDouble.of(found.fraction()),
            everyDays,
            28 / everyDays * tank.effort().minutes(litres))
        : new Enough(OptionalDouble.empty(), everyDays, 0);
  }

  private Advice.Help help(
      Lever lever,
      double amount,
      AmountUnit unit,
      Optional<String> of,
      Nutrient nutrient,
      TankModel changed) {
    Enough enough = enough(changed);
    return new Advice.Help(
        lever,
        amount,
        unit,
        of,
        nutrient,
        enough.fraction,
        enough.everyDays,
        enough.minutesPer28Days);
  }

  /**
   * @param binding the line that binds
   * @param today the changes without any lever
   */
  List<Advice.Help> all(Optional<Advice.Binding> binding, Optional<ChangeSearch.Found> today) {
    if (daysAhead < DAYS_PER_WEEK) {
      return List.of();
    }
    Nutrient nutrient = binding.map(Advice.Binding::nutrient).orElse(Nutrient.NITRATE);
    if (binding.filter(b -> b.side() == Advice.Side.FLOOR).isPresent()) {
      return raising(nutrient);
    }
    List<Advice.Help> helps = new ArrayList<>();
    feeding(helps, nutrient);
    harvest(helps, nutrient);
    adsorber(helps);
    skimmer(helps, nutrient);
    cleaning(helps, nutrient);
    water(helps, nutrient);
    double without = today.map(ChangeSearch.Found::fraction).orElse(2.0);
    // a lever that leaves as much to change helps nothing
    helps.removeIf(
        help -> help.fraction().isEmpty() || help.fraction().getAsDouble() >= without - 1e-9);
    helps.sort(
        Comparator.comparing((Advice.Help help) -> help.forNutrient() != nutrient)
            .thenComparing(help -> help.fraction().getAsDouble())
            .thenComparing(help -> Math.abs(help.amount())));
    return List.copyOf(helps);
  }

  private void feeding(List<Advice.Help> helps, Nutrient nutrient) {
    if (tank.feeding().isEmpty()) {
      return;
    }
    for (double change : FEED_LESS) {
      helps.add(
          help(
              Lever.FEED,
              change,
              AmountUnit.SHARE,
              Optional.empty(),
              nutrient,
              tank.withFeeding(fed(1 + change))));
    }
  }

  private List<Feeding> fed(double factor) {
    return tank.feeding().stream()
        .map(
            f ->
                new Feeding(
                    f.food(),
                    f.gramsPerFeed() * factor,
                    f.feedsPerWeek(),
                    f.uneatenFraction(),
                    f.span()))
        .toList();
  }

  private void harvest(List<Advice.Help> helps, Nutrient nutrient) {
    for (int j = 0; j < tank.plants().size(); j++) {
      PlantStand plant = tank.plants().get(j);
      double grams = CUT_MORE * medianDryG(j) * 100 / plant.dryMatterPercent();
      if (grams < 1) {
        continue;
      }
      helps.add(
          help(
              Lever.HARVEST,
              grams,
              AmountUnit.GRAMS_PER_WEEK,
              Optional.of(plant.id()),
              nutrient,
              weekly(at -> new LogEntry.Harvest(at, plant.id(), grams, ""))));
    }
  }

  private double medianDryG(int plant) {
    double[] dry =
        posterior.draws().stream().mapToDouble(d -> d.state().plantDryG(plant)).toArray();
    Quantiles.sort(dry);
    return Quantiles.of(dry, 0.5);
  }

  private interface Entry {
    LogEntry at(OffsetDateTime time);
  }

  private TankModel weekly(Entry entry) {
    List<LogEntry> log = new ArrayList<>(tank.log());
    for (int day = 3; day < daysAhead; day += DAYS_PER_WEEK) {
      log.add(entry.at(noon(day)));
    }
    return tank.withLog(log);
  }

  private OffsetDateTime noon(int dayAhead) {
    return asOf.plusDays(1L + dayAhead)
        .atTime(LocalTime.NOON)
        .atZone(tank.timeZone())
        .toOffsetDateTime();
  }

  private Span fromNow() {
    return new Span(asOf, Optional.empty());
  }

  private void adsorber(List<Advice.Help> helps) {
    if (Nutrient.PHOSPHATE.line(lines).ceilingMgL().isEmpty()) {
      return;
    }
    Optional<ExportMethod.PhosphateAdsorber> present =
        tank.exports().stream()
            .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
            .map(ExportMethod.PhosphateAdsorber.class::cast)
            .filter(a -> a.span().contains(asOf))
            .findFirst();
    if (present.isPresent()) {
      List<LogEntry> log = new ArrayList<>(tank.log());
      for (int day = 0; day < daysAhead; day += RENEWED_EVERY_DAYS) {
        log.add(new LogEntry.Renew(noon(day), present.get().id(), present.get().massG(), ""));
      }
      helps.add(
          help(
              Lever.ADSORBER_RENEWAL,
              RENEWED_EVERY_DAYS,
              AmountUnit.DAYS,
              Optional.of(present.get().id()),
              Nutrient.PHOSPHATE,
              tank.withLog(log)));
      return;
    }
    double grams = ADSORBER_G_PER_L * tank.netVolumeL();
    helps.add(
        help(
            Lever.ADSORBER_MASS,
            grams,
            AmountUnit.GRAMS,
            Optional.empty(),
            Nutrient.PHOSPHATE,
            with(
                new ExportMethod.PhosphateAdsorber(
                    "+adsorber", grams, ADSORBER_CAPACITY, AdsorberPlacement.REACTOR, fromNow()))));
  }

  private TankModel with(ExportMethod gear) {
    List<ExportMethod> exports = new ArrayList<>(tank.exports());
    exports.add(gear);
    return tank.withExports(exports);
  }

  private void skimmer(List<Advice.Help> helps, Nutrient nutrient) {
    boolean skims = tank.exports().stream().anyMatch(ExportMethod.Skimmer.class::isInstance);
    if (tank.water() == WaterKind.MARINE && !skims) {
      helps.add(
          help(
              Lever.SKIMMER,
              SKIMMED,
              AmountUnit.SHARE,
              Optional.empty(),
              nutrient,
              with(new ExportMethod.Skimmer("+skimmer", SKIMMED, fromNow()))));
    }
  }

  private void cleaning(List<Advice.Help> helps, Nutrient nutrient) {
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.Mechanical && export.span().contains(asOf)) {
        helps.add(
            help(
                Lever.MEDIA_CLEANING,
                1,
                AmountUnit.TIMES_PER_WEEK,
                Optional.of(export.id()),
                nutrient,
                weekly(at -> new LogEntry.Clean(at, export.id(), ""))));
      }
    }
  }

  // ---------------------------------------------------------------- other water

  /** Waters that are measured, not the change water alone, and of the tank's own salinity. */
  private List<SourceWater> otherWaters() {
    return tank.waters().stream()
        .filter(w -> w.nitrate().isPresent() && w.phosphate().isPresent())
        .filter(
            w ->
                tank.changeWater().parts().size() != 1
                    || !tank.changeWater().parts().get(0).water().equals(w.id()))
        .filter(w -> Math.abs(w.salinityPpt().orElse(0) - tank.salinityPpt()) <= SAME_SALINITY_PPT)
        .toList();
  }

  private void water(List<Advice.Help> helps, Nutrient nutrient) {
    for (SourceWater water : otherWaters()) {
      helps.add(
          help(
              Lever.WATER,
              1,
              AmountUnit.SHARE,
              Optional.of(water.id()),
              nutrient,
              tank.withChangeWater(new Blend(List.of(new Blend.Part(water.id(), 1))))));
    }
  }

  /** For each other water, the least share of it that makes a routine possible. */
  List<Advice.Blended> blends() {
    List<Advice.Blended> blends = new ArrayList<>();
    for (SourceWater water : otherWaters()) {
      if (fractionWith(water, BLEND_STEPS).isEmpty()) {
        continue;
      }
      int low = 0;
      int high = BLEND_STEPS;
      while (high - low > 1) {
        int middle = (low + high) / 2;
        if (fractionWith(water, middle).isPresent()) {
          high = middle;
        } else {
          low = middle;
        }
      }
      blends.add(
          new Advice.Blended(
              water.id(),
              high / (double) BLEND_STEPS,
              fractionWith(water, high).getAsDouble(),
              everyDays));
    }
    return List.copyOf(blends);
  }

  private OptionalDouble fractionWith(SourceWater water, int steps) {
    double share = steps / (double) BLEND_STEPS;
    List<Blend.Part> parts = new ArrayList<>();
    double others = 0;
    for (Blend.Part part : tank.changeWater().parts()) {
      if (!part.water().equals(water.id()) && share < 1) {
        parts.add(new Blend.Part(part.water(), part.share() * (1 - share)));
        others += part.share() * (1 - share);
      }
    }
    parts.add(new Blend.Part(water.id(), 1 - others));
    return enough(tank.withChangeWater(new Blend(parts))).fraction;
  }

  // ---------------------------------------------------------------- too little

  /** Below a floor the levers turn round: feed, filter less, dose. */
  private List<Advice.Help> raising(Nutrient nutrient) {
    List<Advice.Help> helps = new ArrayList<>();
    if (!tank.feeding().isEmpty()) {
      helps.add(
          new Advice.Help(
              Lever.FEED,
              FEED_MORE,
              AmountUnit.SHARE,
              Optional.empty(),
              nutrient,
              OptionalDouble.empty(),
              everyDays,
              0));
    }
    tank.exports().stream()
        .filter(e -> e instanceof ExportMethod.Mechanical || e instanceof ExportMethod.Skimmer)
        .filter(e -> e.span().contains(asOf))
        .findFirst()
        .ifPresent(
            e ->
                helps.add(
                    new Advice.Help(
                        Lever.FILTER_LESS,
                        -0.5,
                        AmountUnit.SHARE,
                        Optional.of(e.id()),
                        nutrient,
                        OptionalDouble.empty(),
                        everyDays,
                        0)));
    helps.add(dose(nutrient));
    Nutrient other = nutrient == Nutrient.NITRATE ? Nutrient.PHOSPHATE : Nutrient.NITRATE;
    if (other == Nutrient.PHOSPHATE) {
      adsorber(helps);
    }
    return List.copyOf(helps);
  }

  /** A day's dose towards half above the floor, of a fertiliser the tank has or of a pure salt. */
  private Advice.Help dose(Nutrient nutrient) {
    double floor = nutrient.line(tank.lines()).floorMgL().orElse(0);
    double missing = Math.max(0, ABOVE_FLOOR * floor - new Levels(tank, posterior).now(nutrient));
    double most =
        nutrient == Nutrient.NITRATE
            ? MOST_NITRATE_A_DAY
            : tank.water() == WaterKind.MARINE ? MOST_PHOSPHATE_A_DAY_MARINE : MOST_PHOSPHATE_A_DAY;
    double mgPerDay = Math.min(missing / DAYS_PER_WEEK, most) * tank.netVolumeL();
    Optional<Fertiliser> own =
        tank.fertilisers().stream().filter(f -> mgPerMl(f, nutrient) > 0).findFirst();
    double salt =
        nutrient == Nutrient.NITRATE
            ? NITRATE_IN_POTASSIUM_NITRATE
            : PHOSPHATE_IN_POTASSIUM_PHOSPHATE;
    return own.map(
            f ->
                new Advice.Help(
                    Lever.DOSE,
                    mgPerDay / mgPerMl(f, nutrient),
                    AmountUnit.ML_PER_DAY,
                    Optional.of(f.id()),
                    nutrient,
                    OptionalDouble.empty(),
                    everyDays,
                    0))
        .orElseGet(
            () ->
                new Advice.Help(
                    Lever.DOSE,
                    mgPerDay * DAYS_PER_WEEK / 1000 / salt,
                    AmountUnit.GRAMS_PER_WEEK,
                    Optional.empty(),
                    nutrient,
                    OptionalDouble.empty(),
                    everyDays,
                    0));
  }

  private static double mgPerMl(Fertiliser fertiliser, Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE
        ? fertiliser.nitrateMgPerMl()
        : fertiliser.phosphateMgPerMl();
  }
}
