package org.umberline.server.upkeep;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.umberline.core.upkeep.AwayFeeding;
import org.umberline.server.balance.AdviceViews;
import org.umberline.tankfile.FiguresModule.Exact;

/** What the API sends of upkeep. Every number is in the unit its name or its neighbour says. */
public final class UpkeepViews {
  private UpkeepViews() {}

  public record Upkeep(List<UpkeepTank> tanks) {}

  public record UpkeepTank(
      UUID id,
      String name,
      String site,
      LocalDate today,
      int careVersion,
      List<Occurrence> occurrences,
      List<Work> works,
      @Schema(nullable = true) CatchUp catchUp) {}

  @Schema(description = "doneAs is the line that notes it, empty where more must be said")
  public record Occurrence(
      String work,
      String kind,
      List<AdviceViews.Said> words,
      String doneAs,
      LocalDate on,
      int lateDays,
      String why) {}

  @Schema(
      description =
          "origin is TRADE, KEEPER, ROUTINE, MODEL or SEEN; movable: whether the keeper sets its day")
  public record Work(
      String key,
      String kind,
      List<AdviceViews.Said> words,
      int everyDays,
      String origin,
      @Schema(nullable = true) LocalDate lastDone,
      boolean movable,
      List<AdviceViews.Said> reason) {}

  @Schema(description = "recovery: the changes that bring it under its lines")
  public record CatchUp(int missed, LocalDate since, List<AdviceViews.RecoveryStep> recovery) {}

  public record AbsenceOutcome(
      double changeBefore,
      double litres,
      double probabilityWithinLines,
      double nitratePeakMgL,
      double phosphatePeakMgL) {}

  @Schema(
      description =
          "with is what the smallest change before it brings, where one is needed; why says why so"
              + " much is fed where nobody said how much")
  public record Absence(
      int days,
      double rationGPerDay,
      double gramsPerDay,
      @Schema(nullable = true) AwayFeeding.Why why,
      double shareOfRation,
      double gramsInAll,
      AbsenceOutcome without,
      @Schema(nullable = true) AbsenceOutcome with,
      LocalDate changeOn,
      LocalDate testOn,
      double confidence,
      double largestFraction) {}

  @Schema(description = "address is told once, when it is made")
  public record CalendarFeed(
      @Schema(nullable = true) Instant since, @Schema(nullable = true) String address) {}

  public record CareTask(String term, String words, int everyDays) {}

  @Schema(description = "recurring work in the keeper's own words")
  public record OwnTask(String name, int everyDays) {}

  @Schema(
      description =
          "what a kit read on a solution of a known content, in the kit's unit, and when it is to be checked again")
  public record Checked(LocalDate on, double standard, double read, LocalDate dueOn) {}

  @Schema(description = "a kit's reagents")
  public record Shelf(
      String kit,
      @Schema(nullable = true) LocalDate openedOn,
      @Schema(nullable = true) LocalDate expiresOn,
      @Schema(nullable = true) Integer testsLeft,
      @Schema(nullable = true) Double minutes,
      @Schema(nullable = true) Checked check,
      String steps) {}

  public record Care(
      int version,
      @Schema(nullable = true) @Exact Double bucketLitres,
      @Schema(nullable = true) @Exact Double conditionerMlPer100L,
      @Schema(nullable = true) @Exact Double chloramineMgL,
      @Schema(nullable = true) @Exact Double hotC,
      @Schema(nullable = true) @Exact Double coldC,
      List<String> devices,
      int filterDaysFromChange,
      List<String> tasks,
      List<CareTask> offered,
      List<OwnTask> ownTasks,
      List<Shelf> shelf) {}
}
