package org.umberline.server.store;

import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.util.UUID;
import org.springframework.data.domain.Persistable;

/**
 * A row whose id was made elsewhere. Saving one that was not loaded inserts it, and fails where the
 * id exists: it never overwrites a row that somebody else made.
 */
@MappedSuperclass
public abstract class NewRow implements Persistable<UUID> {
  @Id private UUID id;

  @Transient private boolean stored;

  protected NewRow() {}

  protected NewRow(UUID id) {
    this.id = id;
  }

  @Override
  public UUID getId() {
    return id;
  }

  @Override
  public boolean isNew() {
    return !stored;
  }

  @PostLoad
  @PostPersist
  void nowStored() {
    stored = true;
  }
}
