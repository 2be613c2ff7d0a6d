package org.umberline.server.makeup;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What the API takes of the make-up. A constraint's message says what is allowed. */
public final class MakeUpRequests {
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
