package org.umberline.core.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.Kind;
import org.umberline.core.planning.Advice.Reason;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.planning.ChangeSearch.Found;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.WorkAhead;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WayOfKeeping;

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

  /** More of these where the load is heavy: days. Common practice, no source. */
  private static final List<Double> HEAVY_INTERVALS = List.of(3.0, 4.0);

  /** Nobody changes more than this every few days for a tank at rest. Chosen. */
  private static final double MOST_OF_OFTEN = 0.25;

  /** Interval that is preferred where there is no habit, days. Common practice, no source. */
  private static final double USUAL_INTERVAL_DAYS = 7;

  /** The present routine is kept while it holds within so much of the confidence. Chosen. */
  static final double NEARLY = 0.03;

  /** Within this factor of the least effort the habit decides. Chosen. */
  private static final double AS_LITTLE_EFFORT = 1.1;

  static final double WEEKS_4 = 28;
  private static final double DAYS_PER_WEEK = 7;

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

  /** The intervals that are looked at. */
  private List<Double> intervals() {
    if (b.hasFixedRoutine()) {
      return List.of(b.habit.orElseThrow().everyDays());
    }
    TreeSet<Double> intervals = new TreeSet<>(b.tank.limits().intervalsDays());
    if (intervals.isEmpty()) {
      intervals.addAll(USUAL_INTERVALS);
      boolean heavy =
          b.tank.keeping().filter(way -> way == WayOfKeeping.GROW_OUT).isPresent()
              || b.habit.filter(routine -> routine.everyDays() < DAYS_PER_WEEK).isPresent();
      if (heavy) {
        intervals.addAll(HEAVY_INTERVALS);
      }
    }
    b.habit.ifPresent(routine -> intervals.add(routine.everyDays()));
    return List.copyOf(intervals);
  }

  // ---------------------------------------------------------------- the advice

  public Advice advise() {
    Optional<SafetyGuard.Finding> danger = SafetyGuard.look(b.tank, b.now);
    boolean needed = !b.judged.isEmpty() && !b.search.noneNeeded();
    List<Found> found = new ArrayList<>();
    List<Advice.Option> options = new ArrayList<>();
    if (needed) {
      for (double everyDays : withShorter(intervals(), found)) {
        options.add(
            option(found.stream().filter(f -> f.everyDays() == everyDays).findFirst().get()));
      }
    }
    Optional<Found> kept = needed ? keptHabit() : unneeded();
    Optional<Found> lasting =
        kept.or(() -> choose(found)).filter(f -> f.catchUps() == 0 || !b.isGuess());
    Optional<Found> chosen = needed ? lasting.or(this::forNow) : lasting;
    List<Advice.Ask> asks = new Asks(b).all();
    Optional<Cycle> cycle = Cycle.of(b);
    TodayJudge judge =
        new TodayJudge(
            b,
            danger,
            cycle,
            chosen,
            chosen.isPresent() && lasting.isEmpty(),
            found,
            needed,
            kept.isPresent(),
            asks,
            ofWork(chosen));
    Advice.Today today = judge.made();
    HelpSearch helps =
        new HelpSearch(b.tank, b.posterior, b.judgedLines(), chosen.map(Found::everyDays));
    return new Advice(
        b.asOf,
        today,
        chosen.map(f -> steps(f.catchUps(), f.catchUpFraction())).orElseGet(() -> single(today)),
        chosen.map(this::recommended),
        binding(chosen, found),
        List.copyOf(options),
        new WaysBeside(b, alone).of(withFewCatchUps(found), choose(found)),
        helps(helps, cycle.isPresent(), lasting, found, needed),
        needed && lasting.isEmpty() ? helps.blends() : List.of(),
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
      double everyDays = b.habit.map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS);
      return new FloorHelps(b.tank, b.posterior, everyDays).raising(nutrient);
    }
    if (!needed) {
      return List.of();
    }
    List<Advice.Help> all =
        new ArrayList<>(helps.all(nutrient, sameInterval(chosen, found), !due.work().isEmpty()));
    // a filter that grows in is left alone
    if (growsIn) {
      all.removeIf(
          help ->
              help.first().lever() == Advice.Lever.MEDIA_CLEANING
                  || help.and()
                      .filter(two -> two.lever() == Advice.Lever.MEDIA_CLEANING)
                      .isPresent());
    }
    // too much of one and too little of the other: each in its own way
    b.belowFloor()
        .ifPresent(
            low ->
                new FloorHelps(b.tank, b.posterior, USUAL_INTERVAL_DAYS)
                    .raising(low).stream()
                        .filter(help -> help.first().lever() == Advice.Lever.DOSE)
                        .forEach(all::add));
    return List.copyOf(all);
  }

  /** What the plan asks for besides changes, and what habit brings, in order of their days. */
  private List<Advice.DueWork> work() {
    List<Advice.DueWork> work = new ArrayList<>(due.work());
    for (WorkAhead ahead : WorkAhead.of(alone.scenario)) {
      work.add(
          new Advice.DueWork(
              ahead.on(),
              ahead.kind() == WorkAhead.Kind.RENEW
                  ? Advice.WorkKind.RENEW
                  : Advice.WorkKind.HARVEST,
              ahead.of(),
              ahead.grams(),
              false));
    }
    work.sort(Comparator.comparing(Advice.DueWork::on));
    return List.copyOf(work);
  }

  /** Why work is part of the plan: how full the adsorber is, and what water alone would take. */
  private List<Reason> ofWork(Optional<Found> chosen) {
    if (due.work().isEmpty()) {
      return List.of();
    }
    double everyDays =
        chosen
            .map(Found::everyDays)
            .orElse(b.habit.map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS));
    Found without = alone.search.find(everyDays);
    Reason water = Reason.of(Kind.WATER_ALONE).of(Nutrient.PHOSPHATE);
    return List.of(
        Reason.of(Kind.ADSORBER_SPENT)
            .of(Nutrient.PHOSPHATE)
            .on(due.on().orElseThrow())
            .value(due.used()),
        without.feasible() ? water.value(without.fraction()) : water);
  }

  /** The routine of a keeper who keeps it although the water needs none. */
  private Optional<Found> unneeded() {
    return b.hasFixedRoutine()
        ? b.habit.map(
            r ->
                new Found(
                    r.everyDays(),
                    true,
                    BindingLimit.NONE,
                    r.fraction(),
                    b.ahead(r.nextOn()),
                    0,
                    0,
                    0))
        : Optional.empty();
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

  /** Shorter intervals are looked at only where none of the usual ones is enough. */
  private List<Double> withShorter(List<Double> usual, List<Found> found) {
    List<Double> looked = new ArrayList<>(usual);
    usual.forEach(everyDays -> found.add(b.search.find(everyDays)));
    boolean named = !b.tank.limits().intervalsDays().isEmpty() || b.hasFixedRoutine();
    if (!named && found.stream().noneMatch(Found::feasible)) {
      for (double everyDays : HEAVY_INTERVALS) {
        if (!looked.contains(everyDays)) {
          Found often = b.search.find(everyDays);
          if (often.feasible() && often.fraction() > MOST_OF_OFTEN) {
            continue;
          }
          looked.add(0, everyDays);
          found.add(0, often);
        }
      }
    }
    looked.sort(Comparator.naturalOrder());
    return looked;
  }

  /** What holds until the next tests where no routine lasts, nearest to once a week. */
  private Optional<Found> forNow() {
    return intervals().stream()
        .min(
            Comparator.comparingDouble(
                everyDays -> Math.abs(Math.log(everyDays / USUAL_INTERVAL_DAYS))))
        .map(b.search::forNow)
        .filter(Found::feasible);
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
        b.promise.within(b.search.changes(f), f.from(), b.search.surely()),
        OptionalDouble.of(b.minutesPer28Days(f.fraction(), f.everyDays())));
  }

  private double within(Found infeasible, double share) {
    return b.promise.within(
        b.search.changes(0, 0, b.search.latestSafe(), share, infeasible.everyDays()),
        0,
        b.search.surely());
  }

  /** The keeper's own routine, where it keeps the promise or nearly does, if need be caught up. */
  private Optional<Found> keptHabit() {
    if (b.habit.isEmpty()) {
      return Optional.empty();
    }
    Routine routine = b.habit.get();
    int latest = b.search.latestStart(routine, b.confidence - NEARLY);
    if (latest < ChangeSearch.TODAY) {
      return b.search.latestSafe() == ChangeSearch.TODAY
          ? b.search.caughtUp(routine, b.confidence - NEARLY)
          : Optional.empty();
    }
    int start = b.hasFixedRoutine() ? Math.min(latest, b.ahead(routine.nextOn())) : latest;
    return Optional.of(
        new Found(
            routine.everyDays(),
            true,
            BindingLimit.NONE,
            routine.fraction(),
            start,
            0,
            0,
            start == ChangeSearch.TODAY ? 1 : 0));
  }

  /**
   * One larger change now is nothing unusual; more than that is, and is kept as short as can be.
   */
  private static List<Found> withFewCatchUps(List<Found> found) {
    List<Found> feasible = found.stream().filter(Found::feasible).toList();
    int fewest = Math.max(1, feasible.stream().mapToInt(Found::catchUps).min().orElse(0));
    return feasible.stream().filter(f -> f.catchUps() <= fewest).toList();
  }

  /** The least effort; among what is nearly as little, what is nearest to the habit. */
  private Optional<Found> choose(List<Found> found) {
    double most = b.effort.maxMinutesPerWeek().orElse(Double.POSITIVE_INFINITY) * 4;
    List<Found> feasible =
        withFewCatchUps(
            found.stream()
                .filter(f -> b.minutesPer28Days(f.fraction(), f.everyDays()) <= most + 1e-9)
                .toList());
    double least =
        feasible.stream()
            .mapToDouble(f -> b.effortPer28Days(f.fraction(), f.everyDays()))
            .min()
            .orElse(0);
    double usual = b.habit.map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS);
    return feasible.stream()
        .filter(
            f -> b.effortPer28Days(f.fraction(), f.everyDays()) <= least * AS_LITTLE_EFFORT + 1e-9)
        .min(Comparator.comparingDouble(f -> Math.abs(Math.log(f.everyDays() / usual))));
  }

  private Advice.Recommended recommended(Found f) {
    PlannedChanges changes = b.search.changes(f);
    LineRange range = LineRange.of(b.promise.projection(changes), f.from());
    return new Advice.Recommended(
        f.fraction(),
        f.everyDays(),
        b.litres(f.fraction()),
        b.date(f.start()),
        b.minutesPer28Days(f.fraction(), f.everyDays()),
        b.promise.within(changes, f.from(), b.search.surely()),
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
              b.date(ChangeSearch.TODAY + i),
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
      default -> binding(b.promise.nearer(PlannedChanges.NONE, 0), Advice.Side.CEILING);
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
