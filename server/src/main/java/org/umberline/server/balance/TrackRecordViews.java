package org.umberline.server.balance;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;

/**
 * What the API sends of past forecasts. Every number is in the unit its name or its neighbour says.
 */
public final class TrackRecordViews {
  private TrackRecordViews() {}

  @Schema(description = "one test as it was forecast, mg/L of the ion")
  public record PastForecast(
      String nutrient,
      LocalDate on,
      double read,
      double p10,
      double p50,
      double p90,
      boolean inside) {}

  @Schema(description = "median absolute errors, mg/L of the ion")
  public record Score(
      String nutrient, int tests, double inside80, double error, double hold, double slope) {}

  @Schema(description = "a test that contradicts the rest, or a zero that is none")
  public record StoodOut(
      String analyte,
      OffsetDateTime at,
      double value,
      String unit,
      @Schema(nullable = true) Double modelledMgL,
      String why) {}

  @Schema(description = "a water change taken as an experiment; mg/L NO3")
  public record ChangeJudged(
      OffsetDateTime at,
      double fraction,
      double expectedDrop,
      double measuredDrop,
      boolean asExpected,
      List<String> explanations,
      double sourceLow,
      double sourceHigh,
      double volumeLowL,
      @Schema(nullable = true) Double volumeHighL) {}

  @Schema(
      description =
          "how forecasts a fortnight ahead did; state is working or ready, share is how far it is")
  public record TrackRecord(
      String state,
      double share,
      int horizonDays,
      List<Score> scores,
      List<PastForecast> forecasts,
      List<StoodOut> stoodOut,
      List<ChangeJudged> changes) {}

  @Schema(description = "what was forecast on a day, with the changes made since")
  public record Then(
      LocalDate asOf, List<BalanceViews.Band> nitrate, List<BalanceViews.Band> phosphate) {}
}
