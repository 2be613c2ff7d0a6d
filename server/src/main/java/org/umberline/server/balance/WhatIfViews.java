package org.umberline.server.balance;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;

/** What the API sends of what-ifs. Every number is in the unit its name or its neighbour says. */
public final class WhatIfViews {
  private WhatIfViews() {}

  public record SavedWhatIf(
      UUID id,
      String name,
      List<BalanceRequests.Tried> tries,
      @Schema(nullable = true) BalanceViews.Routine routine,
      BalanceViews.Measures measures) {}

  @Schema(description = "saved what-ifs beside today's routine and none")
  public record Comparison(
      @Schema(nullable = true) BalanceViews.Routine routine,
      BalanceViews.Measures today,
      BalanceViews.Measures leftAlone,
      List<SavedWhatIf> saved) {}
}
