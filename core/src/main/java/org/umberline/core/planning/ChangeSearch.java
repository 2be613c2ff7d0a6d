package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/**
 * Looks for changes that keep the promise: the latest safe day for the first of them, the smallest
 * share at each interval, and what has to be caught up before where the present is the trouble. A
 * routine is never made larger to repair the present.
 */
final class ChangeSearch {
  /** The first change on the as-of day itself. */
  static final int TODAY = -1;

  /** A few changes catch up; what needs more no change can repair. Chosen. */
  private static final int MOST_CATCH_UPS = 4;

  /** Large changes are so many days apart: twice a week. Common practice, no source. */
  static final int LARGE_CHANGES_APART_DAYS = 3;

  /** Keepers look at a tank once a week, and test about as often. Common practice, no source. */
  private static final int NEXT_LOOK_DAYS = 7;

  /**
   * Days ahead on which the promise counts at least: two looks. Chosen by the season: more of them
   * ask for water against what the next tests will show.
   */
  private static final int FEWEST_SURE_DAYS = 14;

  /** With this chance of holding, the largest change every week is worth making. Chosen. */
  private static final double MAY_HOLD = 0.25;

  private static final double ROUNDING = 1e-9;

  /** Under a floor more often by this much because of the changes: they are what breaks it. */
  private static final double BREAKS_FLOOR = 0.05;

  private final Promise promise;
  private final int firstAhead;
  private final double[] shares;
  private final SingleChange single;
  private final boolean sourceTooRich;
  private final int mostCatchUps;
  private final int earliest;
  private final Optional<Nutrient> stripped;
  private final int free;
  private final int surely;

  private boolean shareAlone;

  /** Around this a search for shares alone begins. */
  private Optional<Found> near = Optional.empty();

  /**
   * @param firstAhead the scenario's day after as-of
   * @param single the largest change
   * @param sourceTooRich whether the change water is at or over a ceiling
   * @param downToLines changes of the largest share that thin the present down to the ceilings; one
   *     more is made against what comes back from rock and sand, the rest is the routine's
   * @param earliest day ahead on which catching up may begin
   * @param stripped a nutrient below its floor that changes would only strip further
   */
  ChangeSearch(
      TankModel tank,
      Promise promise,
      int firstAhead,
      SingleChange single,
      boolean sourceTooRich,
      int downToLines,
      int earliest,
      Optional<Nutrient> stripped) {
    this.stripped = stripped;
    this.earliest = earliest;
    mostCatchUps = Math.min(MOST_CATCH_UPS, downToLines + 1);
    this.promise = promise;
    this.firstAhead = firstAhead;
    this.single = single;
    this.sourceTooRich = sourceTooRich;
    shares = Shares.upTo(single.largestFraction(), tank);
    free = promise.daysFree();
    surely = Math.min(promise.days(), Math.max(FEWEST_SURE_DAYS, free + 1));
  }

  /**
   * From now on only the routine's share is asked for, not what comes before it and when.
   *
   * @param advised what is probably found, if anything is
   */
  void askShareAlone(Optional<Found> advised) {
    shareAlone = true;
    near = advised;
  }

  /** Days ahead on which the promise counts: past the first change, and two looks at least. */
  int surely() {
    return surely;
  }

  private boolean holds(Found found) {
    PlannedChanges changes = changes(found);
    return promise.holdsAndLasts(
        changes, judgedOn(changes, found.from()), found.sureFrom(), surely);
  }

  private boolean holdsFirst(PlannedChanges changes, int from) {
    return promise.holds(changes, judgedOn(changes, from), surely);
  }

  /**
   * Up to the first change all goes as it does without any: that the promise holds so long is known
   * from all draws, and the few of a search might say otherwise.
   */
  private int judgedOn(PlannedChanges changes, int from) {
    double[] times = changes.time();
    return times.length == 0 ? from : Math.max(from, (int) times[0] - firstAhead + 1);
  }

  /** Days from tomorrow on that keep the promise without any change. */
  int freeDays() {
    return free;
  }

  /** The nutrient whose ceiling is the first to be passed more often than accepted. */
  Nutrient first() {
    return promise.worse(PlannedChanges.NONE, Math.min(free, promise.days() - 1));
  }

  boolean noneNeeded() {
    return free >= promise.days();
  }

  /** The last day on which the first change keeps the promise. */
  int latestSafe() {
    return free == 0 ? TODAY : free - 1;
  }

  /** When a change on a day happens: today's at the end of today, others at noon. */
  private double time(int day) {
    return day == TODAY ? firstAhead : firstAhead + day + PlannedChanges.NOON;
  }

  /** The day ahead of a change that catches up, 0 being the first of them. */
  int catchUpDay(int number) {
    return earliest + number * LARGE_CHANGES_APART_DAYS;
  }

  /** Some changes of {@code first} to catch up, and then a routine. */
  PlannedChanges changes(int catchUps, double first, int start, double fraction, double everyDays) {
    List<double[]> all = new ArrayList<>();
    for (int i = 0; i < catchUps; i++) {
      all.add(new double[] {time(catchUpDay(i)), first});
    }
    for (int k = 0; ; k++) {
      int day = start + (int) Math.floor(k * everyDays);
      if (day >= promise.daysAhead()) {
        break;
      }
      if (fraction > 0) {
        all.add(new double[] {time(day), fraction});
      } else {
        break;
      }
    }
    return new PlannedChanges(
        all.stream().mapToDouble(c -> c[0]).toArray(),
        all.stream().mapToDouble(c -> c[1]).toArray());
  }

  PlannedChanges changes(Found found) {
    return changes(
        found.catchUps(),
        found.catchUpFraction(),
        found.start(),
        found.fraction(),
        found.everyDays());
  }

  /** The smallest share that keeps the promise at one interval, and what comes before it. */
  Found find(double everyDays) {
    if (shares.length == 0) {
      return Found.none(everyDays, single.limit());
    }
    if (sourceTooRich) {
      return Found.none(everyDays, BindingLimit.SOURCE);
    }
    if (stripped.isPresent()) {
      return Found.none(everyDays, BindingLimit.floorOf(stripped.get()));
    }
    Found none = Found.none(everyDays, single.limit());
    if (latestSafe() != TODAY) {
      Optional<Found> latest = smallest(Found.routine(everyDays, 0, latestSafe(), 0));
      if (latest.isPresent()) {
        return checked(latest.get());
      }
      int start = latestStart(everyDays);
      return start < TODAY || start == latestSafe()
          ? none
          : smallest(Found.routine(everyDays, 0, start, judgedFrom(start)))
              .map(this::checked)
              .orElse(none);
    }
    Optional<Found> plain = smallest(Found.routine(everyDays, 0, earliest, judgedAfter(earliest)));
    if (plain.isPresent()) {
      return checked(lighter(plain.get()));
    }
    for (int catchUps = 1; catchUps <= mostCatchUps; catchUps++) {
      int last = catchUpDay(catchUps - 1);
      int next = last + (int) Math.ceil(everyDays);
      Optional<Found> found =
          smallest(
              Found.routine(everyDays, 0, next, judgedAfter(last))
                  .after(catchUps, largestShare())
                  .surelyFrom(caughtUpBy(last)));
      if (found.isPresent()) {
        return checked(fitted(found.get()));
      }
    }
    return none;
  }

  /**
   * The largest share at one interval where no routine lasts but it holds for now, or may: nothing
   * has to be done before its day comes, whatever follows.
   */
  Found forNow(double everyDays) {
    if (shares.length == 0 || sourceTooRich || stripped.isPresent() || latestSafe() == TODAY) {
      return Found.none(everyDays, single.limit());
    }
    int start = latestStart(everyDays);
    if (start < TODAY) {
      if (!weeklyMayHold()) {
        return Found.none(everyDays, single.limit());
      }
      start = latestSafe();
    }
    return checked(Found.routine(everyDays, largestShare(), start, judgedFrom(start)).forNow());
  }

  /** The day ahead from which a change that brings the water under its lines is judged. */
  static int judgedAfter(int day) {
    return day == TODAY ? judgedFrom(TODAY) : day + 1;
  }

  /**
   * The day ahead from which the promise is kept in full again after what was caught up: a week is
   * given to what comes back from rock and sand.
   *
   * @param last day ahead of the last change that catches up
   */
  static int caughtUpBy(int last) {
    return Math.max(NEXT_LOOK_DAYS, judgedAfter(last));
  }

  /**
   * The day ahead from which changes are judged: that after the last one that catches up, or where
   * they keep the promise only later, the day by which it is caught up.
   */
  int keptFrom(PlannedChanges changes, int last) {
    int soon = judgedAfter(last);
    return promise.keeps(changes, soon, surely) ? soon : caughtUpBy(last);
  }

  /** The same of what was found. */
  int keptFrom(Found found) {
    return found.catchUps() == 0
        ? found.from()
        : keptFrom(changes(found), catchUpDay(found.catchUps() - 1));
  }

  /** Today's change comes at the end of today: the level before it stands in tomorrow's most. */
  static int judgedFrom(int start) {
    return start == TODAY ? 1 : 0;
  }

  /**
   * The last day from which the largest share keeps the promise on the days on which it counts.
   * What comes long after is no reason to begin sooner. Less than {@link #TODAY}: none.
   */
  private int latestStart(double everyDays) {
    int latest = latestSafe();
    IntPredicate isSoonEnough =
        day -> holdsFirst(changes(0, 0, day, largestShare(), everyDays), judgedFrom(day));
    return isSoonEnough.test(latest) ? latest : Bisection.last(TODAY, latest, isSoonEnough);
  }

  /** A plan with the smallest share that holds; empty where the largest doesn't. */
  private Optional<Found> smallest(Found plan) {
    return smallest(plan, shares.length);
  }

  /**
   * @param count of the shares, from the least on, that are looked at
   */
  private Optional<Found> smallest(Found plan, int count) {
    IntPredicate isEnough = i -> holds(plan.of(shares[i]));
    int index =
        near.map(found -> Arrays.binarySearch(shares, upTo(found.atEvery(plan.everyDays()))))
            .map(guess -> Bisection.smallest(count, Math.min(count - 1, guess), isEnough))
            .orElseGet(() -> Bisection.smallest(count, isEnough));
    if (index == count) {
      return Optional.empty();
    }
    Found found = plan.of(shares[index]);
    // what a page is told of an interval does not hang on what it asked before
    near = shareAlone ? Optional.of(found) : near;
    return Optional.of(found);
  }

  /** The smallest share that is enough with all changes on the days of another plan. */
  Optional<Found> onTheDaysOf(Found plan) {
    boolean fits = shares.length > 0 && !sourceTooRich && stripped.isEmpty();
    return fits ? smallest(plan).map(this::checked).filter(Found::feasible) : Optional.empty();
  }

  /** Where the first change is due now, a larger one may leave less for the routine. */
  private Found lighter(Found plain) {
    int next = earliest + (int) Math.ceil(plain.everyDays());
    int less = Arrays.binarySearch(shares, plain.fraction());
    return smallest(plain.startingOn(next).after(1, largestShare()), less)
        .map(this::fitted)
        .orElse(plain);
  }

  /** What comes before the routine made as small, and the routine as late, as it may be. */
  private Found fitted(Found found) {
    boolean fits =
        !shareAlone || promise.hasFloor(Nutrient.NITRATE) || promise.hasFloor(Nutrient.PHOSPHATE);
    return fits ? later(smallerCatchUp(found)) : found;
  }

  private Found smallerCatchUp(Found found) {
    // the largest is known to
    int index =
        Bisection.smallest(shares.length - 1, i -> holds(found.after(found.catchUps(), shares[i])));
    return found.after(found.catchUps(), shares[index]);
  }

  /** What the rounding gained is taken as a later first day of the routine. */
  private Found later(Found found) {
    int most = Math.min(promise.days() - 1, found.start() + (int) Math.ceil(found.everyDays()));
    int last = Bisection.last(found.start() + 1, most + 1, day -> holds(found.startingOn(day)));
    return found.startingOn(last);
  }

  /** A routine whose changes strip what must not be stripped is none. */
  private Found checked(Found found) {
    PlannedChanges changes = changes(found);
    for (Nutrient nutrient : Nutrient.values()) {
      for (int day = found.from(); day < surely && promise.hasFloor(nutrient); day++) {
        double with = promise.under(changes, nutrient, day);
        if (with > Basis.MORE_LIKELY_THAN_NOT
            && with > promise.under(PlannedChanges.NONE, nutrient, day) + BREAKS_FLOOR) {
          return Found.none(found.everyDays(), BindingLimit.floorOf(nutrient));
        }
      }
    }
    return found;
  }

  /** What binds a routine that was found, or why there is none. */
  BindingLimit limit(Found found) {
    if (!found.feasible()) {
      return found.limit();
    }
    return BindingLimit.ceilingOf(promise.nearer(changes(found), found.from()));
  }

  /**
   * The latest first day from which a routine keeps the promise; less than {@link #TODAY}: none.
   */
  int latestStart(Routine routine, double asked) {
    int start =
        Bisection.last(
            TODAY,
            Math.min(latestSafe() + 1, promise.days()),
            day ->
                promise.underAtFirst(
                        changes(0, 0, day, routine.fraction(), routine.everyDays()),
                        judgedFrom(day),
                        surely)
                    >= asked - ROUNDING);
    if (start < TODAY) {
      return start;
    }
    PlannedChanges changes = changes(0, 0, start, routine.fraction(), routine.everyDays());
    boolean lasts = promise.underCeilings(changes, judgedFrom(start), surely) >= asked - ROUNDING;
    return lasts ? start : TODAY - 1;
  }

  /**
   * A given routine after one change that catches up; empty where that is not enough.
   *
   * @param asked the least share of the draws under the ceilings with which the routine is kept
   */
  Optional<Found> caughtUp(Routine routine, double asked) {
    if (shares.length == 0 || sourceTooRich || stripped.isPresent()) {
      return Optional.empty();
    }
    int next = earliest + (int) Math.ceil(routine.everyDays());
    int from = judgedAfter(earliest);
    int sureFrom = caughtUpBy(earliest);
    IntPredicate isEnough =
        share -> {
          PlannedChanges changes =
              changes(1, shares[share], next, routine.fraction(), routine.everyDays());
          double soon = promise.underAtFirst(changes, from, sureFrom);
          return soon >= Promise.LASTING - ROUNDING
              && promise.underCeilings(changes, sureFrom, surely) >= asked - ROUNDING;
        };
    int index = Bisection.smallest(shares.length, isEnough);
    if (index == shares.length) {
      return Optional.empty();
    }
    double first = shares[index];
    Found found =
        Found.routine(routine.everyDays(), routine.fraction(), next, from)
            .after(1, first)
            .surelyFrom(sureFrom);
    return Optional.of(checked(later(found))).filter(Found::feasible);
  }

  /**
   * Whether the largest change every week has a fair chance of bringing it under the ceilings,
   * though it can't be promised.
   */
  boolean weeklyMayHold() {
    if (shares.length == 0 || sourceTooRich || stripped.isPresent()) {
      return false;
    }
    PlannedChanges weekly = weekly();
    for (int day = promise.days() / 2; day < promise.days(); day++) {
      if (promise.over(weekly, day) > 1 - MAY_HOLD) {
        return false;
      }
    }
    return true;
  }

  /** The largest change today, and none after it. */
  PlannedChanges once() {
    return changes(0, 0, TODAY, largestShare(), promise.daysAhead() + 1);
  }

  private PlannedChanges weekly() {
    return changes(0, 0, TODAY, largestShare(), NEXT_LOOK_DAYS);
  }

  /**
   * The nutrient whose ceiling is passed most often though the largest change is made every week.
   */
  Nutrient hardest() {
    return promise.nearer(weekly(), promise.days() / 2);
  }

  /** The most a nutrient comes to once the largest change is made every week, mg/L, a median. */
  double weeklyPeak(Nutrient nutrient) {
    LineRange settled = LineRange.of(promise.projection(weekly()), promise.days() / 2);
    return nutrient == Nutrient.NITRATE ? settled.nitratePeak() : settled.phosphatePeak();
  }

  /** The day ahead on which catching up begins. */
  int earliest() {
    return earliest;
  }

  /** The largest share that may be changed at once, 0 when none. */
  double largestShare() {
    return shares.length == 0 ? 0 : shares[shares.length - 1];
  }

  /** The smallest share that is advised, 0 when none may be changed. */
  double leastShare() {
    return shares.length == 0 ? 0 : shares[0];
  }

  /** The least of the shares that may be advised that is no less than {@code share}. */
  double upTo(double share) {
    return Arrays.stream(shares)
        .filter(one -> one >= share - ROUNDING)
        .findFirst()
        .orElse(largestShare());
  }

  /** The shares that may be advised. */
  double[] shares() {
    return Arrays.copyOf(shares, shares.length);
  }
}
