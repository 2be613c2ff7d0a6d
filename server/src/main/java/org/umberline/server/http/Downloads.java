package org.umberline.server.http;

import java.nio.charset.StandardCharsets;
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
    String whole = fileName(tank) + (name.startsWith(".") ? "" : "-") + name;
    return ResponseEntity.ok()
        .contentType(MediaType.parseMediaType(type))
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename(whole, StandardCharsets.UTF_8)
                .build()
                .toString())
        .body(content.apply(tank));
  }

  /** The tank's name as part of a file's. */
  public static String fileName(TankModel tank) {
    String plain = tank.name().toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "-");
    return plain.replaceAll("^-|-$", "").isEmpty() ? "tank" : plain;
  }
}
