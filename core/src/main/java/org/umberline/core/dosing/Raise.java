package org.umberline.core.dosing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/**
 * Raising what the water holds too little of, a little each day.
 *
 * @param steps the doses; none where it is refused
 * @param companionMgL how much of the other ion all of them bring
 * @param stacksTo by how much the water is raised in the end where the whole of it is given every
 *     week and water is changed as the routine says; empty without a routine
 */
public record Raise(
    DoseSource with,
    List<Step> steps,
    double companionMgL,
    OptionalDouble stacksTo,
    Optional<Refusal> refusal) {

  /** A plan of more days is not kept. Chosen. */
  private static final int MOST_DAYS = 28;

  private static final double DAYS_A_WEEK = 7;

  /**
   * One dose.
   *
   * @param amount g of a salt, mL of a solution
   * @param reaches what the water holds after it, in the analyte's standard unit
   */
  public record Step(LocalDate on, double amount, double reaches) {}

  /**
   * @param from what the water holds, in the analyte's standard unit
   * @param to what it shall hold
   */
  public static Raise of(
      TankModel tank, Analyte analyte, double from, double to, DoseSource with, LocalDate first) {
    Optional<Refusal> refusal = refusal(tank, analyte, from, to);
    if (refusal.isPresent()) {
      return new Raise(with, List.of(), 0, OptionalDouble.empty(), refusal);
    }
    double rise = to - from;
    int days = days(tank, analyte, rise);
    double amount = rise / days * tank.netVolumeL() / with.perUnit();
    List<Step> steps = new ArrayList<>();
    for (int day = 0; day < days; day++) {
      steps.add(new Step(first.plusDays(day), amount, from + rise * (day + 1) / days));
    }
    return new Raise(
        with,
        List.copyOf(steps),
        days * amount * with.companionMgPerUnit() / tank.netVolumeL(),
        tank.routine().map(routine -> stack(rise, routine)).orElse(OptionalDouble.empty()),
        Optional.empty());
  }

  private static int days(TankModel tank, Analyte analyte, double rise) {
    // a hair over a whole number of steps is that number
    return Math.max(1, (int) Math.ceil(rise / DoseCeilings.stepADay(tank, analyte) - 1e-9));
  }

  /** A weekly dose and a weekly share that goes: what goes grows until it is what comes. */
  private static OptionalDouble stack(double rise, Routine routine) {
    double goes = 1 - Math.pow(1 - routine.fraction(), DAYS_A_WEEK / routine.everyDays());
    return goes > 0 ? OptionalDouble.of(rise / goes) : OptionalDouble.empty();
  }

  private static Optional<Refusal> refusal(
      TankModel tank, Analyte analyte, double from, double to) {
    if (to <= from) {
      return Optional.of(Refusal.of(Refusal.Why.NOTHING_TO_RAISE));
    }
    OptionalDouble limit =
        switch (analyte) {
          case NITRATE -> tank.lines().nitrate().ceilingMgL();
          case PHOSPHATE -> tank.lines().phosphate().ceilingMgL();
          default -> OptionalDouble.empty();
        };
    if (limit.isPresent() && to > limit.getAsDouble()) {
      return Optional.of(Refusal.of(Refusal.Why.OVER_YOUR_LIMIT, limit.getAsDouble()));
    }
    double highest = DoseCeilings.highest(tank, analyte);
    if (to > highest) {
      return Optional.of(Refusal.of(Refusal.Why.OVER_HIGHEST, highest));
    }
    if (days(tank, analyte, to - from) > MOST_DAYS) {
      return Optional.of(
          Refusal.of(
              Refusal.Why.TOO_MANY_DAYS, from + MOST_DAYS * DoseCeilings.stepADay(tank, analyte)));
    }
    return Optional.empty();
  }
}
