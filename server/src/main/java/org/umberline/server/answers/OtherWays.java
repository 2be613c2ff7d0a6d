package org.umberline.server.answers;

import org.umberline.core.planning.Plan;
import org.umberline.server.exchange.Views;
import org.umberline.tankfile.Figures;

/** What else than the answer would help, and what the arithmetic of changes says beside it. */
final class OtherWays {
  private OtherWays() {}

  static Views.OtherWaysView of(Present now, Plan plan) {
    return new Views.OtherWaysView(
        plan.options().stream()
            .map(
                option ->
                    new Views.OptionView(
                        option.everyDays(),
                        option.fraction().isPresent() ? option.fraction().getAsDouble() : null,
                        option.feasible(),
                        option.bindingLimit().term(),
                        Figures.rounded(option.probabilityWithinLines())))
            .toList(),
        plan.otherLevers().stream()
            .map(
                lever ->
                    new Views.LeverView(
                        lever.lever(),
                        Figures.rounded(lever.change()),
                        Figures.rounded(lever.effectNitrateMgLPerWeek()),
                        Figures.rounded(lever.effectPhosphateMgLPerWeek())))
            .toList(),
        plan.blends().stream()
            .map(
                blend ->
                    new Views.BlendView(
                        now.tank().waterById(blend.water()).name(),
                        Figures.rounded(blend.share()),
                        Figures.rounded(blend.fraction()),
                        blend.everyDays()))
            .toList(),
        plan.drip().map(drip -> Figures.rounded(drip.litresPerDay())).orElse(null),
        new Views.NoChangeView(
            plan.noChange().feasible(),
            Figures.rounded(plan.noChange().netNitrogenMgPerDay()),
            Figures.rounded(plan.noChange().floatingPlantsGPerWeek()),
            Figures.rounded(plan.noChange().deepBedM2())),
        plan.notes(),
        Figures.rounded(plan.upkeep().now().over90Days()),
        Figures.rounded(plan.upkeep().alkalinityUsedDkhPerWeek()));
  }
}
