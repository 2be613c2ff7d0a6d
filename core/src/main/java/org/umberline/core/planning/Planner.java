package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/**
 * Finds the least water that keeps a tank within its lines. For each interval it takes the smallest
 * whole percentage that keeps both nutrients under their ceilings over the horizon with the wanted
 * confidence; among the intervals that work it recommends the one with the least water. Not
 * thread-safe.
 */
public final class Planner {
  /** Draws the search looks at; what is reported of a result is taken from all of them. */
  private static final int SEARCH_DRAWS = 150;

  /** A recovery is a series of changes of at most this share. Common practice, no source. */
  private static final double LARGEST_RECOVERY_CHANGE = 1.0 / 3;

  private static final int LONGEST_RECOVERY = 14;

  /**
   * A tank is over a line when more draws than this say so. One that only may be is brought under
   * by the first change of its routine.
   */
  private static final double OVER_THE_LINE = 0.5;

  /** Options within this factor of the least water count as equal, the habit then decides. */
  private static final double AS_LITTLE_WATER = 1.1;

  private static final double LEVER_FEED_CHANGE = -0.2;

  /** Interval that is preferred where there is no habit, days. Common practice, no source. */
  private static final double USUAL_INTERVAL_DAYS = 7;

  private final TankModel tank;
  private final Limits limits;
  private final Scenario scenario;
  private final Posterior posterior;
  private final LineKeeping keeping;
  private final int horizon;
  private final int firstAhead;
  private final int searchDraws;
  private final SingleChange single;
  private final boolean sourceTooRich;
  private final List<Plan.RecoveryStep> recovery;
  private final PlannedChanges recoveryChanges;

  /**
   * @param tank the tank whose lines, limits and routine are meant, which may differ from those the
   *     posterior was calibrated under
   */
  public Planner(TankModel tank, Posterior posterior) {
    this.tank = tank;
    this.posterior = posterior;
    limits = tank.limits();
    scenario = posterior.scenario();
    firstAhead = scenario.asOfDay() + 1;
    horizon = Math.min(limits.horizonDays(), scenario.days() - firstAhead);
    keeping = new LineKeeping(posterior, tank.lines(), horizon);
    searchDraws = Math.min(SEARCH_DRAWS, keeping.draws());
    double nitrateSource = medianSource(Nutrient.NITRATE);
    single = SingleChange.largest(tank, medianNow(Nutrient.NITRATE), nitrateSource);
    sourceTooRich =
        atOrOver(Nutrient.NITRATE, nitrateSource)
            || atOrOver(Nutrient.PHOSPHATE, medianSource(Nutrient.PHOSPHATE));
    recoveryChanges = findRecovery();
    recovery = describe(recoveryChanges);
  }

  private double medianNow(Nutrient nutrient) {
    return median(
        nutrient,
        posterior.draws().stream()
            .mapToDouble(
                d ->
                    (nutrient == Nutrient.NITRATE
                            ? d.state().nitrateMg()
                            : d.state().phosphorusMg())
                        / scenario.volumeL())
            .toArray());
  }

  private static double median(Nutrient nutrient, double[] elementMgL) {
    Quantiles.sort(elementMgL);
    return nutrient.ion(Quantiles.of(elementMgL, 0.5));
  }

  private double medianSource(Nutrient nutrient) {
    double[] sample =
        posterior.draws().stream()
            .mapToDouble(
                d ->
                    SingleChange.source(
                        tank,
                        nutrient,
                        nutrient == Nutrient.NITRATE
                            ? d.multipliers().waterNitrateMgL
                            : d.multipliers().waterPhosphorusMgL))
            .toArray();
    Quantiles.sort(sample);
    return Quantiles.of(sample, 0.5);
  }

  private boolean atOrOver(Nutrient nutrient, double sourceMgL) {
    OptionalDouble ceiling = nutrient.line(tank.lines()).ceilingMgL();
    return ceiling.isPresent() && sourceMgL >= ceiling.getAsDouble();
  }

  private LocalDate ahead(int day) {
    return scenario.date(firstAhead + day);
  }

  // ---------------------------------------------------------------- recovery

  /** The shortest series of equal daily changes that brings the tank under its ceilings. */
  private PlannedChanges findRecovery() {
    if (!keeping.hasCeiling() || keeping.overNow() <= OVER_THE_LINE || sourceTooRich) {
      return PlannedChanges.NONE;
    }
    int most = wholePercents(Math.min(single.largestFraction(), LARGEST_RECOVERY_CHANGE));
    for (int steps = 1; steps <= Math.min(LONGEST_RECOVERY, horizon) && most > 0; steps++) {
      int count = steps;
      if (recovers(count, most)) {
        int percent = smallest(most, p -> recovers(count, p));
        return daily(count, percent / 100.0);
      }
    }
    return PlannedChanges.NONE;
  }

  private boolean recovers(int steps, int percent) {
    return keeping.underCeilingsAfter(daily(steps, percent / 100.0), steps, searchDraws)
        >= limits.confidence();
  }

  /** Changes at the start of each of the next days; the first is due on the as-of day itself. */
  private PlannedChanges daily(int steps, double fraction) {
    double[] time = new double[steps];
    double[] fractions = new double[steps];
    for (int i = 0; i < steps; i++) {
      time[i] = firstAhead + i;
      fractions[i] = fraction;
    }
    return new PlannedChanges(time, fractions);
  }

  private List<Plan.RecoveryStep> describe(PlannedChanges changes) {
    List<Plan.RecoveryStep> steps = new ArrayList<>();
    for (int i = 0; i < changes.time().length; i++) {
      double[] after = keeping.mediansAfter(changes, i + 1);
      steps.add(new Plan.RecoveryStep(ahead(i - 1), changes.fraction()[i], after[0], after[1]));
    }
    return List.copyOf(steps);
  }

  private static int wholePercents(double fraction) {
    return (int) Math.floor(fraction * 100 + 1e-9);
  }

  private interface Works {
    boolean at(int percent);
  }

  /** The smallest percentage that works, {@code most} being known to. */
  private static int smallest(int most, Works works) {
    int low = 0;
    int high = most;
    while (high - low > 1) {
      int middle = (low + high) / 2;
      if (works.at(middle)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return high;
  }

  // ---------------------------------------------------------------- one interval

  /** The first day a routine may begin: tomorrow, or the day after a recovery. */
  public LocalDate earliestStart() {
    return ahead(recovery.size());
  }

  /** The changes that come before any routine, where the tank is over a line now. */
  public List<Plan.RecoveryStep> recovery() {
    return recovery;
  }

  /** The changes of a routine from the as-of day on, a recovery before it included. */
  public PlannedChanges changes(Routine routine) {
    return recoveryChanges.then(PlannedChanges.of(routine, scenario));
  }

  /**
   * Lines are judged from the day after the first change, when the change comes as early as it can;
   * whoever waits longer is judged from the start.
   */
  private int judgedFrom(Routine routine) {
    int firstChange = scenario.day(routine.nextOn()) - firstAhead;
    return firstChange <= recovery.size()
        ? Math.min(firstChange + 1, horizon - 1)
        : recovery.size();
  }

  private LineKeeping.Kept kept(Routine routine, int draws, double giveUpBelow) {
    return keeping.kept(changes(routine), judgedFrom(routine), draws, giveUpBelow);
  }

  private boolean holds(Routine routine) {
    return kept(routine, searchDraws, limits.confidence()).underCeilings() >= limits.confidence();
  }

  private boolean confirmed(Routine routine) {
    return kept(routine, keeping.draws(), limits.confidence()).underCeilings()
        >= limits.confidence();
  }

  /**
   * The smallest whole percentage that keeps the ceilings at one interval.
   *
   * @param nextOn day of the first change, not before {@link #earliestStart()}
   */
  public Plan.Option optionFor(double everyDays, LocalDate nextOn) {
    return optionFor(everyDays, nextOn, true);
  }

  /**
   * The same for a routine that is tried: which ceiling binds is not worked out, and a feasible
   * option says that none does.
   */
  public Plan.Option tryFor(double everyDays, LocalDate nextOn) {
    return optionFor(everyDays, nextOn, false);
  }

  private Plan.Option optionFor(double everyDays, LocalDate nextOn, boolean explained) {
    if (sourceTooRich) {
      return infeasible(everyDays, BindingLimit.SOURCE, 0);
    }
    int most = wholePercents(single.largestFraction());
    if (most < 1) {
      return infeasible(everyDays, single.limit(), 0);
    }
    Routine largest = new Routine(most / 100.0, everyDays, nextOn);
    if (!holds(largest)) {
      return infeasible(everyDays, single.limit(), kept(largest, keeping.draws(), 0).within());
    }
    int percent = smallest(most, p -> holds(new Routine(p / 100.0, everyDays, nextOn)));
    Routine routine = new Routine(percent / 100.0, everyDays, nextOn);
    LineKeeping.Kept kept = kept(routine, keeping.draws(), 0);
    // What the search's share of the draws found is confirmed by all of them.
    while (percent < most && kept.underCeilings() < limits.confidence()) {
      percent++;
      routine = new Routine(percent / 100.0, everyDays, nextOn);
      kept = kept(routine, keeping.draws(), 0);
    }
    double fraction = percent / 100.0;
    if (Math.max(kept.nitrateUnder(), kept.phosphateUnder()) > 1 - limits.confidence()) {
      return infeasible(
          everyDays,
          kept.nitrateUnder() >= kept.phosphateUnder()
              ? BindingLimit.NITRATE_FLOOR
              : BindingLimit.PHOSPHATE_FLOOR,
          kept.within());
    }
    double changesPer28Days = 28 / everyDays;
    return new Plan.Option(
        everyDays,
        OptionalDouble.of(fraction),
        true,
        explained ? bindingCeiling(routine) : BindingLimit.NONE,
        OptionalDouble.of(fraction * tank.netVolumeL() * changesPer28Days),
        OptionalDouble.of(1 - Math.pow(1 - fraction, changesPer28Days)),
        kept.within());
  }

  /** Which ceiling a percentage point less would pass most often. */
  private BindingLimit bindingCeiling(Routine routine) {
    if (routine.fraction() <= 0.011) {
      return BindingLimit.NONE;
    }
    LineKeeping.Kept less =
        kept(
            new Routine(routine.fraction() - 0.01, routine.everyDays(), routine.nextOn()),
            keeping.draws(),
            0);
    return less.nitrateOver() >= less.phosphateOver()
        ? BindingLimit.NITRATE_CEILING
        : BindingLimit.PHOSPHATE_CEILING;
  }

  private static Plan.Option infeasible(double everyDays, BindingLimit limit, double probability) {
    return new Plan.Option(
        everyDays,
        OptionalDouble.empty(),
        false,
        limit,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        probability);
  }

  /**
   * The longest of the keeper's intervals at which {@code fraction} keeps the ceilings.
   *
   * @return empty when not even the shortest does
   */
  public OptionalDouble intervalFor(double fraction, LocalDate nextOn) {
    return limits.intervalsDays().stream()
        .sorted(Comparator.reverseOrder())
        .filter(every -> !sourceTooRich && confirmed(new Routine(fraction, every, nextOn)))
        .mapToDouble(Double::doubleValue)
        .findFirst();
  }

  /** Chance that the lines hold over the horizon under a routine, wherever it comes from. */
  public double probability(Routine routine) {
    return kept(routine, keeping.draws(), 0).within();
  }

  /** What a routine, wherever it comes from, would do. */
  public Plan.Recommended outcome(Routine routine) {
    PlannedChanges changes = changes(routine);
    LineKeeping.Range range = keeping.range(changes, judgedFrom(routine));
    return new Plan.Recommended(
        routine.fraction(),
        routine.everyDays(),
        routine.fraction() * tank.netVolumeL(),
        routine.nextOn(),
        probability(routine),
        range.nitratePeak(),
        range.nitrateTrough(),
        range.phosphatePeak(),
        range.phosphateTrough());
  }

  /** Chance that the lines hold over the horizon without any further change. */
  public double probabilityLeftAlone() {
    return keeping.kept(PlannedChanges.NONE, 0, keeping.draws(), 0).within();
  }

  /** Share of the net volume that one change may be at most, and what sets it. */
  public SingleChange largestChange() {
    return single;
  }

  // ---------------------------------------------------------------- the plan

  /** The whole answer for the as-of day. */
  public Plan plan() {
    boolean over = keeping.overNow() > 1 - limits.confidence();
    int held =
        keeping.hasCeiling() ? keeping.daysHeld(PlannedChanges.NONE, limits.confidence()) : horizon;
    boolean noneNeeded = held >= horizon && !over;
    List<Plan.Option> options = new ArrayList<>();
    if (!noneNeeded) {
      for (double everyDays : limits.intervalsDays()) {
        options.add(optionFor(everyDays, earliestStart()));
      }
    }
    Optional<Plan.Recommended> recommended =
        choose(options).map(option -> outcome(withBestStart(option)));
    return new Plan(
        today(recommended, options, held, noneNeeded),
        recommended,
        List.copyOf(options),
        recovery,
        otherLevers());
  }

  private Optional<Plan.Option> choose(List<Plan.Option> options) {
    List<Plan.Option> feasible = options.stream().filter(Plan.Option::feasible).toList();
    double least =
        feasible.stream()
            .mapToDouble(option -> option.litresPer28Days().getAsDouble())
            .min()
            .orElse(0);
    double habit = tank.routine().map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS);
    return feasible.stream()
        .filter(option -> option.litresPer28Days().getAsDouble() <= least * AS_LITTLE_WATER + 1e-9)
        .min(Comparator.comparingDouble(option -> Math.abs(Math.log(option.everyDays() / habit))));
  }

  /** Keeps the day the keeper had in mind where the lines allow it. */
  private Routine withBestStart(Plan.Option option) {
    double fraction = option.fraction().getAsDouble();
    Routine early = new Routine(fraction, option.everyDays(), earliestStart());
    LocalDate wanted = wantedStart(option.everyDays());
    if (!wanted.isAfter(earliestStart())) {
      return early;
    }
    Plan.Option later = tryFor(option.everyDays(), wanted);
    return later.feasible() && later.fraction().getAsDouble() <= fraction + 0.03
        ? new Routine(later.fraction().getAsDouble(), option.everyDays(), wanted)
        : early;
  }

  /** The day the routine names, or one interval after the last change, if that is still to come. */
  private LocalDate wantedStart(double everyDays) {
    LocalDate latest = ahead((int) Math.ceil(everyDays) - 1);
    Optional<LocalDate> wanted =
        tank.routine()
            .flatMap(routine -> routine.daysAfter(ahead(-1), latest).stream().findFirst())
            .or(
                () ->
                    tank.log().stream()
                        .filter(LogEntry.WaterChange.class::isInstance)
                        .map(e -> tank.dayOf(e.at().toInstant()).plusDays((long) everyDays))
                        .reduce((a, b) -> b));
    return wanted.filter(day -> !day.isAfter(latest)).orElse(earliestStart());
  }

  private Plan.Today today(
      Optional<Plan.Recommended> recommended,
      List<Plan.Option> options,
      int held,
      boolean noneNeeded) {
    List<String> why = new ArrayList<>();
    Optional<LocalDate> until =
        held > 0 && !noneNeeded ? Optional.of(ahead(held - 1)) : Optional.empty();
    OptionalDouble fraction = OptionalDouble.empty();
    if (!keeping.hasCeiling()) {
      why.add("No upper line is drawn for nitrate or phosphate, so nothing can be crossed.");
    } else if (noneNeeded) {
      why.add(
          "Without any change both nutrients stay under their lines for "
              + horizon
              + " days with the confidence asked.");
    } else if (!recovery.isEmpty()) {
      fraction = OptionalDouble.of(recovery.get(0).fraction());
      why.add(
          "The water is over a line now; "
              + recovery.size()
              + (recovery.size() == 1 ? " change brings" : " changes, one a day, bring")
              + " it under.");
    } else if (recommended.isEmpty()) {
      BindingLimit binding =
          options.stream().map(Plan.Option::bindingLimit).findFirst().orElse(BindingLimit.NONE);
      why.add("No routine within the limits keeps the lines: " + binding.term() + " binds.");
      if (held == 0 && !sourceTooRich && wholePercents(single.largestFraction()) > 0) {
        fraction = OptionalDouble.of(wholePercents(single.largestFraction()) / 100.0);
      }
    } else if (!recommended.get().nextOn().isAfter(ahead(0))) {
      fraction = OptionalDouble.of(recommended.get().fraction());
      why.add("Waiting longer would cross a line more often than the confidence allows.");
    } else {
      why.add("The next change is due on " + recommended.get().nextOn() + ".");
    }
    until.ifPresent(day -> why.add("Left alone, the lines hold through " + day + "."));
    OptionalDouble litres =
        fraction.isPresent()
            ? OptionalDouble.of(fraction.getAsDouble() * tank.netVolumeL())
            : OptionalDouble.empty();
    return new Plan.Today(
        fraction.isPresent() ? Plan.Verdict.CHANGE : Plan.Verdict.SKIP,
        fraction,
        litres,
        List.copyOf(why),
        until,
        noneNeeded);
  }

  private List<Plan.Lever> otherLevers() {
    FeedNutrients ration = scenario.foodOf(firstAhead);
    if (ration.nitrogen() == 0) {
      return List.of();
    }
    double[] load =
        posterior.draws().stream()
            .mapToDouble(d -> d.multipliers().nitrogenLoad[firstAhead])
            .toArray();
    Arrays.sort(load);
    double reachesWater = ration.nitrogen() - ration.nitrogenKept();
    double perWeek =
        LEVER_FEED_CHANGE
            * Nutrient.NITRATE.ion(reachesWater / scenario.volumeL())
            * Quantiles.of(load, 0.5)
            * 7;
    return List.of(new Plan.Lever("feed", LEVER_FEED_CHANGE, perWeek));
  }
}
