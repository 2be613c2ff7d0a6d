package org.umberline.core.minerals;

import java.util.Optional;
import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.tank.TankModel;

/**
 * Bringing salinity to what the tank is kept at, a little each day. Lowered by tank water taken out
 * and pure water put in; raised by salt dissolved in tank water that was taken out, or by topping
 * off with salt water. Mass balance; density by {@link SeaWater}.
 *
 * @param days a step a day
 * @param stepPpt ppt a day, negative where it is lowered
 * @param litresADay tank water that pure water takes the place of each day, where it is lowered
 * @param saltGADay salt to dissolve each day, where it is raised
 * @param topOffDays days until topping off with water of the wanted salinity has raised it; empty
 *     where nothing is topped off, or it is lowered
 */
public record SalinityCorrection(
    int days, double stepPpt, double litresADay, double saltGADay, Optional<Integer> topOffDays) {
  /** Closer than this is as wanted: what a good refractometer shows. Common practice, no source. */
  public static final double NEAR_PPT = 0.5;

  /** The most that a day may move it, ppt. Common practice, no source. */
  public static final double STEP_PPT = 1;

  /** Empty where it is near enough. */
  public static Optional<SalinityCorrection> of(TankModel tank, double measured, double wanted) {
    double way = wanted - measured;
    if (Math.abs(way) <= NEAR_PPT) {
      return Optional.empty();
    }
    int days = (int) Math.ceil(Math.abs(way) / STEP_PPT - 1e-9);
    double step = way / days;
    double volume = tank.netVolumeL();
    if (step < 0) {
      return Optional.of(
          new SalinityCorrection(days, step, volume * -step / measured, 0, Optional.empty()));
    }
    double grams =
        volume
            * (SeaWater.saltGramsPerLitre(measured + step, tank.temperatureC())
                - SeaWater.saltGramsPerLitre(measured, tank.temperatureC()));
    double risesADay = tank.topOff().litresPerDay() * wanted / volume;
    Optional<Integer> topOffDays =
        risesADay > 0
            ? Optional.of(Math.max(days, (int) Math.ceil(way / risesADay)))
            : Optional.empty();
    return Optional.of(new SalinityCorrection(days, step, 0, grams, topOffDays));
  }
}
