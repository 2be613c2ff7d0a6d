package org.umberline.core.tank;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/**
 * Animals kept apart in this tank. Nothing wet leaves it meanwhile, and its small filter is
 * watched. Common practice, no source.
 *
 * @param to its last day
 */
public record Quarantine(String who, LocalDate from, LocalDate to) implements Lasting {
  /** How long it lasts where nobody says. Common practice, no source. */
  public static final int USUAL_DAYS = 28;

  /** Ammonia is read as often while it lasts, days. Common practice, no source. */
  public static final int TEST_DAYS = 2;

  /** Days after its end for which it still matters. Chosen. */
  private static final int MATTERS_DAYS = 7;

  private static List<Quarantine> all(TankModel tank) {
    return tank.log().stream()
        .filter(LogEntry.Quarantine.class::isInstance)
        .map(LogEntry.Quarantine.class::cast)
        .map(
            begun -> {
              LocalDate from = tank.dayOf(begun.at().toInstant());
              return new Quarantine(begun.who(), from, from.plusDays(begun.days() - 1));
            })
        .toList();
  }

  /** The one that runs on {@code day}, of several the one that ends last. */
  public static Optional<Quarantine> running(TankModel tank, LocalDate day) {
    return Lasting.running(all(tank), day);
  }

  /** The one that ended lately, where none runs. */
  public static Optional<Quarantine> over(TankModel tank, LocalDate day) {
    return Lasting.over(all(tank), day, MATTERS_DAYS);
  }
}
