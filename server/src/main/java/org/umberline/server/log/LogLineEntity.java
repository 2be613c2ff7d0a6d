package org.umberline.server.log;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A line as its keeper typed it. It is never rewritten, only withdrawn and put back. */
@Entity
@Table(name = "log_line")
@SuppressWarnings("UnusedVariable") // some columns are read by queries alone
public class LogLineEntity extends Withdrawable {
  private UUID tankId;

  private String line;
  private Instant typedAt;
  private Instant recordedAt;

  private UUID recordedBy;

  /** The entry it corrects; null when it says something new. */
  private UUID corrects;

  protected LogLineEntity() {}

  public LogLineEntity(
      UUID id, UUID tankId, String line, Instant typedAt, Instant recordedAt, UUID recordedBy) {
    super(id);
    this.tankId = tankId;
    this.line = line;
    this.typedAt = typedAt;
    this.recordedAt = recordedAt;
    this.recordedBy = recordedBy;
  }

  public LogLineEntity correcting(UUID entry) {
    corrects = entry;
    return this;
  }

  public UUID getCorrects() {
    return corrects;
  }

  public UUID getTankId() {
    return tankId;
  }

  public String getLine() {
    return line;
  }

  public Instant getRecordedAt() {
    return recordedAt;
  }

  public UUID getRecordedBy() {
    return recordedBy;
  }
}
