package org.umberline.core.forecast;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

/**
 * Ammonia and nitrite of a tank whose filter grows in, from its first day on into the days ahead:
 * quantiles at the end of each day, mg/L NH3 and NO2.
 */
public record AmmoniaCourse(List<Day> ammonia, List<Day> nitrite) {
  private static final int MOST_DRAWS = 200;

  /** One day's quantiles. */
  public record Day(LocalDate on, double p10, double p50, double p90) {}

  /**
   * @param days ahead of the as-of day
   */
  public static AmmoniaCourse of(Posterior posterior, int days, PlannedChanges planned) {
    Scenario scenario = posterior.scenario();
    int end = scenario.asOfDay() + 1 + days;
    int draws = Math.min(MOST_DRAWS, posterior.draws().size());
    double[][] ammonia = new double[end][draws];
    double[][] nitrite = new double[end][draws];
    TankSimulator simulator = TankSimulator.quick(scenario);
    Trace trace = new Trace(scenario);
    double perAmmonia = Ammonia.of(new Nitrogen(1)).mgPerLitre();
    double perNitrite = Nitrite.of(new Nitrogen(1)).mgPerLitre();
    for (int i = 0; i < draws; i++) {
      Posterior.Draw draw = posterior.draws().get(i);
      TankState state = draw.start().copy();
      simulator.run(state, 0, end, draw.multipliers(), planned, trace);
      for (int day = 0; day < end; day++) {
        ammonia[day][i] = trace.ammonia[day] * perAmmonia;
        nitrite[day][i] = trace.nitrite[day] * perNitrite;
      }
    }
    return new AmmoniaCourse(quantiles(scenario, ammonia), quantiles(scenario, nitrite));
  }

  private static List<Day> quantiles(Scenario scenario, double[][] byDay) {
    List<Day> days = new ArrayList<>(byDay.length);
    for (int day = 0; day < byDay.length; day++) {
      double[] sample = byDay[day];
      Quantiles.sort(sample);
      days.add(
          new Day(
              scenario.date(day),
              Quantiles.of(sample, 0.1),
              Quantiles.of(sample, 0.5),
              Quantiles.of(sample, 0.9)));
    }
    return List.copyOf(days);
  }
}
