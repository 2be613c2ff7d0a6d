package org.umberline.server.balance;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface WhatIfs extends JpaRepository<WhatIfEntity, UUID> {
  List<WhatIfEntity> findByTankIdOrderBySavedAt(UUID tankId);

  void deleteByIdAndTankId(UUID id, UUID tankId);
}
