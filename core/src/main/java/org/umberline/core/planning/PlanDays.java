package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.simulation.PlannedChanges;

/**
 * The days on which a plan's changes fall, and from which it is judged. Days ahead count from 0,
 * the day after as-of.
 *
 * @param firstAhead the scenario's day after as-of
 * @param daysAhead days that are laid out
 * @param earliest day ahead on which catching up may begin
 */
record PlanDays(int firstAhead, int daysAhead, int earliest) {
  /** The first change on the as-of day itself. */
  static final int TODAY = -1;

  /** Large changes are so many days apart: twice a week. Common practice, no source. */
  static final int LARGE_CHANGES_APART = 3;

  /** Keepers look at a tank once a week, and test about as often. Common practice, no source. */
  static final int NEXT_LOOK = 7;

  /** When a change on a day happens: today's at the end of today, others at noon. */
  private double time(int day) {
    return day == TODAY ? firstAhead : firstAhead + day + PlannedChanges.NOON;
  }

  /** The day ahead of a change that catches up, 0 being the first of them. */
  int catchUpDay(int number) {
    return earliest + number * LARGE_CHANGES_APART;
  }

  /** Some changes of {@code first} to catch up, and then a routine. */
  PlannedChanges changes(int catchUps, double first, int start, double fraction, double everyDays) {
    List<double[]> all = new ArrayList<>();
    for (int i = 0; i < catchUps; i++) {
      all.add(new double[] {time(catchUpDay(i)), first});
    }
    for (int k = 0; ; k++) {
      int day = start + (int) Math.floor(k * everyDays);
      if (day >= daysAhead) {
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

  /** One change, and none after it. */
  PlannedChanges once(int day, double fraction) {
    return changes(0, 0, day, fraction, daysAhead + 1);
  }

  PlannedChanges changes(Found found) {
    return changes(
        found.catchUps(),
        found.catchUpFraction(),
        found.start(),
        found.fraction(),
        found.everyDays());
  }

  /**
   * Up to the first change all goes as it does without any: that the promise holds so long is known
   * from all draws, and the few of a search might say otherwise.
   */
  int judgedOn(PlannedChanges changes, int from) {
    double[] times = changes.time();
    return times.length == 0 ? from : Math.max(from, (int) times[0] - firstAhead + 1);
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
    return Math.max(NEXT_LOOK, judgedAfter(last));
  }

  /** Today's change comes at the end of today: the level before it stands in tomorrow's most. */
  static int judgedFrom(int start) {
    return start == TODAY ? 1 : 0;
  }
}
