package org.umberline.server.answers;

import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Background;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.tankfile.Figures;
import org.umberline.wording.AdviceWords;

/** What stands beside the advice: intervals, ways, what else helps. */
final class OtherWays {
  private OtherWays() {}

  private static Views.CaughtUpView caughtUp(Advice.CaughtUp first) {
    return new Views.CaughtUpView(first.fraction(), first.times());
  }

  static Views.OtherWaysView of(
      Present now, Advice advice, Background background, AdviceWords words) {
    return new Views.OtherWaysView(
        advice.options().stream()
            .map(
                option ->
                    new Views.OptionView(
                        option.everyDays(),
                        option.caughtUp().map(OtherWays::caughtUp).orElse(null),
                        option.fraction().isPresent() ? option.fraction().getAsDouble() : null,
                        option.feasible(),
                        option.bindingLimit(),
                        Figures.rounded(option.probabilityWithinLines()),
                        option.minutesPer28Days().isPresent()
                            ? Figures.rounded(option.minutesPer28Days().getAsDouble())
                            : null))
            .toList(),
        advice.ways().stream()
            .map(
                way ->
                    new Views.WayView(
                        way.kind(),
                        way.caughtUp().map(OtherWays::caughtUp).orElse(null),
                        way.fraction(),
                        way.everyDays(),
                        way.startsOn(),
                        way.holds(),
                        Figures.rounded(way.probabilityWithinLines()),
                        Figures.rounded(way.litresPer28Days()),
                        Figures.rounded(way.minutesPer28Days()),
                        Figures.rounded(way.saltGramsPer28Days())))
            .toList(),
        advice.helps().stream()
            .map(
                help ->
                    new Views.HelpView(
                        help.first().lever(),
                        AdviceViews.said(words.levers(help)),
                        help.fraction().isPresent() ? help.fraction().getAsDouble() : null,
                        help.everyDays(),
                        Figures.rounded(help.minutesPer28Days()),
                        help.tries().stream()
                            .map(t -> new Requests.TriedLine(t.kind(), t.id(), t.amount()))
                            .toList()))
            .toList(),
        advice.blends().stream()
            .map(
                blend ->
                    new Views.BlendView(
                        now.tank().waterById(blend.water()).name(),
                        Figures.rounded(blend.share()),
                        Figures.rounded(blend.fraction()),
                        blend.everyDays()))
            .toList(),
        background.dripLitresPerDay().isPresent()
            ? Figures.rounded(background.dripLitresPerDay().getAsDouble())
            : null,
        new Views.NoChangeView(
            background.heldWithoutChange(),
            Figures.rounded(background.netNitrogenMgPerDay()),
            Figures.rounded(background.floatingPlantsGPerWeek()),
            Figures.rounded(background.deepBedM2())),
        Figures.rounded(background.waterNow().over90Days()),
        Figures.rounded(background.alkalinityUsedDkhPerWeek()));
  }
}
