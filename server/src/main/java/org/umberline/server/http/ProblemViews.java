package org.umberline.server.http;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/** What the API sends of problems. Every number is in the unit its name or its neighbour says. */
public final class ProblemViews {
  private ProblemViews() {}

  @Schema(description = "RFC 9457")
  public record Problem(
      @Schema(nullable = true) String title,
      int status,
      @Schema(nullable = true) String detail,
      @Schema(nullable = true) List<ProblemField> fields,
      @Schema(nullable = true) Boolean problemsNotShown) {}

  public record ProblemField(String field, String found, String allowed) {}
}
