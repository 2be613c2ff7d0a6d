package org.umberline.server.balance;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.umberline.server.store.NewRow;

/** A named what-if of a tank. */
@Entity
@Table(name = "what_if")
@SuppressWarnings("UnusedVariable") // some columns are read by queries alone
public class WhatIfEntity extends NewRow {
  private UUID tankId;

  private String name;

  @Column(columnDefinition = "text")
  private String body;

  private Instant savedAt;

  private UUID savedBy;

  protected WhatIfEntity() {}

  public WhatIfEntity(
      UUID id, UUID tankId, String name, String body, Instant savedAt, UUID savedBy) {
    super(id);
    this.tankId = tankId;
    this.name = name;
    this.body = body;
    this.savedAt = savedAt;
    this.savedBy = savedBy;
  }

  public UUID getTankId() {
    return tankId;
  }

  public String getName() {
    return name;
  }

  public String getBody() {
    return body;
  }
}
