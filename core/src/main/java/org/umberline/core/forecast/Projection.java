package org.umberline.core.forecast;

import java.util.List;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;

/**
 * A posterior's draws carried over the days ahead under one plan of changes. Arrays are {@code
 * [nutrient][day ahead][draw]}, mg of N or P per litre; day ahead 0 is the day after as-of.
 */
public final class Projection {
  final double[][][] end;
  final double[][][] high;
  final double[][][] low;

  /** What the scenario's probes after the as-of day would find, {@code [probe][draw]}; others 0. */
  final double[][] nitrateAtProbe;

  final double[][] phosphorusAtProbe;
  private final Scenario scenario;
  private final Posterior posterior;

  private Projection(Posterior posterior, int days, int draws) {
    this.posterior = posterior;
    scenario = posterior.scenario();
    end = new double[2][days][draws];
    high = new double[2][days][draws];
    low = new double[2][days][draws];
    nitrateAtProbe = new double[scenario.probes().size()][draws];
    phosphorusAtProbe = new double[scenario.probes().size()][draws];
  }

  /**
   * Runs every draw.
   *
   * @param days days ahead, at most those the posterior's scenario lays out
   * @throws IllegalArgumentException when the scenario is shorter
   */
  public static Projection of(Posterior posterior, int days, PlannedChanges planned) {
    Scenario scenario = posterior.scenario();
    int first = scenario.asOfDay() + 1;
    if (first + days > scenario.days()) {
      throw new IllegalArgumentException(
          days + " days ahead asked, " + (scenario.days() - first) + " laid out");
    }
    List<Posterior.Draw> draws = posterior.draws();
    Projection projection = new Projection(posterior, days, draws.size());
    TankSimulator simulator = TankSimulator.quick(scenario);
    TankState state = new TankState(scenario);
    Trace trace = new Trace(scenario);
    for (int i = 0; i < draws.size(); i++) {
      Posterior.Draw draw = draws.get(i);
      state.set(draw.state());
      simulator.run(state, first, first + days, draw.multipliers(), planned, trace);
      for (int p = scenario.probesKnown().size(); p < trace.probeNitrate.length; p++) {
        projection.nitrateAtProbe[p][i] = trace.probeNitrate[p];
        projection.phosphorusAtProbe[p][i] = trace.probePhosphorus[p];
      }
      for (int day = 0; day < days; day++) {
        projection.end[0][day][i] = trace.nitrate[first + day];
        projection.end[1][day][i] = trace.phosphorus[first + day];
        projection.high[0][day][i] = trace.nitrateHigh[first + day];
        projection.high[1][day][i] = trace.phosphorusHigh[first + day];
        projection.low[0][day][i] = trace.nitrateLow[first + day];
        projection.low[1][day][i] = trace.phosphorusLow[first + day];
      }
    }
    return projection;
  }

  public int days() {
    return end[0].length;
  }

  int draws() {
    return end[0].length == 0 ? 0 : end[0][0].length;
  }

  Scenario scenario() {
    return scenario;
  }

  Posterior posterior() {
    return posterior;
  }
}
