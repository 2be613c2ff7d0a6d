package org.umberline.server.bench;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/** What the API takes of the bench. A constraint's message says what is allowed. */
public final class BenchRequests {
  private BenchRequests() {}

  public record Readings(
      @NotNull(message = "an analyte") String analyte,
      @Schema(nullable = true) String kit,
      @NotNull(message = "1 to 9 readings") @Size(min = 1, max = 9, message = "1 to 9 readings")
          List<@NotNull(message = "a number") Double> values,
      @NotNull(message = "=, < or >") String qualifier,
      @NotNull(message = "1 to 1000") Double dilution,
      @NotNull(message = "1 to 100") Double lowRange,
      @Schema(nullable = true) @Size(max = 200, message = "at most 200 characters")
          String remark) {}
}
