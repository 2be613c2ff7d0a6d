package org.umberline.core.planning;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.balance.Adsorber;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TopOff;

/**
 * One thing done otherwise from tomorrow on, to see what it would lead to. Several together make a
 * what-if. {@code amount} is in the unit of its kind.
 */
public record Try(Kind kind, String id, double amount) {
  /** What can be tried, with the unit and the greatest amount. */
  public enum Kind {
    /** The ration of food {@code id}, as a share of what is fed now. */
    FEED("of today's ration", 3),
    /** The standing dose of fertiliser {@code id}, as a share of what is dosed now. */
    DOSE("of today's dose", 5),
    /** Wet mass of plant {@code id} taken out besides what habit takes. */
    HARVEST("g a week more", 5000),
    /** What skimmer {@code id} removes of the dissolved and fine waste; 0 switches it off. */
    SKIM("of the waste a day", 0.9),
    /** Cleanings of medium {@code id} besides those of habit. */
    CLEAN("times a week more", 7),
    /** New phosphate adsorber in a reactor, put in tomorrow; {@code id} is empty. */
    ADSORBER("g", 5000),
    /** Adsorber {@code id} renewed tomorrow and then every so many days. */
    RENEW("days apart", 365),
    /** Animals that are kept, and fed, as a share of those there are now; {@code id} is empty. */
    STOCK("of today's animals", 3),
    /** Room that plant {@code id} may fill, as a share of what it may now. */
    ROOM("of today's room", 5),
    /** Share of the bed that is siphoned once a week besides habit; {@code id} is empty. */
    SIPHON("of the bed a week", 1),
    /** A skimmer where there is none; {@code id} is empty. */
    NEW_SKIMMER("of the waste a day", 0.9),
    /** Water {@code id} for changes; the amount is not looked at. */
    CHANGE_WATER("", 1),
    /** Water {@code id} for topping off; the amount is not looked at. */
    TOP_OFF("", 1);

    private final String unit;
    private final double greatest;

    Kind(String unit, double greatest) {
      this.unit = unit;
      this.greatest = greatest;
    }

    public String unit() {
      return unit;
    }

    public double greatest() {
      return greatest;
    }
  }

  private static final int DAYS_PER_WEEK = 7;

  /**
   * @throws IllegalArgumentException when the amount is out of range
   */
  public Try {
    if (!(amount >= 0 && amount <= kind.greatest)) {
      throw new IllegalArgumentException(
          "amount is " + amount + "; allowed: 0 to " + kind.greatest + " " + kind.unit);
    }
  }

  /**
   * The tank as it would go on, for {@code Posterior.goingOnAs}.
   *
   * @param asOf the last day that is known
   * @param days days ahead
   * @throws IllegalArgumentException when a try names nothing the tank has
   */
  public static TankModel apply(TankModel tank, LocalDate asOf, int days, List<Try> tries) {
    TankModel changed = tank;
    for (Try tried : tries) {
      changed = tried.apply(changed, asOf, days);
    }
    return changed;
  }

  private TankModel apply(TankModel tank, LocalDate asOf, int days) {
    return switch (kind) {
      case FEED -> tank.withFeeding(fed(tank));
      case DOSE -> tank.withDosing(dosed(tank));
      case HARVEST -> {
        known(tank.plants().stream().map(plant -> plant.id()));
        yield tank.withLog(plus(tank, asOf, days, amount > 0 ? 1 : 0, at -> harvest(at, amount)));
      }
      case CLEAN -> {
        known(tank.exports().stream().map(ExportMethod::id));
        yield tank.withLog(plus(tank, asOf, days, amount, at -> new LogEntry.Clean(at, id, "")));
      }
      case SKIM -> tank.withExports(skimming(tank));
      case ADSORBER ->
          tank.withExports(
              with(
                  tank,
                  amount > 0,
                  new ExportMethod.PhosphateAdsorber(
                      "+adsorber",
                      amount,
                      Adsorber.USUAL_CAPACITY_MG_P_PER_G,
                      AdsorberPlacement.REACTOR,
                      new Span(asOf, Optional.empty()))));
      case RENEW -> tank.withLog(renewed(tank, asOf, days));
      case STOCK -> stocked(tank);
      case ROOM -> {
        known(tank.plants().stream().map(plant -> plant.id()));
        yield tank.withPlants(tank.plants().stream().map(this::roomier).toList());
      }
      case SIPHON ->
          tank.withLog(
              plus(
                  tank,
                  asOf,
                  days,
                  amount > 0 ? 1 : 0,
                  at -> new LogEntry.WaterChange(at, 0, tank.changeWater(), amount, "")));
      case NEW_SKIMMER ->
          tank.withExports(
              with(
                  tank,
                  amount > 0,
                  new ExportMethod.Skimmer("+skimmer", amount, new Span(asOf, Optional.empty()))));
      case CHANGE_WATER -> tank.withChangeWater(only(tank));
      case TOP_OFF -> tank.withTopOff(new TopOff(only(tank), tank.topOff().litresPerDay()));
    };
  }

  private LogEntry harvest(OffsetDateTime at, double grams) {
    return new LogEntry.Harvest(at, id, grams, "");
  }

  private void known(Stream<String> ids) {
    if (ids.noneMatch(id::equals)) {
      throw new IllegalArgumentException("the tank has nothing called " + id);
    }
  }

  private Blend only(TankModel tank) {
    known(tank.waters().stream().map(water -> water.id()));
    return new Blend(List.of(new Blend.Part(id, 1)));
  }

  private interface Entry {
    LogEntry at(OffsetDateTime time);
  }

  /** The log with so many entries a week spread evenly over the days ahead. */
  private static List<LogEntry> plus(
      TankModel tank, LocalDate asOf, int days, double perWeek, Entry entry) {
    List<LogEntry> log = new ArrayList<>(tank.log());
    double apart = perWeek > 0 ? DAYS_PER_WEEK / perWeek : days + 1;
    for (double day = Math.min(apart, DAYS_PER_WEEK) / 2; day < days; day += apart) {
      if (perWeek > 0) {
        log.add(
            entry.at(
                asOf.plusDays(1 + (long) day)
                    .atTime(LocalTime.of(10, 0))
                    .atZone(tank.timeZone())
                    .toOffsetDateTime()));
      }
    }
    return log;
  }

  /** What was given up to the as-of day is in the draws already; only what follows is run. */
  private List<Feeding> fed(TankModel tank) {
    known(tank.foods().stream().map(food -> food.id()));
    return tank.feeding().stream()
        .map(
            f ->
                f.food().equals(id)
                    ? new Feeding(
                        id,
                        f.gramsPerFeed() * amount,
                        f.feedsPerWeek(),
                        f.uneatenFraction(),
                        f.span())
                    : f)
        .toList();
  }

  private List<Dosing> dosed(TankModel tank) {
    known(tank.fertilisers().stream().map(fertiliser -> fertiliser.id()));
    return tank.dosing().stream()
        .map(
            d ->
                d.fertiliser().equals(id)
                    ? new Dosing(id, d.mlPerDose() * amount, d.dosesPerWeek(), d.span())
                    : d)
        .toList();
  }

  private List<ExportMethod> skimming(TankModel tank) {
    known(tank.exports().stream().map(ExportMethod::id));
    return tank.exports().stream()
        .map(
            export ->
                export instanceof ExportMethod.Skimmer skimmer && skimmer.id().equals(id)
                    ? new ExportMethod.Skimmer(id, amount, skimmer.span())
                    : export)
        .toList();
  }

  private static List<ExportMethod> with(TankModel tank, boolean any, ExportMethod gear) {
    List<ExportMethod> exports = new ArrayList<>(tank.exports());
    if (any) {
      exports.add(gear);
    }
    return exports;
  }

  private List<LogEntry> renewed(TankModel tank, LocalDate asOf, int days) {
    List<LogEntry> log = new ArrayList<>(tank.log());
    double massG =
        tank.exports().stream()
            .filter(export -> export.id().equals(id))
            .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
            .mapToDouble(export -> ((ExportMethod.PhosphateAdsorber) export).massG())
            .findFirst()
            .orElseThrow(
                () -> new IllegalArgumentException("the tank has no adsorber called " + id));
    for (double day = 0; day < days; day += Math.max(1, amount)) {
      OffsetDateTime at =
          asOf.plusDays(1 + (long) day)
              .atStartOfDay(tank.timeZone())
              .plusMinutes(1)
              .toOffsetDateTime();
      log.add(new LogEntry.Renew(at, id, massG, ""));
    }
    return log;
  }

  private TankModel stocked(TankModel tank) {
    return tank.withLivestock(
            tank.livestock().stream().map(animals -> animals.grown(amount)).toList())
        .withFeeding(
            tank.feeding().stream()
                .map(
                    f ->
                        new Feeding(
                            f.food(),
                            f.gramsPerFeed() * amount,
                            f.feedsPerWeek(),
                            f.uneatenFraction(),
                            f.span()))
                .toList());
  }

  private PlantStand roomier(PlantStand plant) {
    return plant.id().equals(id)
        ? new PlantStand(
            plant.id(),
            plant.name(),
            plant.kind(),
            plant.wetMassG(),
            plant.doublingDays(),
            plant.maxWetMassG() * Math.max(0.1, amount),
            plant.dryMatterPercent(),
            plant.nitrogenPercentDry(),
            plant.phosphorusPercentDry(),
            plant.span())
        : plant;
  }
}
