package org.umberline.server.sitting;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;

/** What the API takes of sitters. A constraint's message says what is allowed. */
public final class SittingRequests {
  private SittingRequests() {}

  public record SitterWanted(
      @NotNull(message = "a day") LocalDate from,
      @NotNull(message = "a day") LocalDate to,
      @NotNull(message = "0 to 10000 g a day")
          @DecimalMin(value = "0", message = "0 to 10000 g a day")
          @DecimalMax(value = "10000", message = "0 to 10000 g a day")
          Double gramsPerDay) {}

  /** What a sitter can say. */
  public enum Seen {
    FED,
    ALL_WELL,
    GASPING,
    WRONG
  }

  public record Report(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "FED, ALL_WELL, GASPING or WRONG") Seen seen,
      @NotNull(message = "a remark, may be empty")
          @Size(max = 200, message = "at most 200 characters")
          String remark) {}
}
