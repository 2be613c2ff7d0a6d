package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.dosing.CarbonSafety;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Stance;

/** Puts the verdict of the day together, in the order of judgement. */
final class TodayJudge {
  /** What no routine can do is no trouble yet while the lines hold for so many days. Chosen. */
  private static final int STUCK_FAR_DAYS = 14;

  /** Over a line this surely, an old test need not be repeated before a change. Chosen. */
  private static final double SURELY_OVER = 0.9;

  /** A test of the last days is not asked for again before a change. Chosen. */
  private static final int SAME_TEST_COUNTS_DAYS = 14;

  private final Basis b;
  private final Optional<SafetyGuard.Finding> danger;
  private final Optional<Cycle> cycle;
  private final RoutineChoice choice;
  private final Optional<Found> chosen;
  private final boolean needed;
  private final List<Advice.Ask> asks;
  private final List<Reason> ofWork;
  private final List<Reason> why = new ArrayList<>();

  /**
   * @param choice the routine that is advised, and what was found besides
   * @param needed whether any change is
   * @param ofWork why work is part of the plan
   */
  TodayJudge(
      Basis basis,
      Optional<SafetyGuard.Finding> danger,
      Optional<Cycle> cycle,
      RoutineChoice choice,
      boolean needed,
      List<Advice.Ask> asks,
      List<Reason> ofWork) {
    b = basis;
    this.danger = danger;
    this.cycle = cycle;
    this.ofWork = ofWork;
    this.choice = choice;
    chosen = choice.chosen();
    this.needed = needed;
    this.asks = asks;
  }

  /** What speaks against carbon that is dosed. */
  private List<Reason> carbon() {
    boolean gasping = SafetyGuard.isGasping(b.tank, b.now);
    return CarbonSafety.look(b.tank, b.asOf, gasping).stream()
        .map(
            finding ->
                switch (finding.danger()) {
                  case OVER_CEILING ->
                      Reason.of(Kind.CARBON_OVER_CEILING).value(finding.mostPerDay());
                  case GASPING -> Reason.of(Kind.CARBON_WHILE_GASPING);
                  case NO_SKIMMER -> Reason.of(Kind.CARBON_WITHOUT_SKIMMER);
                  case NITRATE_GONE -> Reason.of(Kind.CARBON_NITRATE_GONE);
                  case HIGH_ALKALINITY -> Reason.of(Kind.CARBON_HIGH_ALKALINITY);
                })
        .toList();
  }

  Advice.Today made() {
    if (danger.filter(d -> d.degree() == SafetyGuard.Degree.ACT).isPresent()) {
      why.add(safety(danger.get()));
      water();
      return today(Verdict.ACT_NOW, b.search.largestShare());
    }
    Optional<Reason> test = testFirst();
    if (test.isPresent()) {
      why.add(test.get());
      cycle.ifPresent(c -> why.addAll(c.reasons()));
      // without any reading there is nothing to say of the water
      if (!b.isGuess()) {
        water();
        // nothing is done before the test
        why.removeIf(reason -> reason.kind() == Kind.CHANGE_HELPS);
      }
      return today(Verdict.TEST_FIRST, 0);
    }
    cycle.ifPresent(c -> why.addAll(c.reasons()));
    why.addAll(ofWork);
    double share = water();
    Optional<LogEntry.Observation> algae =
        b.tank.stance() == Stance.BY_LOOK
            ? SignSeen.asksForChange(b.tank, b.asOf)
            : Optional.empty();
    if (algae.isPresent()) {
      why.add(0, Reason.of(Kind.SIGN_SEEN).on(b.dayOf(algae.get())));
      return today(Verdict.CHANGE, Math.max(share, b.search.upTo(SignSeen.SHARE)));
    }
    if (b.isFixedDay()) {
      why.add(0, Reason.of(Kind.FIXED_DAY));
      return today(Verdict.CHANGE, Math.max(share, b.habit.orElseThrow().fraction()));
    }
    if (b.isLeastDue() && cycle.isEmpty()) {
      why.add(0, least());
      double fraction = b.search.upTo(b.least.orElseThrow().fraction());
      return today(Verdict.CHANGE, Math.max(share, fraction));
    }
    if (chosen.isPresent()) {
      return today(share > 0 ? Verdict.CHANGE : Verdict.SKIP, share);
    }
    boolean farOff = b.search.freeDays() >= STUCK_FAR_DAYS;
    return today(needed && !farOff ? Verdict.STUCK : Verdict.SKIP, share);
  }

  private void overNow() {
    for (Nutrient nutrient : b.judged) {
      if (isOverNow(nutrient)) {
        why.add(
            Reason.of(Kind.OVER_NOW)
                .of(nutrient)
                .chance(b.promise.overNow(nutrient))
                .value(b.levels.now(nutrient)));
      }
    }
  }

  private boolean isOverNow(Nutrient nutrient) {
    return b.promise.overNow(nutrient) > Basis.MORE_LIKELY_THAN_NOT;
  }

  private void leastIsStillToCome() {
    if (b.least.isPresent() && !b.isLeastDue()) {
      why.add(least());
    }
  }

  private Reason least() {
    LeastChange least = b.least.orElseThrow();
    return Reason.of(Kind.LEAST_CHANGE).value(least.fraction()).on(least.dueOn());
  }

  private Optional<Reason> testFirst() {
    if (b.isSafetyOpen()) {
      return Optional.of(Reason.of(Kind.SAFETY_BY_MODEL));
    }
    if (!b.neverTested.isEmpty()) {
      return Optional.of(Reason.of(Kind.NEVER_TESTED).of(b.neverTested.get(0)));
    }
    if (b.tank.stance() == Stance.BY_LOOK) {
      return Optional.empty();
    }
    Optional<Nutrient> odd = b.challenged();
    if (odd.isPresent() && (needed || b.readsBeyond(odd.get()))) {
      return Optional.of(
          Reason.of(Kind.REPEAT_TEST)
              .of(odd.get())
              .value(b.lastTest(odd.get()).orElseThrow().standardValue()));
    }
    if (chosen.filter(c -> firstDay(c) == PlanDays.TODAY).isEmpty()) {
      return Optional.empty();
    }
    Nutrient decides = b.search.first();
    boolean changedLately =
        b.lastChange().filter(day -> !day.isBefore(b.asOf.minusDays(1))).isPresent();
    if (changedLately && !b.isOver() && !b.testedToday(decides)) {
      return Optional.of(Reason.of(Kind.CHANGED_LATELY).of(decides));
    }
    LocalDate tested = b.lastTest(decides).map(b::dayOf).orElse(LocalDate.MIN);
    if (b.promise.overNow(decides) < SURELY_OVER
        && tested.isBefore(b.asOf.minusDays(SAME_TEST_COUNTS_DAYS))) {
      double settles =
          asks.stream()
              .filter(ask -> ask.analyte() == decides.analyte())
              .mapToDouble(Advice.Ask::settles)
              .findFirst()
              .orElse(0);
      return Optional.of(Reason.of(Kind.TEST_COULD_SETTLE).of(decides).chance(settles));
    }
    return Optional.empty();
  }

  /**
   * The reasons that lie in the water.
   *
   * @return the share to change today, 0 for none
   */
  private double water() {
    if (b.judged.isEmpty() && b.notTestedHere.isEmpty()) {
      why.add(Reason.of(Kind.NO_LINES));
      return 0;
    }
    if (!needed) {
      why.add(Reason.of(Kind.NONE_NEEDED).on(b.date(Math.max(0, b.promise.days() - 1))));
      leastIsStillToCome();
      return 0;
    }
    overNow();
    if (b.tank.stance() == Stance.NO_CHANGE) {
      if (b.search.freeDays() > 0) {
        why.add(Reason.of(Kind.HOLDS_UNTIL).on(b.date(b.search.latestSafe())));
      }
      why.add(Reason.of(Kind.NO_CHANGE_WANTED).of(b.search.first()));
      return 0;
    }
    if (choice.isLater()) {
      why.add(Reason.of(Kind.HOLDS_UNTIL).on(b.date(b.search.latestSafe())));
      why.add(Reason.of(Kind.ROUTINE_LATER));
      leastIsStillToCome();
      return 0;
    }
    if (chosen.isEmpty()) {
      return stuck();
    }
    Found f = chosen.get();
    boolean today = firstDay(f) == PlanDays.TODAY;
    if (today) {
      // what is over already isn't going over
      b.waiting()
          .map(w -> ifNothingIsDone(Kind.IF_WAITING, w))
          .filter(reason -> reason.nutrient().filter(this::isOverNow).isEmpty())
          .ifPresent(why::add);
    }
    habitHolds(f);
    if (!today) {
      boolean holds = b.search.latestSafe() != PlanDays.TODAY;
      Kind until = holds ? Kind.HOLDS_UNTIL : Kind.CHANGE_HELPS_AGAIN;
      why.add(Reason.of(until).on(b.date(firstDay(f))));
    }
    if (!f.lasts()) {
      why.add(notSure(f));
    }
    if (!today) {
      return 0;
    }
    return f.catchUps() > 0 ? f.catchUpFraction() : f.fraction();
  }

  private void habitHolds(Found f) {
    if (choice.keepsHabit()) {
      Kind holds = f.catchUps() > 0 ? Kind.HABIT_HOLDS_THEN : Kind.HABIT_HOLDS;
      why.add(Reason.of(holds).chance(b.held(f)));
    }
  }

  /** No routine keeps the b.promise; one change may still help. */
  private double stuck() {
    if (b.search.freeDays() > 0) {
      why.add(Reason.of(Kind.HOLDS_UNTIL).on(b.date(b.search.latestSafe())));
    } else if (!b.isOver()) {
      b.waiting().map(w -> ifNothingIsDone(Kind.MAY_GO_OVER, w)).ifPresent(why::add);
    }
    Found first = choice.found().get(0);
    Nutrient worst = b.search.largest().hardest();
    switch (first.limit()) {
      case SOURCE -> {
        for (Nutrient nutrient : b.judged) {
          if (b.levels.sourceTooRich(nutrient)) {
            why.add(
                Reason.of(Kind.SOURCE_TOO_RICH)
                    .of(nutrient)
                    .value(b.levels.ofChangeWater(nutrient)));
          }
        }
      }
      case NITRATE_FLOOR -> why.add(Reason.of(Kind.FLOOR_BINDS).of(Nutrient.NITRATE));
      case PHOSPHATE_FLOOR -> why.add(Reason.of(Kind.FLOOR_BINDS).of(Nutrient.PHOSPHATE));
      default -> {
        why.add(limited(worst));
        StuckChange.everyWeek(b, worst).ifPresent(why::add);
      }
    }
    boolean floor =
        first.limit() == BindingLimit.NITRATE_FLOOR
            || first.limit() == BindingLimit.PHOSPHATE_FLOOR;
    return floor ? 0 : new StuckChange(b, worst).asked(why);
  }

  /** With what chance a routine holds that can't be promised, or the step that limits it. */
  private Reason notSure(Found f) {
    Nutrient worst = b.search.largest().hardest();
    Reason limited = limited(worst);
    double chance = b.promise.underOnAll(b.search.days().changes(f), b.search.keptFrom(f));
    return limited.kind() == Kind.LARGEST_NOT_ENOUGH
        ? Reason.of(Kind.NOT_SURE).of(worst).chance(chance)
        : limited;
  }

  private Reason ifNothingIsDone(Kind kind, Advice.Waiting waiting) {
    return Reason.of(kind)
        .of(b.promise.worse(PlannedChanges.NONE, b.ahead(waiting.until())))
        .on(waiting.until())
        .chance(waiting.chance());
  }

  private Reason limited(Nutrient worst) {
    Kind kind =
        switch (b.single.limit()) {
          case SALINITY_STEP -> Kind.SALINITY_STEP;
          case ALKALINITY_STEP -> Kind.ALKALINITY_STEP;
          case NITRATE_STEP -> Kind.NITRATE_STEP;
          default -> Kind.LARGEST_NOT_ENOUGH;
        };
    return Reason.of(kind).of(worst).value(b.search.largestShare());
  }

  private Advice.Today today(Verdict verdict, double share) {
    why.addAll(carbon());
    boolean dry = share <= 0;
    Optional<Integer> first =
        choice.isLater() ? Optional.of(b.search.latestSafe()) : chosen.map(this::firstDay);
    Optional<LocalDate> next = first.filter(day -> day != PlanDays.TODAY).map(b::date);
    if (b.hasFixedRoutine()) {
      LocalDate own = b.habit.orElseThrow().nextOn();
      next = next.filter(day -> day.isBefore(own)).or(() -> Optional.of(own));
    }
    if (b.least.isPresent()) {
      LocalDate due = b.least.get().dueOn();
      next = next.filter(day -> day.isBefore(due)).or(() -> Optional.of(due));
    }
    boolean known = chosen.isPresent() || !dry || b.search.freeDays() > 0;
    boolean changes = needed && b.tank.stance() != Stance.NO_CHANGE && known;
    return new Advice.Today(
        verdict,
        dry ? OptionalDouble.empty() : OptionalDouble.of(share),
        dry ? OptionalDouble.empty() : OptionalDouble.of(b.litres(share)),
        changes ? Optional.of(b.date(first.orElse(b.search.latestSafe()))) : Optional.empty(),
        dry ? next : Optional.empty(),
        needed && !dry ? b.waiting() : Optional.empty(),
        List.copyOf(why));
  }

  private int firstDay(Found found) {
    return found.catchUps() > 0 ? b.search.days().earliest() : found.start();
  }

  private Reason safety(SafetyGuard.Finding finding) {
    Reason reason =
        switch (finding.danger()) {
          case AMMONIA -> Reason.of(Kind.AMMONIA_HIGH);
          case NITRITE -> Reason.of(Kind.NITRITE_HIGH);
          case GASPING -> Reason.of(Kind.GASPING);
        };
    reason = reason.on(b.tank.dayOf(finding.readOn()));
    return finding.level().isPresent() ? reason.value(finding.level().getAsDouble()) : reason;
  }

  /** What is to be known besides. */
  List<Reason> remarks() {
    List<Reason> remarks = new ArrayList<>();
    danger.ifPresent(finding -> safetyRemarks(finding, remarks));
    for (Nutrient nutrient : b.notTestedHere) {
      remarks.add(Reason.of(Kind.NOT_TESTED_HERE).of(nutrient));
    }
    b.belowFloor()
        .ifPresent(
            nutrient ->
                remarks.add(
                    Reason.of(Kind.BELOW_FLOOR)
                        .of(nutrient)
                        .value(
                            Math.min(
                                b.levels.now(nutrient),
                                b.lastTest(nutrient).orElseThrow().standardValue()))));
    if (b.habit.isPresent() && !choice.keepsHabit() && !b.judged.isEmpty()) {
      double chance = b.heldByHabit();
      remarks.add(
          Reason.of(chance >= b.confidence - Advisor.NEARLY ? Kind.HABIT_HOLDS : Kind.HABIT_FAILS)
              .chance(chance));
    }
    remarks.addAll(Courses.remarks(b.tank, b.asOf));
    remarks.addAll(Disagreement.of(b));
    for (LocalDate day : Duplicates.days(b.tank)) {
      remarks.add(Reason.of(Kind.DUPLICATE_ENTRY).on(day));
    }
    return List.copyOf(remarks);
  }

  private void safetyRemarks(SafetyGuard.Finding finding, List<Reason> remarks) {
    if (finding.degree() != SafetyGuard.Degree.ACT) {
      remarks.add(safety(finding));
    }
    remarks.add(Reason.of(Kind.TEST_SAFETY_AGAIN).on(b.tank.dayOf(finding.readOn())));
    if (finding.danger() == SafetyGuard.Danger.AMMONIA && !finding.pHMeasured()) {
      remarks.add(Reason.of(Kind.PH_ASSUMED).value(finding.pH()));
    }
  }
}
