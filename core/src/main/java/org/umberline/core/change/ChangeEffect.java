package org.umberline.core.change;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.chemistry.AmmoniaSpeciation;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.judging.KitPower;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;

/**
 * What one change does: levels before and after, what it does too much of, and the test that would
 * show it. Nitrate and phosphate in mg/L of the ion, salinity in ppt, alkalinity in dKH where tank
 * and water state it, ammonia in mg/L NH3 that the water brings.
 *
 * @param told the test that would show something, where the kit can see what is in question
 */
public record ChangeEffect(
    double nitrateBefore,
    double nitrate,
    double phosphateBefore,
    double phosphate,
    double salinityBefore,
    double salinity,
    OptionalDouble alkalinityBefore,
    OptionalDouble alkalinity,
    double ammonia,
    double freeAmmonia,
    List<Warning> warnings,
    Optional<Told> told) {
  /** Free ammonia above which harm is done, mg/L NH3. Common practice, no source. */
  public static final double HARMFUL_FREE_AMMONIA = 0.02;

  /** Days after a change until a test tells whether phosphate came back. Common practice. */
  public static final int SPRINGS_BACK_DAYS = 3;

  private static final double ROUNDING = 1e-9;

  /** Concentrations in mg/L of the ion. */
  public record Levels(
      double nitrate, double phosphate, double sourceNitrate, double sourcePhosphate) {}

  /** What a change does too much of. */
  public enum Excess {
    /** Larger than the largest single change; the limit is that share. */
    SHARE,
    NITRATE_STEP,
    SALINITY_STEP,
    ALKALINITY_STEP,
    /** Free ammonia that the water brings, mg/L NH3. */
    FREE_AMMONIA,
    /** The water holds more of it than the tank. */
    RAISES_NITRATE,
    RAISES_PHOSPHATE
  }

  /**
   * @param value what it comes to, in the unit of its kind
   * @param limit what is allowed
   */
  public record Warning(Excess excess, double value, double limit) {}

  /**
   * @param daysFrom days after the change on which a reading tells
   */
  public record Told(Nutrient nutrient, int daysFrom) {}

  public ChangeEffect {
    warnings = List.copyOf(warnings);
  }

  /**
   * @param fraction of the net volume, over 0 to 1
   * @param blend what is poured in
   * @param levels nitrate and phosphate of tank and change water as they are believed to be now
   */
  public static ChangeEffect of(
      TankModel tank, Care care, double fraction, Blend blend, Levels levels) {
    ChangeWater water = new ChangeWater(tank, blend);
    double added =
        tank.salinityPpt() > 0
            ? Math.max(tank.salinityPpt(), water.salinityPpt())
            : water.salinityPpt();
    OptionalDouble alkalinity = water.alkalinityDkh();
    double ammonia =
        fraction * (water.ammoniaMgL() + water.tapShare() * care.chloramineMgL().orElse(0));
    ChangeEffect effect =
        new ChangeEffect(
            levels.nitrate,
            mixed(fraction, levels.nitrate, levels.sourceNitrate),
            levels.phosphate,
            mixed(fraction, levels.phosphate, levels.sourcePhosphate),
            tank.salinityPpt(),
            mixed(fraction, tank.salinityPpt(), added),
            tank.alkalinityDkh(),
            tank.alkalinityDkh().isPresent() && alkalinity.isPresent()
                ? OptionalDouble.of(
                    mixed(fraction, tank.alkalinityDkh().getAsDouble(), alkalinity.getAsDouble()))
                : OptionalDouble.empty(),
            ammonia,
            ammonia * AmmoniaSpeciation.freeShare(tank.pH(), tank.temperatureC()),
            List.of(),
            Optional.empty());
    return effect.with(effect.excesses(tank, fraction), effect.telling(tank));
  }

  private static double mixed(double fraction, double tankLevel, double sourceLevel) {
    return (1 - fraction) * tankLevel + fraction * sourceLevel;
  }

  private ChangeEffect with(List<Warning> found, Optional<Told> test) {
    return new ChangeEffect(
        nitrateBefore,
        nitrate,
        phosphateBefore,
        phosphate,
        salinityBefore,
        salinity,
        alkalinityBefore,
        alkalinity,
        ammonia,
        freeAmmonia,
        found,
        test);
  }

  private List<Warning> excesses(TankModel tank, double fraction) {
    List<Warning> found = new ArrayList<>();
    if (fraction > tank.limits().maxChangeFraction() + ROUNDING) {
      found.add(new Warning(Excess.SHARE, fraction, tank.limits().maxChangeFraction()));
    }
    step(found, Excess.NITRATE_STEP, nitrateBefore - nitrate, tank.limits().maxNitrateStepMgL());
    step(
        found, Excess.SALINITY_STEP, salinityBefore - salinity, tank.limits().maxSalinityStepPpt());
    if (alkalinity.isPresent()) {
      step(
          found,
          Excess.ALKALINITY_STEP,
          alkalinityBefore.getAsDouble() - alkalinity.getAsDouble(),
          tank.limits().maxAlkalinityStepDkh());
    }
    if (freeAmmonia > HARMFUL_FREE_AMMONIA) {
      found.add(new Warning(Excess.FREE_AMMONIA, freeAmmonia, HARMFUL_FREE_AMMONIA));
    }
    if (nitrate > nitrateBefore) {
      found.add(new Warning(Excess.RAISES_NITRATE, nitrate, nitrateBefore));
    }
    if (phosphate > phosphateBefore) {
      found.add(new Warning(Excess.RAISES_PHOSPHATE, phosphate, phosphateBefore));
    }
    return found;
  }

  private static void step(List<Warning> found, Excess excess, double step, OptionalDouble most) {
    if (most.isPresent() && Math.abs(step) > most.getAsDouble() * (1 + ROUNDING)) {
      found.add(new Warning(excess, Math.abs(step), most.getAsDouble()));
    }
  }

  private Optional<Told> telling(TankModel tank) {
    if (canSee(tank, Nutrient.PHOSPHATE, phosphateBefore, phosphateBefore - phosphate)) {
      return Optional.of(new Told(Nutrient.PHOSPHATE, SPRINGS_BACK_DAYS));
    }
    return canSee(tank, Nutrient.NITRATE, nitrateBefore, nitrateBefore - nitrate)
        ? Optional.of(new Told(Nutrient.NITRATE, 1))
        : Optional.empty();
  }

  private static boolean canSee(TankModel tank, Nutrient nutrient, double level, double fall) {
    return tank.kits().stream()
        .filter(kit -> kit.analyte() == nutrient.analyte())
        .findFirst()
        .map((Kit kit) -> fall > KitPower.smallestDifference(kit, level))
        .orElse(false);
  }
}
