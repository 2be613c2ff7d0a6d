package org.umberline.server.tank;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

public interface Tanks extends JpaRepository<TankEntity, UUID> {
  /** What a keeper may see and write in: what is his or shared with him, and not deleted. */
  String OF_KEEPER =
      "t.deletedAt is null and (t.ownerId = :keeper"
          + " or exists (select 1 from t.coKeepers c where key(c) = :keeper))";

  /** The tanks of a keeper that are looked after. */
  @Query(
      "select t from TankEntity t where " + OF_KEEPER + " and t.putAwayAt is null order by t.name")
  List<TankEntity> ofKeeper(UUID keeper);

  /** The tanks of a keeper that are put away. */
  @Query(
      "select t from TankEntity t where "
          + OF_KEEPER
          + " and t.putAwayAt is not null order by t.name")
  List<TankEntity> putAwayOf(UUID keeper);

  /** Tanks that their owner deleted and may still bring back. */
  List<TankEntity> findByOwnerIdAndDeletedAtIsNotNullOrderByName(UUID owner);

  /** A tank without what it is and what happened in it. */
  record Listed(UUID id, String name, String site, Instant putAwayAt) {}

  /** All tanks of a keeper by name, those that are put away last. */
  @Query(
      "select new org.umberline.server.tank.Tanks$Listed(t.id, t.name, t.site, t.putAwayAt)"
          + " from TankEntity t where "
          + OF_KEEPER
          + " order by case when t.putAwayAt is null then 0 else 1 end, t.name")
  List<Listed> listOf(UUID keeper);

  /** A tank by its name alone. */
  record Named(UUID id, String name) {}

  /** The names of the tanks of a keeper that are looked after. */
  @Query(
      "select new org.umberline.server.tank.Tanks$Named(t.id, t.name) from TankEntity t"
          + " where t.putAwayAt is null and "
          + OF_KEEPER)
  List<Named> namesOfKeeper(UUID keeper);

  @Query("select t from TankEntity t where t.id = :id and " + OF_KEEPER)
  Optional<TankEntity> findForKeeper(UUID id, UUID keeper);

  /** The role of a keeper in a tank that is another's. */
  @Query(
      "select c from TankEntity t join t.coKeepers c"
          + " where t.id = :id and t.deletedAt is null and key(c) = :keeper")
  Optional<Role> roleOfCoKeeper(UUID id, UUID keeper);

  /** What a keeper may do in one of the tanks of others. */
  record Given(UUID id, Role role) {}

  @Query(
      "select new org.umberline.server.tank.Tanks$Given(t.id, c) from TankEntity t"
          + " join t.coKeepers c where key(c) = :keeper")
  List<Given> givenTo(UUID keeper);

  boolean existsByIdAndOwnerId(UUID id, UUID owner);

  /** The same, its row locked until the transaction ends; to be asked for before anything else. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  @Query("select t from TankEntity t where t.id = :id and " + OF_KEEPER)
  Optional<TankEntity> lockForKeeper(UUID id, UUID keeper);

  /** A tank of its owner's, deleted or not, its row locked until the transaction ends. */
  @Lock(LockModeType.PESSIMISTIC_WRITE)
  Optional<TankEntity> findByIdAndOwnerId(UUID id, UUID owner);

  /** Tanks to be removed for good. */
  @Query("select t.id from TankEntity t where t.deletedAt < :before")
  List<UUID> deletedBefore(Instant before);

  @Query("select t.id from TankEntity t where t.ownerId = :owner")
  List<UUID> idsOfOwner(UUID owner);

  /** Says that the log of a tank changed, without contending for its make-up. */
  @Modifying
  @Query("update TankEntity t set t.logRevision = t.logRevision + 1 where t.id = :id")
  void logChanged(UUID id);
}
