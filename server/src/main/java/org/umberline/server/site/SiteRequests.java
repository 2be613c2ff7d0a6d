package org.umberline.server.site;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What the API takes of places where tanks stand. A constraint's message says what is allowed. */
public final class SiteRequests {
  private SiteRequests() {}

  public record SiteDescription(
      @NotNull(message = "the name of a room")
          @Size(min = 1, max = 60, message = "1 to 60 characters")
          String site,
      @NotNull(message = "a name, may be empty")
          @Size(max = 120, message = "at most 120 characters")
          String client,
      @NotNull(message = "an address, may be empty")
          @Size(max = 300, message = "at most 300 characters")
          String address,
      @NotNull(message = "a number or an address, may be empty")
          @Size(max = 120, message = "at most 120 characters")
          String contact,
      @Schema(nullable = true)
          @DecimalMin(value = "1", message = "1 to 999")
          @DecimalMax(value = "999", message = "1 to 999")
          Integer stop) {}
}
