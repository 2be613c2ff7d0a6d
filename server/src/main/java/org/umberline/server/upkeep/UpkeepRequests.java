package org.umberline.server.upkeep;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import org.umberline.core.upkeep.Care;

/** What the API takes of upkeep. A constraint's message says what is allowed. */
public final class UpkeepRequests {
  private UpkeepRequests() {}

  @Schema(description = "everyDays 0 means that it is not wanted")
  public record WorkChange(
      @NotNull(message = "the care's version") Integer version,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 365 days")
          @DecimalMax(value = "365", message = "0 to 365 days")
          Integer everyDays,
      @Schema(nullable = true) LocalDate nextOn) {}

  public record CheckOnStandard(
      @NotNull(message = "the day it was checked") LocalDate on,
      @NotNull(message = "what the standard holds")
          @DecimalMin(value = "0.001", message = "0.001 to 50000, in the kit's unit")
          @DecimalMax(value = "50000", message = "0.001 to 50000, in the kit's unit")
          Double standard,
      @NotNull(message = "what it read")
          @DecimalMin(value = "0", message = "0 to 50000, in the kit's unit")
          @DecimalMax(value = "50000", message = "0 to 50000, in the kit's unit")
          Double read) {}

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
      @Schema(nullable = true) @Valid CheckOnStandard check,
      @Schema(nullable = true) @Size(max = 2000, message = "at most 2000 characters")
          String steps) {}

  public record OwnTask(
      @NotNull(message = "a name")
          @Size(min = 1, max = Care.OwnTask.LONGEST_NAME, message = "a name of 1 to 60 characters")
          // the name stands in an address, where these mean something
          @Pattern(
              regexp = "[^\\p{Cntrl}/\\\\;%\"]*",
              message = "a name without / \\ ; % or quotation marks")
          String name,
      @NotNull(message = "days")
          @DecimalMin(value = "1", message = "1 to 730 days")
          @DecimalMax(value = "730", message = "1 to 730 days")
          Integer everyDays) {}

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
      @Schema(nullable = true, description = "stays as it is where nobody says")
          @Size(max = 50, message = "at most 50 pieces")
          List<@NotNull(message = "a piece of work") @Valid OwnTask> ownTasks,
      @NotNull(message = "a list of kits") @Size(max = 50, message = "at most 50 kits")
          List<@NotNull(message = "a kit") @Valid ShelfChange> shelf) {}

  @Schema(
      description =
          "gramsPerDay is fed meanwhile, 0 for nothing; without it the usual of such animals")
  public record Away(
      @NotNull(message = "a day") LocalDate from,
      @NotNull(message = "a day") LocalDate to,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = "0 to 10000 g a day")
          @DecimalMax(value = "10000", message = "0 to 10000 g a day")
          Double gramsPerDay) {}
}
