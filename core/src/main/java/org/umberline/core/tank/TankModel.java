package org.umberline.core.tank;

import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;

/**
 * One tank with everything the computation needs. The log is in the order of its instants; every id
 * that is referred to exists.
 */
public record TankModel(
    String name,
    WaterKind water,
    double netVolumeL,
    OptionalDouble surfaceAreaCm2,
    double temperatureC,
    double pH,
    OptionalDouble alkalinityDkh,
    double salinityPpt,
    Optional<LocalDate> startedOn,
    ZoneId timeZone,
    Substrate substrate,
    Optional<WayOfKeeping> keeping,
    Stance stance,
    Lines lines,
    Limits limits,
    Effort effort,
    List<SourceWater> waters,
    Blend changeWater,
    TopOff topOff,
    List<Food> foods,
    List<Feeding> feeding,
    List<Livestock> livestock,
    List<PlantStand> plants,
    List<ExportMethod> exports,
    List<Fertiliser> fertilisers,
    List<Dosing> dosing,
    List<Kit> kits,
    Optional<Routine> routine,
    List<LogEntry> log) {
  /** Temperature of a tank that states none, °C. Common practice, no source. */
  public static final double DEFAULT_TEMPERATURE_C = 25;

  /** A filter has grown in by this age, whatever is not known of it. Common practice, no source. */
  public static final int FILTER_GROWN_IN_DAYS = 60;

  public TankModel {
    waters = List.copyOf(waters);
    foods = List.copyOf(foods);
    feeding = List.copyOf(feeding);
    livestock = List.copyOf(livestock);
    plants = List.copyOf(plants);
    exports = List.copyOf(exports);
    fertilisers = List.copyOf(fertilisers);
    dosing = List.copyOf(dosing);
    kits = List.copyOf(kits);
    log = log.stream().sorted(Comparator.comparing((LogEntry e) -> e.at().toInstant())).toList();
  }

  /** pH of a tank that states none. Common practice, no source. */
  public static double defaultPH(WaterKind water) {
    return water == WaterKind.MARINE ? 8.1 : 7.5;
  }

  /** Salinity of a tank that states none, ppt. Common practice, no source. */
  public static double defaultSalinityPpt(WaterKind water) {
    return switch (water) {
      case FRESHWATER -> 0;
      case BRACKISH -> 12;
      case MARINE -> 35;
    };
  }

  /** Bottom of a tank that states none. Common practice, no source. */
  public static SubstrateKind defaultSubstrate(WaterKind water) {
    return water == WaterKind.MARINE ? SubstrateKind.MARINE_ROCK_AND_SAND : SubstrateKind.GRAVEL;
  }

  public SourceWater waterById(String id) {
    return byId(waters, SourceWater::id, id);
  }

  /**
   * Nitrate of a blend as its waters are said to be, mg/L NO3; an unmeasured water counts as none.
   */
  public double nitrateMgL(Blend blend) {
    return blend.parts().stream()
        .mapToDouble(
            part ->
                part.share()
                    * waterById(part.water()).nitrate().map(Nitrate::mgPerLitre).orElse(0.0))
        .sum();
  }

  /** Phosphate of a blend as its waters are said to be, mg/L PO4; unmeasured counts as none. */
  public double phosphateMgL(Blend blend) {
    return blend.parts().stream()
        .mapToDouble(
            part ->
                part.share()
                    * waterById(part.water()).phosphate().map(Phosphate::mgPerLitre).orElse(0.0))
        .sum();
  }

  /**
   * A figure of a blend, in the figure's own unit.
   *
   * @return empty unless each of its waters states it
   */
  public OptionalDouble blended(Blend blend, Function<SourceWater, OptionalDouble> figure) {
    double sum = 0;
    for (Blend.Part part : blend.parts()) {
      OptionalDouble own = figure.apply(waterById(part.water()));
      if (own.isEmpty()) {
        return OptionalDouble.empty();
      }
      sum += part.share() * own.getAsDouble();
    }
    return blend.parts().isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(sum);
  }

  public Food foodById(String id) {
    return byId(foods, Food::id, id);
  }

  public Fertiliser fertiliserById(String id) {
    return byId(fertilisers, Fertiliser::id, id);
  }

  public Kit kitById(String id) {
    return byId(kits, Kit::id, id);
  }

  /** The kit a test was read with, or what is assumed of an unnamed one. */
  public Kit kitOf(LogEntry.Test test) {
    return test.kit().map(this::kitById).orElseGet(() -> Kit.unnamed(test.analyte()));
  }

  /** When {@code entry} was, by the tank's clock. */
  public OffsetDateTime timeOf(LogEntry entry) {
    return entry.at().atZoneSameInstant(timeZone()).toOffsetDateTime();
  }

  /** The latest test of an analyte, whatever it read. */
  public Optional<LogEntry.Test> lastTest(Analyte analyte) {
    return log.stream()
        .filter(LogEntry.Test.class::isInstance)
        .map(LogEntry.Test.class::cast)
        .filter(test -> test.analyte() == analyte)
        .reduce((a, b) -> b);
  }

  /** What was seen last of a sign, unless it was seen to be gone. */
  public Optional<LogEntry.Observation> standing(String sign) {
    return log.stream()
        .filter(LogEntry.Observation.class::isInstance)
        .map(LogEntry.Observation.class::cast)
        .filter(seen -> seen.sign().equals(sign))
        .reduce((a, b) -> b)
        .filter(seen -> seen.severity() > 0);
  }

  /** The day of {@code instant} in the tank's time zone. */
  public LocalDate dayOf(Instant instant) {
    return instant.atZone(timeZone).toLocalDate();
  }

  /** The tank with its log as it was known at {@code instant}. */
  public TankModel knownAt(Instant instant) {
    return withLog(log.stream().filter(e -> !e.at().toInstant().isAfter(instant)).toList());
  }

  /** Without plain notes; the first entry stays, for there the past begins. */
  public TankModel withoutNotes() {
    return withLog(
        log.stream()
            .filter(
                entry ->
                    entry == log.get(0)
                        || !(entry instanceof LogEntry.Observation seen)
                        || !seen.sign().equals(Sign.NOTE))
            .toList());
  }

  public TankModel withLog(List<LogEntry> entries) {
    Copy copy = new Copy(this);
    copy.log = entries;
    return copy.made();
  }

  public TankModel withRoutine(Optional<Routine> changed) {
    Copy copy = new Copy(this);
    copy.routine = changed;
    return copy.made();
  }

  public TankModel withLines(Lines changed) {
    Copy copy = new Copy(this);
    copy.lines = changed;
    return copy.made();
  }

  public TankModel withLimits(Limits changed) {
    Copy copy = new Copy(this);
    copy.limits = changed;
    return copy.made();
  }

  /** Without all that says what its keeper wants of it: what a calibration looks at. */
  public TankModel withoutWishes() {
    Copy copy = new Copy(this);
    copy.keeping = Optional.empty();
    copy.stance = Stance.BY_NEED;
    copy.lines = Lines.NONE;
    copy.limits = Limits.DEFAULT;
    copy.effort = Effort.DEFAULT;
    copy.routine = Optional.empty();
    return copy.made();
  }

  public TankModel withEffort(Effort changed) {
    Copy copy = new Copy(this);
    copy.effort = changed;
    return copy.made();
  }

  public TankModel withChangeWater(Blend changed) {
    Copy copy = new Copy(this);
    copy.changeWater = changed;
    return copy.made();
  }

  public TankModel withTopOff(TopOff changed) {
    Copy copy = new Copy(this);
    copy.topOff = changed;
    return copy.made();
  }

  public TankModel withFoods(List<Food> changed) {
    Copy copy = new Copy(this);
    copy.foods = changed;
    return copy.made();
  }

  public TankModel withFeeding(List<Feeding> changed) {
    Copy copy = new Copy(this);
    copy.feeding = changed;
    return copy.made();
  }

  public TankModel withDosing(List<Dosing> changed) {
    Copy copy = new Copy(this);
    copy.dosing = changed;
    return copy.made();
  }

  public TankModel withLivestock(List<Livestock> changed) {
    Copy copy = new Copy(this);
    copy.livestock = changed;
    return copy.made();
  }

  public TankModel withPlants(List<PlantStand> changed) {
    Copy copy = new Copy(this);
    copy.plants = changed;
    return copy.made();
  }

  public TankModel withStance(Stance changed) {
    Copy copy = new Copy(this);
    copy.stance = changed;
    return copy.made();
  }

  public TankModel withExports(List<ExportMethod> changed) {
    Copy copy = new Copy(this);
    copy.exports = changed;
    return copy.made();
  }

  /** A tank in the making: what another has, but for what is set. */
  private static final class Copy {
    private final TankModel of;
    private Optional<WayOfKeeping> keeping;
    private Stance stance;
    private Lines lines;
    private Limits limits;
    private Effort effort;
    private Blend changeWater;
    private TopOff topOff;
    private List<Food> foods;
    private List<Feeding> feeding;
    private List<Dosing> dosing;
    private List<Livestock> livestock;
    private List<PlantStand> plants;
    private List<ExportMethod> exports;
    private Optional<Routine> routine;
    private List<LogEntry> log;

    Copy(TankModel of) {
      this.of = of;
      keeping = of.keeping;
      stance = of.stance;
      lines = of.lines;
      limits = of.limits;
      effort = of.effort;
      changeWater = of.changeWater;
      topOff = of.topOff;
      foods = of.foods;
      feeding = of.feeding;
      dosing = of.dosing;
      livestock = of.livestock;
      plants = of.plants;
      exports = of.exports;
      routine = of.routine;
      log = of.log;
    }

    TankModel made() {
      return new TankModel(
          of.name,
          of.water,
          of.netVolumeL,
          of.surfaceAreaCm2,
          of.temperatureC,
          of.pH,
          of.alkalinityDkh,
          of.salinityPpt,
          of.startedOn,
          of.timeZone,
          of.substrate,
          keeping,
          stance,
          lines,
          limits,
          effort,
          of.waters,
          changeWater,
          topOff,
          foods,
          feeding,
          livestock,
          plants,
          exports,
          of.fertilisers,
          dosing,
          of.kits,
          routine,
          log);
    }
  }

  private static <T> T byId(List<T> all, Function<T, String> idOf, String id) {
    return all.stream()
        .filter(item -> idOf.apply(item).equals(id))
        .findFirst()
        .orElseThrow(() -> new IllegalArgumentException("nothing has the id " + id));
  }
}
