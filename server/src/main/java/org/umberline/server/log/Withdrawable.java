package org.umberline.server.log;

import jakarta.persistence.MappedSuperclass;
import java.time.Instant;
import java.util.UUID;
import org.umberline.server.store.NewRow;

/** A row that is never rewritten: it can be withdrawn, by whom and when stays known. */
@MappedSuperclass
abstract class Withdrawable extends NewRow {
  private Instant withdrawnAt;
  private UUID withdrawnBy;

  protected Withdrawable() {}

  protected Withdrawable(UUID id) {
    super(id);
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
