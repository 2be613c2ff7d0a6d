package org.umberline.core.simulation;

import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.PhosphateExchange;

/** What the pools gain and lose, laid out for the days at hand under one set of multipliers. */
final class Rates {
  // The same for a whole run
  double uptake;
  double perPlantMass;
  double carbon;

  /** Share of the water's phosphate that rock and sand bind, per day. */
  double binds;

  /** Share of what they have bound that comes free, per day. */
  double frees;

  double denitrification;
  double unseenDenitrification;
  double phosphorusLoss;
  double nitrifierGrowth;

  /** Nitrite of top-off water, mg N a day. */
  double nitriteIn;

  /** Nitrate of top-off water and of what nobody listed, mg N a day. */
  private double nitrateAlways;

  /** The same of phosphate, mg P a day. */
  private double phosphorusAlways;

  /** Nitrate of each blend, mg N/L. */
  final double[] blendNitrate;

  /** Phosphate of each blend, mg P/L. */
  final double[] blendPhosphorus;

  // Of the days at hand; inflows in mg a day, shares per day
  int day;
  double ammoniaIn;
  double nitrateIn;
  double phosphorusIn;
  double wasteNitrogenIn;
  double wastePhosphorusIn;
  double mineralisation;
  double captureRate;
  double skimRate;

  /** Share of the waste solids that goes, whichever way. */
  double goes;

  double mineralShare;
  double captureShare;
  double skimShare;

  /** Share of the water's phosphate that each adsorber takes, per day. */
  final double[] adsorbShare;

  private final Scenario scenario;

  Rates(Scenario scenario) {
    this.scenario = scenario;
    adsorbShare = new double[scenario.adsorbers.length];
    blendNitrate = new double[scenario.blendWater.length];
    blendPhosphorus = new double[scenario.blendWater.length];
  }

  /** What holds for a whole run. */
  void begin(Multipliers multipliers) {
    for (int b = 0; b < blendNitrate.length; b++) {
      blendNitrate[b] = 0;
      blendPhosphorus[b] = 0;
      int[] waters = scenario.blendWater[b];
      for (int i = 0; i < waters.length; i++) {
        double share = scenario.blendShare[b][i];
        blendNitrate[b] += share * multipliers.waterNitrateMgL[waters[i]];
        blendPhosphorus[b] += share * multipliers.waterPhosphorusMgL[waters[i]];
      }
    }
    uptake = multipliers.uptake;
    perPlantMass = 1 / multipliers.plantMass;
    carbon = multipliers.carbon;
    double ratio = scenario.exchangeRatio * multipliers.exchange;
    frees = PhosphateExchange.RATE_PER_DAY / (1 + ratio);
    binds = frees * ratio;
    denitrification = multipliers.denitrification;
    unseenDenitrification = Denitrification.UNSEEN_PER_DAY * multipliers.unseenDenitrification;
    nitrifierGrowth = multipliers.nitrifierGrowth;
    phosphorusLoss = multipliers.phosphorusLoss;
    double topOff = scenario.topOffLitresPerDay;
    int blend = scenario.topOffBlend;
    nitriteIn = topOff * scenario.blendNitrite[blend];
    nitrateAlways = topOff * blendNitrate[blend] + multipliers.unlistedNitrogen * scenario.volumeL;
    phosphorusAlways =
        topOff * blendPhosphorus[blend] + multipliers.unlistedPhosphorus * scenario.volumeL;
  }

  /**
   * What holds for days that go on alike: what comes in as on the average of them, the rest as on
   * the first.
   *
   * @param end the day after the last of them
   */
  void beginDays(int first, int end, Multipliers multipliers) {
    day = first;
    DayRates here = scenario.rates;
    ammoniaIn = 0;
    nitrateIn = 0;
    phosphorusIn = 0;
    wasteNitrogenIn = 0;
    wastePhosphorusIn = 0;
    for (int d = first; d < end; d++) {
      FeedNutrients food = scenario.food[d];
      double nitrogenLoad = multipliers.nitrogenLoad[d];
      double phosphorusLoad = multipliers.phosphorusLoad[d];
      ammoniaIn += food.nitrogenDissolved() * nitrogenLoad + here.ammoniaBesides[d];
      nitrateIn += scenario.fertiliserNitrogen[d];
      phosphorusIn += food.phosphorusDissolved() * phosphorusLoad + here.phosphorusBesides[d];
      wasteNitrogenIn += food.nitrogenSolid() * nitrogenLoad;
      wastePhosphorusIn += food.phosphorusSolid() * phosphorusLoad;
    }
    double perDay = 1.0 / (end - first);
    ammoniaIn *= perDay;
    nitrateIn = nitrateIn * perDay + nitrateAlways;
    phosphorusIn = phosphorusIn * perDay + phosphorusAlways;
    wasteNitrogenIn *= perDay;
    wastePhosphorusIn *= perDay;
    mineralisation = scenario.mineralisation[day];
    captureRate = scenario.captureRate[day];
    skimRate = scenario.skimRate[day];
    goes = here.goes[day];
    mineralShare = here.mineralShare[day];
    captureShare = here.captureShare[day];
    skimShare = here.skimShare[day];
  }

  /** What rock and sand give off more than they bind, mg P a day. */
  double comesFree(TankState state) {
    return frees * state.boundPhosphorus - binds * state.phosphorus;
  }

  /** Share of {@code nitrate}, mg N, that beds, filters and rock turn to gas, per day. */
  double denitrifies(double nitrate) {
    Gear.Denitrifying[] all = scenario.denitrifying;
    if (all.length == 0) {
      return 0;
    }
    double perVolume = 1 / (scenario.volumeL * Denitrification.HALF_SATURATION_MG_L + nitrate);
    double share = 0;
    boolean any = false;
    for (int g = 0; g < all.length; g++) {
      if (scenario.denitrifyingInUse[g][day]) {
        any = true;
        share +=
            Compared.smaller(
                all[g].greatestMgPerDay() * denitrification * perVolume,
                all[g].flowLPerDay() / scenario.volumeL);
      }
    }
    return any ? share + scenario.carbonDenitrifies[day] * carbon * denitrification * perVolume : 0;
  }

  /** Works out the share of the water's phosphate each adsorber takes a day; returns their sum. */
  double adsorb(TankState state, TankState next) {
    double sum = 0;
    for (int a = 0; a < adsorbShare.length; a++) {
      adsorbShare[a] = 0;
      if (scenario.adsorberInUse[a][day]) {
        double capacity = capacity(state, a);
        double held = (state.adsorbedPhosphorus[a] + next.adsorbedPhosphorus[a]) / 2;
        if (held < capacity) {
          adsorbShare[a] =
              state.mediumG[a]
                  * scenario.adsorbers[a].clearedLPerGDay()
                  / scenario.volumeL
                  * (1 - held / capacity);
        }
      }
      sum += adsorbShare[a];
    }
    return sum;
  }

  /** What an adsorber can hold, mg P. */
  double capacity(TankState state, int adsorber) {
    return state.mediumG[adsorber] * scenario.adsorbers[adsorber].capacityMgPerG();
  }
}
