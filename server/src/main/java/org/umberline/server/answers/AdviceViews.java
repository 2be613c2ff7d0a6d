package org.umberline.server.answers;

import java.util.List;
import java.util.Optional;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.server.exchange.Views;
import org.umberline.tankfile.Figures;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.Phrase;

/** Parts of an advice as the API sends them. */
final class AdviceViews {
  /** Days until a keeper usually has a hand in the tank again. Common practice, no source. */
  private static final int NEXT_OCCASION_DAYS = 7;

  /** A change that is not meant to come again is laid out so far apart, days. */
  private static final double ONCE_DAYS = 365;

  private AdviceViews() {}

  /** The routine that is advised, as one that can be adopted. */
  static Optional<Routine> routine(Advice advice) {
    return advice.recommended().map(r -> new Routine(r.fraction(), r.everyDays(), r.nextOn()));
  }

  /**
   * The changes that are laid out ahead besides what is caught up: the routine that is advised, or
   * that of a keeper who keeps his own whatever the water says.
   */
  static Optional<Routine> planned(Advice advice, TankModel tank, Optional<Routine> standing) {
    boolean fixed = tank.stance() == Stance.FIXED_ROUTINE;
    Optional<Routine> routine = routine(advice).or(() -> fixed ? standing : Optional.empty());
    if (advice.today().fraction().isEmpty()) {
      // without a day none is planned: a test comes first
      return advice.today().skipUntil().flatMap(day -> routine.map(r -> r.startingOn(day)));
    }
    double share = advice.today().fraction().getAsDouble();
    return routine
        .map(r -> advice.catchUp().isEmpty() ? r.startingOn(advice.asOf()) : r)
        .or(() -> Optional.of(new Routine(share, ONCE_DAYS, advice.asOf())));
  }

  static Views.TodayView today(Advice advice, AdviceWords words) {
    Advice.Today today = advice.today();
    return new Views.TodayView(
        today.verdict(),
        today.fraction().isPresent() ? today.fraction().getAsDouble() : null,
        today.litres().isPresent() ? Figures.rounded(today.litres().getAsDouble()) : null,
        today.latestSafeDay().orElse(null),
        today.skipUntil().orElse(null),
        today.why().stream()
            .filter(
                reason ->
                    reason.kind() == Advice.Kind.NONE_NEEDED
                        || advice.recommended().isEmpty()
                            && reason.kind() == Advice.Kind.HOLDS_UNTIL)
            .flatMap(reason -> reason.day().stream())
            .findFirst()
            .orElse(null),
        today.ifWaiting().map(Advice.Waiting::until).orElse(null),
        today.ifWaiting().map(w -> Figures.rounded(w.chance())).orElse(null),
        reasons(today.why(), words),
        reasons(advice.remarks(), words));
  }

  /** Reasons with their words. */
  static List<Views.ReasonView> reasons(List<Advice.Reason> reasons, AdviceWords words) {
    return reasons.stream()
        .map(reason -> new Views.ReasonView(reason.kind(), said(words.reason(reason))))
        .toList();
  }

  /** A text in the parts in which it travels. */
  static List<Views.SaidView> said(Phrase phrase) {
    return phrase.parts().stream().map(AdviceViews::said).toList();
  }

  private static Views.SaidView said(Phrase.Part part) {
    if (part instanceof Phrase.Amount amount) {
      return new Views.SaidView(null, Figures.rounded(amount.value()), amount.unit(), null);
    }
    if (part instanceof Phrase.Day day) {
      return new Views.SaidView(null, null, null, day.on());
    }
    return new Views.SaidView(((Phrase.Text) part).text(), null, null, null);
  }

  /** Work that the forecast counts on. */
  static List<Views.PlanWorkView> work(Advice advice, AdviceWords words) {
    return advice.work().stream()
        .map(
            work ->
                new Views.PlanWorkView(
                    work.on(), work.kind(), work.of(), said(words.work(work)), work.added()))
        .toList();
  }

  static Views.RecoveryStepView step(Advice.Step step) {
    return new Views.RecoveryStepView(
        step.on(),
        step.fraction(),
        Figures.rounded(step.litres()),
        Figures.rounded(step.nitrateAfterMgL()));
  }

  /** The test that leads; null where none does. */
  static Views.TestFirstView testFirst(Advice advice, RoutineOutlook outlook) {
    if (advice.today().verdict() != Advice.Verdict.TEST_FIRST) {
      return null;
    }
    String analyte = advice.today().why().get(0).nutrient().map(Nutrient::term).orElse("ammonia");
    double settles =
        advice.asks().stream()
            .filter(ask -> ask.analyte().term().equals(analyte))
            .mapToDouble(Advice.Ask::settles)
            .findFirst()
            .orElse(0);
    return new Views.TestFirstView(
        analyte,
        Figures.rounded(outlook.chanceLeftAlone(NEXT_OCCASION_DAYS)),
        Figures.rounded(settles));
  }
}
