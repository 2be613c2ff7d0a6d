package org.umberline.core;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.Substrate;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.tank.TopOff;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;

/** Small tanks for tests: 100 L of fresh water at 20 °C that began on 1 January 2026, UTC. */
public final class TankBuilder {
  /** Shared by all tests that run draws. */
  public static final Workers WORKERS = Workers.ofAllProcessors();

  public static final LocalDate START = LocalDate.of(2026, 1, 1);

  private final List<SourceWater> waters = new ArrayList<>();
  private final List<Food> foods = new ArrayList<>();
  private final List<Feeding> feeding = new ArrayList<>();
  private final List<Livestock> livestock = new ArrayList<>();
  private final List<PlantStand> plants = new ArrayList<>();
  private final List<Fertiliser> fertilisers = new ArrayList<>();
  private final List<Dosing> dosing = new ArrayList<>();
  private final List<Kit> kits = new ArrayList<>();
  private final List<LogEntry> log = new ArrayList<>();
  private Blend changeWater = Blend.PURE;
  private TopOff topOff = TopOff.NONE;
  private Optional<WayOfKeeping> keeping = Optional.empty();
  private Lines lines = Lines.NONE;
  private Limits limits = Limits.DEFAULT;
  private Optional<Routine> routine = Optional.empty();
  private ZoneId zone = ZoneId.of("UTC");
  private double volumeL = 100;
  private LocalDate started = START;
  private SubstrateKind substrate = SubstrateKind.BARE;
  private final List<ExportMethod> exports = new ArrayList<>();
  private OptionalDouble alkalinity = OptionalDouble.empty();

  public static Span always() {
    return new Span(START, Optional.empty());
  }

  /** {@code days} days after the start, which may be a fraction. */
  public static OffsetDateTime at(double days) {
    return START
        .atStartOfDay(ZoneId.of("UTC"))
        .plusSeconds(Math.round(days * 86400))
        .toOffsetDateTime();
  }

  public TankBuilder volumeL(double litres) {
    volumeL = litres;
    return this;
  }

  public TankBuilder zone(String id) {
    zone = ZoneId.of(id);
    return this;
  }

  public TankBuilder alkalinity(double dkh) {
    alkalinity = OptionalDouble.of(dkh);
    return this;
  }

  public TankBuilder startedOn(LocalDate day) {
    started = day;
    return this;
  }

  /** A water with everything but nutrients unknown. */
  public TankBuilder water(String id, double nitrateMgL, double phosphateMgL) {
    return water(id, Optional.of(nitrateMgL), Optional.of(phosphateMgL), OptionalDouble.empty());
  }

  public TankBuilder water(
      String id,
      Optional<Double> nitrateMgL,
      Optional<Double> phosphateMgL,
      OptionalDouble alkalinityDkh) {
    waters.add(
        new SourceWater(
            id,
            id,
            nitrateMgL.map(Nitrate::new),
            phosphateMgL.map(Phosphate::new),
            new Ammonia(0),
            new Nitrite(0),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            alkalinityDkh,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty()));
    return this;
  }

  /** A water of so much salt, with everything else unknown. */
  public TankBuilder saltWater(String id, double ppt) {
    waters.add(
        new SourceWater(
            id,
            id,
            Optional.empty(),
            Optional.empty(),
            new Ammonia(0),
            new Nitrite(0),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.of(ppt),
            OptionalDouble.empty(),
            OptionalDouble.empty()));
    return this;
  }

  public TankBuilder changeWater(String id) {
    changeWater = new Blend(List.of(new Blend.Part(id, 1)));
    return this;
  }

  public TankBuilder topOff(String id, double litresPerDay) {
    topOff = new TopOff(new Blend(List.of(new Blend.Part(id, 1))), litresPerDay);
    return this;
  }

  /** Dry food of 40 % protein and 1 % phosphorus, this much a day. */
  public TankBuilder ration(double gramsPerDay) {
    foods.add(new Food("dry", "Dry", FoodForm.DRY, 40, 1, 8, OptionalDouble.empty(), false));
    feeding.add(new Feeding("dry", gramsPerDay, 7, 0.05, always()));
    return this;
  }

  public TankBuilder animals(double grams, Stage stage) {
    livestock.add(new Livestock("Animals", 1, grams, stage, always()));
    return this;
  }

  public TankBuilder plant(String id, PlantKind kind, double wetG, double mostG, Span span) {
    plants.add(
        new PlantStand(
            id,
            id,
            kind,
            wetG,
            kind.doublingDays(),
            mostG,
            kind.dryMatterPercent(),
            kind.nitrogenPercentDry(),
            kind.phosphorusPercentDry(),
            span));
    return this;
  }

  /** A solution of 10 mg nitrate and 1 mg phosphate a millilitre, this much a day. */
  public TankBuilder dosing(double mlPerDay) {
    fertilisers.add(new Fertiliser("mix", "Mix", 10, 1));
    dosing.add(new Dosing("mix", mlPerDay, 7, always()));
    return this;
  }

  public TankBuilder substrate(SubstrateKind kind) {
    substrate = kind;
    return this;
  }

  public TankBuilder export(ExportMethod export) {
    exports.add(export);
    return this;
  }

  public TankBuilder lines(double nitrateCeiling, double phosphateCeiling) {
    lines =
        new Lines(
            new Line(OptionalDouble.of(0), OptionalDouble.of(nitrateCeiling)),
            new Line(OptionalDouble.of(0), OptionalDouble.of(phosphateCeiling)));
    return this;
  }

  public TankBuilder fertiliser(String id, double nitrateMgPerMl, double phosphateMgPerMl) {
    fertilisers.add(new Fertiliser(id, id, nitrateMgPerMl, phosphateMgPerMl));
    return this;
  }

  public TankBuilder keeping(WayOfKeeping way) {
    keeping = Optional.of(way);
    return this;
  }

  public TankBuilder lines(Lines those) {
    lines = those;
    return this;
  }

  public TankBuilder limits(Limits those) {
    limits = those;
    return this;
  }

  public TankBuilder routine(Routine that) {
    routine = Optional.of(that);
    return this;
  }

  public TankBuilder card(String id, Analyte analyte, Double... steps) {
    kits.add(kit(id, analyte, KitMethod.COLOUR_CARD, List.of(steps), 0, 0.15));
    return this;
  }

  public TankBuilder photometer(String id, Analyte analyte, double absolute, double relative) {
    kits.add(kit(id, analyte, KitMethod.PHOTOMETER, List.of(), absolute, relative));
    return this;
  }

  public static Kit kit(
      String id,
      Analyte analyte,
      KitMethod method,
      List<Double> steps,
      double absolute,
      double relative) {
    return new Kit(
        id,
        analyte,
        method,
        steps,
        analyte.standardUnit(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        absolute,
        relative);
  }

  public TankBuilder test(double day, Analyte analyte, double value, String kit) {
    return test(day, analyte, value, kit, Qualifier.EQUAL);
  }

  public TankBuilder test(double day, Analyte analyte, double value, String kit, Qualifier q) {
    TestUnit unit = analyte.standardUnit();
    log.add(new LogEntry.Test(at(day), analyte, value, unit, Optional.of(kit), q, ""));
    return this;
  }

  public TankBuilder change(double day, double litres) {
    log.add(new LogEntry.WaterChange(at(day), litres, changeWater, 0, ""));
    return this;
  }

  /** Something given by itself, in g or mL. */
  public TankBuilder added(double day, Additive additive, double amount) {
    return log(new LogEntry.Addition(at(day), additive, amount, ""));
  }

  public TankBuilder log(LogEntry entry) {
    log.add(entry);
    return this;
  }

  public TankModel build() {
    return new TankModel(
        "Test",
        WaterKind.FRESHWATER,
        volumeL,
        OptionalDouble.empty(),
        20,
        7.5,
        alkalinity,
        0,
        Optional.of(started),
        zone,
        new Substrate(substrate, OptionalDouble.empty(), OptionalDouble.empty()),
        keeping,
        Stance.BY_NEED,
        lines,
        limits,
        Effort.DEFAULT,
        waters,
        changeWater,
        topOff,
        foods,
        feeding,
        livestock,
        plants,
        exports,
        fertilisers,
        dosing,
        kits,
        routine,
        log);
  }
}
