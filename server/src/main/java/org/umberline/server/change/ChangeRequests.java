package org.umberline.server.change;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;

/** What the API takes of a change. A constraint's message says what is allowed. */
public final class ChangeRequests {
  private ChangeRequests() {}

  public record Mixed(
      @NotNull(message = "litres")
          @DecimalMin(value = "0.1", message = "0.1 to 100000 L")
          @DecimalMax(value = "100000", message = "0.1 to 100000 L")
          Double litres,
      @NotNull(message = "a salinity")
          @DecimalMin(value = "0", message = "0 to 60 ppt")
          @DecimalMax(value = "60", message = "0 to 60 ppt")
          Double measuredPpt) {}
}
