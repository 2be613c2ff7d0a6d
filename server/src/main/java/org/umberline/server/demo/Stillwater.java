package org.umberline.server.demo;

import java.time.LocalDate;
import org.umberline.core.tank.LogEntry;

/**
 * 190 L of cool fresh water, two axolotls fed chopped earthworm, a little moss, a sponge filter, a
 * tap with 8 mg/L nitrate. A change every second week is not enough since the ration went up, and
 * nitrate climbs towards the line. Colour cards, read a little strong.
 */
final class Stillwater extends InventedTank {
  Stillwater(LocalDate today) {
    super("stillwater.json", today, 270, 190);
  }

  @Override
  Truth truth() {
    return new Truth(0.92, 0.42, 0.012, 1, 1, 1, 15, 0.6);
  }

  @Override
  void layOutWork() {
    // Every second Saturday or so, one in seven missed; the last one eleven days ago.
    for (int daysAgo = 11 + 14 * 18; daysAgo >= 11; daysAgo -= 14) {
      int moved = daysAgo == 11 ? 0 : random.nextInt(3) - 1;
      boolean away = daysAgo < 125 && daysAgo > 104;
      boolean missed = daysAgo != 11 && (away || random.nextInt(7) == 0);
      double litres = 36 + random.nextInt(9);
      if (!missed) {
        changed(at(daysAgo + moved, 17, 30 + random.nextInt(29)), litres, 0.5);
      }
    }
    for (int daysAgo = 255; daysAgo > 5; daysAgo -= 27 + random.nextInt(8)) {
      log.add(new LogEntry.Harvest(at(daysAgo, 18, 40), "moss", 8 + random.nextInt(8), ""));
      log.add(new LogEntry.Clean(at(daysAgo - 3, 19, 5), "sponge", ""));
    }
    log.add(new LogEntry.Fast(at(118, 9, 0), 7, "Hall closed for the holiday"));
    noted(at(63, 21, 15), "power-cut", 1, "Power cut, about five hours, filter off");
    noted(at(30, 18, 50), "film-algae", 1, "Green film on the glass");
    log.add(new LogEntry.Feed(at(49, 19, 0), "worms", 4, "Open day, one feed more"));
  }

  /** Tests at uneven gaps, none while the hall was closed; the last one four days ago. */
  @Override
  void readTests() {
    int count = 0;
    for (int daysAgo = 264; daysAgo > 4; daysAgo -= 5 + random.nextInt(9)) {
      if (daysAgo < 119 && daysAgo > 106) {
        continue;
      }
      test("nitrate-card", daysAgo, 40, 1.03, 0.1);
      if (count++ % 2 == 0) {
        test("phosphate-card", daysAgo, 50, 1.03, 0.1);
      }
    }
    test("nitrate-card", 4, 40, 1.03, 0.1);
    test("phosphate-card", 4, 50, 1.03, 0.1);
  }
}
