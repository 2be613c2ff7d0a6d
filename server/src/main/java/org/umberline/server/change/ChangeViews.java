package org.umberline.server.change;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.umberline.server.balance.AdviceViews;

/**
 * What the API sends of the run sheet of a change. Every number is in the unit its name or its
 * neighbour says.
 */
public final class ChangeViews {
  private ChangeViews() {}

  public record BlendPart(String water, String name, double share) {}

  public record Step(
      String key,
      String phase,
      List<AdviceViews.Said> text,
      @Schema(nullable = true) Double minutes) {}

  public record Moved(
      String what,
      @Schema(nullable = true) Double before,
      @Schema(nullable = true) Double after,
      String unit) {}

  @Schema(description = "a test that would tell, days after the change")
  public record TestAsked(String analyte, int daysFrom, List<AdviceViews.Said> words) {}

  public record RunSheet(
      UUID tank,
      LocalDate today,
      double fraction,
      double litres,
      double netVolumeL,
      List<BlendPart> water,
      @Schema(nullable = true) String bed,
      List<Step> steps,
      List<Moved> after,
      List<List<AdviceViews.Said>> warnings,
      List<String> cautions,
      @Schema(nullable = true) TestAsked testOn,
      boolean salted) {}

  @Schema(description = "g of salt still to add, or L of pure water")
  public record Salt(double saltG, double pureL) {}
}
