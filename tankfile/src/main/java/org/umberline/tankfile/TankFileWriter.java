package org.umberline.tankfile;

import java.util.OptionalDouble;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes a tank as a tank file; reading it again gives an equal tank. */
public final class TankFileWriter {
  private static final ObjectMapper SHAPES = Shapes.mapper();

  private TankFileWriter() {}

  /** The whole tank as text. */
  public static String write(TankModel tank) {
    return Json.pretty(tree(tank));
  }

  /** The whole tank as JSON. */
  public static ObjectNode tree(TankModel tank) {
    ObjectNode file = JsonNodeFactory.instance.objectNode();
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
    t.set("substrate", shaped(tank.substrate()));
    file.set("lines", shaped(tank.lines()));
    file.set("limits", shaped(tank.limits()));
    file.set("effort", shaped(tank.effort()));
    file.set("waters", shaped(tank.waters()));
    file.set("changeWater", shaped(tank.changeWater()));
    ObjectNode topOff = file.putObject("topOff");
    if (!tank.topOff().water().parts().isEmpty()) {
      topOff.put("water", tank.topOff().water().parts().get(0).water());
    }
    put(topOff, "litresPerDay", tank.topOff().litresPerDay());
    file.set("foods", shaped(tank.foods()));
    file.set("feeding", shaped(tank.feeding()));
    file.set("livestock", shaped(tank.livestock()));
    file.set("plants", shaped(tank.plants()));
    ArrayNode exports = file.putArray("exports");
    tank.exports().forEach(export -> exports.add(export(export)));
    file.set("fertilisers", shaped(tank.fertilisers()));
    file.set("dosing", shaped(tank.dosing()));
    file.set("kits", shaped(tank.kits()));
    tank.routine()
        .ifPresent(routine -> file.putObject("routine").set("waterChange", shaped(routine)));
    ArrayNode log = file.putArray("log");
    tank.log().forEach(entry -> log.add(entry(entry)));
    return file;
  }

  /** A part of the tank, as it stands in a file. */
  static JsonNode shaped(Object part) {
    return SHAPES.valueToTree(part);
  }

  private static JsonNode export(ExportMethod export) {
    JsonNode node = shaped(export);
    if (export instanceof ExportMethod.CarbonDose dose) {
      String amount = dose.source() == CarbonSource.SUGAR ? "gPerDay" : "mlPerDay";
      put((ObjectNode) node, amount, dose.amountPerDay());
    }
    return node;
  }

  /** One log entry, as it stands in a file. */
  public static ObjectNode entry(LogEntry entry) {
    return LogEntryWriter.write(entry);
  }

  private static void put(ObjectNode node, String key, OptionalDouble value) {
    value.ifPresent(number -> put(node, key, number));
  }

  static void put(ObjectNode node, String key, double value) {
    node.set(key, shaped(value));
  }
}
