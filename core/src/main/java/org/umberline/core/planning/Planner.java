package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;

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

  /** A test is asked for when it takes this share off the cost of deciding without. Chosen. */
  private static final double WORTH_A_TEST = 0.25;

  /** A blend's share is worked out in steps of a twentieth. */
  private static final int BLEND_STEPS = 20;

  /** The net input is taken over this many days ahead. */
  private static final int NET_DAYS = 28;

  /** A new tank is changed at once above these, mg/L NH3 and NO2. Common practice, no source. */
  private static final double AMMONIA_MG_L = 0.5;

  private static final double NITRITE_MG_L = 1;
  private static final double DAYS_PER_WEEK = 7;
  private static final long SEED = 1;

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

  /** Days of the months that water is counted over. */
  private static final double WEEKS_4 = 28;

  /** Minutes that laying out, switching off and on and cleaning up take. Chosen, no source. */
  private static final double MINUTES_A_CHANGE = 12;

  /** Minutes that a litre takes to prepare, let out and pour. Chosen, no source. */
  private static final double MINUTES_A_LITRE = 0.4;

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
    double nitrateSource = levelOfChangeWater(Nutrient.NITRATE);
    single = SingleChange.largest(tank, levelNow(Nutrient.NITRATE), nitrateSource);
    sourceTooRich =
        atOrOver(Nutrient.NITRATE, nitrateSource)
            || atOrOver(Nutrient.PHOSPHATE, levelOfChangeWater(Nutrient.PHOSPHATE));
    recoveryChanges = findRecovery();
    recovery = describe(recoveryChanges);
  }

  /** What the tank is believed to hold now, median of the draws, mg/L of the ion. */
  public double levelNow(Nutrient nutrient) {
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

  /** What the change water is believed to hold, median of the draws, mg/L of the ion. */
  public double levelOfChangeWater(Nutrient nutrient) {
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

  private LineKeeping.Kept kept(Routine routine) {
    return keeping.kept(changes(routine), judgedFrom(routine));
  }

  private boolean holds(Routine routine) {
    return keeping.holds(changes(routine), judgedFrom(routine), searchDraws, limits.confidence());
  }

  private boolean confirmed(Routine routine) {
    return confident(kept(routine));
  }

  private boolean confident(LineKeeping.Kept kept) {
    return kept.underCeilings() >= limits.confidence() - LineKeeping.ROUNDING;
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
      return infeasible(everyDays, single.limit(), kept(largest).within());
    }
    int percent = smallest(most, p -> holds(new Routine(p / 100.0, everyDays, nextOn)));
    Routine routine = new Routine(percent / 100.0, everyDays, nextOn);
    LineKeeping.Kept kept = kept(routine);
    // What the search's share of the draws found is confirmed by all of them.
    while (percent < most && !confident(kept)) {
      percent++;
      routine = new Routine(percent / 100.0, everyDays, nextOn);
      kept = kept(routine);
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
    if (stepsTooFar(routine)) {
      return infeasible(everyDays, BindingLimit.NITRATE_STEP, kept.within());
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

  /** Whether a change just at the routine's peak would let nitrate fall by more than is allowed. */
  private boolean stepsTooFar(Routine routine) {
    OptionalDouble most = limits.maxNitrateStepMgL();
    if (most.isEmpty()) {
      return false;
    }
    double peak = keeping.range(changes(routine), judgedFrom(routine)).nitratePeak();
    double step = routine.fraction() * (peak - levelOfChangeWater(Nutrient.NITRATE));
    return step > most.getAsDouble() * (1 + 1e-9);
  }

  /** Which ceiling would be passed first if the changes were smaller. */
  private BindingLimit bindingCeiling(Routine routine) {
    if (routine.fraction() <= 0.011) {
      return BindingLimit.NONE;
    }
    return keeping.nearerCeiling(changes(routine), judgedFrom(routine), limits.confidence())
            == Nutrient.NITRATE
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

  /** Every draw run over the horizon under some changes. */
  public Projection projection(PlannedChanges changes) {
    return keeping.projection(changes);
  }

  /** Chance that the lines hold over the horizon under a routine, wherever it comes from. */
  public double probability(Routine routine) {
    return kept(routine).within();
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

  /** What a routine, or none, comes to. */
  public Plan.Measures measures(Optional<Routine> routine) {
    PlannedChanges changes = routine.map(this::changes).orElse(PlannedChanges.NONE);
    int from = routine.map(this::judgedFrom).orElse(0);
    LineKeeping.Range range = keeping.range(changes, from);
    double each = routine.map(r -> r.fraction() * tank.netVolumeL()).orElse(0.0);
    double times = routine.map(r -> WEEKS_4 / r.everyDays()).orElse(0.0);
    double gramsPerLitre = SeaWater.saltGramsPerLitre(tank.salinityPpt(), tank.temperatureC());
    return new Plan.Measures(
        keeping.kept(changes, from).within(),
        range.nitratePeak(),
        range.nitrateTrough(),
        range.phosphatePeak(),
        range.phosphateTrough(),
        each * times,
        times * (MINUTES_A_CHANGE + MINUTES_A_LITRE * each),
        times * each * gramsPerLitre);
  }

  /** Chance that the lines hold over the horizon without any further change. */
  public double probabilityLeftAlone() {
    return keeping.kept(PlannedChanges.NONE, 0).within();
  }

  /** Share of the net volume that one change may be at most, and what sets it. */
  public SingleChange largestChange() {
    return single;
  }

  // ---------------------------------------------------------------- the plan

  /** The whole answer for the as-of day. */
  public Plan plan() {
    boolean over = keeping.overNow() > 1 - limits.confidence();
    int[] firstOver = keeping.firstOver(PlannedChanges.NONE);
    int held = keeping.hasCeiling() ? keeping.daysHeld(firstOver, limits.confidence()) : horizon;
    boolean noneNeeded = held >= horizon && !over;
    List<Plan.Option> options = new ArrayList<>();
    if (!noneNeeded) {
      for (double everyDays : limits.intervalsDays()) {
        options.add(optionFor(everyDays, earliestStart()));
      }
    }
    Optional<Plan.Recommended> recommended =
        choose(options).map(option -> outcome(withBestStart(option)));
    Acute acute = acute();
    Optional<Plan.TestFirst> testFirst =
        acute.now() || !recovery.isEmpty() || noneNeeded
            ? acute.test()
            : acute.test().or(() -> testFirst(firstOver));
    List<Plan.BlendAdvice> blends = !noneNeeded && recommended.isEmpty() ? blends() : List.of();
    PlannedChanges routine =
        recommended
            .map(r -> changes(new Routine(r.fraction(), r.everyDays(), r.nextOn())))
            .or(() -> tank.routine().map(this::changes))
            .orElse(PlannedChanges.NONE);
    return new Plan(
        today(recommended, options, held, noneNeeded, testFirst, acute),
        recommended,
        List.copyOf(options),
        recovery,
        List.copyOf(new Levers(tank, posterior, routine).all()),
        testFirst,
        blends,
        noneNeeded ? Optional.empty() : drip(options),
        noChange(noneNeeded),
        upkeep(recommended),
        notes(recommended, blends));
  }

  /** What cleaning the filter media every week would do, where there are any. */
  public Optional<Plan.Lever> cleaningWeekly() {
    PlannedChanges routine = tank.routine().map(this::changes).orElse(PlannedChanges.NONE);
    return new Levers(tank, posterior, routine).cleaningWeekly();
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
      boolean noneNeeded,
      Optional<Plan.TestFirst> testFirst,
      Acute acute) {
    List<String> why = new ArrayList<>();
    Optional<LocalDate> until =
        held > 0 && !noneNeeded ? Optional.of(ahead(held - 1)) : Optional.empty();
    OptionalDouble fraction = OptionalDouble.empty();
    if (acute.now()) {
      int most = wholePercents(single.largestFraction());
      fraction = most > 0 ? OptionalDouble.of(most / 100.0) : OptionalDouble.empty();
      why.add(
          "Ammonia is over 0.5 mg/L or nitrite over 1 mg/L, or will be by tomorrow: change at once,"
              + " aerate, feed nothing.");
    } else if (!keeping.hasCeiling()) {
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
    floorNote().ifPresent(why::add);
    Plan.Verdict verdict = fraction.isPresent() ? Plan.Verdict.CHANGE : Plan.Verdict.SKIP;
    if (testFirst.isPresent() && recovery.isEmpty() && !acute.now()) {
      Plan.TestFirst test = testFirst.get();
      verdict = Plan.Verdict.TEST_FIRST;
      why.add(
          "Test "
              + test.analyte()
              + " first: one reading turns the decision round with a chance of "
              + Math.round(100 * test.settles())
              + " %.");
    }
    OptionalDouble litres =
        fraction.isPresent()
            ? OptionalDouble.of(fraction.getAsDouble() * tank.netVolumeL())
            : OptionalDouble.empty();
    return new Plan.Today(
        verdict, fraction, litres, List.copyOf(why), until, acute.now(), noneNeeded);
  }

  /** Where a floor is broken already, more change is not the answer. */
  private Optional<String> floorNote() {
    for (Nutrient nutrient : Nutrient.values()) {
      double floor = nutrient.line(tank.lines()).floorMgL().orElse(0);
      if (floor > 0 && levelNow(nutrient) < floor) {
        return Optional.of(
            nutrient.term()
                + " is below its floor now: change less, clean less, feed more, or dose.");
      }
    }
    return Optional.empty();
  }

  // ---------------------------------------------------------------- value of a test

  /**
   * Ammonia and nitrite of a tank whose filter grows in.
   *
   * @param now whether they call for a change at once
   * @param test the test that would tell, where it is open
   */
  private record Acute(boolean now, Optional<Plan.TestFirst> test) {}

  private Acute acute() {
    if (!scenario.isNew() || horizon < 1) {
      return new Acute(false, Optional.empty());
    }
    boolean[] over = new boolean[keeping.draws()];
    double[] level =
        keeping.ammoniaAhead(
            PlannedChanges.NONE,
            over,
            new Ammonia(AMMONIA_MG_L).asNitrogen().mgPerLitre(),
            new Nitrite(NITRITE_MG_L).asNitrogen().mgPerLitre());
    double[] asAmmonia =
        Arrays.stream(level).map(n -> Ammonia.of(new Nitrogen(n)).mgPerLitre()).toArray();
    TestValue.Worth worth =
        TestValue.of(kitFor(Analyte.AMMONIA), asAmmonia, over, 1 - limits.confidence(), SEED);
    boolean now = worth.chance() > OVER_THE_LINE;
    return new Acute(now, now ? Optional.empty() : worthwhile("ammonia", worth));
  }

  /** The test, if any, that is worth more than changing or skipping now. */
  private Optional<Plan.TestFirst> testFirst(int[] firstOver) {
    int occasion =
        (int) Math.ceil(tank.routine().map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS));
    boolean[] crosses = new boolean[firstOver.length];
    for (int i = 0; i < crosses.length; i++) {
      crosses[i] = firstOver[i] < occasion;
    }
    Optional<Plan.TestFirst> best = Optional.empty();
    for (Nutrient nutrient : Nutrient.values()) {
      if (nutrient.line(tank.lines()).ceilingMgL().isEmpty()) {
        continue;
      }
      Analyte analyte = nutrient == Nutrient.NITRATE ? Analyte.NITRATE : Analyte.PHOSPHATE;
      double[] level =
          posterior.draws().stream()
              .mapToDouble(d -> nutrient.ion(elementMgL(d.state(), nutrient)))
              .toArray();
      TestValue.Worth worth =
          TestValue.of(kitFor(analyte), level, crosses, 1 - limits.confidence(), SEED);
      Optional<Plan.TestFirst> candidate = worthwhile(nutrient.term(), worth);
      if (candidate.isPresent()
          && (best.isEmpty() || candidate.get().value() > best.get().value())) {
        best = candidate;
      }
    }
    return best;
  }

  private Optional<Plan.TestFirst> worthwhile(String analyte, TestValue.Worth worth) {
    double share = worth.value() / (1 - limits.confidence());
    return share >= WORTH_A_TEST
        ? Optional.of(new Plan.TestFirst(analyte, worth.chance(), share, worth.settles()))
        : Optional.empty();
  }

  /** The kit the keeper last read this with, or owns, or an unnamed one. */
  private Kit kitFor(Analyte analyte) {
    return tank.log().stream()
        .filter(e -> e instanceof LogEntry.Test test && test.analyte() == analyte)
        .map(e -> tank.kitOf((LogEntry.Test) e))
        .reduce((earlier, later) -> later)
        .or(() -> tank.kits().stream().filter(kit -> kit.analyte() == analyte).findFirst())
        .orElseGet(() -> Kit.unnamed(analyte));
  }

  private double elementMgL(TankState state, Nutrient nutrient) {
    return (nutrient == Nutrient.NITRATE ? state.nitrateMg() : state.phosphorusMg())
        / scenario.volumeL();
  }

  // ---------------------------------------------------------------- what would unbind

  /** For each other water, the least share of it that makes a routine feasible. */
  private List<Plan.BlendAdvice> blends() {
    List<Plan.BlendAdvice> advice = new ArrayList<>();
    double everyDays = tank.routine().map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS);
    double interval =
        limits.intervalsDays().stream()
            .min(Comparator.comparingDouble(d -> Math.abs(Math.log(d / everyDays))))
            .orElse(everyDays);
    for (SourceWater water : tank.waters()) {
      boolean alone =
          tank.changeWater().parts().size() == 1
              && tank.changeWater().parts().get(0).water().equals(water.id());
      if (alone || water.nitrate().isEmpty() || water.phosphate().isEmpty()) {
        continue;
      }
      Optional<Plan.Option> whole = withBlend(water, BLEND_STEPS, interval);
      if (whole.isEmpty()) {
        continue;
      }
      int steps = smallest(BLEND_STEPS, s -> withBlend(water, s, interval).isPresent());
      double fraction =
          withBlend(water, steps, interval).orElse(whole.get()).fraction().getAsDouble();
      advice.add(
          new Plan.BlendAdvice(water.id(), steps / (double) BLEND_STEPS, fraction, interval));
    }
    return List.copyOf(advice);
  }

  private Optional<Plan.Option> withBlend(SourceWater water, int steps, double everyDays) {
    double share = steps / (double) BLEND_STEPS;
    List<Blend.Part> parts = new ArrayList<>();
    double others = 0;
    for (Blend.Part part : tank.changeWater().parts()) {
      if (!part.water().equals(water.id()) && share < 1) {
        parts.add(new Blend.Part(part.water(), part.share() * (1 - share)));
        others += part.share() * (1 - share);
      }
    }
    parts.add(new Blend.Part(water.id(), 1 - others));
    TankModel changed = tank.withChangeWater(new Blend(parts));
    Scenario blended = scenario.with(changed);
    Posterior same =
        new Posterior(
            blended,
            posterior.draws(),
            posterior.fit(),
            posterior.readings(),
            posterior.unknowns(),
            posterior.effectiveSamples());
    Planner planner = new Planner(changed, same);
    Plan.Option option = planner.tryFor(everyDays, planner.earliestStart());
    return option.feasible() ? Optional.of(option) : Optional.empty();
  }

  /** As much as the smallest daily change that holds, let in and out all the time. */
  private Optional<Plan.Drip> drip(List<Plan.Option> options) {
    Plan.Option daily =
        options.stream()
            .filter(option -> option.everyDays() == 1)
            .findFirst()
            .orElseGet(() -> tryFor(1, earliestStart()));
    if (daily.fraction().isEmpty() || daily.fraction().getAsDouble() >= 1) {
      return Optional.empty();
    }
    double perDay = -Math.log(1 - daily.fraction().getAsDouble());
    return Optional.of(
        new Plan.Drip(perDay * tank.netVolumeL(), 1 - Math.exp(-DAYS_PER_WEEK * perDay)));
  }

  private Plan.NoChange noChange(boolean feasible) {
    int days = Math.min(NET_DAYS, horizon);
    if (days < 1) {
      return new Plan.NoChange(feasible, 0, 0, 0);
    }
    double now = levelNow(Nutrient.NITRATE);
    double ahead = keeping.mediansAfter(PlannedChanges.NONE, days)[0];
    double perDay = Nutrient.NITRATE.element(Math.max(0, ahead - now)) / days * tank.netVolumeL();
    double tissue =
        PlantKind.FLOATING.dryMatterPercent() / 100 * PlantKind.FLOATING.nitrogenPercentDry() * 10;
    double nitrate = Nutrient.NITRATE.element(now);
    double perM2 =
        Denitrification.BED_MG_N_PER_M2_DAY
            * nitrate
            / (Denitrification.HALF_SATURATION_MG_L + nitrate);
    return new Plan.NoChange(
        feasible, perDay, perDay * DAYS_PER_WEEK / tissue, perM2 > 0 ? perDay / perM2 : 0);
  }

  private Plan.Upkeep upkeep(Optional<Plan.Recommended> recommended) {
    FeedNutrients ration = scenario.foodOf(Math.min(firstAhead, scenario.days() - 1));
    double[] load =
        posterior.draws().stream()
            .mapToDouble(d -> d.multipliers().nitrogenLoad[scenario.asOfDay()])
            .toArray();
    Quantiles.sort(load);
    double oxidised =
        (ration.nitrogen() - ration.nitrogenKept()) * Quantiles.of(load, 0.5) / tank.netVolumeL();
    double used =
        oxidised
            * Nitrification.ALKALINITY_OF_FOOD_MG_PER_MG
            * TestUnit.ALKALINITY_CALCIUM_CARBONATE.standardPerUnit()
            * DAYS_PER_WEEK;
    OptionalDouble source = tank.blended(tank.changeWater(), SourceWater::alkalinityDkh);
    OptionalDouble brought =
        recommended.isPresent() && source.isPresent() && tank.alkalinityDkh().isPresent()
            ? OptionalDouble.of(
                recommended.get().fraction()
                    * (source.getAsDouble() - tank.alkalinityDkh().getAsDouble())
                    * DAYS_PER_WEEK
                    / recommended.get().everyDays())
            : OptionalDouble.empty();
    return new Plan.Upkeep(
        WaterAge.logged(tank, ahead(0).atStartOfDay(tank.timeZone()).toInstant()),
        recommended.map(r -> WaterAge.underRoutine(r.fraction(), r.everyDays())),
        used,
        brought);
  }

  /** The honest arithmetic of changes, with this plan's figures. */
  private List<String> notes(
      Optional<Plan.Recommended> recommended, List<Plan.BlendAdvice> blends) {
    List<String> notes = new ArrayList<>();
    if (recovery.size() > 1) {
      double left = recovery.stream().mapToDouble(s -> 1 - s.fraction()).reduce(1, (a, b) -> a * b);
      double sum = recovery.stream().mapToDouble(Plan.RecoveryStep::fraction).sum();
      notes.add(
          recovery.size()
              + " changes of "
              + percent(recovery.get(0).fraction())
              + " renew "
              + percent(1 - left)
              + " of the water, not "
              + percent(sum)
              + ": each takes out some of the new water as well.");
    }
    recommended.ifPresent(
        r -> {
          double n = 28 / r.everyDays();
          if (n > 1) {
            notes.add(
                "In 28 days this renews "
                    + percent(1 - Math.pow(1 - r.fraction(), n))
                    + " of the water, not "
                    + percent(n * r.fraction())
                    + ".");
          }
          notes.add(
              "Half as much twice as often keeps the same long-run peak with half the swing.");
        });
    for (Plan.BlendAdvice blend : blends) {
      notes.add(
          percent(blend.share())
              + " of "
              + tank.waterById(blend.water()).name()
              + " in the change water makes "
              + percent(blend.fraction())
              + " every "
              + (long) Math.ceil(blend.everyDays())
              + " days enough.");
    }
    return List.copyOf(notes);
  }

  private static String percent(double share) {
    return Math.round(100 * share) + " %";
  }
}
