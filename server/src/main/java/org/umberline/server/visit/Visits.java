package org.umberline.server.visit;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Visits extends JpaRepository<VisitEntity, UUID> {
  List<VisitEntity> findByTankIdOrderByBegunAtDesc(UUID tankId);

  Optional<VisitEntity> findFirstByTankIdAndKeeperIdAndEndedAtIsNullOrderByBegunAtDesc(
      UUID tankId, UUID keeperId);

  Optional<VisitEntity> findByIdAndTankId(UUID id, UUID tankId);
}
