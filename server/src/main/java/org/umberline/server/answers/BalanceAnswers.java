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
import org.umberline.core.planning.BindingLimit;
import org.umberline.core.planning.Plan;
import org.umberline.core.planning.Planner;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
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

/** Answers for the Balance page and for Rounds: asks the core and puts its numbers into views. */
@Service
public class BalanceAnswers {
  /** What is changed at once is looked at again after this many days. Chosen. */
  private static final double AT_ONCE_EVERY_DAYS = 7;

  /** Ammonia and nitrite are not looked at further ahead: a filter has grown in by then. */
  private static final int YOUNG_DAYS_AHEAD = 28;

  private final Posteriors posteriors;
  private final Clock clock;
  private final AnswerCache<Views.BalanceView> balances;
  private final AnswerCache<Views.RoundsLineView> roundsLines;

  /** What was tried lately: handles go back and forth over the same few values. */
  private final AnswerCache<Views.OutlookView> tries;

  public BalanceAnswers(Posteriors posteriors, Clock clock, Computations computations) {
    balances = new AnswerCache<>(computations, 100);
    roundsLines = new AnswerCache<>(computations, 300);
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
    Present now = posteriors.present(stored, stored.tank().lines());
    Planner planner = now.planner();
    Answer answer = answer(now, planner);
    Projection alone = planner.projection(PlannedChanges.NONE);
    return new Views.BalanceView(
        tankView(stored, now),
        linesView(now.tank().lines()),
        now.tank().limits().intervalsDays(),
        planner.largestChange().largestFraction(),
        now.tank().limits().confidence(),
        now.standing().map(r -> routineView(now.tank(), r)).orElse(null),
        answer.standingProbability,
        answer.verdict,
        answer.plan.today().why(),
        answer.plan.testFirst().map(BalanceAnswers::testFirst).orElse(null),
        answer.plan.today().until().orElse(null),
        OtherWays.of(now, answer.plan),
        outlook(now, planner, answer.routine, answer.binding),
        crossing(Forecast.of(alone, Nutrient.NITRATE, now.tank().lines())),
        crossing(Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines())),
        Pasts.of(now),
        NotCounted.ofMakeUp(stored.tank()));
  }

  /**
   * What a make-up would be answered with, nearly: the smallest change of each interval, without
   * all that else a plan looks at. Nothing is kept of it.
   */
  public Views.MakeUpEffectView effect(TankModel tried) {
    Present now = posteriors.thoughtOf(tried);
    Planner planner = now.planner();
    boolean noneNeeded =
        planner.recovery().isEmpty()
            && planner.probabilityLeftAlone() >= now.tank().limits().confidence();
    Optional<Routine> routine =
        noneNeeded
            ? Optional.empty()
            : now.tank().limits().intervalsDays().stream()
                .map(everyDays -> planner.tryFor(everyDays, planner.earliestStart()))
                .filter(Plan.Option::feasible)
                .min(Comparator.comparingDouble(o -> o.litresPer28Days().getAsDouble()))
                .map(
                    option ->
                        new Routine(
                            option.fraction().getAsDouble(),
                            option.everyDays(),
                            planner.earliestStart()));
    String verdict = noneNeeded ? "skip" : routine.isPresent() ? "change" : "stuck";
    Projection alone = planner.projection(PlannedChanges.NONE);
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
        verdict,
        routine.map(r -> routineView(now.tank(), r)).orElse(null),
        crossing(nitrate),
        crossing(phosphate),
        Figures.rounded(
            routine.map(planner::probability).orElseGet(planner::probabilityLeftAlone)));
  }

  /**
   * What is answered for today.
   *
   * @param routine the routine to follow: the keeper's own where it holds, else the recommended one
   */
  private record Answer(
      Plan plan,
      Optional<Routine> routine,
      String verdict,
      double standingProbability,
      Optional<BindingLimit> binding) {}

  private static Answer answer(Present now, Planner planner) {
    Plan plan = planner.plan();
    double standingProbability = now.tank().routine().map(planner::probability).orElse(0.0);
    boolean standingHolds = standingProbability >= now.tank().limits().confidence();
    Optional<Routine> recommended =
        plan.recommended().map(r -> new Routine(r.fraction(), r.everyDays(), r.nextOn()));
    Optional<Routine> routine =
        standingHolds && plan.recovery().isEmpty() ? now.tank().routine() : recommended;
    boolean noneNeeded = plan.today().holdsThroughHorizon();
    if (noneNeeded && !standingHolds) {
      routine = Optional.empty();
    }
    if (plan.today().atOnce() && routine.isEmpty()) {
      LocalDate tomorrow = now.today().plusDays(1);
      routine =
          plan.today().fraction().stream()
              .mapToObj(fraction -> new Routine(fraction, AT_ONCE_EVERY_DAYS, tomorrow))
              .findFirst();
    }
    boolean stuck = !noneNeeded && routine.isEmpty();
    boolean dueByOwnRoutine =
        standingHolds
            && now.standing().isPresent()
            && !now.standing().get().nextOn().isAfter(now.today());
    String verdict;
    if (plan.today().verdict() == Plan.Verdict.TEST_FIRST && !dueByOwnRoutine) {
      verdict = "test-first";
    } else if (stuck) {
      verdict = "stuck";
    } else if (plan.today().atOnce()
        || !plan.recovery().isEmpty()
        || dueByOwnRoutine
        || (!standingHolds && plan.today().verdict() == Plan.Verdict.CHANGE)) {
      verdict = "change";
    } else {
      verdict = "skip";
    }
    Optional<BindingLimit> binding =
        stuck
            ? plan.options().stream().map(Plan.Option::bindingLimit).findFirst()
            : Optional.empty();
    return new Answer(plan, routine, verdict, standingProbability, binding);
  }

  private static Views.OutlookView outlook(
      Present now, Planner planner, Optional<Routine> routine, Optional<BindingLimit> binding) {
    PlannedChanges changes = routine.map(planner::changes).orElse(PlannedChanges.NONE);
    Projection projection = planner.projection(changes);
    double probability =
        routine.map(r -> planner.probability(r)).orElseGet(planner::probabilityLeftAlone);
    Scenario scenario = now.posterior().scenario();
    return new Views.OutlookView(
        routine.map(r -> routineView(now.tank(), r)).orElse(null),
        Arrays.stream(changes.time())
            .mapToObj(time -> scenario.date((int) time))
            .filter(day -> !day.isAfter(now.today().plusDays(now.horizon())))
            .toList(),
        Figures.rounded(probability),
        probability >= now.tank().limits().confidence(),
        binding.map(BindingLimit::term).orElse(null),
        now.today().plusDays(now.horizon()),
        recovery(now.tank(), planner),
        measures(planner.measures(routine)),
        nutrient(Forecast.of(projection, Nutrient.NITRATE, now.tank().lines())),
        nutrient(Forecast.of(projection, Nutrient.PHOSPHATE, now.tank().lines())),
        young(now, changes));
  }

  /** The changes that bring a tank back under its lines, where it is over one. */
  static List<Views.RecoveryStepView> recovery(TankModel tank, Planner planner) {
    return planner.recovery().stream()
        .map(
            step ->
                new Views.RecoveryStepView(
                    step.on(),
                    step.fraction(),
                    step.fraction() * tank.netVolumeL(),
                    Figures.rounded(step.nitrateAfterMgL())))
        .toList();
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

  static Views.MeasuresView measures(Plan.Measures measures) {
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

  private static Views.TestFirstView testFirst(Plan.TestFirst test) {
    return new Views.TestFirstView(
        test.analyte(), Figures.rounded(test.chance()), Figures.rounded(test.settles()));
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
    Planner planner = now.planner();
    if (tried.fraction() == null) {
      return outlook(now, planner, Optional.empty(), Optional.empty());
    }
    LocalDate earliest = planner.earliestStart();
    LocalDate first = tried.nextOn().isBefore(earliest) ? earliest : tried.nextOn();
    double fraction = tried.fraction();
    double everyDays = tried.everyDays();
    Optional<BindingLimit> binding = Optional.empty();
    if (tried.solve() == Solve.FRACTION) {
      Plan.Option option = planner.tryFor(everyDays, first);
      if (!option.feasible() && first.isAfter(earliest)) {
        // Waiting is what makes it impossible, perhaps: the first change may come sooner.
        Plan.Option sooner = planner.tryFor(everyDays, earliest);
        if (sooner.feasible()) {
          option = sooner;
          first = earliest;
        }
      }
      binding = Optional.of(option.bindingLimit());
      fraction = option.fraction().orElse(planner.largestChange().largestFraction());
    } else if (tried.solve() == Solve.INTERVAL) {
      OptionalDouble longest = planner.intervalFor(fraction, first);
      if (longest.isEmpty() && first.isAfter(earliest)) {
        longest = planner.intervalFor(fraction, earliest);
        first = longest.isPresent() ? earliest : first;
      }
      everyDays = longest.orElse(now.tank().limits().intervalsDays().get(0));
    }
    Routine routine = new Routine(Math.max(0.01, fraction), everyDays, first);
    return outlook(now, planner, Optional.of(routine), binding);
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
    Present now = posteriors.present(stored, stored.tank().lines());
    Planner planner = now.planner();
    Answer answer = answer(now, planner);
    Projection alone = planner.projection(PlannedChanges.NONE);
    Forecast nitrate = Forecast.of(alone, Nutrient.NITRATE, now.tank().lines());
    Forecast phosphate = Forecast.of(alone, Nutrient.PHOSPHATE, now.tank().lines());
    OptionalDouble fraction =
        answer.plan.recovery().isEmpty()
            ? answer
                .routine
                .map(r -> OptionalDouble.of(r.fraction()))
                .orElse(OptionalDouble.empty())
            : answer.plan.today().fraction();
    Optional<LocalDate> on =
        answer.verdict.equals("change")
            ? Optional.of(now.today())
            : answer.routine.map(Routine::nextOn).or(() -> answer.plan.today().until());
    return new Views.RoundsLineView(
        tankView(stored, now),
        answer.verdict,
        fraction.isPresent() ? fraction.getAsDouble() : null,
        fraction.isPresent() ? fraction.getAsDouble() * now.tank().netVolumeL() : null,
        on.orElse(null),
        String.join(" ", answer.plan.today().why()),
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
        answer.routine.map(r -> routineView(now.tank(), r)).orElse(null),
        answer.plan.testFirst().map(BalanceAnswers::testFirst).orElse(null),
        due(stored, now).stream()
            .map(
                work ->
                    new Views.DueWorkView(
                        work.key(),
                        WorkWords.of(work, now.tank()),
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
