package org.umberline.server.exchange;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;

/** What the API takes. A constraint's message says what is allowed. */
public final class Requests {
  private static final String FRACTION = "over 0 to 1";
  private static final String DAYS = "0.5 to 365 days";
  private static final String CONCENTRATION = "0 to 1000 mg/L";

  private Requests() {}

  @Schema(name = "SignUp")
  public record SignUp(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "a name")
          @Pattern(
              regexp = "[\\p{L}\\p{N}][\\p{L}\\p{N} ._@-]{0,58}",
              message = "1 to 59 letters, digits, spaces, . _ @ or -")
          String name,
      @NotNull(message = "a password") @Size(min = 10, max = 72, message = "10 to 72 characters")
          String password) {}

  @Schema(name = "TakeIn", description = "a tank file as text, and an id the client made for it")
  public record TakeIn(
      @NotNull(message = "a new id") UUID id, @NotNull(message = "a tank file") String file) {}

  @Schema(name = "Typed", description = "a line of shorthand and when it was typed")
  public record Typed(
      @NotNull(message = "a line of text") String text,
      @NotNull(message = "an instant") Instant at) {}

  @Schema(name = "NewLine")
  public record NewLine(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "a line of text") @Size(max = 500, message = "at most 500 characters")
          String text,
      @NotNull(message = "an instant") Instant at) {}

  @Schema(name = "Withdrawal")
  public record Withdrawal(@NotNull(message = "true or false") Boolean withdrawn) {}

  @Schema(name = "RoutineChange", description = "without a routine no change is planned")
  public record RoutineChange(
      @NotNull(message = "the tank's version") Integer version,
      @Schema(nullable = true)
          @DecimalMin(value = "0", inclusive = false, message = FRACTION)
          @DecimalMax(value = "1", message = FRACTION)
          Double fraction,
      @Schema(nullable = true)
          @DecimalMin(value = "0.5", message = DAYS)
          @DecimalMax(value = "365", message = DAYS)
          Double everyDays,
      @Schema(nullable = true) LocalDate nextOn) {
    @AssertTrue(message = "fraction, everyDays and nextOn together, or none of them")
    @Schema(hidden = true)
    public boolean isWholeOrAbsent() {
      return (fraction == null) == (everyDays == null) && (fraction == null) == (nextOn == null);
    }
  }

  @Schema(name = "LineChange")
  public record LineChange(
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = CONCENTRATION)
          @DecimalMax(value = "1000", message = CONCENTRATION)
          Double floorMgL,
      @Schema(nullable = true)
          @DecimalMin(value = "0", inclusive = false, message = CONCENTRATION)
          @DecimalMax(value = "1000", message = CONCENTRATION)
          Double ceilingMgL) {
    @AssertTrue(message = "a floor below the ceiling")
    @Schema(hidden = true)
    public boolean isFloorBelowCeiling() {
      return floorMgL == null || ceilingMgL == null || floorMgL < ceilingMgL;
    }
  }

  @Schema(name = "LinesChange")
  public record LinesChange(
      @NotNull(message = "the tank's version") Integer version,
      @NotNull(message = "a line") @jakarta.validation.Valid LineChange nitrate,
      @NotNull(message = "a line") @jakarta.validation.Valid LineChange phosphate) {}

  /** What the server is to find for a routine that is tried. */
  public enum Solve {
    FRACTION,
    INTERVAL,
    NOTHING
  }

  @Schema(
      name = "Try",
      description =
          "a routine to be tried without saving; solve names the part that is to follow from the"
              + " other so that the lines hold")
  public record Try(
      @NotNull(message = "FRACTION, INTERVAL or NOTHING") Solve solve,
      @NotNull(message = FRACTION)
          @DecimalMin(value = "0", inclusive = false, message = FRACTION)
          @DecimalMax(value = "1", message = FRACTION)
          Double fraction,
      @NotNull(message = DAYS)
          @DecimalMin(value = "0.5", message = DAYS)
          @DecimalMax(value = "365", message = DAYS)
          Double everyDays,
      @NotNull(message = "a date") LocalDate nextOn,
      @Schema(nullable = true) @jakarta.validation.Valid LineChange nitrate,
      @Schema(nullable = true) @jakarta.validation.Valid LineChange phosphate) {}
}
