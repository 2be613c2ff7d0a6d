package org.umberline.core.synthetic;

import static org.umberline.core.TankBuilder.WORKERS;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.LongStream;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.PlainRules;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WayOfKeeping;

/**
 * How good is the advice? Made-up tanks of all ways of keeping live half a year; once a week the
 * advice is taken and done as a keeper would. Beside it, on the same tanks: the keeper's habit, a
 * quarter a week, the rule a careful keeper works out with a pencil, and the least constant share
 * known afterwards. Run by hand: {@code SeasonReport FIRST_SEED SEEDS DRAWS}.
 */
public final class SeasonReport {
  private static final int DAYS_BEFORE = 119;
  private static final int WEEKS = 26;
  private static final int DAYS_PER_WEEK = 7;

  /** Hindsight allows as many days over. */
  private static final double HINDSIGHT_OVER = 0.05;

  /** Asked for less, the advice can be held against the pencil rule at its own risk. */
  private static final double LESS_CONFIDENCE = 0.75;

  /** The pencil rule changes down to this share of the line. */
  private static final double PENCIL_DOWN_TO = 0.6;

  /** What half a year came to. */
  public static final class Outcome {
    int days;
    int nitrateOver;
    int phosphateOver;
    int nitrateUnder;
    int phosphateUnder;
    double water;
    int changes;
    double minutes;
    int tests;

    /** Days on which the promise bound: the peak before a change on its latest safe day. */
    int promised;

    int kept;

    /** The next of them; -1 for none. */
    int bindsOn = -1;

    double per28(double of) {
      return of * 28 / days;
    }

    void add(Outcome other) {
      days += other.days;
      nitrateOver += other.nitrateOver;
      phosphateOver += other.phosphateOver;
      nitrateUnder += other.nitrateUnder;
      phosphateUnder += other.phosphateUnder;
      water += other.water;
      changes += other.changes;
      minutes += other.minutes;
      promised += other.promised;
      kept += other.kept;
    }
  }

  /** A way of deciding, asked once a week. */
  private interface Policy {
    /** Shares to change on each of the next seven days, the first being today. */
    double[] week(TankModel tank, LocalDate today, Outcome outcome);
  }

  static WayOfKeeping keeping(SyntheticTank.Way way) {
    return switch (way) {
      case SHRIMP -> WayOfKeeping.SENSITIVE;
      case PLANTED_LOW_LIGHT -> WayOfKeeping.PLANTED_LOW_LIGHT;
      case PLANTED_HIGH_LIGHT -> WayOfKeeping.PLANTED_HIGH_LIGHT;
      case NO_CHANGE -> WayOfKeeping.NO_CHANGE;
      case MARINE_FISH_ONLY -> WayOfKeeping.MARINE_FISH_ONLY;
      case MIXED_REEF -> WayOfKeeping.MIXED_REEF;
      case STONY_REEF -> WayOfKeeping.STONY_REEF;
      case SMALL_MARINE -> WayOfKeeping.SMALL_MARINE;
      case BRACKISH_DEEP_BED -> WayOfKeeping.BRACKISH;
      default -> WayOfKeeping.FISH_ONLY;
    };
  }

  private static Outcome live(SyntheticTank.Way way, long seed, Policy policy) {
    WayOfKeeping keeping = keeping(way);
    SyntheticTank tank = SyntheticTank.begun(way, seed);
    for (int day = 0; day < DAYS_BEFORE; day++) {
      tank.liveByHabit();
    }
    Outcome outcome = new Outcome();
    double[] week = new double[DAYS_PER_WEEK];
    for (int day = 0; day < WEEKS * DAYS_PER_WEEK; day++) {
      if (day % DAYS_PER_WEEK == 0 && policy != null) {
        outcome.bindsOn = -1;
        week =
            policy.week(
                tank.known(keeping.lines(), keeping.largestChange()), tank.lastDay(), outcome);
      }
      int changesBefore = changes(tank, keeping);
      if (policy == null) {
        tank.liveByHabit();
      } else {
        tank.live(week[day % DAYS_PER_WEEK]);
      }
      count(outcome, tank, keeping, changesBefore);
      if (day % DAYS_PER_WEEK == outcome.bindsOn) {
        outcome.promised++;
        outcome.kept += isUnder(tank, keeping) ? 1 : 0;
      }
    }
    return outcome;
  }

  private static int changes(SyntheticTank tank, WayOfKeeping keeping) {
    return (int)
        tank.known(keeping.lines(), 1).log().stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .count();
  }

  private static void count(
      Outcome outcome, SyntheticTank tank, WayOfKeeping keeping, int changesBefore) {
    Lines lines = keeping.lines();
    double[] peak = tank.peak();
    double[] trough = tank.trough();
    outcome.days++;
    outcome.nitrateOver += over(peak[0], lines.nitrate().ceilingMgL());
    outcome.phosphateOver += over(peak[1], lines.phosphate().ceilingMgL());
    outcome.nitrateUnder += under(trough[0], lines.nitrate().floorMgL());
    outcome.phosphateUnder += under(trough[1], lines.phosphate().floorMgL());
    TankModel known = tank.known(lines, 1);
    List<LogEntry.WaterChange> all =
        known.log().stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .map(LogEntry.WaterChange.class::cast)
            .toList();
    for (LogEntry.WaterChange change : all.subList(changesBefore, all.size())) {
      outcome.water += change.litres() / known.netVolumeL();
      outcome.changes++;
      outcome.minutes += Effort.DEFAULT.minutes(change.litres());
    }
  }

  private static boolean isUnder(SyntheticTank tank, WayOfKeeping keeping) {
    return over(tank.peak()[0], keeping.lines().nitrate().ceilingMgL()) == 0
        && over(tank.peak()[1], keeping.lines().phosphate().ceilingMgL()) == 0;
  }

  private static int over(double level, OptionalDouble line) {
    return line.isPresent() && level > line.getAsDouble() ? 1 : 0;
  }

  private static int under(double level, OptionalDouble line) {
    return line.isPresent() && level < line.getAsDouble() ? 1 : 0;
  }

  // ---------------------------------------------------------------- ways of deciding

  private static double[] constant(double share) {
    double[] week = new double[DAYS_PER_WEEK];
    week[0] = share;
    return week;
  }

  private static List<LogEntry.Test> tests(TankModel tank, Nutrient nutrient) {
    return tank.log().stream()
        .filter(LogEntry.Test.class::isInstance)
        .map(LogEntry.Test.class::cast)
        .filter(test -> test.analyte() == nutrient.analyte())
        .toList();
  }

  /** Change to three fifths of the line when it would be passed within the week. */
  private static double[] pencil(TankModel tank, LocalDate today) {
    List<LogEntry.WaterChange> changes =
        tank.log().stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .map(LogEntry.WaterChange.class::cast)
            .toList();
    Instant now = evening(today);
    double share = 0;
    for (Nutrient nutrient : Nutrient.values()) {
      OptionalDouble ceiling = nutrient.line(tank.lines()).ceilingMgL();
      List<LogEntry.Test> tests = tests(tank, nutrient);
      if (ceiling.isEmpty() || tests.size() < 2) {
        continue;
      }
      double level = PlainRules.slope(tank, nutrient, tests, changes, now);
      double soon =
          PlainRules.slope(
              tank, nutrient, tests, changes, now.plusSeconds(DAYS_PER_WEEK * 86_400L));
      share = Math.max(share, share(level, soon, ceiling, tank, nutrient == Nutrient.NITRATE));
    }
    return constant(Math.max(0, Math.min(share, tank.limits().maxChangeFraction())));
  }

  /**
   * What nobody can know: on the eve of each day on which the truth would pass a line, down to
   * three fifths of it. What this takes, no rule that rests on tests can do with less and as few
   * days over.
   */
  private static Policy clairvoyant(SyntheticTank.Way way, long seed) {
    List<Double> lived = new ArrayList<>();
    Lines lines = keeping(way).lines();
    return (known, today, outcome) -> {
      double[] week = new double[DAYS_PER_WEEK];
      for (int day = 1; day <= DAYS_PER_WEEK; day++) {
        SyntheticTank ahead = lived(way, seed, lived);
        Arrays.stream(week, 0, day).forEach(ahead::live);
        double[] eve = ahead.peak();
        ahead.live(0);
        week[day - 1] =
            Math.max(
                week[day - 1],
                Math.min(
                    known.limits().maxChangeFraction(),
                    Math.max(
                        share(eve[0], ahead.peak()[0], lines.nitrate().ceilingMgL(), known, true),
                        share(
                            eve[1],
                            ahead.peak()[1],
                            lines.phosphate().ceilingMgL(),
                            known,
                            false))));
      }
      Arrays.stream(week).forEach(lived::add);
      return week;
    };
  }

  private static SyntheticTank lived(SyntheticTank.Way way, long seed, List<Double> shares) {
    SyntheticTank tank = SyntheticTank.begun(way, seed);
    for (int day = 0; day < DAYS_BEFORE; day++) {
      tank.liveByHabit();
    }
    shares.forEach(tank::live);
    return tank;
  }

  private static double share(
      double level, double soon, OptionalDouble ceiling, TankModel tank, boolean nitrate) {
    double source =
        nitrate ? tank.nitrateMgL(tank.changeWater()) : tank.phosphateMgL(tank.changeWater());
    if (ceiling.isEmpty() || soon <= ceiling.getAsDouble() || level <= source) {
      return 0;
    }
    double target = PENCIL_DOWN_TO * ceiling.getAsDouble();
    return Math.max(0, Math.min(1, (level - target) / (level - source)));
  }

  static Instant evening(LocalDate day) {
    return day.plusDays(1).atTime(LocalTime.MIDNIGHT).toInstant(ZoneOffset.UTC).minusSeconds(1);
  }

  /** The same tank with another confidence asked for. */
  private static TankModel asking(TankModel tank, double confidence) {
    Limits limits = tank.limits();
    return tank.withLimits(
        new Limits(
            limits.maxChangeFraction(),
            limits.intervalsDays(),
            confidence,
            limits.horizonDays(),
            limits.maxNitrateStepMgL(),
            limits.maxSalinityStepPpt(),
            limits.maxAlkalinityStepDkh(),
            OptionalDouble.empty(),
            Limits.DEFAULT_LEAST_CHANGE_DAYS));
  }

  /** Does what the advice says on the days it says. */
  private static double[] advised(TankModel tank, LocalDate today, Outcome outcome, int draws) {
    Posterior posterior =
        Calibration.calibrate(tank, today, Advisor.daysAhead(tank), draws, 1, WORKERS);
    Advice advice = new Advisor(tank, posterior, evening(today)).advise();
    if (advice.today().verdict() == Advice.Verdict.SKIP) {
      // the last day lived is the as-of day: its week runs from the day after
      outcome.bindsOn =
          advice
              .recommended()
              .map(r -> (int) ChronoUnit.DAYS.between(today, r.nextOn()) - 1)
              .filter(day -> day < DAYS_PER_WEEK)
              .orElse(-1);
    }
    return weekOf(advice, today);
  }

  /** The shares of the seven days after today; what is for today is done as the next begins. */
  static double[] weekOf(Advice advice, LocalDate today) {
    double[] week = new double[DAYS_PER_WEEK];
    for (int i = 0; i < Math.min(advice.catchUp().size(), DAYS_PER_WEEK); i++) {
      week[i] = advice.catchUp().get(i).fraction();
    }
    advice.recommended().ifPresent(r -> put(week, today, r.nextOn(), r.fraction()));
    advice.today().fraction().ifPresent(share -> week[0] = share);
    return week;
  }

  private static void put(double[] week, LocalDate today, LocalDate on, double share) {
    int day = Math.max(0, (int) ChronoUnit.DAYS.between(today, on) - 1);
    if (day < DAYS_PER_WEEK && week[day] == 0) {
      week[day] = share;
    }
  }

  // ---------------------------------------------------------------- the report

  private record Tank(SyntheticTank.Way way, Map<String, Outcome> outcomes, boolean canBeHeld) {}

  private static Tank tank(SyntheticTank.Way way, long seed, int draws) {
    Map<String, Outcome> outcomes = new TreeMap<>();
    double most = keeping(way).largestChange();
    boolean held = false;
    for (int step = 0; step <= 20; step++) {
      double share = most * step / 20;
      Outcome outcome = live(way, seed, (tank, today, o) -> constant(share));
      if (outcome.nitrateOver <= HINDSIGHT_OVER * outcome.days
          && outcome.phosphateOver <= HINDSIGHT_OVER * outcome.days) {
        outcomes.put("6 hindsight", outcome);
        held = true;
        break;
      }
    }
    outcomes.put("1 habit", live(way, seed, null));
    outcomes.put("2 a quarter a week", live(way, seed, (tank, today, o) -> constant(0.25)));
    outcomes.put("3 pencil", live(way, seed, (tank, today, o) -> pencil(tank, today)));
    outcomes.put("4 advice", live(way, seed, (tank, today, o) -> advised(tank, today, o, draws)));
    outcomes.put(
        "5 advice, 3 in 4",
        live(
            way,
            seed,
            (tank, today, o) -> advised(asking(tank, LESS_CONFIDENCE), today, o, draws)));
    outcomes.put("7 clairvoyant", live(way, seed, clairvoyant(way, seed)));
    return new Tank(way, outcomes, held);
  }

  private static void print(String what, Map<String, Outcome> sums) {
    sums.forEach(
        (name, o) ->
            System.out.printf(
                Locale.ROOT,
                "%-20s %-20s over %5.1f %% %5.1f %%  under %5.1f %% %5.1f %%  water %.2f"
                    + "  changes %.1f  minutes %.0f  kept %d of %d%n",
                what,
                name,
                100.0 * o.nitrateOver / o.days,
                100.0 * o.phosphateOver / o.days,
                100.0 * o.nitrateUnder / o.days,
                100.0 * o.phosphateUnder / o.days,
                o.per28(o.water),
                o.per28(o.changes),
                o.per28(o.minutes),
                o.kept,
                o.promised));
  }

  private static Map<String, Outcome> sums(List<Tank> tanks) {
    Map<String, Outcome> sums = new TreeMap<>();
    for (Tank tank : tanks) {
      tank.outcomes.forEach(
          (name, outcome) -> sums.computeIfAbsent(name, any -> new Outcome()).add(outcome));
    }
    return sums;
  }

  public static void main(String[] arguments) {
    long first = Long.parseLong(arguments[0]);
    int seeds = Integer.parseInt(arguments[1]);
    int draws = Integer.parseInt(arguments[2]);
    List<Tank> tanks =
        LongStream.range(first, first + seeds)
            .boxed()
            .flatMap(
                seed ->
                    Arrays.stream(SyntheticTank.Way.values()).map(way -> new Object[] {way, seed}))
            .parallel()
            .map(job -> tank((SyntheticTank.Way) job[0], (long) job[1], draws))
            .toList();
    List<Tank> held = tanks.stream().filter(Tank::canBeHeld).toList();
    System.out.printf("%d tanks, %d can be held%n", tanks.size(), held.size());
    print("can be held", sums(held));
    print("all", sums(tanks));
    for (SyntheticTank.Way way : SyntheticTank.Way.values()) {
      List<Tank> own = new ArrayList<>(held);
      own.removeIf(tank -> tank.way != way);
      print(way.name().toLowerCase(Locale.ROOT), sums(own));
    }
  }
}
