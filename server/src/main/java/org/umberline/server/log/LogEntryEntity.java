package org.umberline.server.log;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.umberline.server.store.NewRow;

/** One log entry, kept as it was said. */
@Entity
@Table(name = "log_entry")
public class LogEntryEntity extends NewRow {
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

  private Instant withdrawnAt;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID withdrawnBy;

  /** The line that says it rightly, when this one was corrected. */
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID replacedBy;

  protected LogEntryEntity() {}

  public LogEntryEntity(
      UUID id, UUID tankId, UUID lineId, Instant happenedAt, int place, String entry) {
    super(id);
    this.tankId = tankId;
    this.lineId = lineId;
    this.happenedAt = happenedAt;
    this.place = place;
    this.entry = entry;
  }

  public String getEntry() {
    return entry;
  }

  public UUID getLineId() {
    return lineId;
  }

  public Instant getHappenedAt() {
    return happenedAt;
  }

  public int getPlace() {
    return place;
  }

  public Instant getWithdrawnAt() {
    return withdrawnAt;
  }

  public UUID getWithdrawnBy() {
    return withdrawnBy;
  }

  public UUID getReplacedBy() {
    return replacedBy;
  }

  public boolean isWithdrawn() {
    return withdrawnAt != null;
  }

  /**
   * Takes the entry out of the log.
   *
   * @param replacing the line that says it rightly, null when nothing does
   */
  public void withdraw(Instant at, UUID by, UUID replacing) {
    withdrawnAt = at;
    withdrawnBy = by;
    replacedBy = replacing;
  }

  /** Puts it back; what once corrected it stays known, for when that is put back in its turn. */
  public void putBack() {
    withdraw(null, null, replacedBy);
  }
}
