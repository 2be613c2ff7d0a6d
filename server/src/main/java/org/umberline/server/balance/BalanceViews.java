package org.umberline.server.balance;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import org.umberline.core.planning.BindingLimit;
import org.umberline.server.tank.TankViews;
import org.umberline.tankfile.FiguresModule.Exact;

/**
 * What the API sends of the balance. Every number is in the unit its name or its neighbour says.
 */
public final class BalanceViews {
  private BalanceViews() {}

  public record Routine(
      @Exact double fraction, double litres, @Exact double everyDays, LocalDate nextOn) {}

  @Schema(description = "quantiles at the end of a day, mg/L of the ion")
  public record Band(LocalDate on, double p10, double p25, double p50, double p75, double p90) {}

  @Schema(description = "quantiles at the end of today, mg/L of the ion")
  public record Now(double p10, double p25, double p50, double p75, double p90) {}

  @Schema(description = "days by which 1, 5 and 9 in 10 futures are over")
  public record Crossing(
      @Schema(nullable = true) LocalDate early,
      @Schema(nullable = true) LocalDate likely,
      @Schema(nullable = true) LocalDate late) {}

  public record NutrientOutlook(String unit, Now now, List<Band> days, Crossing crossing) {}

  @Schema(
      description =
          "what a routine, or none, leads to; holds says whether the lines are kept with the"
              + " confidence asked, through the day until; recovery comes before the routine;"
              + " where it takes some days to keep them, keptFrom is the first on which it does")
  public record Outlook(
      @Schema(nullable = true) Routine routine,
      List<LocalDate> changeDays,
      double probabilityWithinLines,
      boolean holds,
      @Schema(nullable = true) Later later,
      @Schema(nullable = true) BindingLimit bindingLimit,
      LocalDate until,
      List<AdviceViews.RecoveryStep> recovery,
      @Schema(nullable = true) LocalDate keptFrom,
      Measures measures,
      NutrientOutlook nitrate,
      NutrientOutlook phosphate,
      @Schema(nullable = true) YoungTank young) {}

  @Schema(
      description =
          "from when on what holds now is less sure than was asked, and how sure it is at least")
  public record Later(LocalDate from, double probability) {}

  @Schema(description = "what a routine, or none, comes to; peaks and troughs are medians, mg/L")
  public record Measures(
      double probabilityWithinLines,
      double nitratePeakMgL,
      double nitrateTroughMgL,
      double nitrateSwingMgL,
      double phosphatePeakMgL,
      double phosphateTroughMgL,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}

  @Schema(
      description =
          "ammonia and nitrite of a tank whose filter grows in, past and future, mg/L NH3 and NO2")
  public record YoungTank(List<FitDay> ammonia, List<FitDay> nitrite) {}

  @Schema(description = "the past as modelled, end of day, mg/L of the ion")
  public record FitDay(LocalDate on, double p10, double p50, double p90) {}

  @Schema(
      description =
          "a past reading with what it means: from low to high, mg/L of the ion; high is absent"
              + " when open. use is exact, between, below or above")
  public record TestMark(
      OffsetDateTime at,
      double value,
      String unit,
      String use,
      double readMgL,
      double lowMgL,
      @Schema(nullable = true) Double highMgL,
      double modelledMgL,
      boolean contradicts) {}

  public record ChangeMark(OffsetDateTime at, double fraction, double litres) {}

  @Schema(description = "lane is fed, cut, cleaned, dosed, noted or died")
  public record LaneMark(OffsetDateTime at, String lane, String text) {}

  public record NutrientPast(List<FitDay> fit, List<TestMark> tests) {}

  @Schema(
      description =
          "the days behind: what was read and done, and between which levels the water is believed"
              + " to have been")
  public record Past(
      NutrientPast nitrate,
      NutrientPast phosphate,
      List<TestMark> ammoniaTests,
      List<TestMark> nitriteTests,
      List<ChangeMark> changes,
      List<LaneMark> lanes) {}

  @Schema(
      description =
          "the first page of a tank: shown is the routine to follow, the keeper's own where it"
              + " holds; leftAlone is the future without any change")
  public record Balance(
      TankViews.Tank tank,
      TankViews.Lines lines,
      List<Double> intervalsDays,
      double maxChangeFraction,
      double confidence,
      @Schema(nullable = true) Routine standing,
      AdviceViews.Today today,
      List<AdviceViews.PlanWork> work,
      @Schema(nullable = true) AdviceViews.TestFirst testFirst,
      AdviceViews.OtherWays otherWays,
      Outlook shown,
      Crossing leftAloneNitrate,
      Crossing leftAlonePhosphate,
      List<String> notCounted) {}

  @Schema(description = "where a nutrient stands against its line, mg/L of the ion")
  public record Level(Now now, TankViews.Line line) {}
}
