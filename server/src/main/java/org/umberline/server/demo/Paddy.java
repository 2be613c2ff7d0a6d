package org.umberline.server.demo;

import java.time.LocalDate;
import java.util.OptionalDouble;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;

/**
 * A 54 L window tank of ricefish under emersed rice and floating fern. No change for months: what
 * is fed grows into plants, and the fern is thinned. Topped off from the tap, which brings what the
 * plants then have to take up as well.
 */
final class Paddy extends InventedTank {
  Paddy(LocalDate today) {
    super("paddy.json", today, 330, 54);
  }

  @Override
  Truth truth() {
    return new Truth(0.66, 0.86, 0.003, 1.3, 1, 1, 7, 0.3);
  }

  @Override
  void layOutWork() {
    for (int daysAgo : new int[] {322, 301, 279, 258}) {
      changed(at(daysAgo, 11, 10), 10 + random.nextInt(4), 0);
    }
    for (int daysAgo = 320; daysAgo > 3; daysAgo -= 12 + random.nextInt(8)) {
      boolean away = daysAgo < 112 && daysAgo > 92;
      if (!away) {
        log.add(new LogEntry.Harvest(at(daysAgo, 10, 20), "fern", 15 + random.nextInt(9), ""));
        if (random.nextInt(3) == 0) {
          log.add(new LogEntry.Harvest(at(daysAgo, 10, 30), "rice", 9 + random.nextInt(8), ""));
        }
      }
    }
    for (int daysAgo = 300; daysAgo > 8; daysAgo -= 38 + random.nextInt(12)) {
      log.add(new LogEntry.Clean(at(daysAgo, 10, 45), "sponge", ""));
    }
    log.add(
        new LogEntry.Trial(
            at(52, 9, 0), "Two hours less light", Analyte.NITRATE, 35, OptionalDouble.empty(), ""));
    log.add(new LogEntry.Fast(at(111, 9, 0), 9, "Hall closed for the holiday"));
    log.add(new LogEntry.Death(at(171, 9, 30), 0.6, 20, "one ricefish, old"));
    noted(at(63, 21, 20), "power-cut", 1, "Power cut, about five hours");
    noted(at(46, 10, 15), "pale-leaves", 1, "Rice a little pale at the tips");
  }

  @Override
  void readTests() {
    for (int daysAgo = 318; daysAgo > 9; daysAgo -= 9 + random.nextInt(11)) {
      if (daysAgo < 112 && daysAgo > 100) {
        continue;
      }
      test("nitrate-card", daysAgo, 10, 1, 0.1);
      if (random.nextInt(2) == 0) {
        test("phosphate-card", daysAgo, 20, 1, 0.1);
      }
    }
    test("nitrate-card", 9, 10, 1, 0.1);
    test("phosphate-card", 9, 20, 1, 0.1);
    read(Analyte.HARDNESS, at(72, 23, 30), 16);
    read(Analyte.HARDNESS, at(41, 23, 30), 18);
    read(Analyte.HARDNESS, at(9, 23, 30), 21);
    read(Analyte.DISSOLVED_SOLIDS, at(72, 23, 30), 415);
    read(Analyte.DISSOLVED_SOLIDS, at(41, 23, 30), 470);
    read(Analyte.DISSOLVED_SOLIDS, at(9, 23, 30), 540);
  }
}
