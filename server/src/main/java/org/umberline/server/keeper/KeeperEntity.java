package org.umberline.server.keeper;

import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.umberline.server.store.NewRow;

/** Somebody who keeps tanks and signs in. */
@Entity
@Table(name = "keeper")
public class KeeperEntity extends NewRow {
  private String signInName;
  private String passwordHash;
  private Instant createdAt;

  /** The units this keeper reads in, as JSON of the page. */
  private String units = "{}";

  /** When a keeper who is leaving is gone for good; null for all others. */
  private Instant leavesAt;

  protected KeeperEntity() {}

  public KeeperEntity(UUID id, String signInName, String passwordHash, Instant createdAt) {
    super(id);
    this.signInName = signInName;
    this.passwordHash = passwordHash;
    this.createdAt = createdAt;
  }

  public String getSignInName() {
    return signInName;
  }

  public String getPasswordHash() {
    return passwordHash;
  }

  public void setPasswordHash(String passwordHash) {
    this.passwordHash = passwordHash;
  }

  public Instant getCreatedAt() {
    return createdAt;
  }

  public Instant getLeavesAt() {
    return leavesAt;
  }

  public void setLeavesAt(Instant leavesAt) {
    this.leavesAt = leavesAt;
  }

  public String getUnits() {
    return units;
  }

  public void setUnits(String units) {
    this.units = units;
  }
}
