package org.umberline.server.log;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.umberline.core.tank.LogEntry;
import org.umberline.server.tank.TankLog;
import org.umberline.tankfile.TankFileWriter;
import tools.jackson.databind.json.JsonMapper;

/** Entries as rows of the database. */
@Component
class StoredLog implements TankLog {
  private final LogEntries entries;
  private final JsonMapper json;

  StoredLog(LogEntries entries, JsonMapper json) {
    this.entries = entries;
    this.json = json;
  }

  @Override
  public List<String> standing(UUID tank) {
    return entries.standing(tank).stream().map(LogEntryEntity::getEntry).toList();
  }

  @Override
  public void takeIn(UUID tank, List<LogEntry> log) {
    List<LogEntryEntity> rows = new ArrayList<>();
    for (LogEntry entry : log) {
      rows.add(row(UUID.randomUUID(), tank, null, entry, rows.size()));
    }
    entries.saveAll(rows);
  }

  /**
   * An entry as a row.
   *
   * @param line the line it was read from, null where it came with a tank file
   * @param place its place among the entries of one instant
   */
  LogEntryEntity row(UUID id, UUID tank, UUID line, LogEntry entry, int place) {
    return new LogEntryEntity(id, tank, line, entry.at().toInstant(), place, written(entry));
  }

  /** An entry as it is kept. */
  String written(LogEntry entry) {
    return json.writeValueAsString(TankFileWriter.entry(entry));
  }
}
