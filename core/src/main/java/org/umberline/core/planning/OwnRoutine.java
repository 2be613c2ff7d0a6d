package org.umberline.core.planning;

import java.util.Optional;
import java.util.function.IntPredicate;
import org.umberline.core.tank.Routine;

/** From when on the keeper's own routine keeps the promise, as it is or after one larger change. */
final class OwnRoutine {
  private static final double ROUNDING = 1e-9;

  private final Promise promise;
  private final ChangeSearch search;
  private final PlanDays days;
  private final Routine routine;
  private final double asked;

  /**
   * @param asked the least share of the draws under the ceilings with which the routine is kept
   */
  OwnRoutine(Basis basis, Routine routine, double asked) {
    promise = basis.promise;
    search = basis.search;
    days = search.days();
    this.routine = routine;
    this.asked = asked;
  }

  /** The latest first day from which it does; less than {@link PlanDays#TODAY}: none. */
  int latestStart() {
    int start =
        Bisection.last(
            PlanDays.TODAY,
            Math.min(search.latestSafe() + 1, promise.days()),
            day ->
                promise.underAtFirst(
                        days.changes(0, 0, day, routine.fraction(), routine.everyDays()),
                        PlanDays.judgedFrom(day),
                        search.surely())
                    >= asked - ROUNDING);
    if (start < PlanDays.TODAY) {
      return start;
    }
    return keeps(0, 0, start, PlanDays.judgedFrom(start)) ? start : PlanDays.TODAY - 1;
  }

  private boolean keeps(int catchUps, double first, int start, int from) {
    return promise.underCeilings(
            days.changes(catchUps, first, start, routine.fraction(), routine.everyDays()),
            from,
            search.surely())
        >= asked - ROUNDING;
  }

  /** After one change that catches up; empty where that is not enough. */
  Optional<Found> caughtUp() {
    if (!search.possible()) {
      return Optional.empty();
    }
    double[] shares = search.shares();
    int next = days.earliest() + (int) Math.ceil(routine.everyDays());
    int from = PlanDays.judgedAfter(days.earliest());
    int sureFrom = PlanDays.caughtUpBy(days.earliest());
    IntPredicate isEnough =
        share -> {
          double soon =
              promise.underAtFirst(
                  days.changes(1, shares[share], next, routine.fraction(), routine.everyDays()),
                  from,
                  sureFrom);
          return soon >= Promise.LASTING - ROUNDING && keeps(1, shares[share], next, sureFrom);
        };
    int index = Bisection.smallest(shares.length, isEnough);
    if (index == shares.length) {
      return Optional.empty();
    }
    Found found =
        Found.routine(routine.everyDays(), routine.fraction(), next, from)
            .after(1, shares[index])
            .surelyFrom(sureFrom);
    return Optional.of(search.checked(search.later(found))).filter(Found::feasible);
  }
}
