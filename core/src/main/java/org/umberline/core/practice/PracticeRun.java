package org.umberline.core.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.umberline.core.balance.Adsorber;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

/** An invented tank kept for some weeks: what its keeper read, and what was true meanwhile. */
public final class PracticeRun {
  /** How long a tank is kept. */
  public static final int WEEKS = 8;

  /** The largest change on offer, share of the volume as it is written down. */
  public static final double LARGEST_CHANGE = 0.5;

  /** A change over this share of the true volume is hard on animals. Common practice, no source. */
  private static final double HARD_CHANGE = 0.5;

  /** mg/L NO3 of the solution that is known. */
  public static final double STANDARD_MG_L = 20;

  /** Days of a week, and in all. */
  public static final int WEEK_DAYS = 7;

  public static final int DAYS = WEEKS * WEEK_DAYS;

  /** g of phosphate adsorber that are put in at once. Chosen. */
  private static final double ADSORBER_G = 150;

  /** What that takes. Chosen. */
  public static final int ADSORBER_MINUTES = 15;

  // shares of the first day of a week
  private static final double CHECKED_AT = 0.4;
  private static final double CHANGED_AT = 0.5;
  private static final double TESTED_AFTER_AT = 0.55;

  /** Nothing is left of a body by then. Common practice, no source. */
  private static final int GONE_DAYS = 21;

  /** What a count finds once: a dead animal, or one less. */
  public static final double DEAD = 1;

  public static final double MISSING = 2;

  // counted buckets, and litres; chosen
  private static final double VOLUME_ERROR = 0.02;
  private static final double VOLUME_STEP = 5;

  private final PracticeTank tank;
  private final long seed;
  private final List<PracticeWeek> weeks;
  private final Scenario scenario;
  private final Trace trace;

  /**
   * @param seed of the tank's figures and the kits' errors
   * @param weeks as they were kept, no more than {@link #WEEKS}; the last may be only looked into
   */
  public PracticeRun(PracticeCase which, long seed, List<PracticeWeek> weeks) {
    this(PracticeTank.of(which, seed), seed, weeks);
  }

  PracticeRun(PracticeTank tank, long seed, List<PracticeWeek> weeks) {
    this.tank = tank;
    this.seed = seed;
    this.weeks = List.copyOf(weeks);
    LocalDate last = PracticeTank.FIRST_DAY.plusDays(WEEKS * WEEK_DAYS - 1L);
    scenario = Scenario.of(lived(), PracticeTank.FIRST_DAY, last, 0);
    trace = new Trace(scenario);
    run();
  }

  /** The largest change on offer, L. */
  public double largestChangeL() {
    return LARGEST_CHANGE * tank.stated().netVolumeL();
  }

  /** The tank as its keeper has it written down. */
  public TankModel stated() {
    return tank.stated();
  }

  // ---------------------------------------------------------------- living it

  private void run() {
    PracticeTank.Hidden hidden = tank.hidden();
    Multipliers multipliers = scenario.multipliers();
    multipliers.exchange = hidden.boundPhosphate();
    TankState state = new TankState(scenario);
    scenario.start(
        state,
        multipliers,
        Nutrient.NITRATE.element(hidden.nitrateMgL()),
        Nutrient.PHOSPHATE.element(hidden.phosphateMgL()));
    new TankSimulator(scenario)
        .run(state, 0, scenario.days(), multipliers, PlannedChanges.NONE, trace);
  }

  private TankModel lived() {
    List<LogEntry> log = new ArrayList<>();
    List<Feeding> feeding = new ArrayList<>();
    for (int week = 0; week < WEEKS; week++) {
      // a look at the truth before and after each change, whether or not its keeper takes one
      log.add(probe(week, CHECKED_AT));
      log.add(probe(week, TESTED_AFTER_AT));
      PracticeWeek done = week < weeks.size() ? weeks.get(week) : PracticeWeek.looking(List.of());
      if (done.litres() > 0) {
        double litres = Math.min(done.litres(), tank.truth().netVolumeL());
        double share = done.filling().usualShare();
        Blend water =
            share > 0 ? new Blend(List.of(new Blend.Part(PracticeTank.TAP, share))) : Blend.PURE;
        log.add(new LogEntry.WaterChange(at(week, CHANGED_AT), litres, water, 0, ""));
      }
      Span span = new Span(takesEffect(week), Optional.of(takesEffect(week + 1).minusDays(1)));
      if (done.feeding() > 0) {
        tank.truth().feeding().forEach(usual -> feeding.add(fed(usual, done.feeding(), span)));
      }
    }
    death().ifPresent(log::add);
    // what was fed before is what waste has come to
    Optional<LocalDate> before = Optional.of(takesEffect(0).minusDays(1));
    tank.truth()
        .feeding()
        .forEach(usual -> feeding.add(fed(usual, 1, new Span(usual.span().from(), before))));
    return tank.truth().withFeeding(feeding).withExports(adsorbers()).withLog(log);
  }

  /** What is fed and put in changes from the day after on: it leaves that day's readings alone. */
  private static LocalDate takesEffect(int week) {
    return day(week).plusDays(1);
  }

  private static Feeding fed(Feeding usual, double factor, Span span) {
    return new Feeding(
        usual.food(),
        usual.gramsPerFeed() * factor,
        usual.feedsPerWeek(),
        usual.uneatenFraction(),
        span);
  }

  private List<ExportMethod> adsorbers() {
    int[] fresh =
        IntStream.range(0, weeks.size()).filter(week -> weeks.get(week).adsorber()).toArray();
    List<ExportMethod> adsorbers = new ArrayList<>();
    for (int i = 0; i < fresh.length; i++) {
      LocalDate until = takesEffect(i + 1 < fresh.length ? fresh[i + 1] : WEEKS).minusDays(1);
      adsorbers.add(
          new ExportMethod.PhosphateAdsorber(
              "adsorber-" + i,
              ADSORBER_G,
              Adsorber.USUAL_CAPACITY_MG_P_PER_G,
              AdsorberPlacement.REACTOR,
              new Span(takesEffect(fresh[i]), Optional.of(until))));
    }
    return adsorbers;
  }

  private Optional<LogEntry> death() {
    PracticeTank.Hidden hidden = tank.hidden();
    if (hidden.deathDay() == PracticeTank.Hidden.NEVER) {
      return Optional.empty();
    }
    OptionalInt found = IntStream.range(0, weeks.size()).filter(this::finds).findFirst();
    double removed = found.isPresent() ? found.getAsInt() * WEEK_DAYS : WEEKS * WEEK_DAYS;
    double hours = (removed + CHECKED_AT - hidden.deathDay()) * 24;
    OffsetDateTime at = day(0).plusDays(hidden.deathDay()).atStartOfDay().atOffset(ZoneOffset.UTC);
    return Optional.of(new LogEntry.Death(at, hidden.deadG(), hours, ""));
  }

  /** Whether the dead animal lies there when the animals of {@code week} are counted. */
  private boolean finds(int week) {
    return week < weeks.size()
        && weeks.get(week).checks().contains(Check.ANIMALS)
        && tank.hidden().deathDay() != PracticeTank.Hidden.NEVER
        && week * WEEK_DAYS >= tank.hidden().deathDay();
  }

  private boolean isGone(int week) {
    return week * WEEK_DAYS - tank.hidden().deathDay() > GONE_DAYS;
  }

  private static LogEntry.Test probe(int week, double time) {
    return new LogEntry.Test(
        at(week, time),
        Analyte.NITRATE,
        0,
        Analyte.NITRATE.standardUnit(),
        Optional.empty(),
        Qualifier.EQUAL,
        "");
  }

  private static LocalDate day(int week) {
    return PracticeTank.FIRST_DAY.plusDays((long) week * WEEK_DAYS);
  }

  private static OffsetDateTime at(int week, double time) {
    return day(week).atStartOfDay().plusSeconds(Math.round(time * 86_400)).atOffset(ZoneOffset.UTC);
  }

  // ---------------------------------------------------------------- what its keeper reads

  /**
   * What a check of a week found: a reading in the standard unit of what was read, litres for the
   * volume, {@link #DEAD} or {@link #MISSING} or nothing for the animals.
   *
   * @param after whether it was read after the change
   */
  public record Finding(int week, Check check, boolean after, double value) {}

  /** What was found, in its order. */
  public List<Finding> findings() {
    List<Finding> findings = new ArrayList<>();
    boolean dead = false;
    boolean good = false;
    for (int week = 0; week < weeks.size(); week++) {
      for (Check check : weeks.get(week).checks()) {
        boolean first = check == Check.ANIMALS && finds(week) && !dead;
        dead |= first;
        double value =
            check != Check.ANIMALS
                ? value(week, check, good, false)
                : first ? isGone(week) ? MISSING : DEAD : 0;
        findings.add(new Finding(week, check, false, value));
        good |= check == Check.STANDARD;
      }
      if (weeks.get(week).testedAfter()) {
        findings.add(new Finding(week, watchedBy(), true, value(week, watchedBy(), good, true)));
      }
    }
    return List.copyOf(findings);
  }

  /**
   * @param good whether the nitrate kit was found out and replaced
   */
  private double value(int week, Check check, boolean good, boolean after) {
    double error =
        new SplittableRandom((seed * WEEKS + week) * 64 + check.ordinal() * 2L + (after ? 1 : 0))
            .nextGaussian();
    if (check == Check.VOLUME) {
      double measured = tank.truth().netVolumeL() * (1 + VOLUME_ERROR * error);
      return Math.rint(measured / VOLUME_STEP) * VOLUME_STEP;
    }
    Analyte analyte = check.analyte().orElseThrow();
    Kit kit = tank.stated().kitById(analyte.term());
    double kitShows = analyte == Analyte.NITRATE && !good ? tank.hidden().kitShows() : 1;
    double shown = truth(week, check, after) * kitShows;
    double spread = Math.hypot(kit.absoluteError(), kit.relativeError() * shown);
    double step = kit.resolution().orElseThrow();
    return Math.max(0, Math.rint((shown + spread * error) / step) * step);
  }

  private double truth(int week, Check check, boolean after) {
    int probe = 2 * week + (after ? 1 : 0);
    return switch (check) {
      case NITRATE -> Nutrient.NITRATE.ion(trace.probeNitrate[probe]);
      case PHOSPHATE -> Nutrient.PHOSPHATE.ion(trace.probePhosphorus[probe]);
      case AMMONIA -> Ammonia.of(new Nitrogen(trace.probeAmmonia[probe])).mgPerLitre();
      case CHANGE_WATER -> tank.truth().nitrateMgL(tank.truth().changeWater());
      case STANDARD -> STANDARD_MG_L;
      case ANIMALS, VOLUME -> throw new IllegalArgumentException(check + " isn't read with a kit");
    };
  }

  // ---------------------------------------------------------------- what it came to

  /**
   * What the weeks came to.
   *
   * @param daysOver on which a line was passed in truth
   * @param litres changed
   * @param changes how many
   * @param minutes of changes and checks
   * @param hardChanges those of more than half of the true water
   */
  public record Score(int daysOver, double litres, int changes, int minutes, int hardChanges) {}

  public Score score() {
    double litres = 0;
    int changes = 0;
    double minutes = 0;
    int hard = 0;
    for (PracticeWeek week : weeks) {
      if (week.litres() > 0) {
        litres += week.litres();
        changes++;
        minutes += Effort.DEFAULT.minutes(week.litres());
        hard += week.litres() > HARD_CHANGE * tank.truth().netVolumeL() ? 1 : 0;
      }
      minutes += week.checks().stream().mapToInt(Check::minutes).sum();
      minutes += week.testedAfter() ? watchedBy().minutes() : 0;
      minutes += week.adsorber() ? ADSORBER_MINUTES : 0;
    }
    return new Score(daysOver(), litres, changes, (int) Math.rint(minutes), hard);
  }

  private int daysOver() {
    Nutrient nutrient = watched();
    double line = nutrient.line(tank.stated().lines()).ceilingMgL().orElseThrow();
    return (int) Arrays.stream(highest()).filter(level -> level > line).count();
  }

  /** The nutrient that has a line. */
  public Nutrient watched() {
    return tank.which().hasPhosphateLine() ? Nutrient.PHOSPHATE : Nutrient.NITRATE;
  }

  /** The test of it. */
  public Check watchedBy() {
    return tank.which().watchedBy();
  }

  /** The most of the watched nutrient on each day in truth, mg/L of the ion. */
  public double[] highest() {
    double[] high = watched() == Nutrient.NITRATE ? trace.nitrateHigh : trace.phosphorusHigh;
    return Arrays.stream(high).map(watched()::ion).toArray();
  }

  /** What was hidden, in its own unit. */
  public double hiddenFigure() {
    PracticeTank.Hidden hidden = tank.hidden();
    return switch (tank.which()) {
      case RICH_TAP -> truth(0, Check.CHANGE_WATER, false);
      case WRONG_VOLUME -> tank.truth().netVolumeL();
      case UNSEEN_DEATH -> Math.floorDiv(hidden.deathDay(), WEEK_DAYS) + 1;
      case FULL_ROCK ->
          PhosphateExchange.ratio(tank.truth().substrate().kind()) * hidden.boundPhosphate();
      case BLIND_KIT -> hidden.kitShows() * STANDARD_MG_L;
    };
  }

  /** The first week, counted from 0, in which its keeper could have found out. */
  public int couldKnow() {
    return couldKnow(tank);
  }

  static int couldKnow(PracticeTank tank) {
    return switch (tank.which()) {
      case UNSEEN_DEATH -> (tank.hidden().deathDay() + WEEK_DAYS - 1) / WEEK_DAYS;
      // it takes a second reading
      case FULL_ROCK -> 1;
      default -> 0;
    };
  }

  /** The week, counted from 0, in which its keeper found out or did what helps; empty for never. */
  public OptionalInt foundOut() {
    return IntStream.range(0, weeks.size()).filter(this::findsOut).findFirst();
  }

  private boolean findsOut(int week) {
    PracticeWeek done = weeks.get(week);
    boolean checked = done.checks().contains(tank.which().tells());
    return switch (tank.which()) {
      case RICH_TAP -> checked || done.litres() > 0 && done.filling() != Filling.USUAL;
      case UNSEEN_DEATH -> finds(week);
      case FULL_ROCK -> done.adsorber();
      case WRONG_VOLUME, BLIND_KIT -> checked;
    };
  }
}
