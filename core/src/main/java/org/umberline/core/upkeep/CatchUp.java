package org.umberline.core.upkeep;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.umberline.core.tank.Routine;

/**
 * What becomes of changes that were missed: the next one is done now, and the others are not added
 * to it. Common practice, no source.
 *
 * @param missed how many days of the rhythm passed without a change, today's not counted
 * @param since the first of them
 */
public record CatchUp(int missed, LocalDate since) {
  /** What was missed of {@code standing}; empty when nothing was. */
  public static Optional<CatchUp> of(Routine standing, LocalDate today) {
    if (!standing.nextOn().isBefore(today)) {
      return Optional.empty();
    }
    long late = ChronoUnit.DAYS.between(standing.nextOn(), today);
    int missed = 1 + (int) Math.floor((late - 1) / standing.everyDays());
    return Optional.of(new CatchUp(missed, standing.nextOn()));
  }
}
