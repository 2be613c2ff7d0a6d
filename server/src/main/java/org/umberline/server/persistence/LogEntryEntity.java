package org.umberline.server.persistence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One log entry, kept as it was said. */
@Entity
@Table(name = "log_entry")
public class LogEntryEntity {
  @Id
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID id;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID tankId;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID lineId;

  private Instant happenedAt;

  /** Order among entries of the same instant. */
  private int place;

  @Column(columnDefinition = "text")
  private String entry;

  protected LogEntryEntity() {}

  public LogEntryEntity(
      UUID id, UUID tankId, UUID lineId, Instant happenedAt, int place, String entry) {
    this.id = id;
    this.tankId = tankId;
    this.lineId = lineId;
    this.happenedAt = happenedAt;
    this.place = place;
    this.entry = entry;
  }

  public String getEntry() {
    return entry;
  }
}
