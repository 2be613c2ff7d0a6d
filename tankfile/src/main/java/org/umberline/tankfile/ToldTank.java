package org.umberline.tankfile;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.RoughMeasures;
import org.umberline.core.tank.RoughMeasures.AnimalSize;
import org.umberline.core.tank.RoughMeasures.ChangeWater;
import org.umberline.core.tank.RoughMeasures.Cleaner;
import org.umberline.core.tank.RoughMeasures.PlantCover;
import org.umberline.core.tank.RoughMeasures.Portion;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * A tank as its keeper tells it in a few minutes, before anything is weighed. What was not told is
 * left out of its file, so that the file's defaults stand and are known to be defaults.
 *
 * @param litres net volume
 * @param ageDays days since it was set up; 0 for one that begins today
 * @param changed how its water is changed; empty when nothing was said
 * @param changeWaterNitrateMgL of the change water, where it was tested; the others likewise
 * @param nitrateMgL in the tank now
 */
public record ToldTank(
    String name,
    double litres,
    Optional<WayOfKeeping> keeping,
    List<Animals> animals,
    Optional<Fed> fed,
    Optional<Grown> grown,
    List<Cleaner> cleaners,
    OptionalInt ageDays,
    Optional<Changed> changed,
    ChangeWater changeWater,
    OptionalDouble changeWaterNitrateMgL,
    OptionalDouble changeWaterPhosphateMgL,
    OptionalDouble nitrateMgL,
    OptionalDouble phosphateMgL,
    ZoneId timeZone) {
  /** Changes until now are entered for so long at most: older ones teach nothing. Chosen. */
  private static final int MOST_DAYS_OF_CHANGES = 84;

  private static final MathContext ROUGH = new MathContext(3);
  private static final String CHANGE_WATER = "change-water";
  private static final String FOOD = "food";

  /** Animals of one size. */
  public record Animals(AnimalSize size, int count) {}

  /** How it is fed. */
  public record Fed(Portion portion, double helpings, double feedsPerWeek) {}

  /** What grows in it, and how much of the tank it fills. */
  public record Grown(PlantKind kind, PlantCover cover) {}

  /** A share of the water, 0..1, and how often; a share of 0 is never. */
  public record Changed(double share, double everyDays) {}

  /**
   * The tank file, all of it told or left to its default.
   *
   * @param now the changes until now are reckoned back from here, the last half an interval ago
   */
  public ObjectNode file(Instant now) {
    LocalDate today = now.atZone(timeZone).toLocalDate();
    ObjectNode file = JsonNodeFactory.instance.objectNode();
    file.put("format", "umberline-tank");
    file.put("version", 1);
    ObjectNode tank = file.putObject("tank");
    tank.put("name", name.isBlank() ? "New tank" : name.strip());
    tank.put("water", keeping.map(WayOfKeeping::water).orElse(WaterKind.FRESHWATER).term());
    keeping.ifPresent(way -> tank.put("keeping", way.term()));
    TankFileWriter.put(tank, "netVolumeL", litres);
    ageDays.ifPresent(days -> tank.put("startedOn", today.minusDays(days).toString()));
    tank.put("timeZone", timeZone.getId());
    waters(file);
    fed.ifPresent(ration -> feeding(file, ration));
    ArrayNode livestock = file.putArray("livestock");
    for (Animals group : animals) {
      if (group.count > 0) {
        ObjectNode node = livestock.addObject();
        node.put("name", group.size.term()).put("count", group.count);
        node.put("massG", rough(group.size.massG()));
      }
    }
    grown.ifPresent(
        stand -> {
          ObjectNode node = file.putArray("plants").addObject();
          node.put("id", "plants").put("name", "Plants").put("kind", stand.kind.term());
          node.put("wetMassG", rough(litres * stand.cover.wetGramsPerLitre()));
        });
    ArrayNode exports = file.putArray("exports");
    cleaners.forEach(cleaner -> export(exports.addObject(), cleaner));
    changes(file, today);
    ArrayNode log = file.withArray("log");
    nitrateMgL.ifPresent(value -> test(log, now, "nitrate", value, "mg/L NO3"));
    phosphateMgL.ifPresent(value -> test(log, now, "phosphate", value, "mg/L PO4"));
    return file;
  }

  private void waters(ObjectNode file) {
    String term = changeWater.term();
    ObjectNode water = file.putArray("waters").addObject();
    water.put("id", CHANGE_WATER);
    water.put("name", Character.toUpperCase(term.charAt(0)) + term.substring(1));
    water.put("nitrateMgL", changeWaterNitrateMgL.orElse(changeWater.nitrateMgL()));
    water.put("phosphateMgL", changeWaterPhosphateMgL.orElse(changeWater.phosphateMgL()));
    file.putArray("changeWater").addObject().put("water", CHANGE_WATER).put("share", 1);
  }

  private static void feeding(ObjectNode file, Fed fed) {
    String food = fed.portion.term().replaceFirst("^an? (few |level )?", "");
    ObjectNode node = file.putArray("foods").addObject();
    node.put("id", FOOD);
    node.put("name", Character.toUpperCase(food.charAt(0)) + food.substring(1));
    node.put("form", fed.portion.form().term());
    node.put("servingG", fed.portion.grams());
    ObjectNode ration = file.putArray("feeding").addObject();
    ration.put("food", FOOD);
    ration.put("gramsPerFeed", rough(fed.portion.grams() * fed.helpings));
    ration.put("feedsPerWeek", fed.feedsPerWeek);
  }

  private void export(ObjectNode node, Cleaner cleaner) {
    switch (cleaner) {
      case SPONGE -> node.put("id", "sponge").put("kind", "mechanical");
      case CANISTER -> node.put("id", "canister").put("kind", "mechanical");
      case SKIMMER -> node.put("id", "skimmer").put("kind", "skimmer");
      case ROCK ->
          node.put("id", "rock")
              .put("kind", "porous-rock")
              .put("massKg", rough(litres * RoughMeasures.ROCK_KG_PER_LITRE));
    }
  }

  /** The routine that goes on as until now, and the changes it has made already. */
  private void changes(ObjectNode file, LocalDate today) {
    if (changed.isEmpty() || changed.get().share == 0) {
      return;
    }
    double share = changed.get().share;
    double everyDays = changed.get().everyDays;
    ObjectNode routine = file.putObject("routine").putObject("waterChange");
    routine.put("fraction", share).put("everyDays", everyDays);
    int age = ageDays.orElse(Integer.MAX_VALUE);
    if (age == 0) {
      return;
    }
    int lastAgo = (int) Math.min(Math.ceil(everyDays / 2), age);
    LocalDate last = today.minusDays(lastAgo);
    LocalDate next = last.plusDays(Math.round(everyDays));
    routine.put("nextOn", (next.isBefore(today) ? today : next).toString());
    List<LocalDate> days = new ArrayList<>();
    for (int k = 0; k * everyDays <= Math.min(MOST_DAYS_OF_CHANGES, age - lastAgo); k++) {
      days.add(0, last.minusDays(Math.round(k * everyDays)));
    }
    ArrayNode log = file.withArray("log");
    for (LocalDate day : days) {
      ObjectNode entry = log.addObject();
      entry.put("at", at(day.atTime(LocalTime.NOON).atZone(timeZone).toInstant()));
      entry.put("type", "water-change");
      TankFileWriter.put(entry, "litres", rough(share * litres));
    }
  }

  private void test(ArrayNode log, Instant now, String analyte, double value, String unit) {
    ObjectNode entry = log.addObject();
    entry.put("at", at(now)).put("type", "test").put("analyte", analyte);
    TankFileWriter.put(entry, "value", value);
    entry.put("unit", unit);
  }

  private String at(Instant instant) {
    return DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(
        instant.atZone(timeZone).toOffsetDateTime());
  }

  private static double rough(double value) {
    return new BigDecimal(value).round(ROUGH).doubleValue();
  }
}
