package org.umberline.tankfile;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.TestUnit;
import tools.jackson.databind.JsonNode;

/**
 * What a schema cannot check: ids that exist and are unique, dates that exist, ends after starts,
 * blends that add up, units that fit their analyte. Passes over whatever has the wrong type: the
 * schema reports that.
 */
final class References {
  private static final double BLEND_TOLERANCE = 0.001;

  private final JsonNode file;
  private final Problems problems;
  private final Map<String, Set<String>> ids = new HashMap<>();

  static void check(JsonNode file, Problems problems) {
    new References(file, problems).check();
  }

  private References(JsonNode file, Problems problems) {
    this.file = file;
    this.problems = problems;
  }

  private void check() {
    for (String list : List.of("waters", "foods", "plants", "exports", "fertilisers", "kits")) {
      collectIds(list);
    }
    date("/tank/startedOn");
    date("/routine/waterChange/nextOn");
    zone();
    for (String nutrient : List.of("nitrate", "phosphate")) {
      line("/lines/" + nutrient);
    }
    blend("/changeWater");
    refer("/topOff/water", "waters");
    for (String list : List.of("feeding", "livestock", "plants", "exports", "dosing")) {
      each(list, this::span);
    }
    each("feeding", at -> refer(at + "/food", "foods"));
    each("dosing", at -> refer(at + "/fertiliser", "fertilisers"));
    each("kits", this::kit);
    each("exports", this::carbonDose);
    each("log", this::entry);
  }

  private interface Check {
    void at(String pointer);
  }

  private void each(String list, Check check) {
    JsonNode items = file.path(list);
    for (int i = 0; i < items.size() && items.isArray() && !problems.full(); i++) {
      check.at("/" + list + "/" + i);
    }
  }

  private void found(String pointer, String allowed) {
    problems.addIfFirst(new Problem(pointer, Json.shortly(file.at(pointer)), allowed));
  }

  private void collectIds(String list) {
    Set<String> seen = new HashSet<>();
    ids.put(list, seen);
    each(
        list,
        at -> {
          JsonNode id = file.at(at + "/id");
          if (id.isString() && !seen.add(id.asString())) {
            found(at + "/id", "an id that no other entry of " + list + " has");
          }
        });
  }

  private void refer(String pointer, String list) {
    JsonNode id = file.at(pointer);
    if (id.isString() && !ids.get(list).contains(id.asString())) {
      List<String> known = new ArrayList<>(ids.get(list));
      known.sort(null);
      found(
          pointer,
          known.isEmpty()
              ? "an id listed in " + list + ", where there is none"
              : "an id listed in " + list + ": " + String.join(", ", known));
    }
  }

  /** The date at {@code pointer}, or null where there is none or it is wrong. */
  private LocalDate date(String pointer) {
    JsonNode node = file.at(pointer);
    if (!node.isString() || !node.asString().matches("\\d{4}-\\d{2}-\\d{2}")) {
      return null;
    }
    try {
      return inRange(pointer, LocalDate.parse(node.asString()));
    } catch (DateTimeException e) {
      found(pointer, "a date that exists");
      return null;
    }
  }

  private LocalDate inRange(String pointer, LocalDate day) {
    if (!Years.holds(day)) {
      found(pointer, Years.ALLOWED);
      return null;
    }
    return day;
  }

  private void zone() {
    JsonNode zone = file.at("/tank/timeZone");
    if (zone.isString()) {
      try {
        ZoneId.of(zone.asString());
      } catch (DateTimeException e) {
        found("/tank/timeZone", "an IANA time zone, for instance Europe/Lisbon");
      }
    }
  }

  private void span(String at) {
    LocalDate from = date(at + "/from");
    LocalDate to = date(at + "/to");
    if (from == null && to != null && !file.at(at + "/from").isString()) {
      JsonNode started = file.at("/tank/startedOn");
      from = started.isString() ? date("/tank/startedOn") : null;
    }
    if (from != null && to != null && to.isBefore(from)) {
      found(at + "/to", "a day not before " + from);
    }
  }

  private void line(String at) {
    JsonNode floor = file.at(at + "/floorMgL");
    JsonNode ceiling = file.at(at + "/ceilingMgL");
    if (floor.isNumber() && ceiling.isNumber() && floor.asDouble() >= ceiling.asDouble()) {
      found(at + "/floorMgL", "less than the ceiling of " + ceiling.asDouble() + " mg/L");
    }
  }

  private void blend(String at) {
    JsonNode blend = file.at(at);
    if (!blend.isArray() || blend.isEmpty()) {
      return;
    }
    double sum = 0;
    for (int i = 0; i < blend.size(); i++) {
      refer(at + "/" + i + "/water", "waters");
      sum += blend.get(i).path("share").asDouble(0);
    }
    if (Math.abs(sum - 1) > BLEND_TOLERANCE) {
      problems.addIfFirst(new Problem(at, "shares that add to " + sum, "shares that add to 1"));
    }
  }

  private void kit(String at) {
    Analyte analyte = analyte(at);
    unit(at + "/unit", analyte);
    JsonNode steps = file.at(at + "/steps");
    for (int i = 1; i < steps.size() && steps.isArray(); i++) {
      if (steps.get(i).asDouble(0) <= steps.get(i - 1).asDouble(0)) {
        found(at + "/steps/" + i, "more than the step before it");
      }
    }
    JsonNode min = file.at(at + "/min");
    JsonNode max = file.at(at + "/max");
    if (min.isNumber() && max.isNumber() && min.asDouble() >= max.asDouble()) {
      found(at + "/max", "more than the kit's min");
    }
  }

  private void carbonDose(String at) {
    if (!file.at(at + "/kind").asString("").equals("carbon-dose")) {
      return;
    }
    boolean sugar = file.at(at + "/source").asString("").equals("sugar");
    String needed = sugar ? "/gPerDay" : "/mlPerDay";
    String other = sugar ? "/mlPerDay" : "/gPerDay";
    if (file.at(at + needed).isMissingNode()) {
      problems.addIfFirst(new Problem(at + needed, "nothing", "a value is required"));
    }
    if (!file.at(at + other).isMissingNode()) {
      found(at + other, "mlPerDay for ethanol-40 and vinegar, gPerDay for sugar");
    }
  }

  private Analyte analyte(String at) {
    JsonNode analyte = file.at(at + "/analyte");
    return analyte.isString() ? Term.find(Analyte.class, analyte.asString()).orElse(null) : null;
  }

  /** The unit written at {@code pointer}; null where there is none or it does not fit. */
  private TestUnit unit(String pointer, Analyte analyte) {
    JsonNode unit = file.at(pointer);
    if (analyte == null || !unit.isString()) {
      return null;
    }
    TestUnit found = TestUnit.find(analyte, unit.asString()).orElse(null);
    if (found == null) {
      found(
          pointer,
          "a unit of "
              + analyte.term()
              + ": "
              + String.join(", ", TestUnit.of(analyte).stream().map(TestUnit::label).toList()));
    }
    return found;
  }

  private void entry(String at) {
    JsonNode instant = file.at(at + "/at");
    if (instant.isString() && instant.asString().matches("\\d{4}-\\d{2}-\\d{2}T.*")) {
      try {
        inRange(at + "/at", OffsetDateTime.parse(instant.asString()).toLocalDate());
      } catch (DateTimeException e) {
        found(at + "/at", "an instant that exists");
      }
    }
    switch (file.at(at + "/type").asString("")) {
      case "test" -> test(at);
      case "water-change" -> {
        JsonNode litres = file.at(at + "/litres");
        JsonNode volume = file.at("/tank/netVolumeL");
        if (litres.isNumber() && volume.isNumber() && litres.asDouble() > volume.asDouble()) {
          found(at + "/litres", "at most the tank's net volume, " + volume.asDouble() + " L");
        }
        blend(at + "/water");
      }
      case "clean", "renew" -> refer(at + "/export", "exports");
      case "harvest" -> refer(at + "/plant", "plants");
      case "dose" -> refer(at + "/fertiliser", "fertilisers");
      case "feed" -> refer(at + "/food", "foods");
      default -> {
        // nothing refers to anything
      }
    }
  }

  private void test(String at) {
    Analyte analyte = analyte(at);
    TestUnit unit = unit(at + "/unit", analyte);
    refer(at + "/kit", "kits");
    JsonNode kit = file.at(at + "/kit");
    if (kit.isString() && analyte != null) {
      for (JsonNode listed : file.path("kits")) {
        if (listed.path("id").equals(kit)
            && !listed.path("analyte").asString("").equals(analyte.term())) {
          found(at + "/kit", "a kit for " + analyte.term());
        }
        if (listed.path("id").equals(kit) && unit == null && listed.path("unit").isString()) {
          unit = TestUnit.find(analyte, listed.path("unit").asString()).orElse(null);
        }
      }
    }
    JsonNode value = file.at(at + "/value");
    if (analyte == null || !value.isNumber()) {
      return;
    }
    double perUnit = (unit == null ? analyte.standardUnit() : unit).standardPerUnit();
    double most = analyte.greatest() / perUnit;
    double least = analyte.least();
    if (!(value.asDouble() >= least && value.asDouble() <= most)) {
      found(at + "/value", range(least, most));
    }
  }

  private static String range(double least, double most) {
    return String.format(java.util.Locale.ROOT, "%.4g to %.4g", least, most);
  }
}
