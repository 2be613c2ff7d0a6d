package org.umberline.core.dosing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.MedicineCourse;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/**
 * Phosphate taken out alone: what there is of it, in the water and in what exchanges with it.
 *
 * @param waterMg mg P that the water gives up
 * @param rockMg mg P that rock, sand or soil give back meanwhile
 */
public record PhosphateLowering(double waterMg, double rockMg) {
  /** A new medium works for about so long, days. Common practice, no source. */
  public static final int RENEWED_DAYS = 30;

  /** Nothing is lowered under this: plants and corals need some, mg/L PO4. Common practice. */
  private static final double LEAST_MG_L = 0.05;

  private static final double LEAST_MARINE_MG_L = 0.03;

  /** A medium is renewed when so much of what it can hold is used. Common practice, no source. */
  private static final double USED = 0.8;

  /** Share of a new medium that is put in for the first week. Chosen. */
  private static final double AT_FIRST = 1.0 / 3;

  /** A precipitant over more days than this is not kept. Chosen. */
  private static final int MOST_DAYS = 28;

  /** mg La that bind a mg PO4, one for one: 138.905 / 94.971 (IUPAC masses). */
  public static final double LANTHANUM_MG_PER_MG = 1.4626;

  /**
   * @param atFirstG g of medium for the first week
   * @param grams g of medium then
   * @param gainsMg mg P that come in until it is renewed
   * @param renewOn the day it is renewed
   */
  public record Medium(
      PhosphateLowering takes,
      double atFirstG,
      double grams,
      double gainsMg,
      LocalDate renewOn,
      Optional<Refusal> refusal) {}

  /**
   * One day of a precipitant.
   *
   * @param ml of it
   * @param reaches mg/L PO4 after it, before rock gives some back
   */
  public record Step(LocalDate on, double ml, double reaches) {}

  /**
   * @param lanthanumMg that binds as much, one for one
   */
  public record Precipitant(
      PhosphateLowering takes, List<Step> steps, double lanthanumMg, Optional<Refusal> refusal) {}

  /** What going from one level to another takes out, mg/L PO4. */
  static PhosphateLowering of(TankModel tank, double from, double to) {
    double water =
        new Phosphate(Math.max(0, from - to)).asPhosphorus().mgPerLitre() * tank.netVolumeL();
    return new PhosphateLowering(water, water * PhosphateExchange.ratio(tank.substrate().kind()));
  }

  /** The lowest that phosphate is brought to in this tank, mg/L PO4. */
  public static double lowest(TankModel tank) {
    double usual = tank.water() == WaterKind.MARINE ? LEAST_MARINE_MG_L : LEAST_MG_L;
    return Math.max(usual, tank.lines().phosphate().floorMgL().orElse(0));
  }

  /** Where it is usually brought: half of what there is, well above the lowest. Chosen. */
  public static double usualTarget(TankModel tank, double now) {
    return Math.max(DoseCeilings.aboveFloor(lowest(tank)), now / 2);
  }

  private static Optional<Refusal> refusal(
      TankModel tank, double from, double to, LocalDate first) {
    Optional<Refusal> medicated = medicated(tank, first);
    if (medicated.isPresent()) {
      return medicated;
    }
    if (to >= from) {
      return Optional.of(Refusal.of(Refusal.Why.NOTHING_TO_LOWER));
    }
    double lowest = lowest(tank);
    return to < lowest
        ? Optional.of(Refusal.of(Refusal.Why.BELOW_LOWEST, lowest))
        : Optional.empty();
  }

  /** Nothing that binds or feeds bacteria goes in while a course of medicine runs. */
  static Optional<Refusal> medicated(TankModel tank, LocalDate day) {
    return MedicineCourse.running(tank, day).map(any -> Refusal.of(Refusal.Why.MEDICINE));
  }

  /**
   * An adsorber.
   *
   * @param capacityMgPerG mg P that a gram holds when it is full
   * @param gainsMgPerDay mg P that come in a day more than goes out
   */
  public static Medium adsorber(
      TankModel tank,
      double from,
      double to,
      double capacityMgPerG,
      double gainsMgPerDay,
      LocalDate first) {
    PhosphateLowering takes = of(tank, from, to);
    double gains = RENEWED_DAYS * Math.max(0, gainsMgPerDay);
    double grams = (takes.waterMg + takes.rockMg + gains) / (USED * capacityMgPerG);
    return new Medium(
        takes,
        AT_FIRST * grams,
        grams,
        gains,
        first.plusDays(RENEWED_DAYS),
        refusal(tank, from, to, first));
  }

  /**
   * A precipitant, over days.
   *
   * @param mgPerMl mg PO4 that a mL binds, by its label
   */
  public static Precipitant precipitant(
      TankModel tank, double from, double to, double mgPerMl, LocalDate first) {
    PhosphateLowering takes = of(tank, from, to);
    double fall = from - to;
    double step = DoseCeilings.stepADay(tank, Analyte.PHOSPHATE);
    int days = Math.max(1, (int) Math.ceil(fall / step - 1e-9));
    Optional<Refusal> refusal =
        refusal(tank, from, to, first)
            .or(
                () ->
                    days > MOST_DAYS
                        ? Optional.of(
                            Refusal.of(Refusal.Why.TOO_MANY_DAYS, from - MOST_DAYS * step))
                        : Optional.empty());
    List<Step> steps = new ArrayList<>();
    for (int day = 0; refusal.isEmpty() && day < days; day++) {
      steps.add(
          new Step(
              first.plusDays(day),
              fall / days * tank.netVolumeL() / mgPerMl,
              from - fall * (day + 1) / days));
    }
    return new Precipitant(
        takes,
        List.copyOf(steps),
        LANTHANUM_MG_PER_MG * Math.max(0, fall) * tank.netVolumeL(),
        refusal);
  }
}
