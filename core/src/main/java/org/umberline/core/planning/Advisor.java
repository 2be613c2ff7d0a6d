package org.umberline.core.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.WorkAhead;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;

/**
 * The one judgement of a tank: what to do today and which routine after it. Nobody else decides,
 * compares with a limit, or finds a reason. Not thread-safe.
 */
public final class Advisor {
  /**
   * Days ahead on which the promise is judged. What the next tests will show need not be paid for
   * in water today, but a routine has to show that it lasts.
   */
  public static final int DAYS_JUDGED = 63;

  /** Intervals offered where the keeper named none, days. Common practice, no source. */
  public static final List<Double> USUAL_INTERVALS = List.of(7.0, 10.0, 14.0, 21.0, 28.0);

  /** The present routine is kept while it holds within so much of the confidence. Chosen. */
  static final double NEARLY = 0.03;

  static final double WEEKS_4 = 28;

  private final Basis b;

  /** The same without the work that is due. */
  private final Basis alone;

  private final Renewals.Due due;

  /**
   * @param tank whose lines, limits and routine are meant, which may differ from those the
   *     posterior was calibrated under
   * @param now the instant the advice is for
   */
  public Advisor(TankModel tank, Posterior posterior, Instant now) {
    alone = new Basis(tank, posterior, now, DAYS_JUDGED);
    due = Renewals.of(alone);
    b = due.work().isEmpty() ? alone : alone.with(Renewals.done(tank, alone.asOf, due.work()));
  }

  /** Days ahead that a posterior has to lay out for an advice and for the keeper's forecast. */
  public static int daysAhead(TankModel tank) {
    return Math.max(DAYS_JUDGED, tank.limits().horizonDays());
  }

  // ---------------------------------------------------------------- the advice

  public Advice advise() {
    Optional<SafetyGuard.Finding> danger = SafetyGuard.look(b.tank, b.now);
    boolean needed = !b.judged.isEmpty() && !b.search.noneNeeded();
    boolean byChanges = needed && b.tank.stance() != Stance.NO_CHANGE;
    RoutineChoice choice = new RoutineChoice(b, byChanges);
    boolean later = choice.isLater();
    List<Found> found = choice.found();
    Optional<Found> chosen = choice.chosen();
    Optional<Found> lasting = chosen.filter(Found::lasts);
    List<Advice.Ask> asks = new Asks(b).all();
    Optional<Cycle> cycle = Cycle.of(b);
    TodayJudge judge = new TodayJudge(b, danger, cycle, choice, needed, asks, ofWork(chosen));
    Advice.Today today = judge.made();
    HelpSearch helps =
        new HelpSearch(b.tank, b.posterior, b.judgedLines(), chosen, b.search.days());
    return new Advice(
        b.asOf,
        today,
        chosen.map(f -> steps(f.catchUps(), f.catchUpFraction())).orElseGet(() -> single(today)),
        chosen.map(this::recommended),
        binding(chosen, found),
        found.stream().map(this::option).toList(),
        new WaysBeside(b, alone).of(choice.withFewCatchUps(), choice.leastEffort()),
        helps(helps, cycle.isPresent(), lasting, found, needed && !later),
        byChanges && !later && lasting.isEmpty() ? helps.blends() : List.of(),
        work(),
        asks,
        judge.remarks());
  }

  private List<Advice.Help> helps(
      HelpSearch helps,
      boolean growsIn,
      Optional<Found> chosen,
      List<Found> found,
      boolean needed) {
    Optional<Advice.Binding> binding = binding(chosen, found);
    Nutrient nutrient = binding.map(Advice.Binding::nutrient).orElse(Nutrient.NITRATE);
    if (binding.filter(line -> line.side() == Advice.Side.FLOOR).isPresent()) {
      double everyDays = b.habit.map(Routine::everyDays).orElse(RoutineChoice.USUAL_INTERVAL_DAYS);
      return new FloorHelps(b.tank, b.posterior, everyDays).raising(nutrient);
    }
    if (!needed) {
      return List.of();
    }
    List<Advice.Help> all =
        new ArrayList<>(helps.all(nutrient, sameInterval(chosen, found), !due.work().isEmpty()));
    if (b.tank.stance() == Stance.NO_CHANGE) {
      all.removeIf(help -> help.fraction().orElse(1) > 0);
    }
    // a filter that grows in is left alone
    if (growsIn) {
      all.removeIf(help -> help.pulls(lever -> lever == Advice.Lever.MEDIA_CLEANING));
    }
    // too much of one and too little of the other: each in its own way
    b.belowFloor()
        .ifPresent(
            low -> {
              all.removeIf(help -> help.pulls(lever -> lever.takes(low)));
              new FloorHelps(b.tank, b.posterior, RoutineChoice.USUAL_INTERVAL_DAYS)
                  .raising(low).stream()
                      .filter(help -> help.first().lever() == Advice.Lever.DOSE)
                      .forEach(all::add);
            });
    return List.copyOf(all);
  }

  /** What the plan asks for besides changes, and what habit brings, in order of their days. */
  private List<Advice.DueWork> work() {
    List<Advice.DueWork> work = new ArrayList<>(due.work());
    for (WorkAhead ahead : WorkAhead.of(b.scenario)) {
      if (ahead.kind() == WorkAhead.Kind.RENEW && isAsked(ahead)) {
        continue;
      }
      work.add(
          new Advice.DueWork(
              ahead.on(),
              ahead.kind() == WorkAhead.Kind.RENEW
                  ? Advice.WorkKind.RENEW
                  : Advice.WorkKind.HARVEST,
              ahead.of(),
              ahead.grams(),
              ahead.everyDays(),
              false));
    }
    work.sort(Comparator.comparing(Advice.DueWork::on));
    return List.copyOf(work);
  }

  /** Whether a renewal ahead is one that the plan asks for. */
  private boolean isAsked(WorkAhead ahead) {
    return due.work().stream()
        .filter(asked -> asked.of().equals(ahead.of()))
        .anyMatch(asked -> Renewals.doneOn(asked, b.asOf).equals(ahead.on()));
  }

  /** Why work is part of the plan: how full the adsorber is, and what water alone would take. */
  private List<Reason> ofWork(Optional<Found> chosen) {
    if (due.work().isEmpty()) {
      return List.of();
    }
    double everyDays =
        chosen
            .map(Found::everyDays)
            .orElse(b.habit.map(Routine::everyDays).orElse(RoutineChoice.USUAL_INTERVAL_DAYS));
    Reason spent =
        Reason.of(Kind.ADSORBER_SPENT)
            .of(Nutrient.PHOSPHATE)
            .on(due.on().orElseThrow())
            .value(due.used());
    if (chosen.isEmpty() && !b.search.noneNeeded()) {
      // with it no change is enough either
      return List.of(spent);
    }
    Found without = alone.search.find(everyDays);
    if (without.feasible() && without.fraction() <= chosen.map(Found::fraction).orElse(0.0)) {
      return List.of(spent);
    }
    Reason water = Reason.of(Kind.WATER_ALONE).of(Nutrient.PHOSPHATE);
    return List.of(spent, without.feasible() ? water.value(without.fraction()) : water);
  }

  /** What is enough at the chosen interval, where the habit takes more than that. */
  private static Optional<Found> sameInterval(Optional<Found> chosen, List<Found> found) {
    return chosen.map(
        c ->
            found.stream()
                .filter(f -> f.feasible() && f.everyDays() == c.everyDays())
                .findFirst()
                .orElse(c));
  }

  private Advice.Option option(Found f) {
    if (!f.feasible()) {
      return new Advice.Option(
          f.everyDays(),
          Optional.empty(),
          OptionalDouble.empty(),
          false,
          f.limit(),
          Optional.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          within(f, b.search.largestShare()),
          OptionalDouble.empty());
    }
    double perPeriod = WEEKS_4 / f.everyDays();
    return new Advice.Option(
        f.everyDays(),
        WaysBeside.caughtUp(f.catchUps(), f.catchUpFraction()),
        OptionalDouble.of(f.fraction()),
        true,
        b.search.limit(f),
        Optional.of(b.date(f.start())),
        OptionalDouble.of(b.litres(f.fraction()) * perPeriod),
        OptionalDouble.of(1 - Math.pow(1 - f.fraction(), perPeriod)),
        b.promise.within(b.search.days().changes(f), b.search.keptFrom(f), b.search.surely()),
        OptionalDouble.of(b.minutesPer28Days(f.fraction(), f.everyDays())));
  }

  private double within(Found infeasible, double share) {
    return b.promise.within(
        b.search.days().changes(0, 0, b.search.latestSafe(), share, infeasible.everyDays()),
        0,
        b.search.surely());
  }

  private Advice.Recommended recommended(Found f) {
    PlannedChanges changes = b.search.days().changes(f);
    LineRange range = LineRange.of(b.promise.projection(changes), f.from());
    return new Advice.Recommended(
        f.fraction(),
        f.everyDays(),
        b.litres(f.fraction()),
        b.date(f.start()),
        b.minutesPer28Days(f.fraction(), f.everyDays()),
        b.promise.within(changes, b.search.keptFrom(f), b.search.surely()),
        range.nitratePeak(),
        range.nitrateTrough(),
        range.phosphatePeak(),
        range.phosphateTrough());
  }

  private List<Advice.Step> steps(int count, double fraction) {
    List<Advice.Step> steps = new ArrayList<>();
    for (int i = 0; i < count; i++) {
      steps.add(
          new Advice.Step(
              b.date(b.search.days().catchUpDay(i)),
              fraction,
              b.litres(fraction),
              b.after(Nutrient.NITRATE, fraction, i + 1),
              b.after(Nutrient.PHOSPHATE, fraction, i + 1)));
    }
    return List.copyOf(steps);
  }

  /** A change that helps although no routine holds. */
  private List<Advice.Step> single(Advice.Today today) {
    boolean once = today.verdict() == Verdict.STUCK && today.fraction().isPresent();
    return once ? steps(1, today.fraction().getAsDouble()) : List.of();
  }

  private Optional<Advice.Binding> binding(Optional<Found> chosen, List<Found> found) {
    // a routine that is kept though none is needed is bound by nothing
    BindingLimit limit =
        chosen
            .map(f -> b.search.noneNeeded() ? BindingLimit.NONE : b.search.limit(f))
            .orElse(found.stream().map(Found::limit).findFirst().orElse(BindingLimit.NONE));
    return switch (limit) {
      case NITRATE_CEILING -> binding(Nutrient.NITRATE, Advice.Side.CEILING);
      case PHOSPHATE_CEILING -> binding(Nutrient.PHOSPHATE, Advice.Side.CEILING);
      case NITRATE_FLOOR -> binding(Nutrient.NITRATE, Advice.Side.FLOOR);
      case PHOSPHATE_FLOOR -> binding(Nutrient.PHOSPHATE, Advice.Side.FLOOR);
      case NONE -> b.belowFloor().flatMap(n -> binding(n, Advice.Side.FLOOR));
      default -> binding(b.search.largest().hardest(), Advice.Side.CEILING);
    };
  }

  private static Optional<Advice.Binding> binding(Nutrient nutrient, Advice.Side side) {
    return Optional.of(new Advice.Binding(nutrient, side));
  }

  /** What has to be caught up before a routine of one interval, without all else of an advice. */
  public List<Advice.Step> catchUpFor(double everyDays) {
    if (b.judged.isEmpty() || b.search.noneNeeded()) {
      return List.of();
    }
    Found found = b.search.find(everyDays);
    return steps(found.catchUps(), found.catchUpFraction());
  }

  /** What routines that are tried come to, on the same draws. */
  public RoutineOutlook outlook(Advice advice) {
    return outlook(advice.catchUp());
  }

  /** The same beside changes that are caught up first. */
  public RoutineOutlook outlook(List<Advice.Step> catchUp) {
    return new RoutineOutlook(b, catchUp);
  }

  /** One change, or a few, to a level. */
  public OneOff oneOff(Nutrient nutrient, double targetMgL) {
    return OneOff.of(b.levels, b.search.largestShare(), b.effort, b.tank, nutrient, targetMgL);
  }

  /** What stands behind the advice besides changes. */
  public Background background(Advice advice) {
    return Background.of(b, advice);
  }

  /** What b.tank and change water are believed to hold. */
  public Levels levels() {
    return b.levels;
  }

  /** The largest change of today, and what sets it. */
  public SingleChange largest() {
    return b.single;
  }
}
