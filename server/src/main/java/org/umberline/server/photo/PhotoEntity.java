package org.umberline.server.photo;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.umberline.server.store.NewRow;

/** A picture of a tank, as it was re-encoded. */
@Entity
@Table(name = "photo")
@SuppressWarnings("UnusedVariable") // some columns are read by queries alone
public class PhotoEntity extends NewRow {
  private UUID tankId;

  private Instant takenAt;
  private String note;
  private int width;
  private int height;

  @Column(columnDefinition = "mediumblob")
  private byte[] jpeg;

  private Instant addedAt;

  private UUID addedBy;

  protected PhotoEntity() {}

  /** The picture's size is in pixels. */
  public PhotoEntity(
      UUID id, UUID tankId, Instant takenAt, String note, int width, int height, byte[] jpeg) {
    super(id);
    this.tankId = tankId;
    this.takenAt = takenAt;
    this.note = note;
    this.width = width;
    this.height = height;
    this.jpeg = jpeg.clone();
  }

  /** Who added it, and when. */
  public PhotoEntity added(UUID by, Instant at) {
    addedBy = by;
    addedAt = at;
    return this;
  }

  public UUID getTankId() {
    return tankId;
  }

  public String getNote() {
    return note;
  }

  public byte[] getJpeg() {
    return jpeg.clone();
  }
}
