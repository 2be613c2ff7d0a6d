package org.umberline.server.makeup;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;

/** What the API takes of the make-up. A constraint's message says what is allowed. */
public final class MakeUpRequests {
  private static final String PERCENT = "0 to 100 percent";
  private static final String LITRES = "over 0 to 10000000 litres";
  private static final String CONCENTRATION = "0 to 10000 mg/L";
  private static final String DAYS = "0.5 to 365 days";

  private MakeUpRequests() {}

  @Schema(description = "a tank file; a log in it is left out")
  public record MakeUpChange(
      @NotNull(message = "the tank's version") Integer version,
      @NotNull(message = "a tank file") @Size(max = 2_000_000, message = "up to 2 MB")
          String file) {}

  @Schema(description = "a tank file that is looked at and not kept")
  public record MakeUpTry(
      @NotNull(message = "a tank file") @Size(max = 2_000_000, message = "up to 2 MB")
          String file) {}

  @Schema(
      description =
          "a new tank as it is told; words are those of the lists, and what is left open is absent")
  public record ToldTank(
      @NotNull(message = "a name, or nothing") @Size(max = 120, message = "up to 120 characters")
          String name,
      @NotNull(message = LITRES)
          @DecimalMin(value = "0", inclusive = false, message = LITRES)
          @DecimalMax(value = "10000000", message = LITRES)
          Double litres,
      @Schema(nullable = true) String keeping,
      @NotNull(message = "animals, or none") @Size(max = 20, message = "up to 20 sizes")
          List<@Valid Animals> animals,
      @Schema(nullable = true) String portion,
      @NotNull(message = "1 to 100")
          @Min(value = 1, message = "1 to 100")
          @Max(value = 100, message = "1 to 100")
          Integer helpings,
      @NotNull(message = "0 to 100 a week")
          @DecimalMin(value = "0", message = "0 to 100 a week")
          @DecimalMax(value = "100", message = "0 to 100 a week")
          Double feedsPerWeek,
      @Schema(nullable = true) String plants,
      @Schema(nullable = true) String cover,
      @NotNull(message = "what cleans it, or nothing") @Size(max = 10, message = "up to 10")
          List<String> cleaners,
      @Schema(nullable = true)
          @Min(value = 0, message = "0 to 20000 days")
          @Max(value = 20_000, message = "0 to 20000 days")
          Integer ageDays,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = PERCENT)
          @DecimalMax(value = "100", message = PERCENT)
          Double changedPercent,
      @NotNull(message = DAYS)
          @DecimalMin(value = "0.5", message = DAYS)
          @DecimalMax(value = "365", message = DAYS)
          Double everyDays,
      @NotNull(message = "a water to change with") String changeWater,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = CONCENTRATION)
          @DecimalMax(value = "10000", message = CONCENTRATION)
          Double changeWaterNitrateMgL,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = CONCENTRATION)
          @DecimalMax(value = "10000", message = CONCENTRATION)
          Double changeWaterPhosphateMgL,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = CONCENTRATION)
          @DecimalMax(value = "10000", message = CONCENTRATION)
          Double nitrateMgL,
      @Schema(nullable = true)
          @DecimalMin(value = "0", message = CONCENTRATION)
          @DecimalMax(value = "10000", message = CONCENTRATION)
          Double phosphateMgL,
      @NotNull(message = "a time zone") String timeZone) {}

  public record Animals(
      @NotNull(message = "a size") String size,
      @NotNull(message = "0 to 10000")
          @Min(value = 0, message = "0 to 10000")
          @Max(value = 10_000, message = "0 to 10000")
          Integer count) {}

  public record Site(
      @NotNull(message = "a place, or nothing") @Size(max = 60, message = "up to 60 characters")
          String site) {}

  @Schema(description = "JSON of the page: quantity to label")
  public record UnitsChosen(
      @NotNull(message = "units") @Size(max = 400, message = "up to 400 characters")
          String chosen) {}

  @Schema(description = "inside measures in cm; displaced is a share 0..1")
  public record Box(
      @NotNull(message = "over 0 cm") Double lengthCm,
      @NotNull(message = "over 0 cm") Double widthCm,
      @NotNull(message = "over 0 cm") Double waterHeightCm,
      @NotNull(message = "0 to 1") Double displacedShare,
      @NotNull(message = "0 L or more") Double sumpL) {}

  public record SaltAdded(
      @NotNull(message = "over 0 g") Double saltG,
      @NotNull(message = "0 ppt or more") Double beforePpt,
      @NotNull(message = "over what it was") Double afterPpt,
      @NotNull(message = "0 to 40 °C") Double temperatureC) {}

  public record MarkerAdded(
      @NotNull(message = "over 0 mg") Double mg,
      @NotNull(message = "0 mg/L or more") Double beforeMgL,
      @NotNull(message = "over what it was") Double afterMgL) {}

  public record Body(
      @NotNull(message = "a body shape") String shape,
      @NotNull(message = "over 0 cm")
          @DecimalMin(value = "0", inclusive = false, message = "over 0 to 200 cm")
          @DecimalMax(value = "200", message = "over 0 to 200 cm")
          Double lengthCm) {}
}
