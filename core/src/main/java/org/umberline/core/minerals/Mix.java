package org.umberline.core.minerals;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * Two of the keeper's waters mixed to change water that holds something where it is wanted, as the
 * routine goes. A mass balance.
 *
 * @param most the water that holds more of it
 * @param share of that, 0..1, to a twentieth
 * @param least the water that holds less
 * @param holds what the mix holds, in the analyte's standard unit
 * @param settles the middle of what the tank then swings between; empty where that isn't known
 */
public record Mix(
    SourceWater most, double share, SourceWater least, double holds, OptionalDouble settles) {
  /** Nobody measures a finer share of a barrel. Chosen. */
  private static final double STEPS = 20;

  /** Waters that lie closer, against the larger, make no mix worth the work. Chosen. */
  private static final double ALIKE = 0.1;

  /** Two waters are of one salinity when they are within this, ppt. Chosen. */
  private static final double SAME_PPT = 1;

  /** Empty where nothing is wanted, or no two waters of the tank's salinity enclose it. */
  public static Optional<Mix> of(TankModel tank, Mineral mineral) {
    Course.Content content = Mineral.contentOf(mineral.analyte());
    List<SourceWater> waters =
        tank.waters().stream()
            .filter(water -> content.of(water).isPresent())
            .filter(
                water -> Math.abs(water.salinityPpt().orElse(0) - tank.salinityPpt()) <= SAME_PPT)
            .sorted(Comparator.comparingDouble(water -> content.of(water).getAsDouble()))
            .toList();
    if (waters.size() < 2 || mineral.wanted().isEmpty()) {
      return Optional.empty();
    }
    SourceWater least = waters.get(0);
    SourceWater most = waters.get(waters.size() - 1);
    double low = content.of(least).getAsDouble();
    double high = content.of(most).getAsDouble();
    Optional<Routine> routine = tank.routine().filter(r -> r.fraction() > 0);
    double gained = routine.isPresent() ? gained(mineral, routine.get()) : 0;
    double share =
        Math.rint(STEPS * (mineral.wanted().getAsDouble() - gained - low) / (high - low)) / STEPS;
    if (high - low <= ALIKE * high || share < 0 || share > 1) {
      return Optional.empty();
    }
    double holds = low + share * (high - low);
    return Optional.of(
        new Mix(
            most,
            share,
            least,
            holds,
            routine.isPresent() && mineral.gainPerDay().isPresent()
                ? OptionalDouble.of(holds + gained)
                : OptionalDouble.empty()));
  }

  /** By how much the middle of the swing lies over the change water, noted salts going on. */
  private static double gained(Mineral mineral, Routine routine) {
    double perDay =
        mineral.gainPerDay().orElse(0) + mineral.course().map(Course::givenPerDay).orElse(0.0);
    Mineral.Settled over = Mineral.Settled.of(0, perDay, routine);
    return (over.before() + over.after()) / 2;
  }
}
