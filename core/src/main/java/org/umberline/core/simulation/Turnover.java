package org.umberline.core.simulation;

import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.SoilSubstrate;
import org.umberline.core.balance.WasteSolids;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;

/** How fast waste decays and nitrifiers grow on each day, and what soil gives off. */
final class Turnover {
  /** Share of the waste solids that decays, per day. */
  final double[] mineralisation;

  /** Greatest growth of ammonia oxidisers, per day. */
  final double[] ammoniaGrowth;

  /** Greatest growth of nitrite oxidisers, per day. */
  final double[] nitriteGrowth;

  /** Ammonia from soil, mg N a day. */
  final double[] soilNitrogen;

  /** First day on which the filter is taken for grown in. */
  final int matureOn;

  Turnover(Days days) {
    TankModel tank = days.tank;
    mineralisation = new double[days.count];
    ammoniaGrowth = new double[days.count];
    nitriteGrowth = new double[days.count];
    Temperatures temperatures = Temperatures.of(tank, days.first, days.asOf);
    for (int day = 0; day < days.count; day++) {
      double celsius = temperatures.at(day);
      mineralisation[day] = WasteSolids.mineralisationPerDay(celsius);
      ammoniaGrowth[day] = Nitrification.ammoniaGrowthPerDay(celsius);
      nitriteGrowth[day] = Nitrification.nitriteGrowthPerDay(celsius);
    }
    matureOn =
        tank.startedOn()
            .map(started -> days.day(started.plusDays(Nitrification.MATURE_AFTER_DAYS)))
            .orElse(0);
    soilNitrogen = soil(days);
  }

  private static double[] soil(Days days) {
    TankModel tank = days.tank;
    double[] perDay = new double[days.count];
    if (tank.substrate().kind() == SubstrateKind.SOIL && tank.startedOn().isPresent()) {
      double area =
          tank.substrate()
              .areaCm2()
              .orElse(tank.surfaceAreaCm2().orElse(SoilSubstrate.usualAreaCm2(tank.netVolumeL())));
      for (int day = 0; day < days.count; day++) {
        int age = day - days.day(tank.startedOn().get());
        perDay[day] = age < 0 ? 0 : SoilSubstrate.ammoniaMgPerDay(area, age);
      }
    }
    return perDay;
  }

  /** Whether the filter may still be growing in within the days laid out. */
  boolean isNew() {
    return matureOn > 0;
  }
}
