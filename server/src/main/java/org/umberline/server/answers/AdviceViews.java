package org.umberline.server.answers;

import java.time.LocalDate;
import java.util.Optional;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.tank.Routine;
import org.umberline.server.exchange.Views;
import org.umberline.tankfile.Figures;

/** Parts of an advice as the API sends them. */
final class AdviceViews {
  /** Days until a keeper usually has a hand in the tank again. Common practice, no source. */
  private static final int NEXT_OCCASION_DAYS = 7;

  private AdviceViews() {}

  /** The routine that is advised, as one that can be adopted. */
  static Optional<Routine> routine(Advice advice) {
    return advice.recommended().map(r -> new Routine(r.fraction(), r.everyDays(), r.nextOn()));
  }

  static Views.TodayView today(Advice advice) {
    Advice.Today today = advice.today();
    return new Views.TodayView(
        today.verdict(),
        today.fraction().isPresent() ? today.fraction().getAsDouble() : null,
        today.litres().isPresent() ? Figures.rounded(today.litres().getAsDouble()) : null,
        today.latestSafeDay().orElse(null),
        today.skipUntil().orElse(null),
        today.why().stream()
            .filter(reason -> reason.kind() == Advice.Kind.NONE_NEEDED)
            .flatMap(reason -> reason.day().stream())
            .findFirst()
            .orElse(null),
        today.ifWaiting().map(Advice.Waiting::until).orElse(null),
        today.ifWaiting().map(w -> Figures.rounded(w.chance())).orElse(null),
        today.why().stream().map(Advice.Reason::kind).toList(),
        advice.remarks().stream().map(Advice.Reason::kind).toList());
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

  /** The day up to which no change is needed; null where one is needed today. */
  static LocalDate heldUntil(Advice advice) {
    return advice.today().latestSafeDay().filter(day -> day.isAfter(advice.asOf())).orElse(null);
  }
}
