package org.umberline.core.planning;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

/** Runs plans in no more of the draws than it takes to see whether they keep the promise. */
final class PromiseSearch {
  /** Draws that a search looks at; what is told of its result is taken from all of them. */
  private static final int SEARCH_DRAWS = 200;

  /** Draws a search runs before it looks whether those that are left can matter. Chosen. */
  private static final int BLOCK = 40;

  private final Posterior posterior;
  private final Scenario scenario;
  private final int first;
  private final double[] ceiling;
  private final Untouched untouched;

  /** The order in which a search looks at the draws. */
  private int[] order;

  /**
   * @param ceiling of nitrate and phosphorus, mg of the element per litre
   * @param untouched the same draws without any change
   */
  PromiseSearch(Posterior posterior, double[] ceiling, Untouched untouched) {
    this.posterior = posterior;
    this.ceiling = ceiling;
    this.untouched = untouched;
    scenario = posterior.scenario();
    first = scenario.asOfDay() + 1;
    order = IntStream.range(0, draws()).toArray();
  }

  /** Draws that are looked at. */
  int draws() {
    return Math.min(SEARCH_DRAWS, posterior.draws().size());
  }

  /** Those that come nearest to a ceiling go first: a plan that fails is soon seen to. */
  void sort() {
    order =
        IntStream.range(0, draws())
            .boxed()
            .sorted(Comparator.comparingDouble(draw -> -untouched.nearness(draw)))
            .mapToInt(Integer::intValue)
            .toArray();
  }

  /**
   * Whether no more draws are over a ceiling on any day than are accepted.
   *
   * @param from day ahead from which it is looked at
   * @param allowed draws over a ceiling that are accepted on each day that is looked at
   */
  boolean holds(PlannedChanges planned, int from, int[] allowed) {
    int parts = posterior.workers().parts(BLOCK);
    Count[] counts = new Count[parts];
    for (int part = 0; part < parts; part++) {
      counts[part] = new Count(planned, from, allowed);
    }
    boolean someOver = true;
    for (int block = 0; block < order.length && someOver; block += BLOCK) {
      int begin = block;
      int end = Math.min(order.length, block + BLOCK);
      int before = Count.draws(counts);
      posterior
          .workers()
          .run(
              parts,
              part -> {
                for (int i = begin + part; i < end && !Count.isBroken(counts); i += parts) {
                  counts[part].run(order[i]);
                }
              });
      if (Count.isBroken(counts) || Count.isOver(counts, from, allowed)) {
        return false;
      }
      // of those that come less near, none will be over where none of these is
      someOver = Count.draws(counts) > before;
    }
    return true;
  }

  /** Draws over a ceiling, day by day, among those that one thread has run. */
  private final class Count {
    private final TankSimulator simulator = TankSimulator.quick(scenario);
    private final TankState state = new TankState(scenario);
    private final Trace trace = new Trace(scenario);
    private final PlannedChanges planned;
    private final int from;
    private final int[] allowed;
    private final int[][] over;

    /** Until this day ahead the plan changes nothing, and nothing is looked at. */
    private final int alike;

    private int draws;
    private volatile boolean broken;

    Count(PlannedChanges planned, int from, int[] allowed) {
      this.planned = planned;
      this.from = from;
      this.allowed = allowed;
      over = new int[2][allowed.length];
      double[] changes = planned.time();
      alike = changes.length == 0 ? 0 : Math.max(0, Math.min(from, (int) changes[0] - first));
    }

    static boolean isBroken(Count[] counts) {
      for (Count count : counts) {
        if (count.broken) {
          return true;
        }
      }
      return false;
    }

    static int draws(Count[] counts) {
      return Arrays.stream(counts).mapToInt(count -> count.draws).sum();
    }

    static boolean isOver(Count[] counts, int from, int[] allowed) {
      for (int nutrient = 0; nutrient < 2; nutrient++) {
        for (int day = from; day < allowed.length; day++) {
          int sum = 0;
          for (Count count : counts) {
            sum += count.over[nutrient][day];
          }
          if (sum > allowed[day]) {
            return true;
          }
        }
      }
      return false;
    }

    void run(int draw) {
      Posterior.Draw drawn = posterior.draws().get(draw);
      boolean seen = false;
      int begin = untouched.begin(draw, alike, state);
      for (int start = begin; start < allowed.length; start += Untouched.EVERY_DAYS) {
        int until = Math.min(allowed.length, start + Untouched.EVERY_DAYS);
        simulator.run(state, first + start, first + until, drawn.multipliers(), planned, trace);
        for (int day = Math.max(start, from); day < until; day++) {
          seen |= isOver(0, trace.nitrateHigh, day);
          seen |= isOver(1, trace.phosphorusHigh, day);
        }
        if (broken) {
          return;
        }
      }
      draws += seen ? 1 : 0;
    }

    private boolean isOver(int nutrient, double[] high, int day) {
      if (high[first + day] <= ceiling[nutrient]) {
        return false;
      }
      over[nutrient][day]++;
      broken |= over[nutrient][day] > allowed[day];
      return true;
    }
  }
}
