package org.umberline.server.persistence;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Somebody who keeps tanks and signs in. */
@Entity
@Table(name = "keeper")
public class KeeperEntity {
  @Id
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 36)
  private UUID id;

  private String signInName;
  private String passwordHash;
  private Instant createdAt;

  /** The units this keeper reads in, as JSON of the page. */
  private String units = "{}";

  protected KeeperEntity() {}

  public KeeperEntity(UUID id, String signInName, String passwordHash, Instant createdAt) {
    this.id = id;
    this.signInName = signInName;
    this.passwordHash = passwordHash;
    this.createdAt = createdAt;
  }

  public UUID getId() {
    return id;
  }

  public String getSignInName() {
    return signInName;
  }

  public String getPasswordHash() {
    return passwordHash;
  }

  public String getUnits() {
    return units;
  }

  public void setUnits(String units) {
    this.units = units;
  }
}
