package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.function.IntFunction;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;

/** Runs a tank's past for one point of its unknowns after another. Not thread-safe. */
final class PastRuns {
  private final Scenario scenario;
  private final Parameters parameters;
  private final Workers workers;
  private final Progress progress;
  private final TankSimulator simulator;
  private final List<LogEntry.Test> tests;
  private final double[] perElement;
  private final Multipliers multipliers;
  private final TankState state;
  private final Trace trace;
  private final double[] atTests;

  PastRuns(Scenario scenario, Parameters parameters, Workers workers, Progress progress) {
    this.workers = workers;
    this.scenario = scenario;
    this.parameters = parameters;
    this.progress = progress;
    simulator = TankSimulator.quick(scenario);
    tests = scenario.probesKnown();
    perElement = tests.stream().mapToDouble(test -> perElement(test.analyte())).toArray();
    multipliers = parameters.fresh();
    state = new TankState(scenario);
    trace = new Trace(scenario);
    atTests = new double[tests.size()];
  }

  /** How much of the analyte's standard unit 1 mg/L of its element is. */
  private static double perElement(Analyte analyte) {
    Nitrogen nitrogen = new Nitrogen(1);
    return switch (analyte) {
      case AMMONIA -> Ammonia.of(nitrogen).mgPerLitre();
      case NITRITE -> Nitrite.of(nitrogen).mgPerLitre();
      case PHOSPHATE -> Phosphate.of(new Phosphorus(1)).mgPerLitre();
      default -> Nitrate.of(nitrogen).mgPerLitre();
    };
  }

  /** A run with all it left behind. */
  Outcome outcome(double[] z) {
    Multipliers own = parameters.fresh();
    TankState start = new TankState(scenario);
    parameters.apply(z, own, start);
    TankState end = start.copy();
    run(end, own);
    int past = scenario.asOfDay() + 1;
    return new Outcome(
        z,
        start,
        end,
        own,
        Arrays.copyOf(trace.nitrate, past),
        Arrays.copyOf(trace.phosphorus, past),
        atTests.clone());
  }

  /** Concentrations at the tests, in each analyte's standard unit; valid until the next run. */
  double[] atTests(double[] z) {
    parameters.apply(z, multipliers, state);
    run(state, multipliers);
    return atTests;
  }

  private void run(TankState from, Multipliers with) {
    simulator.run(from, 0, scenario.asOfDay() + 1, with, PlannedChanges.NONE, trace);
    for (int i = 0; i < atTests.length; i++) {
      double element =
          switch (tests.get(i).analyte()) {
            case AMMONIA -> trace.probeAmmonia[i];
            case NITRITE -> trace.probeNitrite[i];
            case PHOSPHATE -> trace.probePhosphorus[i];
            default -> trace.probeNitrate[i];
          };
      atTests[i] = perElement[i] * element;
    }
  }

  /**
   * The runs of many draws, on all processors; a point that is drawn several times is run once.
   *
   * @param before share of all work done before
   * @param share of all work this is
   */
  List<Outcome> at(double[][] draws, double before, double share) {
    Distinct distinct = Distinct.of(draws);
    return distinct.byDraw(
        sideBySide(distinct.count(), before, share, own -> i -> own.outcome(distinct.points()[i])));
  }

  /**
   * Does many runs on all processors. Each part has a tank of its own to run, and nothing in a
   * result depends on which part made it.
   *
   * @param before share of all work done before
   * @param share of all work this is
   * @param work asked once for each part, with the runs that are its own; gives the run of a number
   */
  List<Outcome> sideBySide(
      int count, double before, double share, Function<PastRuns, IntFunction<Outcome>> work) {
    Outcome[] results = new Outcome[count];
    int parts = workers.parts(count);
    workers.run(
        parts,
        part -> {
          PastRuns worker =
              parts == 1 ? this : new PastRuns(scenario, parameters, workers, Progress.NONE);
          IntFunction<Outcome> own = work.apply(worker);
          for (int i = part; i < count; i += parts) {
            results[i] = own.apply(i);
            if (part == 0) {
              progress.done(before + share * i / count);
            }
          }
        });
    return List.of(results);
  }
}
