package org.umberline.server.dosing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.umberline.server.balance.AdviceViews;
import org.umberline.tankfile.FiguresModule.Exact;

/** What the API sends of doses. Every number is in the unit its name or its neighbour says. */
public final class DosesViews {
  private DosesViews() {}

  @Schema(
      description =
          "what can be dosed in this tank; lowerPhosphateTo is where it might be lowered to;"
              + " conditionerMlPer100L as the keeper entered it")
  public record Doses(
      double litres,
      List<Raisable> raise,
      List<DoseWith> carbon,
      double lowerPhosphateTo,
      @Schema(nullable = true) @Exact Double conditionerMlPer100L) {}

  @Schema(
      description =
          "now is what the balance, or the latest test, says the water holds; to what it might be"
              + " raised to; stepADay the most for a day")
  public record Raisable(
      String what,
      String unit,
      @Schema(nullable = true) Double now,
      @Schema(nullable = true) Double to,
      @Exact double stepADay,
      List<DoseWith> with) {}

  public record DoseWith(String id, String name) {}

  @Schema(
      description =
          "sentence is what to give, or, where refused, why nothing is worked out; line notes a step"
              + " in the log, with # for its amount, empty where the log has none for it")
  public record Dose(
      List<AdviceViews.Said> sentence,
      boolean refused,
      List<DoseStep> steps,
      String unit,
      String reachesUnit,
      List<List<AdviceViews.Said>> notes,
      List<String> cautions,
      String line) {}

  @Schema(description = "until is its last day; reaches is what the water holds after it")
  public record DoseStep(
      LocalDate on, LocalDate until, double amount, @Schema(nullable = true) Double reaches) {}
}
