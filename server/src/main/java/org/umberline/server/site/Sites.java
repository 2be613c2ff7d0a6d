package org.umberline.server.site;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface Sites extends JpaRepository<SiteEntity, UUID> {
  List<SiteEntity> findByKeeperId(UUID keeperId);

  Optional<SiteEntity> findByKeeperIdAndName(UUID keeperId, String name);
}
