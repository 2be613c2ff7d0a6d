package org.umberline.server.sitting;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface SitterLinks extends JpaRepository<SitterLinkEntity, UUID> {
  Optional<SitterLinkEntity> findByTokenHash(String tokenHash);

  Optional<SitterLinkEntity> findByIdAndTankId(UUID id, UUID tank);

  List<SitterLinkEntity> findByTankIdAndToDayGreaterThanEqualOrderByFromDay(
      UUID tank, LocalDate day);
}
