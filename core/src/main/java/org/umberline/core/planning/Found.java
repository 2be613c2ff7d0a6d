package org.umberline.core.planning;

/**
 * What was found for one interval.
 *
 * @param limit why there is none
 * @param start day ahead of the routine's first change, or {@link PlanDays#TODAY}
 * @param catchUps changes of {@code catchUpFraction} before it, three days apart
 * @param from day ahead from which the promise is judged
 * @param sureFrom day ahead from which it is kept in full; what is caught up takes some days
 * @param lasts false where it holds only until the next tests tell more
 */
record Found(
    double everyDays,
    boolean feasible,
    BindingLimit limit,
    double fraction,
    int start,
    int catchUps,
    double catchUpFraction,
    int from,
    int sureFrom,
    boolean lasts) {

  static Found none(double everyDays, BindingLimit limit) {
    return new Found(everyDays, false, limit, 0, PlanDays.TODAY, 0, 0, 0, 0, false);
  }

  /** A routine with nothing before it. */
  static Found routine(double everyDays, double fraction, int start, int from) {
    return new Found(everyDays, true, BindingLimit.NONE, fraction, start, 0, 0, from, from, true);
  }

  /** The share at another interval that renews as much. */
  double atEvery(double days) {
    return Shares.atEvery(days, fraction, everyDays);
  }

  Found of(double share) {
    return new Found(
        everyDays, feasible, limit, share, start, catchUps, catchUpFraction, from, sureFrom, lasts);
  }

  Found startingOn(int day) {
    return new Found(
        everyDays,
        feasible,
        limit,
        fraction,
        day,
        catchUps,
        catchUpFraction,
        from,
        sureFrom,
        lasts);
  }

  Found after(int times, double first) {
    return new Found(
        everyDays, feasible, limit, fraction, start, times, first, from, sureFrom, lasts);
  }

  Found forNow() {
    return new Found(
        everyDays,
        feasible,
        limit,
        fraction,
        start,
        catchUps,
        catchUpFraction,
        from,
        sureFrom,
        false);
  }

  /** The same, whose promise is kept in full from a later day on. */
  Found surelyFrom(int day) {
    return new Found(
        everyDays, feasible, limit, fraction, start, catchUps, catchUpFraction, from, day, lasts);
  }
}
