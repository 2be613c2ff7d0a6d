package org.umberline.server.rounds;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.umberline.core.planning.Advice;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.balance.BalanceViews;
import org.umberline.server.tank.TankViews;

/** What the API sends of Rounds. Every number is in the unit its name or its neighbour says. */
public final class RoundsViews {
  private RoundsViews() {}

  @Schema(
      description =
          "on is the day of the change, or the day until which nothing is needed; minutes is what"
              + " the change of today takes")
  public record RoundsLine(
      TankViews.Tank tank,
      Advice.Verdict verdict,
      @Schema(nullable = true) Double fraction,
      @Schema(nullable = true) Double litres,
      @Schema(nullable = true) Double minutes,
      @Schema(nullable = true) LocalDate on,
      List<List<AdviceViews.Said>> warnings,
      List<AdviceViews.Reason> why,
      List<AdviceViews.PlanWork> work,
      @Schema(nullable = true) LocalDate crossesOn,
      BalanceViews.Level nitrate,
      BalanceViews.Level phosphate,
      @Schema(nullable = true) Integer daysSinceTest,
      @Schema(nullable = true) Integer daysSinceChange,
      String site,
      @Schema(nullable = true) BalanceViews.Routine standing,
      @Schema(nullable = true) BalanceViews.Routine routine,
      boolean fixedRoutine,
      @Schema(nullable = true) AdviceViews.TestFirst testFirst,
      List<DueWork> due) {}

  @Schema(
      description =
          "what is known of all tanks; renewed are those being worked out anew, coming those that"
              + " nothing is known of yet")
  public record KnownRounds(List<RoundsLine> lines, List<Renewed> renewed, List<Coming> coming) {}

  public record Coming(UUID tank, String name, String site) {}

  @Schema(description = "from is when the line that is shown of the tank was worked out")
  public record Renewed(UUID tank, OffsetDateTime from) {}

  public record DueWork(String work, List<AdviceViews.Said> words, int everyDays, int lateDays) {}
}
