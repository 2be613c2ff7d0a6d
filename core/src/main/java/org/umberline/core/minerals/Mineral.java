package org.umberline.core.minerals;

import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.dosing.DoseCeilings;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/**
 * The balance of one thing that is dissolved, besides the two nutrients: what the tests show, what
 * comes with change and top-off water, where the routine lets it settle, and which share of water
 * brings it to what is wanted. All in the analyte's standard unit; a mass balance, nothing learned.
 *
 * @param wanted what the water shall hold; empty where nobody said
 * @param source what the change water holds; empty where that isn't known
 * @param topOffPerDay what top-off water adds a day
 * @param gainPerDay what the water gains a day without a change or a noted salt, negative where it
 *     loses; empty where it isn't known
 * @param settles where the routine lets it settle, noted salts going on; empty without a routine,
 *     source or rate
 * @param shareNow the share that brings it to what is wanted at once, 0..1; empty where the change
 *     water can't, or nothing is wanted
 * @param shareToHold the least share, at the routine's interval, that keeps it from falling under
 *     what is wanted; empty where the change water can't, or nothing is used
 */
public record Mineral(
    Analyte analyte,
    Optional<Course> course,
    OptionalDouble wanted,
    OptionalDouble source,
    double topOffPerDay,
    OptionalDouble gainPerDay,
    Optional<Settled> settles,
    OptionalDouble shareNow,
    OptionalDouble shareToHold) {
  /**
   * Calcium and magnesium of sea water of 35 ppt, mg/L: 0.4121 and 1.2837 g/kg (reference
   * composition, Millero et al. 2008, from memory) at 1.0233 kg/L. Salt mixes are taken to hold the
   * sea's proportions; labels differ.
   */
  static final double SEA_CALCIUM_MG_L = 420;

  static final double SEA_MAGNESIUM_MG_L = 1310;
  private static final double SEA_PPT = 35;

  private static final Map<Analyte, Course.Content> CONTENTS =
      Map.of(
          Analyte.ALKALINITY,
          SourceWater::alkalinityDkh,
          Analyte.HARDNESS,
          SourceWater::hardnessDgh,
          Analyte.SALINITY,
          water -> OptionalDouble.of(water.salinityPpt().orElse(0)),
          Analyte.SILICATE,
          SourceWater::silicateMgL,
          Analyte.DISSOLVED_SOLIDS,
          SourceWater::dissolvedSolidsMgL,
          Analyte.CALCIUM,
          water -> OptionalDouble.of(seaShare(water) * SEA_CALCIUM_MG_L),
          Analyte.MAGNESIUM,
          water -> OptionalDouble.of(seaShare(water) * SEA_MAGNESIUM_MG_L));

  /** What a water holds of {@code analyte}. */
  static Course.Content contentOf(Analyte analyte) {
    return CONTENTS.get(analyte);
  }

  private static double seaShare(SourceWater water) {
    return water.salinityPpt().orElse(0) / SEA_PPT;
  }

  /** Closer than this share of itself a level is as wanted. Chosen. */
  private static final double NEAR = 0.03;

  /** Where a routine lets it settle: just before and just after a change. */
  public record Settled(double before, double after) {
    /**
     * Gains {@code perDay} (less than zero: loses) against changes with water of {@code source}.
     */
    static Settled of(double source, double perDay, Routine routine) {
      double gained = perDay * routine.everyDays() / routine.fraction();
      return new Settled(source + gained, source + gained * (1 - routine.fraction()));
    }
  }

  /**
   * @param wanted what its keeper wants, or empty for what the tank is said to hold
   * @param usedWithoutTests what is used a day where the tests don't tell; empty where nobody knows
   */
  public static Mineral of(
      TankModel tank,
      Analyte analyte,
      OptionalDouble wanted,
      OptionalDouble usedWithoutTests,
      Instant now) {
    Course.Content content = CONTENTS.get(analyte);
    Optional<Course> course = Course.of(tank, analyte, content, now);
    OptionalDouble target = wanted.isPresent() ? wanted : usual(tank, analyte);
    OptionalDouble source =
        tank.changeWater().parts().isEmpty()
            ? OptionalDouble.of(0)
            : tank.blended(tank.changeWater(), content::of);
    double topOff = topOffPerDay(tank, content);
    OptionalDouble gain = gain(course.filter(Course::isTold), topOff, usedWithoutTests);
    Optional<Routine> routine = tank.routine().filter(r -> r.fraction() > 0);
    Optional<Settled> settles =
        routine
            .filter(r -> source.isPresent() && gain.isPresent())
            .map(
                r ->
                    Settled.of(
                        source.getAsDouble(),
                        gain.getAsDouble() + course.map(Course::givenPerDay).orElse(0.0),
                        r));
    return new Mineral(
        analyte,
        course,
        target,
        source,
        topOff,
        gain,
        settles,
        target.isPresent() && source.isPresent() && course.isPresent()
            ? shareNow(course.get().stands(), target.getAsDouble(), source.getAsDouble())
            : OptionalDouble.empty(),
        target.isPresent() && source.isPresent() && gain.isPresent() && routine.isPresent()
            ? shareToHold(
                target.getAsDouble(),
                source.getAsDouble(),
                gain.getAsDouble(),
                routine.get().everyDays())
            : OptionalDouble.empty());
  }

  private static OptionalDouble gain(
      Optional<Course> told, double topOff, OptionalDouble usedWithoutTests) {
    if (told.isPresent()) {
      return OptionalDouble.of(-told.get().lostPerDay().getAsDouble());
    }
    return usedWithoutTests.isPresent() || topOff > 0
        ? OptionalDouble.of(topOff - usedWithoutTests.orElse(0))
        : OptionalDouble.empty();
  }

  /** What top-off water adds a day, in the content's unit: what it holds stays in the tank. */
  static double topOffPerDay(TankModel tank, Course.Content content) {
    return tank.topOff().litresPerDay()
        / tank.netVolumeL()
        * tank.blended(tank.topOff().water(), content::of).orElse(0);
  }

  private static OptionalDouble usual(TankModel tank, Analyte analyte) {
    return switch (analyte) {
      case ALKALINITY ->
          tank.alkalinityDkh().isEmpty() && tank.water() == WaterKind.MARINE
              ? DoseCeilings.usualMarine(analyte)
              : tank.alkalinityDkh();
      case SALINITY -> OptionalDouble.of(tank.salinityPpt());
      case CALCIUM, MAGNESIUM ->
          tank.water() == WaterKind.MARINE
              ? DoseCeilings.usualMarine(analyte)
              : OptionalDouble.empty();
      default -> OptionalDouble.empty();
    };
  }

  private static OptionalDouble shareNow(double level, double wanted, double source) {
    double share = (wanted - level) / (source - level);
    boolean near = Math.abs(wanted - level) <= NEAR * Math.max(wanted, level);
    return !near && share > 0 && share <= 1 ? OptionalDouble.of(share) : OptionalDouble.empty();
  }

  /** The level just before a change is source + gain T / f; with a loss that is the lowest. */
  private static OptionalDouble shareToHold(
      double wanted, double source, double gain, double everyDays) {
    double share = -gain * everyDays / (source - wanted);
    return gain < 0 && share > 0 && share <= 1 ? OptionalDouble.of(share) : OptionalDouble.empty();
  }

  /**
   * What has to be dosed a day to keep it where it is wanted, beside what the routine's changes
   * bring; empty where nothing has, or where that isn't known.
   *
   * @param trifle less than this a day isn't worth a spoon
   */
  public OptionalDouble doseToHoldPerDay(TankModel tank, double trifle) {
    if (gainPerDay.isEmpty() || wanted.isEmpty()) {
      return OptionalDouble.empty();
    }
    double brought =
        tank.routine().isPresent() && source.isPresent()
            ? (source.getAsDouble() - wanted.getAsDouble())
                * tank.routine().get().fraction()
                / tank.routine().get().everyDays()
            : 0;
    double dose = -gainPerDay.getAsDouble() - brought;
    return dose > trifle ? OptionalDouble.of(dose) : OptionalDouble.empty();
  }

  /** Whether the last reading is as wanted, as far as a kit shows. */
  public boolean isAsWanted() {
    return wanted.isPresent()
        && course.isPresent()
        && Math.abs(course.get().stands() - wanted.getAsDouble())
            <= NEAR * Math.max(wanted.getAsDouble(), course.get().stands());
  }

  /** Whether there is anything to say of it: a test, or a water that is known to hold some. */
  public boolean isKnown() {
    return course.isPresent() || source.orElse(0) > 0 || topOffPerDay > 0;
  }
}
