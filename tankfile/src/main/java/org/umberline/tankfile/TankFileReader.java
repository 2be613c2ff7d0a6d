package org.umberline.tankfile;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.umberline.core.balance.Adsorber;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;
import tools.jackson.databind.JsonNode;

/** Reads a tank file: checks all of it, reports every problem at once, then builds the tank. */
public final class TankFileReader {
  /** Share of solids a mechanical filter catches a day when none is given. From memory. */
  private static final double DEFAULT_CAPTURE = 0.3;

  /** Share of waste a skimmer takes a day when none is given. From memory. */
  private static final double DEFAULT_SKIMMING = 0.2;

  /** mg P per g of adsorber when none is given. From memory. */

  /**
   * A tank whose start is not told has run for so long before its file mentions anything. Chosen.
   */
  private static final int RUNNING_DAYS = 365;

  private final List<String> defaultsUsed = new ArrayList<>();
  private LocalDate start;

  private TankFileReader() {}

  /**
   * Reads {@code text}.
   *
   * @throws TankFileException with every problem of the file
   */
  public static TankFile read(String text) throws TankFileException {
    JsonNode file = Json.parse(text);
    Problems problems = new Problems();
    SizeCheck.check(file, problems);
    if (problems.none()) {
      SchemaCheck.check(file, problems);
    }
    if (file.isObject() && !problems.full()) {
      References.check(file, problems);
    }
    if (!problems.none()) {
      throw problems.refusal();
    }
    return new TankFileReader().build(file);
  }

  /** An entry that {@link TankFileWriter#entry} wrote: it is whole, and no make-up is needed. */
  public static LogEntry entry(JsonNode written) {
    return new LogEntryReader(Blend.PURE, List.of()).read(new Node(written, "", new ArrayList<>()));
  }

  private TankFile build(JsonNode json) {
    Node file = new Node(json, "", defaultsUsed);
    Node tank = file.child("tank");
    WaterKind water = tank.term(WaterKind.class, "water");
    Optional<WayOfKeeping> keeping =
        tank.has("keeping")
            ? Optional.of(tank.term(WayOfKeeping.class, "keeping"))
            : Optional.empty();
    Optional<LocalDate> startedOn = tank.maybeDate("startedOn");
    ZoneId zone = ZoneId.of(tank.text("timeZone", "UTC"));
    start = startedOn.orElseGet(() -> longBefore(earliestMention(json, zone)));
    if (!tank.has("surfaceAreaCm2")) {
      tank.noted("surfaceAreaCm2", null);
    }
    Stance stance = tank.has("stance") ? tank.term(Stance.class, "stance") : Stance.BY_NEED;
    Blend changeWater =
        file.has("changeWater") ? PartReader.blend(file, "changeWater") : Blend.PURE;
    if (!file.has("changeWater")) {
      file.noted("changeWater", null);
    }
    List<Kit> kitList = file.each("kits", PartReader::kit);
    LogEntryReader entries = new LogEntryReader(changeWater, kitList);
    List<LogEntry> log = file.each("log", entries::read);
    TankModel model =
        new TankModel(
            tank.text("name"),
            water,
            tank.number("netVolumeL"),
            tank.maybeNumber("surfaceAreaCm2"),
            tank.number("temperatureC", TankModel.DEFAULT_TEMPERATURE_C),
            tank.number("pH", TankModel.defaultPH(water)),
            tank.maybeNumber("alkalinityDkh"),
            tank.number("salinityPpt", TankModel.defaultSalinityPpt(water)),
            startedOn,
            zone,
            PartReader.substrate(tank, water),
            keeping,
            stance,
            stance.meant(PartReader.lines(file, keeping), water),
            PartReader.limits(file, water, keeping),
            PartReader.effort(file),
            file.each("waters", PartReader::water),
            changeWater,
            PartReader.topOff(file),
            file.each("foods", PartReader::food),
            file.each("feeding", this::feeding),
            file.each("livestock", this::livestock),
            file.each("plants", this::plant),
            file.each("exports", this::export),
            file.each(
                "fertilisers",
                f ->
                    new Fertiliser(
                        f.text("id"),
                        f.text("name", f.text("id")),
                        f.number("nitrateMgPerMl", 0),
                        f.number("phosphateMgPerMl", 0))),
            file.each(
                "dosing",
                d ->
                    new Dosing(
                        d.text("fertiliser"),
                        d.number("mlPerDose"),
                        d.number("dosesPerWeek", 7),
                        span(d))),
            kitList,
            routine(file, log, zone),
            log);
    return new TankFile(model, defaultsUsed, NotCounted.of(json, model));
  }

  /** A tank whose start isn't told has run: what has no date was there before the first test. */
  private static LocalDate longBefore(LocalDate mentioned) {
    LocalDate before = mentioned.minusDays(RUNNING_DAYS);
    return before.isBefore(LocalDate.EPOCH) ? LocalDate.EPOCH : before;
  }

  /** The day of the first thing that is mentioned. */
  private static LocalDate earliestMention(JsonNode json, ZoneId zone) {
    List<LocalDate> days = new ArrayList<>();
    for (String list : List.of("feeding", "livestock", "plants", "exports", "dosing")) {
      json.path(list)
          .forEach(
              item -> {
                if (item.path("from").isString()) {
                  days.add(LocalDate.parse(item.path("from").asString()));
                }
              });
    }
    json.path("log")
        .forEach(
            item ->
                days.add(
                    OffsetDateTime.parse(item.path("at").asString())
                        .atZoneSameInstant(zone)
                        .toLocalDate()));
    return days.stream().min(Comparator.naturalOrder()).orElse(LocalDate.EPOCH);
  }

  private Span span(Node node) {
    return new Span(node.date("from", start), node.maybeDate("to"));
  }

  private Feeding feeding(Node f) {
    return new Feeding(
        f.text("food"),
        f.number("gramsPerFeed"),
        f.number("feedsPerWeek", 7),
        f.number("uneatenFraction", Feeding.DEFAULT_UNEATEN_FRACTION),
        span(f));
  }

  private Livestock livestock(Node animal) {
    return new Livestock(
        animal.text("name", "animals"),
        animal.integer("count", 1),
        animal.number("massG"),
        animal.term(Stage.class, "stage", Stage.ADULT),
        span(animal));
  }

  private PlantStand plant(Node p) {
    PlantKind kind = p.term(PlantKind.class, "kind");
    double wet = p.number("wetMassG");
    return new PlantStand(
        p.text("id"),
        p.text("name", p.text("id")),
        kind,
        wet,
        p.number("doublingDays", kind.doublingDays()),
        p.number("maxWetMassG", wet * PlantKind.DEFAULT_GREATEST_GROWTH),
        p.number("dryMatterPercent", kind.dryMatterPercent()),
        p.number("nitrogenPercentDry", kind.nitrogenPercentDry()),
        p.number("phosphorusPercentDry", kind.phosphorusPercentDry()),
        span(p));
  }

  private ExportMethod export(Node e) {
    String id = e.text("id");
    return switch (e.text("kind")) {
      case "mechanical" ->
          new ExportMethod.Mechanical(
              id, e.number("captureFractionPerDay", DEFAULT_CAPTURE), span(e));
      case "skimmer" ->
          new ExportMethod.Skimmer(
              id, e.number("removalFractionPerDay", DEFAULT_SKIMMING), span(e));
      case "phosphate-adsorber" ->
          new ExportMethod.PhosphateAdsorber(
              id,
              e.number("massG"),
              e.number("capacityMgPPerG", Adsorber.USUAL_CAPACITY_MG_P_PER_G),
              e.term(AdsorberPlacement.class, "placement", AdsorberPlacement.REACTOR),
              span(e));
      case "deep-bed" ->
          new ExportMethod.DeepBed(id, e.number("areaCm2"), e.number("depthCm"), span(e));
      case "slow-filter" ->
          new ExportMethod.SlowFilter(id, e.number("mediaL"), e.number("flowLPerHour"), span(e));
      case "porous-rock" -> new ExportMethod.PorousRock(id, e.number("massKg"), span(e));
      default -> {
        CarbonSource source = e.term(CarbonSource.class, "source");
        yield new ExportMethod.CarbonDose(
            id, source, e.number(source == CarbonSource.SUGAR ? "gPerDay" : "mlPerDay"), span(e));
      }
    };
  }

  private Optional<Routine> routine(Node file, List<LogEntry> log, ZoneId zone) {
    if (!file.has("routine") || !file.child("routine").has("waterChange")) {
      return Optional.empty();
    }
    Node change = file.child("routine").child("waterChange");
    double everyDays = change.number("everyDays");
    LocalDate lastChange =
        log.stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .map(LogEntry::at)
            .max(Comparator.comparing(OffsetDateTime::toInstant))
            .map(at -> at.atZoneSameInstant(zone).toLocalDate())
            .orElse(start);
    LocalDate next = change.date("nextOn", lastChange.plusDays((long) Math.ceil(everyDays)));
    return Optional.of(new Routine(change.number("fraction"), everyDays, next));
  }
}
