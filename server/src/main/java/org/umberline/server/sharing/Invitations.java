package org.umberline.server.sharing;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;

public interface Invitations extends JpaRepository<InvitationEntity, UUID> {
  /** The tanks of a link, their rows locked: of two who come at once only one gets in. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  List<InvitationEntity> findByTokenHash(String tokenHash);

  List<InvitationEntity> findByTankIdAndExpiresAtAfterOrderByExpiresAt(UUID tank, Instant now);

  void deleteByTankId(UUID tank);
}
