package org.umberline.server.log;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface LogEntries extends JpaRepository<LogEntryEntity, UUID> {
  /** The entries that stand, in the order of their instants; of one instant as they were noted. */
  @Query(
      """
      select e from LogEntryEntity e left join LogLineEntity l on l.id = e.lineId
      where e.tankId = :tankId and e.withdrawnAt is null
      and (e.lineId is null or l.id is not null and l.withdrawnAt is null)
      order by e.happenedAt, l.recordedAt, e.place
      """)
  List<LogEntryEntity> standing(UUID tankId);

  Optional<LogEntryEntity> findByIdAndTankId(UUID id, UUID tankId);

  List<LogEntryEntity> findByTankIdOrderByHappenedAtDescPlaceDesc(UUID tankId);

  List<LogEntryEntity> findByReplacedBy(UUID line);

  List<LogEntryEntity> findByLineIdOrderByPlace(UUID line);
}
