package org.umberline.server.persistence;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface Tanks extends JpaRepository<TankEntity, UUID> {
  /** The tanks a keeper owns or may write in. */
  @Query(
      "select t from TankEntity t where t.ownerId = :keeper or :keeper member of t.coKeepers"
          + " order by t.name")
  List<TankEntity> ofKeeper(UUID keeper);

  /** A tank by its name alone. */
  record Named(UUID id, String name) {}

  /** The names of the tanks a keeper owns or may write in. */
  @Query(
      "select new org.umberline.server.persistence.Tanks$Named(t.id, t.name) from TankEntity t"
          + " where t.ownerId = :keeper or :keeper member of t.coKeepers")
  List<Named> namesOfKeeper(UUID keeper);

  @Query(
      "select t from TankEntity t where t.id = :id"
          + " and (t.ownerId = :keeper or :keeper member of t.coKeepers)")
  Optional<TankEntity> findForKeeper(UUID id, UUID keeper);

  /** The same, its row locked until the transaction ends; to be asked for before anything else. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query(
      "select t from TankEntity t where t.id = :id"
          + " and (t.ownerId = :keeper or :keeper member of t.coKeepers)")
  Optional<TankEntity> lockForKeeper(UUID id, UUID keeper);

  /** Says that the log of a tank changed, without contending for its make-up. */
  @Modifying
  @Query("update TankEntity t set t.logRevision = t.logRevision + 1 where t.id = :id")
  void logChanged(UUID id);
}
