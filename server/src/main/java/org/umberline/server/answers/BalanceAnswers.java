package org.umberline.server.answers;

import java.time.Clock;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.springframework.stereotype.Service;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.planning.BindingLimit;
import org.umberline.core.planning.Plan;
import org.umberline.core.planning.Planner;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
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

  private final Posteriors posteriors;
  private final Clock clock;

  public BalanceAnswers(Posteriors posteriors, Clock clock) {
    this.posteriors = posteriors;
    this.clock = clock;
  }

  /** A tank as of now, with its routine moved past what was done. */
  private final class Present {
    private final TankModel tank;
    private final LocalDate today;
    private final Posterior posterior;
    private final int horizon;

    /** The keeper's routine; its next day may be past when a change was missed. */
    private final Optional<Routine> standing;

    Present(TankModel stored, Lines lines) {
      TankModel known = stored.knownAt(clock.instant()).withLines(lines);
      today = known.dayOf(clock.instant());
      standing =
          known.routine().map(routine -> lastChange(known).map(routine::after).orElse(routine));
      tank = known.withRoutine(standing.map(this::stillToCome));
      horizon = tank.limits().horizonDays();
      posterior = posteriors.of(tank, today, horizon);
    }

    Routine stillToCome(Routine routine) {
      return routine.nextOn().isAfter(today) ? routine : routine.startingOn(today.plusDays(1));
    }

    Planner planner() {
      return new Planner(tank, posterior);
    }
  }

  private static Optional<LocalDate> lastChange(TankModel tank) {
    return last(tank, LogEntry.WaterChange.class);
  }

  private static Optional<LocalDate> last(TankModel tank, Class<? extends LogEntry> kind) {
    return tank.log().stream()
        .filter(kind::isInstance)
        .map(entry -> tank.dayOf(entry.at().toInstant()))
        .reduce((a, b) -> b);
  }

  // ---------------------------------------------------------------- balance

  public Views.BalanceView balance(Stored stored) {
    Present now = new Present(stored.tank(), stored.tank().lines());
    Planner planner = now.planner();
    Answer answer = answer(now, planner);
    Projection alone = Projection.of(now.posterior, now.horizon, PlannedChanges.NONE);
    return new Views.BalanceView(
        tankView(stored, now),
        linesView(now.tank.lines()),
        now.tank.limits().intervalsDays(),
        planner.largestChange().largestFraction(),
        now.tank.limits().confidence(),
        now.standing.map(r -> routineView(now.tank, r)).orElse(null),
        answer.standingProbability,
        answer.verdict,
        answer.plan.today().why(),
        answer.plan.today().until().orElse(null),
        outlook(now, planner, answer.routine, answer.binding),
        crossing(Forecast.of(alone, Nutrient.NITRATE, now.tank.lines())),
        crossing(Forecast.of(alone, Nutrient.PHOSPHATE, now.tank.lines())),
        past(now),
        NotCounted.ofMakeUp(stored.tank()));
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
    double standingProbability = now.tank.routine().map(planner::probability).orElse(0.0);
    boolean standingHolds = standingProbability >= now.tank.limits().confidence();
    Optional<Routine> recommended =
        plan.recommended().map(r -> new Routine(r.fraction(), r.everyDays(), r.nextOn()));
    Optional<Routine> routine =
        standingHolds && plan.recovery().isEmpty() ? now.tank.routine() : recommended;
    boolean noneNeeded = plan.today().holdsThroughHorizon();
    if (noneNeeded && !standingHolds) {
      routine = Optional.empty();
    }
    if (plan.today().atOnce() && routine.isEmpty()) {
      LocalDate tomorrow = now.today.plusDays(1);
      routine =
          plan.today().fraction().stream()
              .mapToObj(fraction -> new Routine(fraction, AT_ONCE_EVERY_DAYS, tomorrow))
              .findFirst();
    }
    boolean stuck = !noneNeeded && routine.isEmpty();
    boolean dueByOwnRoutine =
        standingHolds
            && now.standing.isPresent()
            && !now.standing.get().nextOn().isAfter(now.today);
    String verdict;
    if (stuck) {
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
    Projection projection = Projection.of(now.posterior, now.horizon, changes);
    double probability =
        routine.map(r -> planner.probability(r)).orElseGet(planner::probabilityLeftAlone);
    Scenario scenario = now.posterior.scenario();
    return new Views.OutlookView(
        routine.map(r -> routineView(now.tank, r)).orElse(null),
        Arrays.stream(changes.time())
            .mapToObj(time -> scenario.date((int) time))
            .filter(day -> !day.isAfter(now.today.plusDays(now.horizon)))
            .toList(),
        Figures.rounded(probability),
        probability >= now.tank.limits().confidence(),
        binding.map(BindingLimit::term).orElse(null),
        now.today.plusDays(now.horizon),
        planner.recovery().stream()
            .map(
                step ->
                    new Views.RecoveryStepView(
                        step.on(),
                        step.fraction(),
                        step.fraction() * now.tank.netVolumeL(),
                        Figures.rounded(step.nitrateAfterMgL())))
            .toList(),
        nutrient(Forecast.of(projection, Nutrient.NITRATE, now.tank.lines())),
        nutrient(Forecast.of(projection, Nutrient.PHOSPHATE, now.tank.lines())));
  }

  // ---------------------------------------------------------------- what if

  /** Runs a routine or line that is tried, on the posterior at hand; saves nothing. */
  public Views.OutlookView whatIf(Stored stored, Try tried) {
    Lines lines =
        new Lines(
            line(tried.nitrate(), stored.tank().lines().nitrate()),
            line(tried.phosphate(), stored.tank().lines().phosphate()));
    Present now = new Present(stored.tank(), lines);
    Planner planner = now.planner();
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
      everyDays = longest.orElse(now.tank.limits().intervalsDays().get(0));
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
    Present now = new Present(stored.tank(), stored.tank().lines());
    Planner planner = now.planner();
    Answer answer = answer(now, planner);
    Projection alone = Projection.of(now.posterior, now.horizon, PlannedChanges.NONE);
    Forecast nitrate = Forecast.of(alone, Nutrient.NITRATE, now.tank.lines());
    Forecast phosphate = Forecast.of(alone, Nutrient.PHOSPHATE, now.tank.lines());
    OptionalDouble fraction =
        answer.plan.recovery().isEmpty()
            ? answer
                .routine
                .map(r -> OptionalDouble.of(r.fraction()))
                .orElse(OptionalDouble.empty())
            : answer.plan.today().fraction();
    Optional<LocalDate> on =
        answer.verdict.equals("change")
            ? Optional.of(now.today)
            : answer.routine.map(Routine::nextOn).or(() -> answer.plan.today().until());
    return new Views.RoundsLineView(
        tankView(stored, now),
        answer.verdict,
        fraction.isPresent() ? fraction.getAsDouble() : null,
        fraction.isPresent() ? fraction.getAsDouble() * now.tank.netVolumeL() : null,
        on.orElse(null),
        String.join(" ", answer.plan.today().why()),
        nitrate
            .ceiling()
            .flatMap(Forecast.Ceiling::likely)
            .or(() -> phosphate.ceiling().flatMap(Forecast.Ceiling::likely))
            .orElse(null),
        new Views.LevelView(nowView(nitrate), lineView(now.tank.lines().nitrate())),
        new Views.LevelView(nowView(phosphate), lineView(now.tank.lines().phosphate())),
        daysSince(now, LogEntry.Test.class),
        daysSince(now, LogEntry.WaterChange.class));
  }

  private static Integer daysSince(Present now, Class<? extends LogEntry> kind) {
    return last(now.tank, kind)
        .map(day -> (int) ChronoUnit.DAYS.between(day, now.today))
        .orElse(null);
  }

  // ---------------------------------------------------------------- views

  private static Views.TankView tankView(Stored stored, Present now) {
    return new Views.TankView(
        stored.id(),
        stored.version(),
        now.tank.name(),
        now.tank.water().term(),
        now.tank.netVolumeL(),
        now.tank.timeZone().getId(),
        now.today);
  }

  private static Views.RoutineView routineView(TankModel tank, Routine routine) {
    return new Views.RoutineView(
        routine.fraction(),
        Figures.rounded(routine.fraction() * tank.netVolumeL()),
        routine.everyDays(),
        routine.nextOn());
  }

  private static Views.LinesView linesView(Lines lines) {
    return new Views.LinesView(lineView(lines.nitrate()), lineView(lines.phosphate()));
  }

  private static Views.LineView lineView(Line line) {
    return new Views.LineView(
        line.floorMgL().isPresent() ? line.floorMgL().getAsDouble() : null,
        line.ceilingMgL().isPresent() ? line.ceilingMgL().getAsDouble() : null);
  }

  private static Views.NutrientOutlookView nutrient(Forecast forecast) {
    return new Views.NutrientOutlookView(
        forecast.nutrient().unit(),
        nowView(forecast),
        forecast.days().stream()
            .map(
                day ->
                    new Views.BandView(
                        day.on(),
                        Figures.rounded(day.p10()),
                        Figures.rounded(day.p25()),
                        Figures.rounded(day.p50()),
                        Figures.rounded(day.p75()),
                        Figures.rounded(day.p90())))
            .toList(),
        crossing(forecast));
  }

  private static Views.NowView nowView(Forecast forecast) {
    return new Views.NowView(
        Figures.rounded(forecast.now().p10()),
        Figures.rounded(forecast.now().p50()),
        Figures.rounded(forecast.now().p90()));
  }

  private static Views.CrossingView crossing(Forecast forecast) {
    Optional<Forecast.Ceiling> ceiling = forecast.ceiling();
    return new Views.CrossingView(
        ceiling.flatMap(Forecast.Ceiling::early).orElse(null),
        ceiling.flatMap(Forecast.Ceiling::likely).orElse(null),
        ceiling.flatMap(Forecast.Ceiling::late).orElse(null));
  }

  private static Views.PastView past(Present now) {
    Posterior.Fit fit = now.posterior.fit();
    List<Views.ChangeMarkView> changes = new ArrayList<>();
    List<Views.LaneMarkView> lanes = new ArrayList<>();
    for (LogEntry entry : now.tank.log()) {
      if (entry instanceof LogEntry.WaterChange change) {
        changes.add(
            new Views.ChangeMarkView(
                change.at(), change.litres() / now.tank.netVolumeL(), change.litres()));
      } else {
        lane(now.tank, entry)
            .ifPresent(
                lane -> lanes.add(new Views.LaneMarkView(entry.at(), lane.name(), lane.text())));
      }
    }
    return new Views.PastView(
        new Views.NutrientPastView(
            fitDays(now, Nutrient.NITRATE, fit.nitrogenP10(), fit.nitrogenP50(), fit.nitrogenP90()),
            tests(now, Analyte.NITRATE)),
        new Views.NutrientPastView(
            fitDays(
                now,
                Nutrient.PHOSPHATE,
                fit.phosphorusP10(),
                fit.phosphorusP50(),
                fit.phosphorusP90()),
            tests(now, Analyte.PHOSPHATE)),
        changes,
        lanes);
  }

  private record Lane(String name, String text) {}

  private static Optional<Lane> lane(TankModel tank, LogEntry entry) {
    if (entry instanceof LogEntry.Feed feed) {
      return Optional.of(
          new Lane("fed", Figures.plain(feed.grams()) + " g " + tank.foodById(feed.food()).name()));
    } else if (entry instanceof LogEntry.Fast fast) {
      return Optional.of(new Lane("fed", "no food for " + fast.days() + " days"));
    } else if (entry instanceof LogEntry.Harvest harvest) {
      return Optional.of(
          new Lane("cut", Figures.plain(harvest.wetMassG()) + " g " + harvest.plant()));
    } else if (entry instanceof LogEntry.Clean clean) {
      return Optional.of(new Lane("cleaned", clean.export()));
    } else if (entry instanceof LogEntry.Renew renew) {
      return Optional.of(new Lane("cleaned", "renewed " + renew.export()));
    } else if (entry instanceof LogEntry.Dose dose) {
      return Optional.of(new Lane("dosed", Figures.plain(dose.ml()) + " mL " + dose.fertiliser()));
    } else if (entry instanceof LogEntry.Death death) {
      return Optional.of(new Lane("noted", "death, " + Figures.plain(death.massG()) + " g"));
    } else if (entry instanceof LogEntry.Observation observation) {
      return Optional.of(
          new Lane(
              "noted", observation.note().isEmpty() ? observation.sign() : observation.note()));
    }
    return Optional.empty();
  }

  private static List<Views.FitDayView> fitDays(
      Present now, Nutrient nutrient, double[] p10, double[] p50, double[] p90) {
    List<Views.FitDayView> days = new ArrayList<>();
    for (int day = 0; day < p50.length; day++) {
      days.add(
          new Views.FitDayView(
              now.posterior.scenario().date(day),
              Figures.rounded(nutrient.ion(p10[day])),
              Figures.rounded(nutrient.ion(p50[day])),
              Figures.rounded(nutrient.ion(p90[day]))));
    }
    return days;
  }

  private static List<Views.TestMarkView> tests(Present now, Analyte analyte) {
    List<Views.TestMarkView> marks = new ArrayList<>();
    for (Posterior.Reading reading : now.posterior.readings()) {
      LogEntry.Test test = now.posterior.scenario().probes().get(reading.test());
      if (test.analyte() != analyte) {
        continue;
      }
      TestLikelihood likelihood = reading.likelihood();
      marks.add(
          new Views.TestMarkView(
              test.at(),
              test.value(),
              test.unit().label(),
              likelihood.use().name().toLowerCase(Locale.ROOT),
              Figures.rounded(test.standardValue()),
              Figures.rounded(likelihood.lowest()),
              Double.isInfinite(likelihood.highest())
                  ? null
                  : Figures.rounded(likelihood.highest()),
              Figures.rounded(reading.modelled())));
    }
    return marks;
  }
}
