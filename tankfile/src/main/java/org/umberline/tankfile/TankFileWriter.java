package org.umberline.tankfile;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes a tank as a tank file; reading it again gives an equal tank. */
public final class TankFileWriter {
  private static final JsonNodeFactory JSON = JsonNodeFactory.instance;

  private TankFileWriter() {}

  /** The whole tank as text. */
  public static String write(TankModel tank) {
    return Json.pretty(tree(tank));
  }

  /** The whole tank as JSON. */
  public static ObjectNode tree(TankModel tank) {
    ObjectNode file = JSON.objectNode();
    file.put("format", "umberline-tank");
    file.put("version", 1);
    ObjectNode t = file.putObject("tank");
    t.put("name", tank.name());
    t.put("water", tank.water().term());
    tank.keeping().ifPresent(way -> t.put("keeping", way.term()));
    if (tank.stance() != Stance.BY_NEED) {
      t.put("stance", tank.stance().term());
    }
    put(t, "netVolumeL", tank.netVolumeL());
    put(t, "surfaceAreaCm2", tank.surfaceAreaCm2());
    put(t, "temperatureC", tank.temperatureC());
    put(t, "pH", tank.pH());
    put(t, "alkalinityDkh", tank.alkalinityDkh());
    put(t, "salinityPpt", tank.salinityPpt());
    tank.startedOn().ifPresent(day -> t.put("startedOn", day.toString()));
    t.put("timeZone", tank.timeZone().getId());
    ObjectNode substrate = t.putObject("substrate");
    substrate.put("kind", tank.substrate().kind().term());
    put(substrate, "areaCm2", tank.substrate().areaCm2());
    put(substrate, "depthCm", tank.substrate().depthCm());
    ObjectNode lines = file.putObject("lines");
    line(lines.putObject("nitrate"), tank.lines().nitrate());
    line(lines.putObject("phosphate"), tank.lines().phosphate());
    limits(file.putObject("limits"), tank);
    effort(file.putObject("effort"), tank.effort());
    waters(file, tank);
    foods(file, tank);
    animalsAndPlants(file, tank);
    exports(file.putArray("exports"), tank);
    dosing(file, tank);
    kits(file.putArray("kits"), tank);
    if (tank.routine().isPresent()) {
      Routine routine = tank.routine().get();
      ObjectNode change = file.putObject("routine").putObject("waterChange");
      put(change, "fraction", routine.fraction());
      put(change, "everyDays", routine.everyDays());
      change.put("nextOn", routine.nextOn().toString());
    }
    ArrayNode log = file.putArray("log");
    tank.log().forEach(entry -> log.add(entry(entry)));
    return file;
  }

  /** The one line, as it stands in a file. */
  private static void line(ObjectNode node, Line line) {
    putOrNull(node, "floorMgL", line.floorMgL());
    putOrNull(node, "ceilingMgL", line.ceilingMgL());
  }

  private static void effort(ObjectNode node, Effort effort) {
    put(node, "minutesPerChange", effort.minutesPerChange());
    put(node, "minutesPerLitre", effort.minutesPerLitre());
    put(node, "bucketL", effort.bucketL());
    putOrNull(node, "maxLitresPerChange", effort.maxLitresPerChange());
    putOrNull(node, "maxMinutesPerWeek", effort.maxMinutesPerWeek());
    put(node, "pricePerLitre", effort.pricePerLitre());
    put(node, "pricePerMinute", effort.pricePerMinute());
  }

  private static void limits(ObjectNode limits, TankModel tank) {
    put(limits, "maxChangeFraction", tank.limits().maxChangeFraction());
    if (!tank.limits().intervalsDays().isEmpty()) {
      ArrayNode intervals = limits.putArray("intervalsDays");
      tank.limits().intervalsDays().forEach(days -> intervals.add(number(days)));
    }
    put(limits, "confidence", tank.limits().confidence());
    limits.put("horizonDays", tank.limits().horizonDays());
    putOrNull(limits, "maxNitrateStepMgL", tank.limits().maxNitrateStepMgL());
    putOrNull(limits, "maxSalinityStepPpt", tank.limits().maxSalinityStepPpt());
    putOrNull(limits, "maxAlkalinityStepDkh", tank.limits().maxAlkalinityStepDkh());
  }

  private static void waters(ObjectNode file, TankModel tank) {
    ArrayNode waters = file.putArray("waters");
    tank.waters()
        .forEach(
            water -> {
              ObjectNode w = waters.addObject();
              w.put("id", water.id());
              w.put("name", water.name());
              water.nitrate().ifPresent(n -> put(w, "nitrateMgL", n.mgPerLitre()));
              water.phosphate().ifPresent(p -> put(w, "phosphateMgL", p.mgPerLitre()));
              put(w, "ammoniaMgL", water.ammonia().mgPerLitre());
              put(w, "nitriteMgL", water.nitrite().mgPerLitre());
              put(w, "silicateMgL", water.silicateMgL());
              put(w, "pH", water.pH());
              put(w, "alkalinityDkh", water.alkalinityDkh());
              put(w, "salinityPpt", water.salinityPpt());
            });
    file.set("changeWater", blend(tank.changeWater()));
    ObjectNode topOff = file.putObject("topOff");
    if (!tank.topOff().water().parts().isEmpty()) {
      topOff.put("water", tank.topOff().water().parts().get(0).water());
    }
    put(topOff, "litresPerDay", tank.topOff().litresPerDay());
  }

  static ArrayNode blend(Blend blend) {
    ArrayNode parts = JSON.arrayNode();
    for (Blend.Part part : blend.parts()) {
      ObjectNode p = parts.addObject();
      p.put("water", part.water());
      put(p, "share", part.share());
    }
    return parts;
  }

  private static void foods(ObjectNode file, TankModel tank) {
    ArrayNode foods = file.putArray("foods");
    tank.foods()
        .forEach(
            food -> {
              ObjectNode f = foods.addObject();
              f.put("id", food.id());
              f.put("name", food.name());
              f.put("form", food.form().term());
              put(f, "proteinPercent", food.proteinPercent());
              put(f, "phosphorusPercent", food.phosphorusPercent());
              put(f, "moisturePercent", food.moisturePercent());
              put(f, "servingG", food.servingG());
              f.put("rinsed", food.rinsed());
            });
    ArrayNode feeding = file.putArray("feeding");
    tank.feeding()
        .forEach(
            ration -> {
              ObjectNode f = feeding.addObject();
              f.put("food", ration.food());
              put(f, "gramsPerFeed", ration.gramsPerFeed());
              put(f, "feedsPerWeek", ration.feedsPerWeek());
              put(f, "uneatenFraction", ration.uneatenFraction());
              span(f, ration.span());
            });
  }

  private static void animalsAndPlants(ObjectNode file, TankModel tank) {
    ArrayNode livestock = file.putArray("livestock");
    tank.livestock()
        .forEach(
            animal -> {
              ObjectNode a = livestock.addObject();
              a.put("name", animal.name());
              a.put("count", animal.count());
              put(a, "massG", animal.massG());
              a.put("stage", animal.stage().term());
              span(a, animal.span());
            });
    ArrayNode plants = file.putArray("plants");
    tank.plants()
        .forEach(
            plant -> {
              ObjectNode p = plants.addObject();
              p.put("id", plant.id());
              p.put("name", plant.name());
              p.put("kind", plant.kind().term());
              put(p, "wetMassG", plant.wetMassG());
              put(p, "doublingDays", plant.doublingDays());
              put(p, "maxWetMassG", plant.maxWetMassG());
              put(p, "dryMatterPercent", plant.dryMatterPercent());
              put(p, "nitrogenPercentDry", plant.nitrogenPercentDry());
              put(p, "phosphorusPercentDry", plant.phosphorusPercentDry());
              span(p, plant.span());
            });
  }

  private static void exports(ArrayNode exports, TankModel tank) {
    for (ExportMethod export : tank.exports()) {
      ObjectNode e = exports.addObject();
      e.put("id", export.id());
      e.put("kind", export.kind());
      if (export instanceof ExportMethod.Mechanical m) {
        put(e, "captureFractionPerDay", m.captureFractionPerDay());
      } else if (export instanceof ExportMethod.Skimmer s) {
        put(e, "removalFractionPerDay", s.removalFractionPerDay());
      } else if (export instanceof ExportMethod.PhosphateAdsorber a) {
        put(e, "massG", a.massG());
        put(e, "capacityMgPPerG", a.capacityMgPPerG());
        e.put("placement", a.placement().term());
      } else if (export instanceof ExportMethod.DeepBed b) {
        put(e, "areaCm2", b.areaCm2());
        put(e, "depthCm", b.depthCm());
      } else if (export instanceof ExportMethod.SlowFilter f) {
        put(e, "mediaL", f.mediaL());
        put(e, "flowLPerHour", f.flowLPerHour());
      } else if (export instanceof ExportMethod.PorousRock r) {
        put(e, "massKg", r.massKg());
      } else if (export instanceof ExportMethod.CarbonDose c) {
        e.put("source", c.source().term());
        put(e, c.source() == CarbonSource.SUGAR ? "gPerDay" : "mlPerDay", c.amountPerDay());
      }
      span(e, export.span());
    }
  }

  private static void dosing(ObjectNode file, TankModel tank) {
    ArrayNode fertilisers = file.putArray("fertilisers");
    tank.fertilisers()
        .forEach(
            fertiliser -> {
              ObjectNode f = fertilisers.addObject();
              f.put("id", fertiliser.id());
              f.put("name", fertiliser.name());
              put(f, "nitrateMgPerMl", fertiliser.nitrateMgPerMl());
              put(f, "phosphateMgPerMl", fertiliser.phosphateMgPerMl());
            });
    ArrayNode dosing = file.putArray("dosing");
    tank.dosing()
        .forEach(
            dose -> {
              ObjectNode d = dosing.addObject();
              d.put("fertiliser", dose.fertiliser());
              put(d, "mlPerDose", dose.mlPerDose());
              put(d, "dosesPerWeek", dose.dosesPerWeek());
              span(d, dose.span());
            });
  }

  private static void kits(ArrayNode kits, TankModel tank) {
    tank.kits()
        .forEach(
            kit -> {
              ObjectNode k = kits.addObject();
              k.put("id", kit.id());
              k.put("analyte", kit.analyte().term());
              k.put("method", kit.method().term());
              if (!kit.steps().isEmpty()) {
                ArrayNode steps = k.putArray("steps");
                kit.steps().forEach(step -> steps.add(number(step)));
              }
              k.put("unit", kit.unit().label());
              put(k, "min", kit.min());
              put(k, "max", kit.max());
              put(k, "resolution", kit.resolution());
              put(k, "absoluteError", kit.absoluteError());
              put(k, "relativeError", kit.relativeError());
            });
  }

  /** One log entry, as it stands in a file. */
  public static ObjectNode entry(LogEntry entry) {
    return LogEntryWriter.write(entry);
  }

  private static void span(ObjectNode node, Span span) {
    node.put("from", span.from().toString());
    Optional<String> to = span.to().map(Object::toString);
    to.ifPresentOrElse(day -> node.put("to", day), () -> node.putNull("to"));
  }

  private static void put(ObjectNode node, String key, OptionalDouble value) {
    value.ifPresent(number -> put(node, key, number));
  }

  private static void putOrNull(ObjectNode node, String key, OptionalDouble value) {
    if (value.isPresent()) {
      put(node, key, value.getAsDouble());
    } else {
      node.putNull(key);
    }
  }

  static void put(ObjectNode node, String key, double value) {
    node.set(key, number(value));
  }

  /** Whole numbers without a decimal point. */
  static JsonNode number(double value) {
    return value == Math.rint(value) && Math.abs(value) < 1e15
        ? JSON.numberNode((long) value)
        : JSON.numberNode(value);
  }
}
