package org.umberline.server.answers;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.forecast.AmmoniaCourse;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.judging.ChangeExperiment;
import org.umberline.core.judging.ImpliedVolume;
import org.umberline.core.ledger.PaperBalance;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.BindingLimit;
import org.umberline.core.planning.OneOff;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.GearOutlook;
import org.umberline.core.upkeep.Work;
import org.umberline.server.answers.TankRecords.Stored;
import org.umberline.server.exchange.Requests.LineChange;
import org.umberline.server.exchange.Requests.Solve;
import org.umberline.server.exchange.Requests.Try;
import org.umberline.server.exchange.Views;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.NotCounted;
import org.umberline.wording.AdviceWords;
import org.umberline.wording.WorkWords;

/** Answers for the Balance page and for Rounds: asks the core and puts its numbers into views. */
@Service
public class BalanceAnswers {
  /** Ammonia and nitrite are not looked at further ahead: a filter has grown in by then. */
  private static final int YOUNG_DAYS_AHEAD = 28;

  private final Posteriors posteriors;
  private final Advices advices;
  private final Clock clock;
  private final AnswerCache<Views.BalanceView> balances;
  private final AnswerCache<Views.RoundsLineView> roundsLines;

  /** What was tried lately: handles go back and forth over the same few values. */
  private final AnswerCache<Views.OutlookView> tries;

  public BalanceAnswers(
      Posteriors posteriors,
      Advices advices,
      Clock clock,
      Computations computations,
      AnswerShelf shelf) {
    this.advices = advices;
    balances = AnswerCache.kept(computations, 100, shelf, "balance", Views.BalanceView.class);
    roundsLines = AnswerCache.kept(computations, 300, shelf, "rounds", Views.RoundsLineView.class);
    tries = new AnswerCache<>(computations, 300);
    this.posteriors = posteriors;
    this.clock = clock;
  }

  private LocalDate today(Stored stored) {
    return stored.tank().dayOf(clock.instant());
  }

  // ---------------------------------------------------------------- balance

  public Views.BalanceView balance(Stored stored) {
    return balances.get(stored, today(stored), "", () -> workOutBalance(stored));
  }

  private Views.BalanceView workOutBalance(Stored stored) {
    Present now = advices.present(stored);
    Advice advice = advices.of(stored);
    Advisor advisor = now.advisor();
    RoutineOutlook outlook = advisor.outlook(advice);
    AdviceWords words = new AdviceWords(now.tank());
    Projection alone = outlook.projection(PlannedChanges.NONE, now.horizon());
    return new Views.BalanceView(
        tankView(stored, now),
        linesView(now.tank().lines()),
        intervals(now.tank(), advice),
        advisor.largest().largestFraction(),
        now.tank().limits().confidence(),
        now.standing().map(r -> routineView(now.tank(), r)).orElse(null),
        AdviceViews.today(advice, words),
        AdviceViews.work(advice, words),
        AdviceViews.testFirst(advice, outlook),
        OtherWays.of(now, advice, advisor.background(advice), words),
        outlook(now, outlook, advice.catchUp(), AdviceViews.routine(advice), binding(advice)),
        crossing(Forecast.of(alone, Nutrient.NITRATE, now.tank().lines())),
        crossing(Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines())),
        Pasts.of(now),
        NotCounted.ofMakeUp(stored.tank()));
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

  /**
   * What a make-up would be answered with; nothing is kept of it. What is not edited is answered as
   * everywhere, to the digit; what is edited is learned anew from fewer draws.
   */
  public Views.MakeUpEffectView effect(Stored stored, TankModel tried) {
    boolean unedited = tried.equals(stored.tank());
    Present now = unedited ? advices.present(stored) : posteriors.thoughtOf(tried);
    Advisor advisor = now.advisor();
    Advice advice = unedited ? advices.of(stored) : advisor.advise();
    RoutineOutlook outlook = advisor.outlook(advice);
    Optional<Routine> routine = AdviceViews.routine(advice);
    Projection alone = outlook.projection(PlannedChanges.NONE, now.horizon());
    Forecast nitrate = Forecast.of(alone, Nutrient.NITRATE, now.tank().lines());
    Forecast phosphate = Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines());
    return new Views.MakeUpEffectView(
        PaperBalance.of(now.tank(), now.today()).stream()
            .map(
                entry ->
                    new Views.PaperEntryView(
                        entry.kind(),
                        entry.id(),
                        Figures.rounded(entry.nitrogenMgPerDay()),
                        Figures.rounded(entry.phosphorusMgPerDay())))
            .toList(),
        nowView(nitrate),
        nowView(phosphate),
        advice.today().verdict(),
        routine.map(r -> routineView(now.tank(), r)).orElse(null),
        crossing(nitrate),
        crossing(phosphate),
        Figures.rounded(outlook.probability(routine)));
  }

  private static Views.OutlookView outlook(
      Present now,
      RoutineOutlook outlook,
      List<Advice.Step> catchUp,
      Optional<Routine> routine,
      Optional<BindingLimit> binding) {
    PlannedChanges changes = outlook.changes(routine);
    Projection projection = outlook.projection(changes, now.horizon());
    Scenario scenario = now.posterior().scenario();
    return new Views.OutlookView(
        routine.map(r -> routineView(now.tank(), r)).orElse(null),
        Arrays.stream(changes.time())
            .mapToObj(time -> scenario.date((int) time))
            .filter(day -> !day.isAfter(now.today().plusDays(now.horizon())))
            .toList(),
        Figures.rounded(outlook.probability(routine)),
        outlook.holds(routine),
        binding.orElse(null),
        now.today().plusDays(now.horizon()),
        catchUp.stream().map(AdviceViews::step).toList(),
        measures(outlook.measures(routine)),
        nutrient(Forecast.of(projection, Nutrient.NITRATE, now.tank().lines())),
        nutrient(Forecast.of(projection, Nutrient.PHOSPHATE, now.tank().lines())),
        young(now, changes));
  }

  /** Ammonia and nitrite, where the filter grows in. */
  private static Views.YoungTankView young(Present now, PlannedChanges changes) {
    if (!now.posterior().scenario().isNew()) {
      return null;
    }
    AmmoniaCourse course =
        AmmoniaCourse.of(now.posterior(), Math.min(YOUNG_DAYS_AHEAD, now.horizon()), changes);
    return new Views.YoungTankView(days(course.ammonia()), days(course.nitrite()));
  }

  private static List<Views.FitDayView> days(List<AmmoniaCourse.Day> course) {
    return course.stream()
        .map(
            day ->
                new Views.FitDayView(
                    day.on(),
                    Figures.rounded(day.p10()),
                    Figures.rounded(day.p50()),
                    Figures.rounded(day.p90())))
        .toList();
  }

  static Views.MeasuresView measures(RoutineOutlook.Measures measures) {
    return new Views.MeasuresView(
        Figures.rounded(measures.probabilityWithinLines()),
        Figures.rounded(measures.nitratePeakMgL()),
        Figures.rounded(measures.nitrateTroughMgL()),
        Figures.rounded(measures.nitratePeakMgL() - measures.nitrateTroughMgL()),
        Figures.rounded(measures.phosphatePeakMgL()),
        Figures.rounded(measures.phosphateTroughMgL()),
        Figures.rounded(measures.litresPer28Days()),
        Figures.rounded(measures.minutesPer28Days()),
        Figures.rounded(measures.saltGramsPer28Days()));
  }

  /** The net volume that past changes speak for. */
  public Views.ImpliedVolumeView impliedVolume(Stored stored) {
    Present now = posteriors.present(stored, stored.tank().lines());
    return ImpliedVolume.of(ChangeExperiment.of(now.posterior()))
        .map(
            implied ->
                new Views.ImpliedVolumeView(
                    implied.changes(),
                    implied.agreeing(),
                    Figures.rounded(implied.range().low()),
                    Double.isInfinite(implied.range().high())
                        ? null
                        : Figures.rounded(implied.range().high())))
        .orElse(new Views.ImpliedVolumeView(0, 0, null, null));
  }

  /** One change to a level, or a few. */
  public Views.OneOffView oneOff(Stored stored, Nutrient nutrient, double targetMgL) {
    Present now = advices.present(stored);
    OneOff once = now.advisor().oneOff(nutrient, targetMgL);
    return new Views.OneOffView(
        Figures.rounded(once.nowMgL()),
        once.targetMgL(),
        Figures.rounded(once.sourceMgL()),
        once.fraction().isPresent() ? Figures.rounded(once.fraction().getAsDouble()) : null,
        once.series().size(),
        Figures.rounded(once.litres()),
        once.buckets(),
        Figures.rounded(once.bestReachableMgL()),
        once.with()
            .map(
                with ->
                    new Views.OneOffBlendView(
                        now.tank().waterById(with.water()).name(),
                        with.share(),
                        Figures.rounded(with.fraction()),
                        with.changes()))
            .orElse(null));
  }

  // ---------------------------------------------------------------- what if

  /** Runs a routine, lines and other doings that are tried; saves nothing. */
  public Views.OutlookView whatIf(Stored stored, Try tried) {
    return tries.get(stored, today(stored), tried, () -> workOutTry(stored, tried));
  }

  private Views.OutlookView workOutTry(Stored stored, Try tried) {
    Lines lines =
        new Lines(
            line(tried.nitrate(), stored.tank().lines().nitrate()),
            line(tried.phosphate(), stored.tank().lines().phosphate()));
    Present now = TriedLines.applied(posteriors.present(stored, lines), tried.tries());
    boolean asStored = lines.equals(stored.tank().lines());
    Advisor advisor = now.advisor();
    List<Advice.Step> catchUp =
        asStored
            ? advices.of(stored).catchUp()
            : tried.everyDays() == null ? List.of() : advisor.catchUpFor(tried.everyDays());
    RoutineOutlook outlook = advisor.outlook(catchUp);
    if (tried.fraction() == null) {
      return outlook(now, outlook, catchUp, Optional.empty(), Optional.empty());
    }
    LocalDate earliest = outlook.earliestStart();
    LocalDate first = tried.nextOn().isBefore(earliest) ? earliest : tried.nextOn();
    double fraction = tried.fraction();
    double everyDays = tried.everyDays();
    Optional<BindingLimit> binding = Optional.empty();
    if (tried.solve() == Solve.FRACTION) {
      OptionalDouble enough = outlook.fractionFor(everyDays, first);
      if (enough.isEmpty() && first.isAfter(earliest)) {
        // Waiting is what makes it impossible, perhaps: the first change may come sooner.
        enough = outlook.fractionFor(everyDays, earliest);
        first = enough.isPresent() ? earliest : first;
      }
      binding = enough.isPresent() ? Optional.empty() : Optional.of(outlook.limit());
      fraction = enough.orElse(advisor.largest().largestFraction());
    } else if (tried.solve() == Solve.INTERVAL) {
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
    return outlook(now, outlook, catchUp, Optional.of(routine), binding);
  }

  private static Line line(LineChange change, Line stored) {
    return change == null ? stored : line(change);
  }

  /** A line as the API takes it, as the core has it. */
  public static Line line(LineChange change) {
    return new Line(optional(change.floorMgL()), optional(change.ceilingMgL()));
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  // ---------------------------------------------------------------- rounds

  public Views.RoundsLineView rounds(Stored stored) {
    return roundsLines.get(
        stored,
        today(stored),
        List.of(stored.site(), stored.careVersion()),
        () -> workOutRoundsLine(stored));
  }

  private Views.RoundsLineView workOutRoundsLine(Stored stored) {
    Present now = advices.present(stored);
    Advice advice = advices.of(stored);
    RoutineOutlook outlook = now.advisor().outlook(advice);
    AdviceWords words = new AdviceWords(now.tank());
    Projection alone = outlook.projection(PlannedChanges.NONE, now.horizon());
    Forecast nitrate = Forecast.of(alone, Nutrient.NITRATE, now.tank().lines());
    Forecast phosphate = Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines());
    OptionalDouble fraction =
        advice.today().fraction().isPresent()
            ? advice.today().fraction()
            : advice
                .recommended()
                .map(r -> OptionalDouble.of(r.fraction()))
                .orElse(OptionalDouble.empty());
    Optional<LocalDate> on =
        advice.today().fraction().isPresent()
            ? Optional.of(now.today())
            : advice.today().skipUntil();
    return new Views.RoundsLineView(
        tankView(stored, now),
        advice.today().verdict(),
        fraction.isPresent() ? fraction.getAsDouble() : null,
        fraction.isPresent() ? fraction.getAsDouble() * now.tank().netVolumeL() : null,
        on.orElse(null),
        AdviceViews.reasons(advice.today().why(), words),
        AdviceViews.work(advice, words),
        nitrate
            .ceiling()
            .flatMap(Forecast.Ceiling::likely)
            .or(() -> phosphate.ceiling().flatMap(Forecast.Ceiling::likely))
            .orElse(null),
        new Views.LevelView(nowView(nitrate), lineView(now.tank().lines().nitrate())),
        new Views.LevelView(nowView(phosphate), lineView(now.tank().lines().phosphate())),
        daysSince(now, LogEntry.Test.class),
        daysSince(now, LogEntry.WaterChange.class),
        stored.site(),
        now.standing().map(r -> routineView(now.tank(), r)).orElse(null),
        AdviceViews.routine(advice).map(r -> routineView(now.tank(), r)).orElse(null),
        now.tank().stance() == Stance.FIXED_ROUTINE,
        AdviceViews.testFirst(advice, outlook),
        due(stored, now).stream()
            .map(
                work ->
                    new Views.DueWorkView(
                        work.key(),
                        AdviceViews.said(WorkWords.of(work, now.tank())),
                        work.everyDays(),
                        work.lateDays(now.today())))
            .toList());
  }

  /** Work that is due today or late, the latest first. */
  private static List<Work> due(Stored stored, Present now) {
    return Work.of(
            now.tank(),
            stored.care(),
            now.standing(),
            now.today(),
            GearOutlook.of(now.tank(), now.posterior(), now.today()).foreseen())
        .stream()
        .filter(work -> work.kind() != Work.Kind.CHANGE && !work.due().isAfter(now.today()))
        .sorted(Comparator.comparingInt((Work work) -> work.lateDays(now.today())).reversed())
        .toList();
  }

  private static Integer daysSince(Present now, Class<? extends LogEntry> kind) {
    return now.last(kind).map(day -> (int) ChronoUnit.DAYS.between(day, now.today())).orElse(null);
  }

  // ---------------------------------------------------------------- views

  static Views.TankView tankView(Stored stored, Present now) {
    return new Views.TankView(
        stored.id(),
        stored.version(),
        now.tank().name(),
        now.tank().water().term(),
        now.tank().netVolumeL(),
        now.tank().timeZone().getId(),
        now.today(),
        now.tank().temperatureC(),
        now.tank().salinityPpt(),
        now.tank().startedOn().orElse(null));
  }

  static Views.RoutineView routineView(TankModel tank, Routine routine) {
    return new Views.RoutineView(
        routine.fraction(),
        Figures.rounded(routine.fraction() * tank.netVolumeL()),
        routine.everyDays(),
        routine.nextOn());
  }

  static Views.LinesView linesView(Lines lines) {
    return new Views.LinesView(lineView(lines.nitrate()), lineView(lines.phosphate()));
  }

  private static Views.LineView lineView(Line line) {
    return new Views.LineView(
        line.floorMgL().isPresent() ? line.floorMgL().getAsDouble() : null,
        line.ceilingMgL().isPresent() ? line.ceilingMgL().getAsDouble() : null);
  }

  private static Views.NutrientOutlookView nutrient(Forecast forecast) {
    return new Views.NutrientOutlookView(
        forecast.nutrient().unit(), nowView(forecast), bands(forecast), crossing(forecast));
  }

  static List<Views.BandView> bands(Forecast forecast) {
    return forecast.days().stream()
        .map(
            day ->
                new Views.BandView(
                    day.on(),
                    Figures.rounded(day.p10()),
                    Figures.rounded(day.p25()),
                    Figures.rounded(day.p50()),
                    Figures.rounded(day.p75()),
                    Figures.rounded(day.p90())))
        .toList();
  }

  static Views.NowView nowView(Forecast forecast) {
    return new Views.NowView(
        Figures.rounded(forecast.now().p10()),
        Figures.rounded(forecast.now().p25()),
        Figures.rounded(forecast.now().p50()),
        Figures.rounded(forecast.now().p75()),
        Figures.rounded(forecast.now().p90()));
  }

  static Views.CrossingView crossing(Forecast forecast) {
    Optional<Forecast.Ceiling> ceiling = forecast.ceiling();
    return new Views.CrossingView(
        ceiling.flatMap(Forecast.Ceiling::early).orElse(null),
        ceiling.flatMap(Forecast.Ceiling::likely).orElse(null),
        ceiling.flatMap(Forecast.Ceiling::late).orElse(null));
  }
}
