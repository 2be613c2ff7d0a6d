package org.umberline.core.planning;

import java.util.Arrays;
import java.util.Optional;
import java.util.function.IntPredicate;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.TankModel;

/**
 * Looks for changes that keep the promise: the latest safe day for the first of them, the smallest
 * share at each interval, and what has to be caught up before where the present is the trouble. A
 * routine is never made larger to repair the present.
 */
final class ChangeSearch {
  /** A few changes catch up; what needs more no change can repair. Chosen. */
  private static final int MOST_CATCH_UPS = 4;

  /**
   * Days ahead on which the promise counts at least: two looks. Chosen by the season: more of them
   * ask for water against what the next tests will show.
   */
  private static final int FEWEST_SURE_DAYS = 14;

  private static final double ROUNDING = 1e-9;

  /**
   * Where nothing is sure, a smaller share is as good when it holds as often but for this. Chosen.
   */
  private static final double AS_SURE = 0.05;

  /** Under a floor more often by this much because of the changes: they are what breaks it. */
  private static final double BREAKS_FLOOR = 0.05;

  private final TankModel tank;
  private final Promise promise;
  private final PlanDays days;
  private final double[] shares;
  private final SingleChange single;
  private final boolean sourceTooRich;
  private final int mostCatchUps;
  private final Optional<Nutrient> stripped;
  private final int free;
  private final int surely;

  private final boolean possible;

  private final LargestChanges largest;

  private boolean shareAlone;

  /** Around this a search for shares alone begins. */
  private Optional<Found> near = Optional.empty();

  /**
   * @param days on which changes fall
   * @param single the largest change
   * @param sourceTooRich whether the change water is at or over a ceiling
   * @param downToLines changes of the largest share that thin the present down to the ceilings; one
   *     more is made against what comes back from rock and sand, the rest is the routine's
   * @param stripped a nutrient below its floor that changes would only strip further
   */
  ChangeSearch(
      TankModel tank,
      Promise promise,
      PlanDays days,
      SingleChange single,
      boolean sourceTooRich,
      int downToLines,
      Optional<Nutrient> stripped) {
    this.tank = tank;
    this.stripped = stripped;
    mostCatchUps = Math.min(MOST_CATCH_UPS, downToLines + 1);
    this.promise = promise;
    this.days = days;
    this.single = single;
    this.sourceTooRich = sourceTooRich;
    shares = Shares.upTo(single.largestFraction(), tank);
    free = promise.daysFree();
    surely = Math.min(promise.days(), Math.max(FEWEST_SURE_DAYS, free + 1));
    possible = shares.length > 0 && !sourceTooRich && stripped.isEmpty();
    largest = new LargestChanges(promise, days, largestShare(), possible);
  }

  /** Whether any change can bring a level down, and may be made. */
  boolean possible() {
    return possible;
  }

  /** The days on which changes fall. */
  PlanDays days() {
    return days;
  }

  /** What the largest change comes to. */
  LargestChanges largest() {
    return largest;
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
    PlannedChanges changes = days.changes(found);
    return promise.holdsAndLasts(
        changes, days.judgedOn(changes, found.from()), found.sureFrom(), surely);
  }

  private boolean holdsFirst(PlannedChanges changes, int from) {
    return promise.holds(changes, days.judgedOn(changes, from), surely);
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
    return free == 0 ? PlanDays.TODAY : free - 1;
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
    if (latestSafe() != PlanDays.TODAY) {
      Optional<Found> latest = smallest(Found.routine(everyDays, 0, latestSafe(), 0));
      if (latest.isPresent()) {
        return checked(latest.get());
      }
      int start = latestStart(everyDays);
      return start < PlanDays.TODAY || start == latestSafe()
          ? none
          : smallest(Found.routine(everyDays, 0, start, PlanDays.judgedFrom(start)))
              .map(this::checked)
              .orElse(none);
    }
    Optional<Found> plain =
        smallest(
            Found.routine(everyDays, 0, days.earliest(), PlanDays.judgedAfter(days.earliest())));
    if (plain.isPresent()) {
      return checked(lighter(plain.get()));
    }
    for (int catchUps = 1; catchUps <= mostCatchUps; catchUps++) {
      Optional<Found> found = smallest(afterCatchingUp(catchUps, everyDays));
      if (found.isPresent()) {
        return checked(fitted(found.get()));
      }
    }
    return none;
  }

  /**
   * What is done at one interval where no routine keeps the promise and lasts, but more likely than
   * not it holds, or may: nothing has to be done before its day comes, whatever follows.
   */
  Found forNow(double everyDays) {
    Found none = Found.none(everyDays, single.limit());
    boolean addsUp = first() == Nutrient.NITRATE && largest.mayHold();
    if (!possible || !addsUp && !largest.helpsFrom(latestSafe(), first())) {
      return none;
    }
    if (latestSafe() == PlanDays.TODAY) {
      return probable(everyDays).map(this::checked).orElse(none);
    }
    int start = latestStart(everyDays);
    if (start < PlanDays.TODAY) {
      if (!largest.mayHold()) {
        return none;
      }
      start = latestSafe();
    } else if (free >= FEWEST_SURE_DAYS) {
      // a day more on which it holds is no reason to begin weeks sooner
      start = latestSafe();
    }
    return checked(
        Found.routine(everyDays, largestShare(), start, PlanDays.judgedFrom(start)).forNow());
  }

  /** The largest changes, where more likely than not they are enough, or less that is as good. */
  private Optional<Found> probable(double everyDays) {
    if (largest.heldLater(everyDays) <= Basis.MORE_LIKELY_THAN_NOT) {
      return Optional.empty();
    }
    for (int catchUps = 1; catchUps <= mostCatchUps; catchUps++) {
      Found most = afterCatchingUp(catchUps, everyDays).of(largestShare()).forNow();
      double held = held(most);
      if (held > Basis.MORE_LIKELY_THAN_NOT) {
        int index =
            Bisection.smallest(shares.length, i -> held(most.of(shares[i])) >= held - AS_SURE);
        return Optional.of(most.of(shares[index]));
      }
    }
    return Optional.empty();
  }

  /** Some of the largest changes, and a routine whose share is still to be found. */
  private Found afterCatchingUp(int catchUps, double everyDays) {
    int last = days.catchUpDay(catchUps - 1);
    int next = last + (int) Math.ceil(everyDays);
    return Found.routine(everyDays, 0, next, PlanDays.judgedAfter(last))
        .after(catchUps, largestShare())
        .surelyFrom(PlanDays.caughtUpBy(last));
  }

  private double held(Found found) {
    return promise.underCeilings(days.changes(found), found.sureFrom(), surely);
  }

  /**
   * The day ahead from which changes are judged: that after the last one that catches up, or where
   * they keep the promise only later, the day by which it is caught up.
   */
  int keptFrom(PlannedChanges changes, int last) {
    int soon = PlanDays.judgedAfter(last);
    return promise.keeps(changes, soon, surely) ? soon : PlanDays.caughtUpBy(last);
  }

  /** The same of what was found. */
  int keptFrom(Found found) {
    return found.catchUps() == 0
        ? found.from()
        : keptFrom(days.changes(found), days.catchUpDay(found.catchUps() - 1));
  }

  /**
   * The last day from which the largest share keeps the promise on the days on which it counts.
   * What comes long after is no reason to begin sooner. Less than {@link PlanDays#TODAY}: none.
   */
  private int latestStart(double everyDays) {
    int latest = latestSafe();
    IntPredicate isSoonEnough =
        day ->
            holdsFirst(
                days.changes(0, 0, day, largestShare(), everyDays), PlanDays.judgedFrom(day));
    return isSoonEnough.test(latest)
        ? latest
        : Bisection.last(PlanDays.TODAY, latest, isSoonEnough);
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
    double least = upTo(Shares.leastEvery(plan.everyDays(), tank));
    if (index == count || count < shares.length && least >= shares[count]) {
      return Optional.empty();
    }
    Found found = plan.of(Math.max(shares[index], least));
    // what a page is told of an interval does not hang on what it asked before
    near = shareAlone ? Optional.of(found) : near;
    return Optional.of(found);
  }

  /** The smallest share below what was found that is enough on the days of another plan. */
  Optional<Found> lessOnTheDaysOf(Found plan, Found found) {
    int count = found.feasible() ? Arrays.binarySearch(shares, found.fraction()) : shares.length;
    return possible
        ? smallest(plan, count).map(this::checked).filter(Found::feasible)
        : Optional.empty();
  }

  /** Where the first change is due now, a larger one may leave less for the routine. */
  private Found lighter(Found plain) {
    int next = days.earliest() + (int) Math.ceil(plain.everyDays());
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
  Found later(Found found) {
    int most = Math.min(promise.days() - 1, found.start() + (int) Math.ceil(found.everyDays()));
    int last = Bisection.last(found.start() + 1, most + 1, day -> holds(found.startingOn(day)));
    return found.startingOn(last);
  }

  /** A routine whose changes strip what must not be stripped is none. */
  Found checked(Found found) {
    PlannedChanges changes = days.changes(found);
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
    return BindingLimit.ceilingOf(promise.nearer(days.changes(found), found.from()));
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
