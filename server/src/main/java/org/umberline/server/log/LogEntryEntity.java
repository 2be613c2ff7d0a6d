package org.umberline.server.log;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** One log entry, kept as it was said. */
@Entity
@Table(name = "log_entry")
@SuppressWarnings("UnusedVariable") // some columns are read by queries alone
public class LogEntryEntity extends Withdrawable {
  private UUID tankId;

  private UUID lineId;

  private Instant happenedAt;

  /** Order among entries of the same instant. */
  private int place;

  @Column(columnDefinition = "text")
  private String entry;

  /**
   * The line that says it rightly, when this one was corrected; it stays known when this one is put
   * back, for when that is put back in its turn.
   */
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

  public UUID getReplacedBy() {
    return replacedBy;
  }

  /**
   * Takes the entry out of the log.
   *
   * @param replacing the line that says it rightly, null when nothing does
   */
  public void withdraw(Instant at, UUID by, UUID replacing) {
    withdraw(at, by);
    replacedBy = replacing;
  }
}
