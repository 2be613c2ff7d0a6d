package org.umberline.core.planning;

import java.util.Comparator;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.stream.IntStream;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

/**
 * The draws without any change, run as far as it takes to see how long they keep the promise. Their
 * states are kept week by week: what plans have in common before their first change is run once.
 * Days ahead count from 0, the day after as-of. Not thread-safe.
 */
final class Untouched {
  /** States are kept every so many days, and runs broken off there. */
  static final int EVERY_DAYS = 7;

  /** Most promises end within so many days: all draws are run over them first. */
  private static final int SOON_DAYS = 14;

  private final Posterior posterior;
  private final Scenario scenario;
  private final int first;
  private final int days;
  private final double[] ceiling;

  /** {@code [draw][week]}, null where a draw was not run so far. */
  private final TankState[][] states;

  private final double[] nearness;

  /**
   * @param days days ahead that are judged
   * @param ceiling of nitrate and phosphorus, mg of the element per litre
   */
  Untouched(Posterior posterior, int days, double[] ceiling) {
    this.posterior = posterior;
    this.days = days;
    this.ceiling = ceiling;
    scenario = posterior.scenario();
    first = scenario.asOfDay() + 1;
    int draws = posterior.draws().size();
    states = new TankState[draws][days / EVERY_DAYS + 2];
    nearness = new double[draws];
    for (int draw = 0; draw < draws; draw++) {
      states[draw][0] = posterior.draws().get(draw).state();
    }
  }

  /**
   * Sets a draw to the last state kept at or before the start of a day ahead.
   *
   * @return the day ahead at whose start that is
   */
  int begin(int draw, int day, TankState state) {
    int week = Math.min(day, days) / EVERY_DAYS;
    while (states[draw][week] == null) {
      week--;
    }
    state.set(states[draw][week]);
    return week * EVERY_DAYS;
  }

  /** How near a draw comes to a ceiling soon, as a share of it; known when days were counted. */
  double nearness(int draw) {
    return nearness[draw];
  }

  /**
   * Days from tomorrow on that keep the promise without a break.
   *
   * @param accepted draws that may be over a ceiling on each day
   */
  int daysFree(int accepted) {
    Counted counted = new Counted(accepted);
    int soon = Math.min(SOON_DAYS, days);
    int[] all = IntStream.range(0, states.length).toArray();
    run(all, 0, soon, counted);
    if (counted.end.get() >= soon) {
      int[] nearest =
          IntStream.of(all)
              .boxed()
              .sorted(Comparator.comparingDouble(draw -> -nearness[draw]))
              .mapToInt(Integer::intValue)
              .toArray();
      run(nearest, soon, days, counted);
    }
    return counted.end.get();
  }

  private void run(int[] draws, int from, int to, Counted counted) {
    int parts = posterior.workers().parts(draws.length);
    posterior
        .workers()
        .run(
            parts,
            part -> {
              Runner runner = new Runner(counted);
              for (int i = part; i < draws.length; i += parts) {
                runner.run(draws[i], from, to);
              }
            });
  }

  /** Draws over a ceiling, day by day, among all that were run. */
  private final class Counted {
    private final int accepted;
    private final AtomicIntegerArray over = new AtomicIntegerArray(2 * days);

    /** The first day on which more draws than accepted are over a ceiling. */
    private final AtomicInteger end = new AtomicInteger(days);

    Counted(int accepted) {
      this.accepted = accepted;
    }

    void see(int nutrient, int day, double level) {
      if (level > ceiling[nutrient] && over.incrementAndGet(nutrient * days + day) > accepted) {
        end.accumulateAndGet(day, Math::min);
      }
    }
  }

  private final class Runner {
    private final TankSimulator simulator = TankSimulator.quick(scenario);
    private final TankState state = new TankState(scenario);
    private final Trace trace = new Trace(scenario);
    private final Counted counted;

    Runner(Counted counted) {
      this.counted = counted;
    }

    /** All of the first days, and after them no further than the promise is known to go. */
    void run(int draw, int from, int to) {
      int start = begin(draw, from, state);
      while (start < to && (from == 0 || start < counted.end.get())) {
        int until = Math.min(to, start + EVERY_DAYS);
        simulator.run(
            state,
            first + start,
            first + until,
            posterior.draws().get(draw).multipliers(),
            PlannedChanges.NONE,
            trace);
        for (int day = start; day < until; day++) {
          counted.see(0, day, trace.nitrateHigh[first + day]);
          counted.see(1, day, trace.phosphorusHigh[first + day]);
        }
        if (until % EVERY_DAYS == 0) {
          states[draw][until / EVERY_DAYS] = state.copy();
        }
        start = until;
      }
      if (from == 0 && to > 0) {
        nearness[draw] =
            Math.max(
                trace.nitrateHigh[first + to - 1] / ceiling[0],
                trace.phosphorusHigh[first + to - 1] / ceiling[1]);
      }
    }
  }
}
