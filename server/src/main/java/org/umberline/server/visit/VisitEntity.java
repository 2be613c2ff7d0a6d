package org.umberline.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.umberline.server.store.NewRow;

/** A visit to a tank that is looked after for somebody. */
@Entity
@Table(name = "visit")
public class VisitEntity extends NewRow {
  private UUID tankId;

  private UUID keeperId;

  private Instant begunAt;
  private Instant endedAt;
  private String seen;
  private String advice = "";
  private LocalDate nextOn;

  /** How the tank stood on arrival, as JSON. */
  @Column(columnDefinition = "text")
  private String baseline;

  /** How the tank stood on leaving, as JSON; null until then. */
  @Column(columnDefinition = "text")
  private String leaving;

  protected VisitEntity() {}

  public VisitEntity(
      UUID id, UUID tankId, UUID keeperId, Instant begunAt, String seen, String baseline) {
    super(id);
    this.tankId = tankId;
    this.keeperId = keeperId;
    this.begunAt = begunAt;
    this.seen = seen;
    this.baseline = baseline;
  }

  public UUID getTankId() {
    return tankId;
  }

  public UUID getKeeperId() {
    return keeperId;
  }

  public Instant getBegunAt() {
    return begunAt;
  }

  public Instant getEndedAt() {
    return endedAt;
  }

  public String getSeen() {
    return seen;
  }

  public String getAdvice() {
    return advice;
  }

  public String getBaseline() {
    return baseline;
  }

  /** The day of the next visit; null where none was named. */
  public LocalDate getNextOn() {
    return nextOn;
  }

  public String getLeaving() {
    return leaving;
  }

  public void end(Instant at, String counsel, LocalDate next, String stood) {
    leaving = stood;
    endedAt = at;
    advice = counsel;
    nextOn = next;
  }
}
