package org.umberline.server.minerals;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.umberline.server.balance.AdviceViews;

/** What the API sends of the balances besides the two nutrients. */
public final class MineralsViews {
  private MineralsViews() {}

  @Schema(
      description =
          "gear tells whether the tank has gear that takes nitrate out of what flows through it,"
              + " caught what was emptied out of skimmer and filter beside the balance")
  public record Minerals(
      List<MineralPanel> panels,
      boolean gear,
      List<List<AdviceViews.Said>> bed,
      List<List<AdviceViews.Said>> caught) {}

  @Schema(
      description =
          "one balance: term is its analyte, unit that of what may be wanted of it, empty where"
              + " nothing can be; doses that amounts for it are among the doses")
  public record MineralPanel(
      String term,
      String title,
      String unit,
      @Schema(nullable = true) Double wanted,
      List<AdviceViews.Said> sentence,
      List<List<AdviceViews.Said>> notes,
      List<String> cautions,
      boolean doses) {}

  @Schema(description = "what a filter takes out of the water that flows through it")
  public record FilterFlow(List<AdviceViews.Said> sentence, List<List<AdviceViews.Said>> notes) {}
}
