package org.umberline.server.balance;

import static org.umberline.server.http.Absent.orNull;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.BindingLimit;
import org.umberline.core.planning.OneOff;
import org.umberline.core.planning.OtherView;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.learning.WorkedAhead;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.NotCounted;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.StanceWords;

/** Answers for the Balance page: asks the core and puts its numbers into views. */
@Service
public class BalanceAnswers implements WorkedAhead {
  private final Posteriors posteriors;
  private final Advices advices;
  private final Clock clock;
  private final Computations computations;
  private final AnswerCache<BalanceViews.Balance> balances;

  /** What was tried lately: handles go back and forth over the same few values. */
  private final AnswerCache<BalanceViews.Outlook> tries;

  public BalanceAnswers(
      Posteriors posteriors,
      Advices advices,
      Clock clock,
      Computations computations,
      AnswerShelf shelf) {
    this.advices = advices;
    this.computations = computations;
    balances = AnswerCache.kept(computations, 100, shelf, "balance", BalanceViews.Balance.class);
    tries = new AnswerCache<>(computations, 300);
    this.posteriors = posteriors;
    this.clock = clock;
  }

  private LocalDate today(Stored stored) {
    return stored.tank().dayOf(clock.instant());
  }

  // ---------------------------------------------------------------- balance

  public BalanceViews.Balance balance(Stored stored) {
    return balances.get(stored, today(stored), "", () -> workOutBalance(stored));
  }

  @Override
  public void workOut(Stored stored) {
    balance(stored);
  }

  private BalanceViews.Balance workOutBalance(Stored stored) {
    LearnedTank now = advices.learned(stored);
    Advice advice = advices.of(stored);
    Advisor advisor = now.advisor();
    RoutineOutlook outlook = advisor.outlook(advice);
    AdviceWords words = new AdviceWords(now.tank());
    Projection alone = outlook.projection(PlannedChanges.NONE, now.horizon());
    return new BalanceViews.Balance(
        BalanceMapper.tank(stored, now),
        BalanceMapper.lines(now.tank().lines()),
        intervals(now.tank(), advice),
        advisor.largest().largestFraction(),
        now.tank().limits().confidence(),
        now.standing().map(r -> BalanceMapper.routine(now.tank(), r)).orElse(null),
        AdviceMapper.today(advice, words),
        AdviceMapper.work(advice, words),
        AdviceMapper.testFirst(advice, outlook),
        OtherWays.of(now, advice, advisor.background(advice), words),
        BalanceMapper.outlook(
            now, outlook, advice.catchUp(), AdviceMapper.routine(advice), binding(advice)),
        BalanceMapper.crossing(Forecast.of(alone, Nutrient.NITRATE, now.tank().lines())),
        BalanceMapper.crossing(Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines())),
        NotCounted.ofMakeUp(stored.tank()));
  }

  /** What keepers of another stance would say of the tank today. */
  public List<AdviceViews.OtherSchool> otherViews(Stored stored) {
    return computations.run(
        () -> {
          LearnedTank now = advices.learned(stored);
          TankModel tank = now.tank().withRoutine(now.standing());
          return OtherView.of(tank, now.posterior(), now.now()).stream()
              .map(
                  view ->
                      new AdviceViews.OtherSchool(
                          view.stance().term(),
                          StanceWords.name(view.stance()),
                          AdviceMapper.said(StanceWords.says(view))))
              .toList();
        });
  }

  /** The intervals a handle goes through: the keeper's own, or those that were looked at. */
  private static List<Double> intervals(TankModel tank, Advice advice) {
    List<Double> named = tank.limits().intervalsDays();
    List<Double> looked = advice.options().stream().map(Advice.Option::everyDays).toList();
    return !named.isEmpty() ? named : looked.isEmpty() ? Advisor.USUAL_INTERVALS : looked;
  }

  private static Optional<BindingLimit> binding(Advice advice) {
    return advice.today().verdict() == Advice.Verdict.STUCK
        ? advice.options().stream().map(Advice.Option::bindingLimit).findFirst()
        : Optional.empty();
  }

  /** One change to a level, or a few. */
  public AdviceViews.OneOff oneOff(Stored stored, Nutrient nutrient, double targetMgL) {
    LearnedTank now = advices.learned(stored);
    OneOff once = now.advisor().oneOff(nutrient, targetMgL);
    return new AdviceViews.OneOff(
        once.nowMgL(),
        once.targetMgL(),
        once.sourceMgL(),
        orNull(once.fraction()),
        once.series().size(),
        once.litres(),
        once.buckets(),
        once.bestReachableMgL(),
        once.with()
            .map(
                with ->
                    new AdviceViews.OneOffBlend(
                        now.tank().waterById(with.water()).name(),
                        with.share(),
                        with.fraction(),
                        with.changes()))
            .orElse(null));
  }

  // ---------------------------------------------------------------- what if

  /** Runs a routine, lines and other doings that are tried; saves nothing. */
  public BalanceViews.Outlook whatIf(Stored stored, BalanceRequests.Try tried) {
    return tries.get(stored, today(stored), tried, () -> workOutTry(stored, tried));
  }

  private BalanceViews.Outlook workOutTry(Stored stored, BalanceRequests.Try tried) {
    Lines lines =
        new Lines(
            line(tried.nitrate(), stored.tank().lines().nitrate()),
            line(tried.phosphate(), stored.tank().lines().phosphate()));
    LearnedTank now = TriedLines.applied(posteriors.learned(stored, lines), tried.tries());
    boolean asStored = lines.equals(stored.tank().lines());
    Advisor advisor = now.advisor();
    List<Advice.Step> catchUp =
        asStored
            ? advices.of(stored).catchUp()
            : tried.everyDays() == null ? List.of() : advisor.catchUpFor(tried.everyDays());
    RoutineOutlook outlook = advisor.outlook(catchUp);
    if (tried.fraction() == null) {
      return BalanceMapper.outlook(now, outlook, catchUp, Optional.empty(), Optional.empty());
    }
    LocalDate earliest = outlook.earliestStart();
    LocalDate first = tried.nextOn().isBefore(earliest) ? earliest : tried.nextOn();
    double fraction = tried.fraction();
    double everyDays = tried.everyDays();
    Optional<BindingLimit> binding = Optional.empty();
    if (tried.solve() == BalanceRequests.Solve.FRACTION) {
      OptionalDouble enough = outlook.fractionFor(everyDays, first);
      if (enough.isEmpty() && first.isAfter(earliest)) {
        // Waiting is what makes it impossible, perhaps: the first change may come sooner.
        enough = outlook.fractionFor(everyDays, earliest);
        first = enough.isPresent() ? earliest : first;
      }
      binding = enough.isPresent() ? Optional.empty() : Optional.of(outlook.limit());
      fraction = enough.orElse(advisor.largest().largestFraction());
    } else if (tried.solve() == BalanceRequests.Solve.INTERVAL) {
      List<Double> intervals =
          now.tank().limits().intervalsDays().isEmpty()
              ? Advisor.USUAL_INTERVALS
              : now.tank().limits().intervalsDays();
      OptionalDouble longest = outlook.intervalFor(fraction, first, intervals);
      if (longest.isEmpty() && first.isAfter(earliest)) {
        longest = outlook.intervalFor(fraction, earliest, intervals);
        first = longest.isPresent() ? earliest : first;
      }
      everyDays = longest.orElse(intervals.get(0));
    }
    Routine routine = new Routine(Math.max(0.01, fraction), everyDays, first);
    return BalanceMapper.outlook(now, outlook, catchUp, Optional.of(routine), binding);
  }

  private static Line line(BalanceRequests.LineChange change, Line stored) {
    return change == null ? stored : line(change);
  }

  /** A line as the API takes it, as the core has it. */
  public static Line line(BalanceRequests.LineChange change) {
    return new Line(optional(change.floorMgL()), optional(change.ceilingMgL()));
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
