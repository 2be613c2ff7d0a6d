package org.umberline.bench;

import java.time.LocalDate;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

/** A made-up planted tank with a year of log: a change a week, a hundred tests. */
final class SampleTank {
  static final LocalDate START = LocalDate.of(2025, 11, 25);
  static final int DAYS = 365;

  private SampleTank() {}

  static TankModel tank() {
    StringBuilder log = new StringBuilder();
    for (int week = 0; week < 52; week++) {
      LocalDate day = START.plusDays(week * 7L + 3);
      entry(log, day, 17, "\"type\": \"water-change\", \"litres\": 30");
      int nitrate = new int[] {10, 20, 20, 20, 40}[week % 5];
      entry(log, day, 16, test("nitrate", nitrate, "card"));
      if (week < 48) {
        entry(log, day, 16, test("phosphate", 0.4 + 0.05 * (week % 7), "meter"));
      }
    }
    log.setLength(log.length() - 1);
    try {
      return TankFileReader.read(FILE.formatted(log)).tank();
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
                 "steps": [0, 5, 10, 20, 40, 80]},
                {"id": "meter", "analyte": "phosphate", "method": "photometer",
                 "absoluteError": 0.02}],
       "log": [%s]}
      """;
}
