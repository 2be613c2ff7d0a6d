package org.umberline.server.trial;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;

/** What the API takes of trials. */
public final class TrialRequests {
  private static final String DAYS = "7 to 56 days";

  private TrialRequests() {}

  /**
   * @param begun the day a trial of this tank began on, with {@code what} was tried
   * @param tank the one to set beside it
   */
  public record TrialComparison(
      @NotNull(message = "the day the trial began") LocalDate begun,
      @NotNull(message = "what was tried") String what,
      @NotNull(message = "a tank of yours") UUID tank) {}

  /**
   * @param option number of what is tried, among those on offer; null for the keeper's own
   * @param what the keeper's own words for it; null with an option
   */
  public record TrialAsked(
      @Schema(nullable = true) Integer option,
      @Schema(nullable = true) @Size(min = 1, max = 100, message = "1 to 100 characters")
          String what,
      @NotNull(message = "nitrate or phosphate") String analyte,
      @NotNull(message = DAYS) @Min(value = 7, message = DAYS) @Max(value = 56, message = DAYS)
          Integer days) {}
}
