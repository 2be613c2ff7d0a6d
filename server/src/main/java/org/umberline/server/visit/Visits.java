package org.umberline.server.visit;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Visits extends JpaRepository<VisitEntity, UUID> {
  List<VisitEntity> findByTankIdOrderByBegunAtDesc(UUID tankId);

  Optional<VisitEntity> findFirstByTankIdAndKeeperIdAndEndedAtIsNullOrderByBegunAtDesc(
      UUID tankId, UUID keeperId);

  /** Visits to some tanks, the newest first. */
  List<VisitEntity> findByTankIdInOrderByBegunAtDesc(Collection<UUID> tankIds, Limit most);

  Optional<VisitEntity> findByIdAndTankId(UUID id, UUID tankId);
}
