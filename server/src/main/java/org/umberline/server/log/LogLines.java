package org.umberline.server.log;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface LogLines extends JpaRepository<LogLineEntity, UUID> {
  Optional<LogLineEntity> findByIdAndTankId(UUID id, UUID tankId);

  List<LogLineEntity> findByTankId(UUID tankId);

  List<LogLineEntity> findByCorrects(UUID entry);
}
