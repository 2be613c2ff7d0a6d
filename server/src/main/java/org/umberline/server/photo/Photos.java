package org.umberline.server.photo;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

public interface Photos extends JpaRepository<PhotoEntity, UUID> {
  /** A photo without its picture. */
  record Listed(UUID id, Instant takenAt, String note, int width, int height) {}

  @Query(
      "select new org.umberline.server.photo.Photos$Listed("
          + "p.id, p.takenAt, p.note, p.width, p.height)"
          + " from PhotoEntity p where p.tankId = :tank order by p.takenAt desc")
  List<Listed> ofTank(UUID tank);

  Optional<PhotoEntity> findByIdAndTankId(UUID id, UUID tankId);
}
