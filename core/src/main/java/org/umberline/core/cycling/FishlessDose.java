package org.umberline.core.cycling;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.TankModel;

/**
 * What feeds a filter that has no animals to feed it.
 *
 * @param toMgL ammonia it is brought to, mg/L NH3
 * @param ammoniumChlorideG NH4Cl, g; 53.49 g hold 17.03 g of NH3 (IUPAC standard atomic weights)
 * @param foodG a food of the make-up that rots to about as much over some days, g; empty without
 *     one
 */
public record FishlessDose(double toMgL, double ammoniumChlorideG, OptionalDouble foodG) {
  /** More slows the bacteria down. Common practice, no source: 2 to 4 mg/L are usual. */
  private static final double TO_MG_L = 2;

  /** Fed again once it has fallen under this. Chosen. */
  private static final double FED_AGAIN_UNDER_MG_L = 0.5;

  private static final double AMMONIUM_CHLORIDE_PER_AMMONIA = 53.491 / 17.031;

  /**
   * @param lastMgL last reading of ammonia, mg/L NH3; empty where there is none
   * @return empty while there is enough
   */
  public static Optional<FishlessDose> of(TankModel tank, OptionalDouble lastMgL) {
    double missing = TO_MG_L - lastMgL.orElse(0);
    if (lastMgL.orElse(0) >= FED_AGAIN_UNDER_MG_L) {
      return Optional.empty();
    }
    double milligrams = missing * tank.netVolumeL();
    return Optional.of(
        new FishlessDose(
            TO_MG_L,
            milligrams * AMMONIUM_CHLORIDE_PER_AMMONIA / 1000,
            tank.foods().stream()
                .filter(food -> food.proteinPercent() > 0)
                .mapToDouble(food -> foodG(food, milligrams))
                .findFirst()));
  }

  private static double foodG(Food food, double ammoniaMg) {
    double nitrogenShare = food.proteinPercent() / 100 / FeedNutrients.PROTEIN_PER_NITROGEN;
    return new Ammonia(ammoniaMg).asNitrogen().mgPerLitre() / 1000 / nitrogenShare;
  }
}
