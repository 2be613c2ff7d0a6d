package org.umberline.core.cycling;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

/**
 * From which day ammonia and nitrite stay low, with the tank fed and stocked as it is: the day by
 * which one, five and nine draws of ten are there. Empty where that isn't in sight.
 *
 * @param chanceToday share of the draws that are there on the as-of day
 */
public record FilterReady(
    Optional<LocalDate> early,
    Optional<LocalDate> likely,
    Optional<LocalDate> late,
    double chanceToday) {
  private static final int MOST_DRAWS = 200;

  /**
   * @param days ahead that are looked at, at most those the posterior's scenario lays out
   */
  public static FilterReady of(Posterior posterior, int days) {
    Scenario scenario = posterior.scenario();
    SafeLevels safe = SafeLevels.of(scenario.tank());
    int first = scenario.asOfDay();
    int end = first + 1 + days;
    int[] readyOn = new int[Math.min(MOST_DRAWS, posterior.draws().size())];
    TankSimulator simulator = TankSimulator.quick(scenario);
    Trace trace = new Trace(scenario);
    for (int i = 0; i < readyOn.length; i++) {
      Posterior.Draw draw = posterior.draws().get(i);
      TankState state = draw.start().copy();
      simulator.run(state, 0, end, draw.multipliers(), PlannedChanges.NONE, trace);
      readyOn[i] = end;
      while (readyOn[i] > first && isSafe(safe, trace, readyOn[i] - 1)) {
        readyOn[i]--;
      }
    }
    Arrays.sort(readyOn);
    return new FilterReady(
        by(scenario, readyOn, 0.1, end),
        by(scenario, readyOn, 0.5, end),
        by(scenario, readyOn, 0.9, end),
        Arrays.stream(readyOn).filter(day -> day == first).count() / (double) readyOn.length);
  }

  /** Whether the end of {@code day} asks for no care. */
  static boolean isSafe(SafeLevels safe, Trace trace, int day) {
    return safe.allow(
        Ammonia.of(new Nitrogen(trace.ammonia[day])).mgPerLitre(),
        Nitrite.of(new Nitrogen(trace.nitrite[day])).mgPerLitre());
  }

  private static Optional<LocalDate> by(Scenario scenario, int[] sorted, double share, int never) {
    int day = sorted[Math.max(0, (int) Math.ceil(share * sorted.length) - 1)];
    return day == never ? Optional.empty() : Optional.of(scenario.date(day));
  }
}
