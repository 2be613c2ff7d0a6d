package org.umberline.server.balance;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.BindingLimit;
import org.umberline.core.planning.Reason.Kind;

/** What the API sends of the advice. Every number is in the unit its name or its neighbour says. */
public final class AdviceViews {
  private AdviceViews() {}

  @Schema(
      description =
          "a test worth more than acting: chance of crossing, chance to turn the decision")
  public record TestFirst(String analyte, double chance, double settles) {}

  @Schema(description = "larger changes, three days apart, before a routine begins")
  public record CaughtUp(double fraction, int times) {}

  @Schema(description = "the smallest change that keeps the lines at an interval")
  public record Option(
      double everyDays,
      @Schema(nullable = true) CaughtUp caughtUp,
      @Schema(nullable = true) Double fraction,
      boolean feasible,
      BindingLimit bindingLimit,
      double probabilityWithinLines,
      @Schema(nullable = true) Double minutesPer28Days) {}

  @Schema(
      description = "a routine beside the advice; a fraction of 0 means that no changes are made")
  public record Way(
      Advice.WayKind kind,
      @Schema(nullable = true) CaughtUp caughtUp,
      double fraction,
      double everyDays,
      LocalDate startsOn,
      boolean holds,
      double probabilityWithinLines,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}

  @Schema(description = "keepers of another stance: who they are, and what they would say today")
  public record OtherSchool(String stance, String who, List<Said> says) {}

  @Schema(description = "a part of a text: words, or a quantity with its unit, or a day")
  public record Said(
      @Schema(nullable = true) String text,
      @Schema(nullable = true) Double value,
      @Schema(nullable = true) String unit,
      @Schema(nullable = true) LocalDate day) {}

  @Schema(description = "a reason or remark: what kind it is, and its words")
  public record Reason(Kind kind, List<Said> words) {}

  @Schema(
      description =
          "what else helps, in words and as what can be tried, and the share that is enough then: 0"
              + " when no change is needed, absent when none is enough or the matter is another")
  public record Help(
      Advice.Lever lever,
      List<Said> words,
      @Schema(nullable = true) Double fraction,
      double everyDays,
      double minutesPer28Days,
      List<BalanceRequests.Tried> tries) {}

  @Schema(
      description =
          "work that the forecast counts on; added: the plan asks for it, otherwise it is habit")
  public record PlanWork(
      LocalDate on, Advice.WorkKind kind, String of, List<Said> words, boolean added) {}

  @Schema(
      description =
          "one change to a level, or a few: each share, absent where none does, and what they come"
              + " to together; blend is the water that makes it possible")
  public record OneOff(
      double nowMgL,
      double targetMgL,
      double sourceMgL,
      @Schema(nullable = true) Double fraction,
      int changes,
      double litres,
      int buckets,
      double bestReachableMgL,
      @Schema(nullable = true) OneOffBlend blend) {}

  public record OneOffBlend(String water, double share, double fraction, int changes) {}

  public record BlendAdvice(String water, double share, double fraction, double everyDays) {}

  @Schema(description = "what would have to go by other ways than changes")
  public record NoChange(
      boolean feasible,
      double netNitrogenMgPerDay,
      double floatingPlantsGPerWeek,
      double deepBedM2) {}

  public record OtherWays(
      List<Option> options,
      List<Way> ways,
      List<Help> helps,
      List<BlendAdvice> blends,
      @Schema(nullable = true) Double dripLitresPerDay,
      NoChange noChange,
      double shareOfWaterOver90Days,
      double alkalinityUsedDkhPerWeek) {}

  public record RecoveryStep(
      LocalDate on,
      double fraction,
      double litres,
      double nitrateAfterMgL,
      double phosphateAfterMgL) {}

  @Schema(
      description =
          "what leads today; fraction and litres only when water is to be changed today; reasons"
              + " and remarks are the kinds of what stands in why, in order; warnings speak of what is"
              + " entered in the make-up")
  public record Today(
      Advice.Verdict verdict,
      @Schema(nullable = true) Double fraction,
      @Schema(nullable = true) Double litres,
      @Schema(nullable = true) LocalDate latestSafeDay,
      @Schema(nullable = true) LocalDate skipUntil,
      @Schema(nullable = true) LocalDate noneNeededUntil,
      @Schema(nullable = true) LocalDate waitingUntil,
      @Schema(nullable = true) Double chanceIfWaiting,
      List<Reason> reasons,
      List<Reason> remarks,
      List<List<Said>> warnings) {}
}
