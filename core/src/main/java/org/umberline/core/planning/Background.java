package org.umberline.core.planning;

import java.util.OptionalDouble;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TestUnit;

/**
 * What stands behind an advice besides its changes.
 *
 * @param heldWithoutChange whether the lines hold without any change
 * @param netNitrogenMgPerDay what would have to go by other ways than changes, mg N a day, median
 * @param floatingPlantsGPerWeek wet mass of floating plants to take out a week that holds as much
 * @param deepBedM2 area of a deep bed that denitrifies as much at the nitrate now
 * @param dripLitresPerDay continuous exchange that does as much as the advised routine, L a day
 * @param waterNow how old the water is by the log
 * @param alkalinityUsedDkhPerWeek by nitrification of food's nitrogen, dKH a week
 * @param alkalinityBroughtDkhPerWeek by the advised routine, dKH a week; empty where not known
 */
public record Background(
    boolean heldWithoutChange,
    double netNitrogenMgPerDay,
    double floatingPlantsGPerWeek,
    double deepBedM2,
    OptionalDouble dripLitresPerDay,
    WaterAge waterNow,
    double alkalinityUsedDkhPerWeek,
    OptionalDouble alkalinityBroughtDkhPerWeek) {

  /** The net input is taken over this many days ahead. */
  private static final int NET_DAYS = 28;

  private static final double DAYS_PER_WEEK = 7;

  static Background of(Basis b, Advice advice) {
    int days = Math.min(NET_DAYS, b.promise.days());
    double now = b.levels.now(Nutrient.NITRATE);
    double perDay = days < 1 ? 0 : netNitrogen(b, now, days);
    double tissue =
        PlantKind.FLOATING.dryMatterPercent() / 100 * PlantKind.FLOATING.nitrogenPercentDry() * 10;
    double nitrate = Nutrient.NITRATE.element(now);
    double perM2 =
        Denitrification.BED_MG_N_PER_M2_DAY
            * nitrate
            / (Denitrification.HALF_SATURATION_MG_L + nitrate);
    return new Background(
        b.search.noneNeeded(),
        perDay,
        perDay * DAYS_PER_WEEK / tissue,
        perM2 > 0 ? perDay / perM2 : 0,
        drip(b, advice),
        WaterAge.logged(b.tank, b.date(0).atStartOfDay(b.tank.timeZone()).toInstant()),
        alkalinityUsed(b),
        alkalinityBrought(b, advice));
  }

  private static double netNitrogen(Basis b, double now, int days) {
    Projection alone = b.promise.projection(PlannedChanges.NONE);
    double[] ends = new double[alone.draws()];
    for (int draw = 0; draw < ends.length; draw++) {
      ends[draw] = alone.high(Nutrient.NITRATE, days - 1, draw);
    }
    Quantiles.sort(ends);
    double rise = Quantiles.of(ends, 0.5) - Nutrient.NITRATE.element(now);
    return Math.max(0, rise) / days * b.tank.netVolumeL();
  }

  /** A share f every T days renews as much as -ln(1 - f) / T a day let in and out all the time. */
  private static OptionalDouble drip(Basis b, Advice advice) {
    return advice
        .recommended()
        .filter(r -> r.fraction() > 0 && r.fraction() < 1)
        .map(
            r ->
                OptionalDouble.of(
                    -Math.log(1 - r.fraction()) / r.everyDays() * b.tank.netVolumeL()))
        .orElse(OptionalDouble.empty());
  }

  private static double alkalinityUsed(Basis b) {
    FeedNutrients ration = b.scenario.foodOf(Math.min(b.firstAhead, b.scenario.days() - 1));
    double[] load =
        b.posterior.draws().stream()
            .mapToDouble(d -> d.multipliers().nitrogenLoad[b.scenario.asOfDay()])
            .toArray();
    Quantiles.sort(load);
    double oxidised =
        (ration.nitrogen() - ration.nitrogenKept()) * Quantiles.of(load, 0.5) / b.tank.netVolumeL();
    return oxidised
        * Nitrification.ALKALINITY_OF_FOOD_MG_PER_MG
        * TestUnit.ALKALINITY_CALCIUM_CARBONATE.standardPerUnit()
        * DAYS_PER_WEEK;
  }

  private static OptionalDouble alkalinityBrought(Basis b, Advice advice) {
    OptionalDouble source = b.tank.blended(b.tank.changeWater(), SourceWater::alkalinityDkh);
    if (source.isEmpty() || b.tank.alkalinityDkh().isEmpty() || advice.recommended().isEmpty()) {
      return OptionalDouble.empty();
    }
    Advice.Recommended r = advice.recommended().get();
    return OptionalDouble.of(
        r.fraction()
            * (source.getAsDouble() - b.tank.alkalinityDkh().getAsDouble())
            * DAYS_PER_WEEK
            / r.everyDays());
  }
}
