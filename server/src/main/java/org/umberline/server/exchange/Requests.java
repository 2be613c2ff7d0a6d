package org.umberline.server.exchange;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
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
      @NotNull(message = "a password") @Size(min = 10, max = 200, message = "10 to 200 characters")
          String password) {}

  @Schema(name = "PutAway")
  public record PutAway(@NotNull(message = "true or false") Boolean putAway) {}

  @Schema(name = "NewPassword")
  public record NewPassword(
      @NotNull(message = "the present password") String present,
      @NotNull(message = "a password") @Size(min = 10, max = 200, message = "10 to 200 characters")
          String wanted) {}

  @Schema(name = "Leave", description = "the name and the password typed once more")
  public record Leave(
      @NotNull(message = "your name") String name,
      @NotNull(message = "your password") String password) {}

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

  @Schema(name = "WorkChange", description = "everyDays 0 means that it is not wanted")
  public record WorkChange(
      @NotNull(message = "the care's version") Integer version,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 365 days")
          @DecimalMax(value = "365", message = "0 to 365 days")
          Integer everyDays,
      @Schema(nullable = true) LocalDate nextOn) {}

  @Schema(name = "ShelfChange")
  public record ShelfChange(
      @NotNull(message = "a kit") String kit,
      @Schema(nullable = true) LocalDate openedOn,
      @Schema(nullable = true) LocalDate expiresOn,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 10000 tests")
          @DecimalMax(value = "10000", message = "0 to 10000 tests")
          Integer testsLeft,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 60 minutes")
          @DecimalMax(value = "60", message = "0 to 60 minutes")
          Double minutes,
      @Schema(nullable = true) @Size(max = 2000, message = "at most 2000 characters")
          String steps) {}

  @Schema(name = "CareChange")
  public record CareChange(
      @NotNull(message = "the care's version") Integer version,
      @Schema(nullable = true)
          @DecimalMin(value = "0.5", message = "0.5 to 200 L")
          @DecimalMax(value = "200", message = "0.5 to 200 L")
          Double bucketLitres,
      @Schema(nullable = true)
          @DecimalMin(value = "0.01", message = "0.01 to 1000 mL a 100 L")
          @DecimalMax(value = "1000", message = "0.01 to 1000 mL a 100 L")
          Double conditionerMlPer100L,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 10 mg/L")
          @DecimalMax(value = "10", message = "0 to 10 mg/L")
          Double chloramineMgL,
      @Schema(nullable = true)
          @DecimalMin(value = "20", message = "20 to 95 °C")
          @DecimalMax(value = "95", message = "20 to 95 °C")
          Double hotC,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 35 °C")
          @DecimalMax(value = "35", message = "0 to 35 °C")
          Double coldC,
      @NotNull(message = "a list of devices") @Size(max = 20, message = "at most 20 devices")
          List<
                  @NotNull(message = "a device") @Size(max = 40, message = "at most 40 characters")
                  String>
              devices,
      @NotNull(message = "days")
          @DecimalMin(value = "0", message = "0 to 14 days")
          @DecimalMax(value = "14", message = "0 to 14 days")
          Integer filterDaysFromChange,
      @NotNull(message = "a list of tasks") @Size(max = 50, message = "at most 50 tasks")
          List<@NotNull(message = "a task") String> tasks,
      @NotNull(message = "a list of kits") @Size(max = 50, message = "at most 50 kits")
          List<@NotNull(message = "a kit") @Valid ShelfChange> shelf) {}

  @Schema(name = "Away", description = "gramsPerDay is fed meanwhile, 0 for nothing")
  public record Away(
      @NotNull(message = "a day") LocalDate from,
      @NotNull(message = "a day") LocalDate to,
      @NotNull(message = "grams a day")
          @DecimalMin(value = "0", message = "0 to 10000 g a day")
          @DecimalMax(value = "10000", message = "0 to 10000 g a day")
          Double gramsPerDay) {}

  @Schema(name = "Mixed")
  public record Mixed(
      @NotNull(message = "litres")
          @DecimalMin(value = "0.1", message = "0.1 to 100000 L")
          @DecimalMax(value = "100000", message = "0.1 to 100000 L")
          Double litres,
      @NotNull(message = "a salinity")
          @DecimalMin(value = "0", message = "0 to 60 ppt")
          @DecimalMax(value = "60", message = "0 to 60 ppt")
          Double measuredPpt) {}

  @Schema(name = "Readings")
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

  @Schema(name = "VisitBegun")
  public record VisitBegun(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "what was seen") @Size(max = 1000, message = "at most 1000 characters")
          String seen) {}

  @Schema(name = "VisitEnded")
  public record VisitEnded(
      @NotNull(message = "advice") @Size(max = 1000, message = "at most 1000 characters")
          String advice) {}

  @Schema(name = "TableColumnMeant")
  public record TableColumn(
      @NotNull(message = "a column") String name,
      @NotNull(message = "a meaning") String meaning,
      @Schema(nullable = true) String analyte,
      @Schema(nullable = true) String unit) {}

  @Schema(name = "Table", description = "without columns their meanings are guessed")
  public record Table(
      @NotNull(message = "a table") @Size(max = 4_000_000, message = "at most 4 MB") String csv,
      @Schema(nullable = true) @Size(max = 200, message = "at most 200 columns")
          List<@NotNull(message = "a column") @Valid TableColumn> columns,
      @Schema(nullable = true) Boolean monthFirst) {}

  @Schema(name = "NewTable")
  public record NewTable(
      @NotNull(message = "a new id") UUID id, @NotNull(message = "a table") @Valid Table table) {}

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
    @JsonIgnore
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
    @JsonIgnore
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

  @Schema(name = "Tried", description = "one thing done otherwise; amount in the kind's unit")
  public record TriedLine(
      @NotNull(message = "what is tried") org.umberline.core.planning.Try.Kind kind,
      @NotNull(message = "an id, or nothing") @Size(max = 80, message = "up to 80 characters")
          String id,
      @NotNull(message = "a number") Double amount) {}

  @Schema(
      name = "Try",
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
      @Schema(nullable = true) @jakarta.validation.Valid LineChange nitrate,
      @Schema(nullable = true) @jakarta.validation.Valid LineChange phosphate,
      @Schema(nullable = true) @Size(max = 40, message = "up to 40 tries")
          List<@NotNull(message = "something tried") @Valid TriedLine> tries) {
    @AssertTrue(message = "fraction, everyDays and nextOn together, or none of them")
    @Schema(hidden = true)
    @JsonIgnore
    public boolean isWholeOrAbsent() {
      return (fraction == null) == (everyDays == null) && (fraction == null) == (nextOn == null);
    }
  }

  @Schema(name = "WhatIfToSave")
  public record WhatIfToSave(
      @NotNull(message = "a name") @Size(min = 1, max = 80, message = "1 to 80 characters")
          String name,
      @NotNull(message = "what is tried") @jakarta.validation.Valid Try tried) {}

  @Schema(name = "MakeUpChange", description = "a tank file; a log in it is left out")
  public record MakeUpChange(
      @NotNull(message = "the tank's version") Integer version,
      @NotNull(message = "a tank file") @Size(max = 2_000_000, message = "up to 2 MB")
          String file) {}

  @Schema(name = "MakeUpTry", description = "a tank file that is looked at and not kept")
  public record MakeUpTry(
      @NotNull(message = "a tank file") @Size(max = 2_000_000, message = "up to 2 MB")
          String file) {}

  @Schema(name = "Site")
  public record SiteChange(
      @NotNull(message = "a place, or nothing") @Size(max = 60, message = "up to 60 characters")
          String site) {}

  @Schema(name = "UnitsChosen", description = "JSON of the page: quantity to label")
  public record UnitsChosen(
      @NotNull(message = "units") @Size(max = 400, message = "up to 400 characters")
          String chosen) {}

  @Schema(name = "Box", description = "inside measures in cm; displaced is a share 0..1")
  public record Box(
      @NotNull(message = "over 0 cm") Double lengthCm,
      @NotNull(message = "over 0 cm") Double widthCm,
      @NotNull(message = "over 0 cm") Double waterHeightCm,
      @NotNull(message = "0 to 1") Double displacedShare,
      @NotNull(message = "0 L or more") Double sumpL) {}

  @Schema(name = "SaltAdded")
  public record SaltAdded(
      @NotNull(message = "over 0 g") Double saltG,
      @NotNull(message = "0 ppt or more") Double beforePpt,
      @NotNull(message = "over what it was") Double afterPpt,
      @NotNull(message = "0 to 40 °C") Double temperatureC) {}

  @Schema(name = "MarkerAdded")
  public record MarkerAdded(
      @NotNull(message = "over 0 mg") Double mg,
      @NotNull(message = "0 mg/L or more") Double beforeMgL,
      @NotNull(message = "over what it was") Double afterMgL) {}

  @Schema(name = "Body")
  public record Body(
      @NotNull(message = "a body shape") String shape,
      @NotNull(message = "over 0 cm")
          @DecimalMin(value = "0", inclusive = false, message = "over 0 to 200 cm")
          @DecimalMax(value = "200", message = "over 0 to 200 cm")
          Double lengthCm) {}
}
