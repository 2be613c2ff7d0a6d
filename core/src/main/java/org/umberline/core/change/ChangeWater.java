package org.umberline.core.change;

import java.util.OptionalDouble;
import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * What change water is made of and what it lacks. Mass balances throughout; the salt of a litre is
 * {@link SeaWater}'s.
 */
public final class ChangeWater {
  private final TankModel tank;
  private final Blend blend;

  public ChangeWater(TankModel tank, Blend blend) {
    this.tank = tank;
    this.blend = blend;
  }

  /** Salinity of the blend before salt is added, ppt; a water that states none is fresh. */
  public double salinityPpt() {
    return blend.parts().stream()
        .mapToDouble(part -> part.share() * tank.waterById(part.water()).salinityPpt().orElse(0))
        .sum();
  }

  /** Alkalinity of the blend, dKH; empty unless each of its waters states it. */
  OptionalDouble alkalinityDkh() {
    return tank.blended(blend, SourceWater::alkalinityDkh);
  }

  /** Total ammonia of the blend as its waters state it, mg/L NH3. */
  double ammoniaMgL() {
    return blend.parts().stream()
        .mapToDouble(part -> part.share() * tank.waterById(part.water()).ammonia().mgPerLitre())
        .sum();
  }

  /** Share of the blend that comes out of a tap: neither known to be pure nor mixed with salt. */
  public double tapShare() {
    return blend.parts().stream()
        .filter(part -> isFromTap(tank.waterById(part.water())))
        .mapToDouble(Blend.Part::share)
        .sum();
  }

  private static boolean isFromTap(SourceWater water) {
    boolean pure =
        water.nitrate().map(n -> n.mgPerLitre() == 0).orElse(false)
            && water.phosphate().map(p -> p.mgPerLitre() == 0).orElse(false)
            && water.alkalinityDkh().orElse(0) == 0;
    return !pure && water.salinityPpt().orElse(0) == 0;
  }

  /**
   * Dry salt that brings water from one salinity to the tank's, g.
   *
   * @param fromPpt what the water measures, or is known to hold
   */
  public double saltG(double litres, double fromPpt) {
    double perLitre =
        SeaWater.saltGramsPerLitre(tank.salinityPpt(), tank.temperatureC())
            - SeaWater.saltGramsPerLitre(fromPpt, tank.temperatureC());
    return Math.max(0, litres * perLitre);
  }

  /**
   * Pure water that brings mixed water down to the tank's salinity, L.
   *
   * @param fromPpt what the water measures, over the tank's
   */
  public double dilutionL(double litres, double fromPpt) {
    double wanted = SeaWater.saltGramsPerLitre(tank.salinityPpt(), tank.temperatureC());
    double has = SeaWater.saltGramsPerLitre(fromPpt, tank.temperatureC());
    return wanted > 0 ? Math.max(0, litres * (has / wanted - 1)) : 0;
  }

  /**
   * Share of hot water in a mix, 0..1.
   *
   * @return empty when no mix of the two has that temperature
   */
  public static OptionalDouble hotShare(double wantedC, double hotC, double coldC) {
    double share = (wantedC - coldC) / (hotC - coldC);
    return hotC > coldC && share >= 0 && share <= 1
        ? OptionalDouble.of(share)
        : OptionalDouble.empty();
  }
}
