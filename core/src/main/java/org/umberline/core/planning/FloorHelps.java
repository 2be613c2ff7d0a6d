package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.dosing.DoseCeilings;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.AmountUnit;
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.planning.Advice.Pulled;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/** What helps a tank that holds too little of a nutrient: feed, filter less, dose. */
final class FloorHelps {
  private static final double FEED_MORE = 0.2;
  private static final double FILTER_LESS = 0.5;

  private static final int DAYS_PER_WEEK = 7;

  private final TankModel tank;
  private final Posterior posterior;
  private final double everyDays;

  /**
   * @param everyDays interval that is told beside them
   */
  FloorHelps(TankModel tank, Posterior posterior, double everyDays) {
    this.tank = tank;
    this.posterior = posterior;
    this.everyDays = everyDays;
  }

  private Advice.Help help(
      Lever lever,
      double amount,
      AmountUnit unit,
      Optional<String> of,
      Nutrient nutrient,
      List<Try> tries) {
    return new Advice.Help(
        new Pulled(lever, amount, unit, of),
        Optional.empty(),
        nutrient,
        OptionalDouble.empty(),
        everyDays,
        0,
        tries);
  }

  List<Advice.Help> raising(Nutrient nutrient) {
    List<Advice.Help> helps = new ArrayList<>();
    List<Try> more =
        tank.feeding().stream()
            .map(f -> f.food())
            .distinct()
            .map(food -> new Try(Try.Kind.FEED, food, 1 + FEED_MORE))
            .toList();
    if (!more.isEmpty()) {
      helps.add(help(Lever.FEED, FEED_MORE, AmountUnit.SHARE, Optional.empty(), nutrient, more));
    }
    tank.exports().stream()
        .filter(e -> e instanceof ExportMethod.Mechanical || e instanceof ExportMethod.Skimmer)
        .filter(e -> e.span().contains(asOf()))
        .findFirst()
        .ifPresent(e -> helps.add(filterLess(e, nutrient)));
    double missing = missing(nutrient);
    if (missing > 0) {
      helps.add(dose(nutrient, missing));
    }
    if (nutrient == Nutrient.NITRATE) {
      Levers.of(tank, posterior, Nutrient.PHOSPHATE, phosphateJudged(), false).stream()
          .filter(pull -> pull.nutrient() == Nutrient.PHOSPHATE)
          .filter(
              pull ->
                  pull.pulled().lever() == Lever.ADSORBER_MASS
                      || pull.pulled().lever() == Lever.ADSORBER_RENEWAL)
          .forEach(
              pull ->
                  helps.add(
                      help(
                          pull.pulled().lever(),
                          pull.pulled().amount(),
                          pull.pulled().unit(),
                          pull.pulled().of(),
                          Nutrient.PHOSPHATE,
                          pull.tries())));
    }
    return List.copyOf(helps);
  }

  private boolean phosphateJudged() {
    return Nutrient.PHOSPHATE.line(tank.lines()).ceilingMgL().isPresent();
  }

  private LocalDate asOf() {
    return posterior.scenario().date(posterior.scenario().asOfDay());
  }

  private Advice.Help filterLess(ExportMethod gear, Nutrient nutrient) {
    List<Try> tries =
        gear instanceof ExportMethod.Skimmer skimmer
            ? List.of(
                new Try(Try.Kind.SKIM, gear.id(), FILTER_LESS * skimmer.removalFractionPerDay()))
            : List.of();
    return help(
        Lever.FILTER_LESS, -FILTER_LESS, AmountUnit.SHARE, Optional.of(gear.id()), nutrient, tries);
  }

  /** What is missing to half above the floor, mg/L, by the lower of balance and last reading. */
  private double missing(Nutrient nutrient) {
    double floor = nutrient.line(tank.lines()).floorMgL().orElse(0);
    double read =
        tank.lastTest(nutrient.analyte())
            .map(LogEntry.Test::standardValue)
            .orElse(Double.POSITIVE_INFINITY);
    return DoseCeilings.aboveFloor(floor)
        - Math.min(new Levels(tank, posterior).now(nutrient), read);
  }

  /** A day's dose towards that level, of a fertiliser the tank has or of a pure salt. */
  private Advice.Help dose(Nutrient nutrient, double missing) {
    double most = DoseCeilings.stepADay(tank, nutrient.analyte());
    double mgPerDay = Math.min(missing / DAYS_PER_WEEK, most) * tank.netVolumeL();
    Optional<Fertiliser> own =
        tank.fertilisers().stream().filter(f -> mgPerMl(f, nutrient) > 0).findFirst();
    Salt salt = nutrient == Nutrient.NITRATE ? Salt.POTASSIUM_NITRATE : Salt.POTASSIUM_PHOSPHATE;
    return own.map(
            f ->
                help(
                    Lever.DOSE,
                    mgPerDay / mgPerMl(f, nutrient),
                    AmountUnit.ML_PER_DAY,
                    Optional.of(f.id()),
                    nutrient,
                    List.of()))
        .orElseGet(
            () ->
                help(
                    Lever.DOSE,
                    mgPerDay * DAYS_PER_WEEK / salt.perGram(),
                    AmountUnit.GRAMS_PER_WEEK,
                    Optional.empty(),
                    nutrient,
                    List.of()));
  }

  private static double mgPerMl(Fertiliser fertiliser, Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE
        ? fertiliser.nitrateMgPerMl()
        : fertiliser.phosphateMgPerMl();
  }
}
