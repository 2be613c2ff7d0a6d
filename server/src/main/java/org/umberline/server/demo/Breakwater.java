package org.umberline.server.demo;

import java.time.LocalDate;
import java.util.OptionalDouble;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;

/**
 * 320 L of sea water, seahorses on strained frozen shrimp three times a day, skimmer, macroalgae in
 * a refugium, phosphate adsorber in a reactor. The adsorber wears out between renewals and
 * phosphate springs back from rock after changes; photometers that are often out of range.
 */
final class Breakwater extends InventedTank {
  Breakwater(LocalDate today) {
    super("breakwater.json", today, 400, 320);
  }

  @Override
  Truth truth() {
    return new Truth(0.9, 1.1, 0.01, 1.1, 1, 1, 14, 0.3);
  }

  @Override
  void layOutWork() {
    for (int daysAgo = 397; daysAgo > 4; daysAgo -= 7) {
      boolean away = daysAgo < 212 && daysAgo > 196;
      if (!away && random.nextInt(8) != 0) {
        changed(
            at(daysAgo + random.nextInt(2), 15, random.nextInt(50)), 28 + random.nextInt(9), 0.2);
      }
    }
    for (int daysAgo = 392; daysAgo > 5; daysAgo -= 13 + random.nextInt(4)) {
      log.add(new LogEntry.Harvest(at(daysAgo, 16, 10), "refugium", 170 + random.nextInt(80), ""));
    }
    for (int daysAgo = 398; daysAgo > 1; daysAgo -= 3 + random.nextInt(2)) {
      log.add(
          new LogEntry.Clean(
              at(daysAgo, 8, 30),
              "skimmer",
              // its keeper began to measure the cup this month
              daysAgo < 30 ? OptionalDouble.of(240 + daysAgo * 37 % 120) : OptionalDouble.empty(),
              ""));
    }
    // the last bag of medium has been in for seven weeks
    for (int daysAgo : new int[] {365, 331, 290, 262, 219, 184, 151, 117, 84, 49}) {
      log.add(new LogEntry.Renew(at(daysAgo, 15, 55), "adsorber", 40, ""));
    }
    log.add(new LogEntry.Fast(at(211, 9, 0), 3, "Feeder failed during the holiday"));
    log.add(new LogEntry.Death(at(140, 7, 50), 4, 30, "a cleaner shrimp behind the rock"));
    noted(at(63, 21, 15), "power-cut", 2, "Power cut, about five hours, pumps off");
    noted(at(25, 17, 0), "film-algae", 1, "Brown film on the glass again");
  }

  @Override
  void readTests() {
    for (int daysAgo = 396; daysAgo > 3; daysAgo -= 4 + random.nextInt(4)) {
      if (daysAgo < 212 && daysAgo > 197) {
        continue;
      }
      test("phosphorus-meter", daysAgo, 5, 1, 0.05);
      if (random.nextInt(3) != 0) {
        test("nitrate-meter", daysAgo, 15, 1.04, 0.08);
      }
    }
    double[] alkalinity = {8.3, 8.2, 8.0, 7.9, 7.9, 7.7, 7.6, 7.4};
    for (int i = 0; i < alkalinity.length; i++) {
      read(Analyte.ALKALINITY, at(3 + 7 * (alkalinity.length - 1 - i), 9, 20), alkalinity[i]);
    }
    double[] calcium = {428, 424, 421, 416, 414};
    for (int i = 0; i < calcium.length; i++) {
      read(Analyte.CALCIUM, at(3 + 14 * (calcium.length - 1 - i), 9, 30), calcium[i]);
    }
    read(Analyte.MAGNESIUM, at(31, 9, 40), 1310);
    read(Analyte.MAGNESIUM, at(3, 9, 40), 1290);
    double[] salinity = {34.6, 34.9, 35.4, 35.9};
    for (int i = 0; i < salinity.length; i++) {
      read(Analyte.SALINITY, at(3 + 14 * (salinity.length - 1 - i), 9, 10), salinity[i]);
    }
    test("phosphorus-meter", 3, 5, 1, 0.05);
    test("nitrate-meter", 3, 15, 1.04, 0.08);
  }
}
