package org.umberline.server.exchange;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;

/** What the API sends. Every number is in the unit its name or its neighbour says. */
public final class Views {
  private Views() {}

  @Schema(name = "Session")
  public record SessionView(
      boolean signedIn, @Schema(nullable = true) String name, boolean demo, boolean signUp) {}

  @Schema(name = "Tank", description = "today is the day by the tank's own clock")
  public record TankView(
      UUID id,
      int version,
      String name,
      String water,
      double netVolumeL,
      String timeZone,
      LocalDate today) {}

  @Schema(name = "Line", description = "mg/L of the ion; an absent end is open")
  public record LineView(
      @Schema(nullable = true) Double floorMgL, @Schema(nullable = true) Double ceilingMgL) {}

  @Schema(name = "Lines")
  public record LinesView(LineView nitrate, LineView phosphate) {}

  @Schema(name = "Routine")
  public record RoutineView(double fraction, double litres, double everyDays, LocalDate nextOn) {}

  @Schema(name = "Band", description = "quantiles at the end of a day, mg/L of the ion")
  public record BandView(
      LocalDate on, double p10, double p25, double p50, double p75, double p90) {}

  @Schema(name = "Now", description = "quantiles at the end of today, mg/L of the ion")
  public record NowView(double p10, double p50, double p90) {}

  @Schema(name = "Crossing", description = "days by which 1, 5 and 9 in 10 futures are over")
  public record CrossingView(
      @Schema(nullable = true) LocalDate early,
      @Schema(nullable = true) LocalDate likely,
      @Schema(nullable = true) LocalDate late) {}

  @Schema(name = "NutrientOutlook")
  public record NutrientOutlookView(
      String unit, NowView now, List<BandView> days, CrossingView crossing) {}

  @Schema(
      name = "Outlook",
      description =
          "what a routine, or none, leads to; holds says whether the lines are kept with the"
              + " confidence asked, through the day until; recovery comes before the routine")
  public record OutlookView(
      @Schema(nullable = true) RoutineView routine,
      List<LocalDate> changeDays,
      double probabilityWithinLines,
      boolean holds,
      @Schema(nullable = true) String bindingLimit,
      LocalDate until,
      List<RecoveryStepView> recovery,
      NutrientOutlookView nitrate,
      NutrientOutlookView phosphate) {}

  @Schema(name = "FitDay", description = "the past as modelled, end of day, mg/L of the ion")
  public record FitDayView(LocalDate on, double p10, double p50, double p90) {}

  @Schema(
      name = "TestMark",
      description =
          "a past reading with what it means: from low to high, mg/L of the ion; high is absent"
              + " when open. use is exact, between, below or above")
  public record TestMarkView(
      OffsetDateTime at,
      double value,
      String unit,
      String use,
      double readMgL,
      double lowMgL,
      @Schema(nullable = true) Double highMgL,
      double modelledMgL) {}

  @Schema(name = "ChangeMark")
  public record ChangeMarkView(OffsetDateTime at, double fraction, double litres) {}

  @Schema(name = "LaneMark", description = "lane is fed, cut, cleaned, dosed or noted")
  public record LaneMarkView(OffsetDateTime at, String lane, String text) {}

  @Schema(name = "NutrientPast")
  public record NutrientPastView(List<FitDayView> fit, List<TestMarkView> tests) {}

  @Schema(name = "Past")
  public record PastView(
      NutrientPastView nitrate,
      NutrientPastView phosphate,
      List<ChangeMarkView> changes,
      List<LaneMarkView> lanes) {}

  @Schema(name = "RecoveryStep")
  public record RecoveryStepView(
      LocalDate on, double fraction, double litres, double nitrateAfterMgL) {}

  @Schema(
      name = "Balance",
      description =
          "the first page of a tank: shown is the routine to follow, the keeper's own where it"
              + " holds; leftAlone is the future without any change. verdict is change, skip or"
              + " stuck")
  public record BalanceView(
      TankView tank,
      LinesView lines,
      List<Double> intervalsDays,
      double maxChangeFraction,
      double confidence,
      @Schema(nullable = true) RoutineView standing,
      double standingProbability,
      String verdict,
      List<String> why,
      @Schema(nullable = true) LocalDate holdsUntilWithoutChange,
      OutlookView shown,
      CrossingView leftAloneNitrate,
      CrossingView leftAlonePhosphate,
      PastView past,
      List<String> notCounted) {}

  @Schema(name = "Level", description = "where a nutrient stands against its line, mg/L of the ion")
  public record LevelView(NowView now, LineView line) {}

  @Schema(
      name = "RoundsLine",
      description = "on is the day of the change, or the day until which nothing is needed")
  public record RoundsLineView(
      TankView tank,
      String verdict,
      @Schema(nullable = true) Double fraction,
      @Schema(nullable = true) Double litres,
      @Schema(nullable = true) LocalDate on,
      String why,
      @Schema(nullable = true) LocalDate crossesOn,
      LevelView nitrate,
      LevelView phosphate,
      @Schema(nullable = true) Integer daysSinceTest,
      @Schema(nullable = true) Integer daysSinceChange) {}

  @Schema(name = "TakenIn")
  public record TakenInView(UUID id, String name) {}

  @Schema(name = "ReadBack", description = "what a line of shorthand was read as")
  public record ReadBackView(
      List<String> understood, List<String> remarks, List<String> problems) {}

  @Schema(name = "RecordedLine")
  public record RecordedLineView(UUID id, List<String> understood, boolean repeated) {}

  @Schema(name = "Problem", description = "RFC 9457")
  public record ProblemView(
      @Schema(nullable = true) String title,
      int status,
      @Schema(nullable = true) String detail,
      @Schema(nullable = true) List<ProblemFieldView> fields) {}

  @Schema(name = "ProblemField")
  public record ProblemFieldView(String field, String found, String allowed) {}
}
