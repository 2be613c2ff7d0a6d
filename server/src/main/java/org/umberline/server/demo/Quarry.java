package org.umberline.server.demo;

import java.time.LocalDate;
import org.umberline.core.tank.LogEntry;

/**
 * 75 L, five weeks old, first fed without animals, white-cloud minnows in for six days: ammonia has
 * come down, nitrite not for sure, and little is measured yet.
 */
final class Quarry extends InventedTank {
  Quarry(LocalDate today) {
    super("quarry.json", today, 35, 75);
  }

  @Override
  Truth truth() {
    return new Truth(0.9, 0.8, 0.01, 1, 1, 2, 8, 0.3);
  }

  @Override
  void layOutWork() {
    noted(at(33, 12, 0), "note", 0, "Filled, filter running, fed without animals");
    log.add(new LogEntry.Fast(at(20, 9, 0), 2, "Hall closed over the weekend"));
    noted(at(18, 21, 15), "power-cut", 1, "Power cut, two hours, filter off");
    noted(at(6, 16, 0), "note", 0, "Eight minnows in");
    log.add(new LogEntry.Death(at(4, 8, 0), 0.9, 8, "one minnow, the day after the journey"));
  }

  @Override
  void readTests() {
    for (int daysAgo : new int[] {29, 24, 19, 15, 12, 8, 4}) {
      test("ammonia-card", daysAgo, 5, 1, 0.1);
      test("nitrite-card", daysAgo, 15, 1, 0.1);
    }
    test("nitrate-card", 15, 25, 1, 0.1);
    test("nitrate-card", 8, 25, 1, 0.1);
  }
}
