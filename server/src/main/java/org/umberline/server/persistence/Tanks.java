package org.umberline.server.persistence;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface Tanks extends JpaRepository<TankEntity, UUID> {
  List<TankEntity> findByOwnerIdOrderByName(UUID ownerId);

  Optional<TankEntity> findByIdAndOwnerId(UUID id, UUID ownerId);

  /** Says that the log of a tank changed, without contending for its make-up. */
  @Modifying
  @Query("update TankEntity t set t.logRevision = t.logRevision + 1 where t.id = :id")
  void logChanged(UUID id);
}
