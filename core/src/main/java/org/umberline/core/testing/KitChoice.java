package org.umberline.core.testing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.judging.KitPower;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.TankModel;

/**
 * Whether one of the keeper's kits answers what he asks of a nutrient: is it under its limit, and
 * over its lower one. A quick kit that is good enough is better than a precise slow one, because it
 * gets used (common practice, no source).
 *
 * @param kit the quickest that answers it, or the best there is; empty without one
 * @param smallest difference that it shows at the limit, mg/L; zero without a kit
 * @param needed difference that has to be seen there, mg/L
 * @param minutes that a test with it takes to wait; zero without a kit
 */
public record KitChoice(
    Nutrient nutrient,
    Optional<Kit> kit,
    Verdict verdict,
    double smallest,
    double needed,
    double minutes) {
  /** A quarter of the limit has to be told apart from it. Chosen. */
  private static final double TOLD_APART = 0.25;

  /** Above a limit a kit has to read so far. Chosen. */
  private static final double ABOVE_LIMIT = 1.2;

  /** What a kit is worth here. */
  public enum Verdict {
    /** There is none. */
    NONE,
    /** It answers the question. */
    ENOUGH,
    /** Its range or card ends before the limit does. */
    ENDS_TOO_LOW,
    /** It can't tell the lower limit from nothing. */
    BEGINS_TOO_HIGH,
    /** Its steps or its error are too wide. */
    TOO_COARSE
  }

  /** One for each nutrient with a limit. */
  public static List<KitChoice> of(TankModel tank) {
    List<KitChoice> choices = new ArrayList<>();
    for (Nutrient nutrient : Nutrient.values()) {
      OptionalDouble ceiling = nutrient.line(tank.lines()).ceilingMgL();
      if (ceiling.isPresent()) {
        double floor = nutrient.line(tank.lines()).floorMgL().orElse(0);
        choices.add(best(tank, nutrient, ceiling.getAsDouble(), floor));
      }
    }
    return List.copyOf(choices);
  }

  private static KitChoice best(TankModel tank, Nutrient nutrient, double ceiling, double floor) {
    List<KitChoice> all =
        tank.kits().stream()
            .filter(kit -> kit.analyte() == nutrient.analyte())
            .map(kit -> of(kit, nutrient, ceiling, floor))
            .toList();
    return all.stream()
        .filter(choice -> choice.verdict == Verdict.ENOUGH)
        .min(Comparator.comparingDouble(KitChoice::minutes))
        .or(() -> all.stream().min(Comparator.comparingDouble(KitChoice::smallest)))
        .orElse(
            new KitChoice(nutrient, Optional.empty(), Verdict.NONE, 0, TOLD_APART * ceiling, 0));
  }

  private static KitChoice of(Kit kit, Nutrient nutrient, double ceiling, double floor) {
    double smallest = KitPower.smallestDifference(kit, ceiling);
    double needed = TOLD_APART * ceiling;
    Verdict verdict =
        top(kit) < ABOVE_LIMIT * ceiling
            ? Verdict.ENDS_TOO_LOW
            : floor > 0 && bottom(kit) > floor
                ? Verdict.BEGINS_TOO_HIGH
                : smallest > needed ? Verdict.TOO_COARSE : Verdict.ENOUGH;
    return new KitChoice(
        nutrient, Optional.of(kit), verdict, smallest, needed, KitSteps.usualMinutes(kit));
  }

  /** The highest it reads, in the analyte's standard unit. */
  private static double top(Kit kit) {
    double most =
        kit.method() == KitMethod.COLOUR_CARD && !kit.steps().isEmpty()
            ? kit.steps().get(kit.steps().size() - 1)
            : kit.max().orElse(Double.POSITIVE_INFINITY);
    return most * kit.unit().standardPerUnit();
  }

  /** The least that it tells from nothing, in the analyte's standard unit. */
  private static double bottom(Kit kit) {
    double least =
        kit.method() == KitMethod.COLOUR_CARD
            ? kit.steps().stream().filter(step -> step > 0).findFirst().orElse(0.0)
            : kit.min().orElse(0);
    return least * kit.unit().standardPerUnit();
  }
}
