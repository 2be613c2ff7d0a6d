package org.umberline.server.balance;

import static org.umberline.server.http.Absent.orNull;

import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Background;
import org.umberline.server.learning.LearnedTank;
import org.umberline.wording.AdviceWords;

/** What stands beside the advice: intervals, ways, what else helps. */
final class OtherWays {
  private OtherWays() {}

  private static AdviceViews.CaughtUp caughtUp(Advice.CaughtUp first) {
    return new AdviceViews.CaughtUp(first.fraction(), first.times());
  }

  static AdviceViews.OtherWays of(
      LearnedTank now, Advice advice, Background background, AdviceWords words) {
    return new AdviceViews.OtherWays(
        advice.options().stream()
            .map(
                option ->
                    new AdviceViews.Option(
                        option.everyDays(),
                        option.caughtUp().map(OtherWays::caughtUp).orElse(null),
                        orNull(option.fraction()),
                        option.feasible(),
                        option.bindingLimit(),
                        option.probabilityWithinLines(),
                        orNull(option.minutesPer28Days())))
            .toList(),
        advice.ways().stream()
            .map(
                way ->
                    new AdviceViews.Way(
                        way.kind(),
                        way.caughtUp().map(OtherWays::caughtUp).orElse(null),
                        way.fraction(),
                        way.everyDays(),
                        way.startsOn(),
                        way.holds(),
                        way.probabilityWithinLines(),
                        way.litresPer28Days(),
                        way.minutesPer28Days(),
                        way.saltGramsPer28Days()))
            .toList(),
        advice.helps().stream()
            .map(
                help ->
                    new AdviceViews.Help(
                        help.first().lever(),
                        AdviceMapper.said(words.levers(help)),
                        orNull(help.fraction()),
                        help.everyDays(),
                        help.minutesPer28Days(),
                        help.tries().stream()
                            .map(t -> new BalanceRequests.Tried(t.kind(), t.id(), t.amount()))
                            .toList()))
            .toList(),
        advice.blends().stream()
            .map(
                blend ->
                    new AdviceViews.BlendAdvice(
                        now.tank().waterById(blend.water()).name(),
                        blend.share(),
                        blend.fraction(),
                        blend.everyDays()))
            .toList(),
        orNull(background.dripLitresPerDay()),
        new AdviceViews.NoChange(
            background.heldWithoutChange(),
            background.netNitrogenMgPerDay(),
            background.floatingPlantsGPerWeek(),
            background.deepBedM2()),
        background.waterNow().over90Days(),
        background.alkalinityUsedDkhPerWeek());
  }
}
