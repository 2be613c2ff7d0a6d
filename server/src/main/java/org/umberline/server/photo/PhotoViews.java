package org.umberline.server.photo;

import java.time.LocalDate;
import java.util.UUID;

/** What the API sends of photos. Every number is in the unit its name or its neighbour says. */
public final class PhotoViews {
  private PhotoViews() {}

  public record Photo(UUID id, LocalDate day, String note, int width, int height) {}
}
