package org.umberline.server.log;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.umberline.server.store.NewRow;

/** A line as its keeper typed it. It is never rewritten, only withdrawn and put back. */
@Entity
@Table(name = "log_line")
public class LogLineEntity extends NewRow {
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID tankId;

  private String line;
  private Instant typedAt;
  private Instant recordedAt;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID recordedBy;

  /** The entry it corrects; null when it says something new. */
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID corrects;

  private Instant withdrawnAt;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID withdrawnBy;

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

  public Instant getWithdrawnAt() {
    return withdrawnAt;
  }

  public UUID getWithdrawnBy() {
    return withdrawnBy;
  }

  public boolean isWithdrawn() {
    return withdrawnAt != null;
  }

  public void withdraw(Instant at, UUID by) {
    withdrawnAt = at;
    withdrawnBy = by;
  }

  public void putBack() {
    withdrawnAt = null;
    withdrawnBy = null;
  }
}
