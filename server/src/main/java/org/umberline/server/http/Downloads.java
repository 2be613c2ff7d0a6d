package org.umberline.server.http;

import java.util.Locale;
import java.util.function.Function;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.umberline.core.tank.TankModel;

/** Files made of a tank, named after it. */
public final class Downloads {
  private Downloads() {}

  /** The file {@code <tank>-<name>} or {@code <tank>.<name>} where the name is only an ending. */
  public static <T> ResponseEntity<T> of(
      TankModel tank, String name, String type, Function<TankModel, T> content) {
    String slug = tank.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-");
    String whole = slug + (name.startsWith(".") ? "" : "-") + name;
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(type))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename(whole).build().toString())
        .body(content.apply(tank));
  }
}
