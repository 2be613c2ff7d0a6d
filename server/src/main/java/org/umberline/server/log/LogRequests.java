package org.umberline.server.log;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;

/** What the API takes of the log. A constraint's message says what is allowed. */
public final class LogRequests {
  private LogRequests() {}

  @Schema(description = "a line of shorthand and when it was typed")
  public record Typed(
      @NotNull(message = "a line of text") String text,
      @NotNull(message = "an instant") Instant at) {}

  public record NewLine(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "a line of text") @Size(max = 500, message = "at most 500 characters")
          String text,
      @NotNull(message = "an instant") Instant at) {}

  public record Withdrawal(@NotNull(message = "true or false") Boolean withdrawn) {}
}
