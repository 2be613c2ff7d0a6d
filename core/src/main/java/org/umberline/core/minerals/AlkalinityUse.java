package org.umberline.core.minerals;

import java.util.OptionalDouble;
import org.umberline.core.dosing.DoseCeilings;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;

/**
 * Where alkalinity goes and what brings it back.
 *
 * @param byNitrification dKH a day that nitrification of food's nitrogen takes
 * @param doseToHoldPerDay dKH a day that changes of the routine don't bring; empty where they do
 * @param bicarbonateGPerDay the same as sodium bicarbonate, g
 * @param bicarbonateGNow sodium bicarbonate that brings the last reading to what is wanted, g;
 *     empty where it is there, or above
 * @param daysNow days to give that over
 * @param tooMuch whether that is more than a day may raise it
 */
public record AlkalinityUse(
    double byNitrification,
    OptionalDouble doseToHoldPerDay,
    OptionalDouble bicarbonateGPerDay,
    OptionalDouble bicarbonateGNow,
    int daysNow,
    boolean tooMuch) {
  /**
   * mg/L of calcium that corals build in with each dKH: CaCO3 takes two equivalents with one
   * calcium, 40.078 g/mol (IUPAC).
   */
  public static final double CALCIUM_MG_L_PER_DKH =
      40.078 / (2 * TestUnit.MILLIEQUIVALENT.standardPerUnit());

  /** Less than this isn't worth a spoon, dKH a day. Chosen. */
  private static final double TRIFLE = 0.01;

  /**
   * What holds {@code alkalinity} where it is wanted.
   *
   * @param byNitrification dKH a day, as the advice's background has it
   */
  public static AlkalinityUse of(TankModel tank, Mineral alkalinity, double byNitrification) {
    OptionalDouble dose = alkalinity.doseToHoldPerDay(tank, TRIFLE);
    double step = DoseCeilings.stepADay(tank, Analyte.ALKALINITY);
    double below =
        alkalinity.course().isPresent() && !alkalinity.isAsWanted()
            ? alkalinity.wanted().orElse(0) - alkalinity.course().get().stands()
            : 0;
    return new AlkalinityUse(
        byNitrification,
        dose,
        dose.isPresent()
            ? OptionalDouble.of(bicarbonateG(tank, dose.getAsDouble()))
            : OptionalDouble.empty(),
        below > 0 ? OptionalDouble.of(bicarbonateG(tank, below)) : OptionalDouble.empty(),
        (int) Math.ceil(Math.max(0, below) / step - 1e-9),
        dose.orElse(0) > step);
  }

  private static double bicarbonateG(TankModel tank, double dkh) {
    return Salt.SODIUM_BICARBONATE.grams(dkh, tank.netVolumeL());
  }
}
