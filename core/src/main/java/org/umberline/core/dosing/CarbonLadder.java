package org.umberline.core.dosing;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.balance.CarbonDosing;
import org.umberline.core.chemistry.OxygenSaturation;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Organic carbon in small steps until nitrate falls. Common practice, no source.
 *
 * @param begunOn the day of the first dose, where doses are noted; empty before it
 * @param rungs the steps from today on; none where it is refused
 * @param mostPerDay the ceiling, in the source's own amount: mL, or g of sugar
 * @param oxygenTakenG the most oxygen that a day's dose at the ceiling takes
 * @param oxygenHeldG what the water holds where it is saturated
 */
public record CarbonLadder(
    CarbonSource source,
    Optional<LocalDate> begunOn,
    List<Rung> rungs,
    double mostPerDay,
    double oxygenTakenG,
    double oxygenHeldG,
    Optional<Refusal> refusal) {

  /** mL of ethanol of 40 % for 100 L and day: three days, then to the end of the week. */
  private static final double FIRST = 0.1;

  private static final double SECOND = 0.2;
  private static final int FIRST_DAYS = 3;
  private static final int WEEK = 7;

  /** A week's step, at most half again. */
  private static final double STEP = 1.5;

  /** After a longer break it is begun anew. Chosen. */
  private static final int LONGEST_GAP_DAYS = 3;

  /** g of oxygen that what a mL of ethanol of 40 % feeds takes at most. */
  private static final double OXYGEN_G_PER_ML = 0.66;

  /** The ladder is laid out for so many weeks: by then nitrate falls or something else is wrong. */
  private static final int WEEKS = 10;

  /**
   * One step.
   *
   * @param amountPerDay mL, or g of sugar
   */
  public record Rung(LocalDate from, LocalDate to, double amountPerDay) {
    private Rung from(LocalDate day) {
      return new Rung(day, to, amountPerDay);
    }
  }

  /**
   * @param tank with its log as known today
   * @param gasping whether animals were seen gasping lately
   */
  public static CarbonLadder of(
      TankModel tank, CarbonSource source, LocalDate today, boolean gasping) {
    double most = CarbonSafety.mostPerDay(source, tank.netVolumeL());
    double ethanol = CarbonSafety.mostPerDay(CarbonSource.ETHANOL_40, tank.netVolumeL());
    double held =
        OxygenSaturation.mgPerLitre(tank.temperatureC(), tank.salinityPpt())
            * tank.netVolumeL()
            / 1000;
    Optional<Refusal> refusal =
        CarbonSafety.against(tank, today, gasping).stream()
            .findFirst()
            .map(danger -> Refusal.of(why(danger)))
            .or(() -> PhosphateLowering.medicated(tank, today))
            .or(() -> dosedAlready(tank, today));
    Optional<LocalDate> begun = begun(tank, source, today);
    return new CarbonLadder(
        source,
        begun,
        refusal.isPresent()
            ? List.of()
            : rungs(tank, source, begun.orElse(today), most).stream()
                .filter(rung -> !rung.to.isBefore(today))
                .map(rung -> rung.from.isBefore(today) ? rung.from(today) : rung)
                .toList(),
        most,
        ethanol * OXYGEN_G_PER_ML,
        held,
        refusal);
  }

  /** The first of the noted doses that lead to today without a gap. */
  private static Optional<LocalDate> begun(TankModel tank, CarbonSource source, LocalDate today) {
    Optional<LocalDate> first = Optional.empty();
    for (int i = tank.log().size() - 1; i >= 0; i--) {
      if (tank.log().get(i) instanceof LogEntry.Addition given && given.additive() == source) {
        LocalDate on = tank.dayOf(given.at().toInstant());
        if (ChronoUnit.DAYS.between(on, first.orElse(today)) > LONGEST_GAP_DAYS) {
          break;
        }
        first = Optional.of(on);
      }
    }
    return first;
  }

  private static Optional<Refusal> dosedAlready(TankModel tank, LocalDate day) {
    return tank.exports().stream()
        .filter(
            export ->
                export instanceof ExportMethod.CarbonDose dose
                    && dose.amountPerDay() > 0
                    && dose.span().contains(day))
        .findFirst()
        .map(dose -> Refusal.of(Refusal.Why.CARBON_DOSED));
  }

  private static List<Rung> rungs(
      TankModel tank, CarbonSource source, LocalDate first, double most) {
    double unit =
        CarbonDosing.carbonMg(CarbonSource.ETHANOL_40, tank.netVolumeL() / 100)
            / CarbonDosing.carbonMg(source, 1);
    List<Rung> rungs = new ArrayList<>();
    rungs.add(new Rung(first, first.plusDays(FIRST_DAYS - 1), FIRST * unit));
    double amount = SECOND * unit;
    LocalDate from = first.plusDays(FIRST_DAYS);
    LocalDate to = first.plusDays(WEEK - 1);
    for (int week = 1; week <= WEEKS; week++) {
      rungs.add(new Rung(from, to, amount));
      if (amount >= most) {
        break;
      }
      amount = Math.min(most, amount * STEP);
      from = to.plusDays(1);
      to = to.plusDays(WEEK);
    }
    return List.copyOf(rungs);
  }

  private static Refusal.Why why(CarbonSafety.Danger danger) {
    return switch (danger) {
      case GASPING -> Refusal.Why.GASPING;
      case NO_SKIMMER -> Refusal.Why.NO_SKIMMER;
      case NITRATE_GONE -> Refusal.Why.NITRATE_GONE;
      case HIGH_ALKALINITY -> Refusal.Why.HIGH_ALKALINITY;
      case OVER_CEILING -> throw new IllegalArgumentException("nothing is dosed yet");
    };
  }
}
