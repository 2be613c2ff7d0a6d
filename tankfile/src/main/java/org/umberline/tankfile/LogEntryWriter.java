package org.umberline.tankfile;

import java.time.format.DateTimeFormatter;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Writes one log entry, as it stands in a tank file. */
final class LogEntryWriter implements LogEntry.Visitor<ObjectNode> {
  private final ObjectNode node = JsonNodeFactory.instance.objectNode();

  private LogEntryWriter() {}

  static ObjectNode write(LogEntry entry) {
    LogEntryWriter writer = new LogEntryWriter();
    writer.node.put("at", DateTimeFormatter.ISO_OFFSET_DATE_TIME.format(entry.at()));
    ObjectNode node = entry.accept(writer);
    if (!entry.note().isEmpty()) {
      node.put("note", entry.note());
    }
    return node;
  }

  private void put(String key, double value) {
    TankFileWriter.put(node, key, value);
  }

  @Override
  public ObjectNode test(LogEntry.Test test) {
    node.put("type", "test");
    node.put("analyte", test.analyte().term());
    put("value", test.value());
    node.put("unit", test.unit().label());
    test.kit().ifPresent(kit -> node.put("kit", kit));
    if (test.qualifier() != Qualifier.EQUAL) {
      node.put("qualifier", test.qualifier().term());
    }
    return node;
  }

  @Override
  public ObjectNode waterChange(LogEntry.WaterChange change) {
    node.put("type", "water-change");
    put("litres", change.litres());
    node.set("water", TankFileWriter.shaped(change.water()));
    put("siphonedShareOfBed", change.siphonedShareOfBed());
    return node;
  }

  @Override
  public ObjectNode clean(LogEntry.Clean clean) {
    node.put("type", "clean").put("export", clean.export());
    clean.caughtG().ifPresent(grams -> put("caughtG", grams));
    return node;
  }

  @Override
  public ObjectNode renew(LogEntry.Renew renew) {
    node.put("type", "renew").put("export", renew.export());
    put("massG", renew.massG());
    return node;
  }

  @Override
  public ObjectNode harvest(LogEntry.Harvest harvest) {
    node.put("type", "harvest").put("plant", harvest.plant());
    put("wetMassG", harvest.wetMassG());
    return node;
  }

  @Override
  public ObjectNode dose(LogEntry.Dose dose) {
    node.put("type", "dose").put("fertiliser", dose.fertiliser());
    put("ml", dose.ml());
    return node;
  }

  @Override
  public ObjectNode addition(LogEntry.Addition addition) {
    node.put("type", "addition").put("additive", addition.additive().term());
    put(addition.additive().isWeighed() ? "grams" : "ml", addition.amount());
    return node;
  }

  @Override
  public ObjectNode death(LogEntry.Death death) {
    node.put("type", "death");
    put("massG", death.massG());
    put("removedAfterHours", death.removedAfterHours());
    return node;
  }

  @Override
  public ObjectNode feed(LogEntry.Feed feed) {
    node.put("type", "feed").put("food", feed.food());
    put("grams", feed.grams());
    return node;
  }

  @Override
  public ObjectNode fast(LogEntry.Fast fast) {
    return node.put("type", "fast").put("days", fast.days());
  }

  @Override
  public ObjectNode medicine(LogEntry.Medicine medicine) {
    return node.put("type", "medicine").put("name", medicine.name()).put("days", medicine.days());
  }

  @Override
  public ObjectNode quarantine(LogEntry.Quarantine quarantine) {
    return node.put("type", "quarantine")
        .put("who", quarantine.who())
        .put("days", quarantine.days());
  }

  @Override
  public ObjectNode trial(LogEntry.Trial trial) {
    node.put("type", "trial")
        .put("what", trial.what())
        .put("analyte", trial.analyte().term())
        .put("days", trial.days());
    trial.expected().ifPresent(change -> put("expected", change));
    return node;
  }

  @Override
  public ObjectNode observation(LogEntry.Observation observation) {
    node.put("type", "observation")
        .put("sign", observation.sign())
        .put("severity", observation.severity());
    if (!observation.looks().isEmpty()) {
      ArrayNode looks = node.putArray("looks");
      observation.looks().forEach(look -> looks.add(look.term()));
    }
    return node;
  }
}
