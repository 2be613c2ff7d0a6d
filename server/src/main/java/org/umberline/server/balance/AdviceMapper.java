package org.umberline.server.balance;

import static org.umberline.server.http.Absent.orNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Reason;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.Phrase;

/** Parts of an advice as the API sends them. */
public final class AdviceMapper {
  /** Days until a keeper usually has a hand in the tank again. Common practice, no source. */
  private static final int NEXT_OCCASION_DAYS = 7;

  /** A change that is not meant to come again is laid out so far apart, days. */
  private static final double ONCE_DAYS = 365;

  private AdviceMapper() {}

  /** The routine that is advised, as one that can be adopted. */
  public static Optional<Routine> routine(Advice advice) {
    return advice.recommended().map(r -> new Routine(r.fraction(), r.everyDays(), r.nextOn()));
  }

  /**
   * The changes that are laid out ahead besides what is caught up: the routine that is advised, or
   * that of a keeper who keeps his own whatever the water says.
   */
  public static Optional<Routine> planned(
      Advice advice, TankModel tank, Optional<Routine> standing) {
    boolean fixed = tank.stance() == Stance.FIXED_ROUTINE;
    Optional<Routine> routine = routine(advice).or(() -> fixed ? standing : Optional.empty());
    if (advice.today().fraction().isEmpty()) {
      // without a day none is planned: a test comes first
      return advice.today().skipUntil().flatMap(day -> routine.map(r -> from(day, r, advice)));
    }
    double share = advice.today().fraction().getAsDouble();
    return routine
        .map(r -> from(advice.asOf(), r, advice))
        .or(() -> Optional.of(new Routine(share, ONCE_DAYS, advice.asOf())));
  }

  /** A routine that begins on a day, or after what is caught up. */
  private static Routine from(LocalDate day, Routine routine, Advice advice) {
    return advice.catchUp().isEmpty() ? routine.startingOn(day) : routine;
  }

  /** The share of the next change; empty where none is advised. */
  public static OptionalDouble nextFraction(Advice advice) {
    if (advice.today().fraction().isPresent()) {
      return advice.today().fraction();
    }
    return Stream.concat(
            advice.catchUp().stream().map(Advice.Step::fraction),
            advice.recommended().stream().map(Advice.Recommended::fraction))
        .mapToDouble(Double::doubleValue)
        .findFirst();
  }

  static AdviceViews.Today today(Advice advice, AdviceWords words) {
    Advice.Today today = advice.today();
    return new AdviceViews.Today(
        today.verdict(),
        orNull(today.fraction()),
        orNull(today.litres()),
        today.latestSafeDay().orElse(null),
        today.skipUntil().orElse(null),
        today.why().stream()
            .filter(
                reason ->
                    reason.kind() == Reason.Kind.NONE_NEEDED
                        || advice.recommended().isEmpty()
                            && reason.kind() == Reason.Kind.HOLDS_UNTIL)
            .flatMap(reason -> reason.day().stream())
            .findFirst()
            .orElse(null),
        today.ifWaiting().map(Advice.Waiting::until).orElse(null),
        today.ifWaiting().map(w -> w.chance()).orElse(null),
        why(advice, words),
        reasons(advice.remarks(), words),
        warnings(advice, words));
  }

  /** Why today, without what warns of the make-up itself. */
  public static List<AdviceViews.Reason> why(Advice advice, AdviceWords words) {
    return reasons(
        advice.today().why().stream().filter(reason -> !reason.kind().warnsOfMakeUp()).toList(),
        words);
  }

  /** What of the advice warns of the make-up itself. */
  public static List<List<AdviceViews.Said>> warnings(Advice advice, AdviceWords words) {
    return advice.today().why().stream()
        .filter(reason -> reason.kind().warnsOfMakeUp())
        .map(reason -> said(words.reason(reason)))
        .toList();
  }

  /** Reasons with their words. */
  private static List<AdviceViews.Reason> reasons(List<Reason> reasons, AdviceWords words) {
    return reasons.stream()
        .map(reason -> new AdviceViews.Reason(reason.kind(), said(words.reason(reason))))
        .toList();
  }

  /** A text in the parts in which it travels. */
  public static List<AdviceViews.Said> said(Phrase phrase) {
    return phrase.parts().stream().map(AdviceMapper::said).toList();
  }

  private static AdviceViews.Said said(Phrase.Part part) {
    if (part instanceof Phrase.Amount amount) {
      return new AdviceViews.Said(null, amount.value(), amount.unit(), null);
    }
    if (part instanceof Phrase.Day day) {
      return new AdviceViews.Said(null, null, null, day.on());
    }
    return new AdviceViews.Said(((Phrase.Text) part).text(), null, null, null);
  }

  /** Work that the forecast counts on. */
  public static List<AdviceViews.PlanWork> work(Advice advice, AdviceWords words) {
    return advice.work().stream()
        .map(
            work ->
                new AdviceViews.PlanWork(
                    work.on(), work.kind(), work.of(), said(words.work(work)), work.added()))
        .toList();
  }

  public static AdviceViews.RecoveryStep step(Advice.Step step) {
    return new AdviceViews.RecoveryStep(
        step.on(),
        step.fraction(),
        step.litres(),
        step.nitrateAfterMgL(),
        step.phosphateAfterMgL());
  }

  /** The test that leads; null where none does. */
  public static AdviceViews.TestFirst testFirst(Advice advice, RoutineOutlook outlook) {
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
    return new AdviceViews.TestFirst(analyte, outlook.chanceLeftAlone(NEXT_OCCASION_DAYS), settles);
  }
}
