package org.umberline.server.keeper;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Keepers extends JpaRepository<KeeperEntity, UUID> {
  Optional<KeeperEntity> findBySignInName(String signInName);

  /** Those whose days to come back are over. */
  List<KeeperEntity> findByLeavesAtBefore(Instant now);
}
