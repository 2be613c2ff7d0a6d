package org.umberline.server.upkeep;

import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface CalendarFeeds extends JpaRepository<CalendarFeedEntity, UUID> {
  Optional<CalendarFeedEntity> findByTokenHash(String tokenHash);
}
