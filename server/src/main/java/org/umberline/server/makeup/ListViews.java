package org.umberline.server.makeup;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.umberline.server.balance.LedgerViews;
import org.umberline.tankfile.FiguresModule.Exact;

/**
 * What the API sends of closed lists and units. Every number is in the unit its name or its
 * neighbour says.
 */
public final class ListViews {
  private ListViews() {}

  public record Number(double value, String unit) {}

  @Schema(description = "a term with the figures it stands for")
  public record Choice(String term, List<LedgerViews.Term> figures) {}

  @Schema(description = "closed lists and defaults for the make-up")
  public record Lists(
      List<Choice> ways,
      List<Choice> foodForms,
      List<Choice> plantKinds,
      List<Choice> bodyShapes,
      List<Choice> portions,
      List<Choice> animalSizes,
      List<Choice> plantCovers,
      List<Choice> cleaners,
      List<Choice> changeWaters) {}

  @Schema(
      description =
          "for each quantity the units it may be shown in: shown = canonical × factor; specific"
              + " gravity by points of ppt and gravity instead")
  public record Units(String chosen, List<Quantity> quantities, List<double[]> gravity) {}

  public record Quantity(String name, List<UnitChoice> units) {}

  public record UnitChoice(String label, @Exact double factor, @Exact double offset) {}
}
