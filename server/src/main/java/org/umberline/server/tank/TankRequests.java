package org.umberline.server.tank;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/** What the API takes of tanks. A constraint's message says what is allowed. */
public final class TankRequests {
  private TankRequests() {}

  public record PutAway(@NotNull(message = "true or false") Boolean putAway) {}

  @Schema(description = "a tank file as text, and an id the client made for it")
  public record TakeIn(
      @NotNull(message = "a new id") UUID id, @NotNull(message = "a tank file") String file) {}
}
