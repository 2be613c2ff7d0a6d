package org.umberline.server.log;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface LogEntries extends JpaRepository<LogEntryEntity, UUID> {
  /** The entries that stand, in the order of their instants. */
  @Query(
      """
      select e from LogEntryEntity e
      where e.tankId = :tankId and e.withdrawnAt is null and (e.lineId is null or exists (
        select 1 from LogLineEntity l where l.id = e.lineId and l.withdrawnAt is null))
      order by e.happenedAt, e.place
      """)
  List<LogEntryEntity> standing(UUID tankId);

  Optional<LogEntryEntity> findByIdAndTankId(UUID id, UUID tankId);

  List<LogEntryEntity> findByTankIdOrderByHappenedAtDescPlaceDesc(UUID tankId);

  List<LogEntryEntity> findByReplacedBy(UUID line);

  List<LogEntryEntity> findByLineIdOrderByPlace(UUID line);
}
