package org.umberline.server.balance;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.umberline.tankfile.FiguresModule.Exact;

/** What the API takes of the balance. A constraint's message says what is allowed. */
public final class BalanceRequests {
  private static final String FRACTION = "over 0 to 1";
  private static final String DAYS = "0.5 to 365 days";
  private static final String CONCENTRATION = "0 to 1000 mg/L";

  private BalanceRequests() {}

  @Schema(description = "without a routine no change is planned")
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
    @JsonIgnore
    public boolean isWholeOrAbsent() {
      return (fraction == null) == (everyDays == null) && (fraction == null) == (nextOn == null);
    }
  }

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
    @JsonIgnore
    public boolean isFloorBelowCeiling() {
      return floorMgL == null || ceilingMgL == null || floorMgL < ceilingMgL;
    }
  }

  public record LinesChange(
      @NotNull(message = "the tank's version") Integer version,
      @NotNull(message = "a line") @Valid LineChange nitrate,
      @NotNull(message = "a line") @Valid LineChange phosphate) {}

  /** What the server is to find for a routine that is tried. */
  public enum Solve {
    FRACTION,
    INTERVAL,
    NOTHING
  }

  @Schema(description = "one thing done otherwise; amount in the kind's unit")
  public record Tried(
      @NotNull(message = "what is tried") org.umberline.core.planning.Try.Kind kind,
      @NotNull(message = "an id, or nothing") @Size(max = 80, message = "up to 80 characters")
          String id,
      @NotNull(message = "a number") @Exact Double amount) {}

  @Schema(
      description =
          "a routine to be tried without saving, or none; solve names the part that is to follow"
              + " from the other so that the lines hold; tries go on beside it")
  public record Try(
      @NotNull(message = "FRACTION, INTERVAL or NOTHING") Solve solve,
      @Schema(nullable = true)
          @DecimalMin(value = "0", inclusive = false, message = FRACTION)
          @DecimalMax(value = "1", message = FRACTION)
          Double fraction,
      @Schema(nullable = true)
          @DecimalMin(value = "0.5", message = DAYS)
          @DecimalMax(value = "365", message = DAYS)
          Double everyDays,
      @Schema(nullable = true) LocalDate nextOn,
      @Schema(nullable = true) @Valid LineChange nitrate,
      @Schema(nullable = true) @Valid LineChange phosphate,
      @Schema(nullable = true) @Size(max = 40, message = "up to 40 tries")
          List<@NotNull(message = "something tried") @Valid Tried> tries) {
    @AssertTrue(message = "fraction, everyDays and nextOn together, or none of them")
    @Schema(hidden = true)
    @JsonIgnore
    public boolean isWholeOrAbsent() {
      return (fraction == null) == (everyDays == null) && (fraction == null) == (nextOn == null);
    }
  }

  public record WhatIfToSave(
      @NotNull(message = "a name") @Size(min = 1, max = 80, message = "1 to 80 characters")
          String name,
      @NotNull(message = "what is tried") @Valid Try tried) {}
}
