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

  /** A day with less than this share of a step was on an earlier one. Chosen. */
  private static final double SAME = 0.85;

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
  public record Rung(LocalDate from, LocalDate to, double amountPerDay) {}

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
    List<Given> given = given(tank, source, today);
    return new CarbonLadder(
        source,
        given.isEmpty() ? Optional.empty() : Optional.of(given.get(0).on),
        refusal.isPresent() ? List.of() : rungs(tank, source, given, today, most),
        most,
        ethanol * OXYGEN_G_PER_ML,
        held,
        refusal);
  }

  /** What was noted as given on a day. */
  private record Given(LocalDate on, double amount) {}

  /** What was given on each day of the noted doses that lead to today without a gap. */
  private static List<Given> given(TankModel tank, CarbonSource source, LocalDate today) {
    List<Given> days = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Addition dose && dose.additive() == source) {
        LocalDate on = tank.dayOf(dose.at().toInstant());
        Given last = days.isEmpty() ? null : days.get(days.size() - 1);
        if (last != null && last.on.equals(on)) {
          days.set(days.size() - 1, new Given(on, last.amount + dose.amount()));
          continue;
        }
        if (last != null && ChronoUnit.DAYS.between(last.on, on) > LONGEST_GAP_DAYS) {
          days.clear();
        }
        days.add(new Given(on, dose.amount()));
      }
    }
    boolean goesOn =
        !days.isEmpty()
            && ChronoUnit.DAYS.between(days.get(days.size() - 1).on, today) <= LONGEST_GAP_DAYS;
    return goesOn ? List.copyOf(days) : List.of();
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

  /** From the step that was given last, for as long as is left of it; from the first else. */
  private static List<Rung> rungs(
      TankModel tank, CarbonSource source, List<Given> given, LocalDate today, double most) {
    double unit =
        CarbonDosing.carbonMg(CarbonSource.ETHANOL_40, tank.netVolumeL() / 100)
            / CarbonDosing.carbonMg(source, 1);
    double amount = FIRST * unit;
    LocalDate since = today;
    if (!given.isEmpty()) {
      // the fullest of the last days: today's doses may not all be given yet
      List<Given> lately = given.subList(Math.max(0, given.size() - 2), given.size());
      amount = Math.min(most, lately.stream().mapToDouble(Given::amount).max().orElseThrow());
      for (int i = given.size() - 1; i >= 0; i--) {
        if (given.get(i).amount < SAME * amount && given.get(i).on.isBefore(today)) {
          break;
        }
        since = given.get(i).on;
      }
    }
    List<Rung> rungs = new ArrayList<>();
    LocalDate from = today;
    LocalDate to = since.plusDays(days(amount / unit) - 1L);
    for (int step = 0; step <= WEEKS + 1; step++) {
      rungs.add(new Rung(from, to.isBefore(from) ? from : to, amount));
      if (amount >= most) {
        break;
      }
      from = rungs.get(rungs.size() - 1).to.plusDays(1);
      amount = Math.min(most, isFirst(amount / unit) ? SECOND * unit : amount * STEP);
      to = from.plusDays(days(amount / unit) - 1L);
    }
    return List.copyOf(rungs);
  }

  /** Nearer to the first step than to the second, mL for 100 L. */
  private static boolean isFirst(double mlPer100L) {
    return mlPer100L < Math.sqrt(FIRST * SECOND);
  }

  /** How long a step lasts. */
  private static int days(double mlPer100L) {
    if (isFirst(mlPer100L)) {
      return FIRST_DAYS;
    }
    return mlPer100L < SECOND * Math.sqrt(STEP) ? WEEK - FIRST_DAYS : WEEK;
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
