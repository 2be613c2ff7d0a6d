package org.umberline.server.persistence;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Keepers extends JpaRepository<KeeperEntity, UUID> {
  Optional<KeeperEntity> findBySignInName(String signInName);
}
