package org.umberline.server.makeup;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
import org.umberline.core.planning.Advice;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.balance.BalanceViews;
import org.umberline.server.tank.TankViews;

/**
 * What the API sends of the make-up. Every number is in the unit its name or its neighbour says.
 */
public final class MakeUpViews {
  private MakeUpViews() {}

  @Schema(
      description =
          "the tank file without its log, as JSON text; assumed are JSON pointers of the figures"
              + " that are the usual ones")
  public record MakeUp(
      UUID id, int version, String name, String site, String file, List<String> assumed) {}

  @Schema(description = "what an entry of the make-up does on paper, mg a day; in is positive")
  public record PaperEntry(
      String kind, String id, double nitrogenMgPerDay, double phosphorusMgPerDay) {}

  @Schema(
      description =
          "what a make-up would lead to; nothing is saved. recovery comes before the routine")
  public record MakeUpEffect(
      List<PaperEntry> paper,
      BalanceViews.Now nitrateNow,
      BalanceViews.Now phosphateNow,
      Advice.Verdict verdict,
      List<List<AdviceViews.Said>> warnings,
      List<AdviceViews.RecoveryStep> recovery,
      @Schema(nullable = true) BalanceViews.Routine routine,
      BalanceViews.Crossing leftAloneNitrate,
      BalanceViews.Crossing leftAlonePhosphate,
      double probabilityWithinLines) {}

  @Schema(
      description =
          "what a tank that is not kept yet would come to under the routine its file names, or"
              + " without any change; probability is that of staying within its lines")
  public record Preview(
      TankViews.Lines lines,
      BalanceViews.NutrientOutlook nitrate,
      BalanceViews.NutrientOutlook phosphate,
      double probabilityWithinLines) {}

  @Schema(
      description =
          "the tank file of a new tank, as JSON text, and what it would come to once food is told")
  public record NewTank(String file, @Schema(nullable = true) Preview preview) {}

  @Schema(description = "the net volumes that the most changes allow; high is open without a value")
  public record ImpliedVolume(
      int changes,
      int agreeing,
      @Schema(nullable = true) Double low,
      @Schema(nullable = true) Double high) {}
}
