package org.umberline.core.tank;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * A course of medicine. While it runs nothing may take it out again; for some time after it the
 * water still holds some, and the filter may have suffered. Common practice, no source.
 *
 * @param to its last day
 */
public record MedicineCourse(String name, LocalDate from, LocalDate to) implements Lasting {
  /** Days after its end for which it still matters. Chosen. */
  private static final int MATTERS_DAYS = 14;

  private static List<MedicineCourse> all(TankModel tank) {
    return tank.log().stream()
        .filter(LogEntry.Medicine.class::isInstance)
        .map(LogEntry.Medicine.class::cast)
        .map(
            given -> {
              LocalDate from = tank.dayOf(given.at().toInstant());
              return new MedicineCourse(given.name(), from, from.plusDays(given.days() - 1));
            })
        .toList();
  }

  /** The course that runs on {@code day}, of several the one that ends last. */
  public static Optional<MedicineCourse> running(TankModel tank, LocalDate day) {
    return Lasting.running(all(tank), day);
  }

  /** The course that ended lately, where none runs. */
  public static Optional<MedicineCourse> over(TankModel tank, LocalDate day) {
    return Lasting.over(all(tank), day, MATTERS_DAYS);
  }

  /** Whether there is medicine in the water of {@code day}, or may still be. */
  public static boolean inWater(TankModel tank, LocalDate day) {
    return running(tank, day).isPresent() || over(tank, day).isPresent();
  }
}
