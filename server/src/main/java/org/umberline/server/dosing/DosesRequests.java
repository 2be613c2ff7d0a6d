package org.umberline.server.dosing;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotNull;

/** What the API takes of doses. A constraint's message says what is allowed. */
public final class DosesRequests {
  private static final String LEVEL = "0 to 100 mg/L PO4";

  private DosesRequests() {}

  public record RaiseAsked(
      @NotNull(message = "what is raised") String what,
      @NotNull(message = "what the water holds")
          @DecimalMin(value = "0", message = "0 to 5000")
          @DecimalMax(value = "5000", message = "0 to 5000")
          Double from,
      @NotNull(message = "what it shall hold")
          @DecimalMin(value = "0", message = "0 to 5000")
          @DecimalMax(value = "5000", message = "0 to 5000")
          Double to,
      @NotNull(message = "what it is raised with") String with) {}

  public record AdsorberAsked(
      @NotNull(message = "what the water holds")
          @DecimalMin(value = "0", message = LEVEL)
          @DecimalMax(value = "100", message = LEVEL)
          Double from,
      @NotNull(message = "what it shall hold")
          @DecimalMin(value = "0", message = LEVEL)
          @DecimalMax(value = "100", message = LEVEL)
          Double to,
      @NotNull(message = "reactor or bag") String placement) {}

  public record PrecipitantAsked(
      @NotNull(message = "what the water holds")
          @DecimalMin(value = "0", message = LEVEL)
          @DecimalMax(value = "100", message = LEVEL)
          Double from,
      @NotNull(message = "what it shall hold")
          @DecimalMin(value = "0", message = LEVEL)
          @DecimalMax(value = "100", message = LEVEL)
          Double to,
      @NotNull(message = "what a mL binds, by its label")
          @DecimalMin(value = "0.01", message = "0.01 to 1000 mg PO4")
          @DecimalMax(value = "1000", message = "0.01 to 1000 mg PO4")
          Double mgPerMl) {}

  public record ConditionerAsked(
      @NotNull(message = "litres of tap water")
          @DecimalMin(value = "0.1", message = "0.1 to 100000 L")
          @DecimalMax(value = "100000", message = "0.1 to 100000 L")
          Double litres,
      @NotNull(message = "mL for 100 L, by its label")
          @DecimalMin(value = "0.01", message = "0.01 to 1000 mL")
          @DecimalMax(value = "1000", message = "0.01 to 1000 mL")
          Double mlPer100L) {}

  public record CarbonAsked(@NotNull(message = "a source of carbon") String source) {}

  public record PeroxideAsked(
      @NotNull(message = "litres")
          @DecimalMin(value = "0.1", message = "0.1 to 100000 L")
          @DecimalMax(value = "100000", message = "0.1 to 100000 L")
          Double litres,
      @NotNull(message = "a strength")
          @DecimalMin(value = "0.1", message = "0.1 to 60 %")
          @DecimalMax(value = "60", message = "0.1 to 60 %")
          Double percent) {}

  public record PumpAsked(
      @NotNull(message = "what it gave")
          @DecimalMin(value = "0.01", message = "0.01 to 10000 mL")
          @DecimalMax(value = "10000", message = "0.01 to 10000 mL")
          Double ml,
      @NotNull(message = "how long it ran")
          @DecimalMin(value = "1", message = "1 to 3600 s")
          @DecimalMax(value = "3600", message = "1 to 3600 s")
          Double seconds,
      @NotNull(message = "what is wanted")
          @DecimalMin(value = "0.01", message = "0.01 to 100000 mL a day")
          @DecimalMax(value = "100000", message = "0.01 to 100000 mL a day")
          Double mlPerDay) {}
}
