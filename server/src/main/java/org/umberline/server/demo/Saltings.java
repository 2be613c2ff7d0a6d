package org.umberline.server.demo;

import java.time.LocalDate;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;

/**
 * 130 L of brackish water, figure puffers on snails and mussel, a sand bed of 12 cm that
 * denitrifies. Salinity is measured before changes and the mixed water is a little saltier than the
 * tank. A nitrate test of three weeks ago contradicts all that is known of the tank.
 */
final class Saltings extends InventedTank {
  Saltings(LocalDate today) {
    super("saltings.json", today, 240, 130);
  }

  @Override
  Truth truth() {
    return new Truth(0.95, 0.5, 0.01, 1, 1.1, 1, 18, 0.4);
  }

  @Override
  void layOutWork() {
    for (int daysAgo = 237; daysAgo > 5; daysAgo -= 7) {
      boolean away = daysAgo < 98 && daysAgo > 84;
      if (!away && random.nextInt(6) != 0) {
        int day = daysAgo - random.nextInt(2);
        read(Analyte.SALINITY, at(day, 18, 30), 8 + 0.1 * random.nextInt(7) - 0.3);
        changed(at(day, 19, random.nextInt(40)), 26 + random.nextInt(8), 0.3);
      }
    }
    for (int daysAgo = 225; daysAgo > 6; daysAgo -= 26 + random.nextInt(9)) {
      log.add(new LogEntry.Clean(at(daysAgo, 20, 5), "sponge", ""));
    }
    log.add(new LogEntry.Fast(at(97, 9, 0), 6, "Hall closed for the holiday"));
    log.add(
        new LogEntry.Death(at(128, 8, 15), 18, 10, "the smallest puffer, found in the morning"));
    noted(at(63, 21, 15), "power-cut", 1, "Power cut, about five hours, filter off");
  }

  @Override
  void readTests() {
    for (int daysAgo = 233; daysAgo > 26; daysAgo -= 6 + random.nextInt(7)) {
      if (daysAgo < 98 && daysAgo > 86) {
        continue;
      }
      test("nitrate-card", daysAgo, 10, 1, 0.1);
      if (random.nextInt(2) == 0) {
        test("phosphate-card", daysAgo, 20, 1, 0.1);
      }
    }
    test("nitrate-card", at(24, 20, 10), 110, "in a hurry, colour looked odd");
    test("nitrate-card", 22, 30, 1, 0.1);
    test("nitrate-card", 3, 10, 1, 0.1);
    test("phosphate-card", 3, 20, 1, 0.1);
  }
}
