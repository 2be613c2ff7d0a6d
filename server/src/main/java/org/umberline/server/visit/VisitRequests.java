package org.umberline.server.visit;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;

/** What the API takes of visits. A constraint's message says what is allowed. */
public final class VisitRequests {
  private VisitRequests() {}

  public record VisitBegun(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "what was seen") @Size(max = 1000, message = "at most 1000 characters")
          String seen) {}

  public record VisitEnded(
      @NotNull(message = "advice") @Size(max = 1000, message = "at most 1000 characters")
          String advice,
      @Schema(nullable = true) LocalDate nextOn) {}
}
