package org.umberline.core.tank;

import java.time.LocalDate;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * A course of medicine. While it runs nothing may take it out again; for some time after it the
 * water still holds some, and the filter may have suffered. Common practice, no source.
 *
 * @param to its last day
 */
public record MedicineCourse(String name, LocalDate from, LocalDate to) {
  /** Days after its end for which it still matters. Chosen. */
  private static final int MATTERS_DAYS = 14;

  private static Stream<MedicineCourse> all(TankModel tank) {
    return tank.log().stream()
        .filter(LogEntry.Medicine.class::isInstance)
        .map(LogEntry.Medicine.class::cast)
        .map(
            given -> {
              LocalDate from = tank.dayOf(given.at().toInstant());
              return new MedicineCourse(given.name(), from, from.plusDays(given.days() - 1));
            });
  }

  /** The course that runs on {@code day}, of several the one that ends last. */
  public static Optional<MedicineCourse> running(TankModel tank, LocalDate day) {
    return last(all(tank).filter(course -> !course.from.isAfter(day) && !course.to.isBefore(day)));
  }

  /** The course that ended lately, where none runs. */
  public static Optional<MedicineCourse> over(TankModel tank, LocalDate day) {
    return running(tank, day).isPresent()
        ? Optional.empty()
        : last(
            all(tank)
                .filter(course -> course.to.isBefore(day))
                .filter(course -> !course.to.isBefore(day.minusDays(MATTERS_DAYS))));
  }

  /** Whether there is medicine in the water of {@code day}, or may still be. */
  public static boolean inWater(TankModel tank, LocalDate day) {
    return running(tank, day).isPresent() || over(tank, day).isPresent();
  }

  private static Optional<MedicineCourse> last(Stream<MedicineCourse> courses) {
    return courses.reduce((a, b) -> b.to.isBefore(a.to) ? a : b);
  }
}
