package org.umberline.core.judging;

import org.umberline.core.quantity.Nitrate;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.TankModel;

/**
 * What a slow filter, coil or reactor really takes out: the nitrate of the water that goes in and
 * of the water that comes out, times a flow that was measured. Mass balance.
 *
 * @param mgNPerDay nitrogen it takes out, mg N a day; zero where the kit can't show a difference
 * @param verdict what that means
 */
public record ThroughFilter(double mgNPerDay, Verdict verdict) {
  /**
   * Water that leaves with less than this has stood without nitrate: it could run faster. From
   * memory.
   */
  private static final double USED_UP_MG_L = 1;

  private static final double HOURS_PER_DAY = 24;

  /** What two tests and a flow say. */
  public enum Verdict {
    /** More comes out than goes in, beyond what the kit errs. */
    GIVES_OFF,
    /** Nothing the kit can show. */
    NOT_SEEN,
    /** It takes out, and could take out more by running faster. */
    COULD_RUN_FASTER,
    /** It takes out. */
    WORKS
  }

  /**
   * @param in nitrate of the water that goes in, mg/L NO3
   * @param out nitrate of the water that comes out, mg/L NO3
   * @param litresPerHour measured at the outlet
   */
  public static ThroughFilter of(TankModel tank, double in, double out, double litresPerHour) {
    Kit kit =
        tank.kits().stream()
            .filter(one -> one.analyte() == Analyte.NITRATE)
            .findFirst()
            .orElseGet(() -> Kit.unnamed(Analyte.NITRATE));
    double shown = KitPower.smallestDifference(kit, in);
    if (in - out < -shown) {
      return new ThroughFilter(0, Verdict.GIVES_OFF);
    }
    if (in - out < shown) {
      return new ThroughFilter(0, Verdict.NOT_SEEN);
    }
    double mgN = new Nitrate(in - out).asNitrogen().mgPerLitre() * litresPerHour * HOURS_PER_DAY;
    return new ThroughFilter(mgN, out < USED_UP_MG_L ? Verdict.COULD_RUN_FASTER : Verdict.WORKS);
  }
}
