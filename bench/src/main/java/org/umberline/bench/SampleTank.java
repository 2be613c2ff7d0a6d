package org.umberline.bench;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.Random;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

/** A made-up planted tank with a year of log: a change a week, a hundred tests. */
final class SampleTank {
  static final LocalDate START = LocalDate.of(2025, 11, 25);
  static final int DAYS = 365;

  private SampleTank() {}

  /** The tank with tests read off a run of it, by kits with errors; the same every time. */
  static TankModel tank() {
    StringBuilder log = new StringBuilder();
    for (int week = 0; week < 52; week++) {
      LocalDate day = START.plusDays(week * 7L + 3);
      entry(log, day, 17, "\"type\": \"water-change\", \"litres\": 30");
    }
    TankModel untested = read(log);
    Scenario scenario = Scenario.of(untested, START, START.plusDays(DAYS), 0);
    Multipliers truth = scenario.multipliers();
    Arrays.fill(truth.nitrogenLoad, 1.2);
    Arrays.fill(truth.phosphorusLoad, 0.7);
    TankState state = new TankState(scenario);
    scenario.start(state, truth, 4, 0.15);
    Trace trace = new Trace(scenario);
    new TankSimulator(scenario).run(state, 0, scenario.days(), truth, PlannedChanges.NONE, trace);
    Random random = new Random(5);
    for (int week = 0; week < 52; week++) {
      LocalDate day = START.plusDays(week * 7L + 2);
      double nitrate = Nutrient.NITRATE.ion(trace.nitrate[week * 7 + 2]);
      entry(log, day, 23, test("nitrate", nearest(nitrate * (1 + error(random))), "card"));
      if (week < 48) {
        double phosphate = Nutrient.PHOSPHATE.ion(trace.phosphorus[week * 7 + 2]);
        double shown = Math.rint(100 * phosphate * (1 + error(random))) / 100;
        entry(log, day, 23, test("phosphate", shown, "meter"));
      }
    }
    return read(log);
  }

  private static double error(Random random) {
    return 0.07 * random.nextGaussian();
  }

  private static double nearest(double value) {
    double nearest = 0;
    for (double step : new double[] {0, 3, 8, 15, 30, 60, 100}) {
      nearest = Math.abs(step - value) < Math.abs(nearest - value) ? step : nearest;
    }
    return nearest;
  }

  private static TankModel read(StringBuilder log) {
    try {
      return TankFileReader.read(FILE.formatted(log.substring(0, log.length() - 1))).tank();
    } catch (TankFileException e) {
      throw new IllegalStateException(e);
    }
  }

  private static void entry(StringBuilder log, LocalDate day, int hour, String rest) {
    log.append("{\"at\": \"%sT%d:00:00Z\", %s},".formatted(day, hour, rest));
  }

  private static String test(String analyte, double value, String kit) {
    return "\"type\": \"test\", \"analyte\": \"%s\", \"value\": %s, \"kit\": \"%s\""
        .formatted(analyte, value, kit);
  }

  private static final String FILE =
      """
      {"format": "umberline-tank", "version": 1,
       "tank": {"name": "Bench", "water": "freshwater", "netVolumeL": 150, "startedOn": "2025-01-01"},
       "lines": {"nitrate": {"ceilingMgL": 40}, "phosphate": {"ceilingMgL": 2}},
       "waters": [{"id": "tap", "nitrateMgL": 6, "phosphateMgL": 0.2}],
       "changeWater": [{"water": "tap", "share": 1}],
       "foods": [{"id": "flake", "form": "dry"}],
       "feeding": [{"food": "flake", "gramsPerFeed": 0.8}],
       "plants": [{"id": "stems", "kind": "fast-stems", "wetMassG": 60},
                  {"id": "moss", "kind": "moss", "wetMassG": 30}],
       "kits": [{"id": "card", "analyte": "nitrate", "method": "colour-card",
                 "steps": [0, 3, 8, 15, 30, 60, 100]},
                {"id": "meter", "analyte": "phosphate", "method": "photometer",
                 "absoluteError": 0.02}],
       "log": [%s]}
      """;
}
