package org.umberline.server.upkeep;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** The private address of one keeper's calendar, known by its hash. */
@Entity
@Table(name = "calendar_feed")
public class CalendarFeedEntity {
  @Id private UUID keeperId;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 64)
  private String tokenHash;

  private Instant madeAt;

  protected CalendarFeedEntity() {}

  public CalendarFeedEntity(UUID keeperId, String tokenHash, Instant madeAt) {
    this.keeperId = keeperId;
    this.tokenHash = tokenHash;
    this.madeAt = madeAt;
  }

  public UUID getKeeperId() {
    return keeperId;
  }

  public Instant getMadeAt() {
    return madeAt;
  }
}
