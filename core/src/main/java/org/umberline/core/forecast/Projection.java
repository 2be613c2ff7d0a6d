package org.umberline.core.forecast;

import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
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
    int draws = posterior.draws().size();
    Projection projection = new Projection(posterior, days, draws);
    int parts = posterior.workers().parts(draws);
    posterior
        .workers()
        .run(
            parts,
            part ->
                projection.run(planned, days, draws * part / parts, draws * (part + 1) / parts));
    return projection;
  }

  /** Runs some of the draws; each writes to places of its own. */
  private void run(PlannedChanges planned, int days, int from, int to) {
    int first = scenario.asOfDay() + 1;
    TankSimulator simulator = TankSimulator.quick(scenario);
    TankState state = new TankState(scenario);
    Trace trace = new Trace(scenario);
    for (int i = from; i < to; i++) {
      Posterior.Draw draw = posterior.draws().get(i);
      state.set(draw.state());
      simulator.run(state, first, first + days, draw.multipliers(), planned, trace);
      for (int p = scenario.probesKnown().size(); p < trace.probeNitrate.length; p++) {
        nitrateAtProbe[p][i] = trace.probeNitrate[p];
        phosphorusAtProbe[p][i] = trace.probePhosphorus[p];
      }
      for (int day = 0; day < days; day++) {
        end[0][day][i] = trace.nitrate[first + day];
        end[1][day][i] = trace.phosphorus[first + day];
        high[0][day][i] = trace.nitrateHigh[first + day];
        high[1][day][i] = trace.phosphorusHigh[first + day];
        low[0][day][i] = trace.nitrateLow[first + day];
        low[1][day][i] = trace.phosphorusLow[first + day];
      }
    }
  }

  /** What a probe after the as-of day would find, mg/L of the ion. */
  public double atProbe(Nutrient nutrient, int probe, int draw) {
    return nutrient.ion(
        (nutrient == Nutrient.NITRATE ? nitrateAtProbe : phosphorusAtProbe)[probe][draw]);
  }

  /** The most within a day ahead, 0 being the day after as-of, mg of the element per litre. */
  public double high(Nutrient nutrient, int day, int draw) {
    return high[nutrient.ordinal()][day][draw];
  }

  /** The least within a day ahead, mg of the element per litre. */
  public double low(Nutrient nutrient, int day, int draw) {
    return low[nutrient.ordinal()][day][draw];
  }

  /** Median over the draws of the most within a day ahead, mg/L of the ion. */
  public double medianHigh(Nutrient nutrient, int day) {
    double[] levels = high[nutrient.ordinal()][day].clone();
    Quantiles.sort(levels);
    return nutrient.ion(Quantiles.of(levels, 0.5));
  }

  public int days() {
    return end[0].length;
  }

  public int draws() {
    return end[0].length == 0 ? 0 : end[0][0].length;
  }

  Scenario scenario() {
    return scenario;
  }

  Posterior posterior() {
    return posterior;
  }
}
