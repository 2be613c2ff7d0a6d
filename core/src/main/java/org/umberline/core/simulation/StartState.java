package org.umberline.core.simulation;

import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.PhosphateExchange;

/** How a tank stands at the start of a scenario, before anything that was written down. */
final class StartState {
  private final Scenario scenario;

  /** Days since the tank was started; infinite where nobody said. */
  private final double age;

  StartState(Scenario scenario) {
    this.scenario = scenario;
    age =
        scenario
            .tank()
            .startedOn()
            .map(day -> (double) Math.max(0, ChronoUnit.DAYS.between(day, scenario.firstDay())))
            .orElse(Double.POSITIVE_INFINITY);
  }

  /**
   * Waste solids and nitrifiers where a steady ration leaves them, plants grown since they were put
   * in.
   *
   * @param nitrateMgNL dissolved nitrate, mg N/L
   * @param phosphorusMgPL dissolved phosphorus, mg P/L
   */
  void set(TankState state, Multipliers multipliers, double nitrateMgNL, double phosphorusMgPL) {
    state.nitrate = nitrateMgNL * scenario.volumeL;
    state.phosphorus = phosphorusMgPL * scenario.volumeL;
    double minerals = scenario.mineralisation[0];
    double goes = minerals + scenario.captureRate[0] + scenario.skimRate[0];
    double settled = (1 - Math.exp(-goes * age)) / goes;
    state.wasteNitrogen = scenario.food[0].nitrogenSolid() * multipliers.nitrogenLoad[0] * settled;
    state.wastePhosphorus =
        scenario.food[0].phosphorusSolid() * multipliers.phosphorusLoad[0] * settled;
    // When the media were last cleaned is not known: half of what they would hold at rest.
    double caught = scenario.captureRate[0] / minerals / 2 * -Math.expm1(-minerals * age);
    state.caughtNitrogen = caught * state.wasteNitrogen;
    state.caughtPhosphorus = caught * state.wastePhosphorus;
    if (scenario.isNew()) {
      newFilter(state, multipliers);
    } else {
      matureFilter(state, multipliers);
    }
    // Rock and sand of a settled tank are at rest with its water; new ones hold nothing.
    state.boundPhosphorus =
        state.phosphorus
            * scenario.exchangeRatio
            * multipliers.exchange
            * -Math.expm1(-PhosphateExchange.RATE_PER_DAY * age);
    Arrays.fill(state.adsorbedPhosphorus, 0);
    for (int a = 0; a < scenario.adsorbers.length; a++) {
      state.mediumG[a] = scenario.adsorbers[a].massG();
    }
    for (int j = 0; j < scenario.stands.length; j++) {
      state.plantDryG[j] = scenario.initialDryG(j) * multipliers.plantMass;
    }
    Arrays.fill(state.nitrogenFlow, 0);
    Arrays.fill(state.phosphorusFlow, 0);
  }

  /** A new tank has its water's ammonia and a seed of nitrifiers. */
  private void newFilter(TankState state, Multipliers multipliers) {
    state.ammonia = scenario.blendAmmonia[scenario.changeBlend] * scenario.volumeL;
    state.nitrite = scenario.blendNitrite[scenario.changeBlend] * scenario.volumeL;
    double seed = Nitrification.SEED_MG_PER_L_DAY * scenario.volumeL;
    state.ammoniaOxidisers = seed * Math.exp(scenario.ammoniaGrowth[0] / 2 * age);
    state.nitriteOxidisers = seed * Math.exp(scenario.nitriteGrowth[0] / 2 * age);
    double most = restingOxidisers(multipliers, scenario.ammoniaGrowth[0]);
    state.ammoniaOxidisers = Math.min(state.ammoniaOxidisers, Math.max(seed, most));
    state.nitriteOxidisers = Math.min(state.nitriteOxidisers, Math.max(seed, most));
  }

  /** A mature filter is at rest with its load. */
  private void matureFilter(TankState state, Multipliers multipliers) {
    double ammoniaGrowth = scenario.ammoniaGrowth[0] * multipliers.nitrifierGrowth;
    double nitriteGrowth = scenario.nitriteGrowth[0] * multipliers.nitrifierGrowth;
    state.ammoniaOxidisers = restingOxidisers(multipliers, ammoniaGrowth);
    state.nitriteOxidisers = restingOxidisers(multipliers, nitriteGrowth);
    state.ammonia =
        scenario.volumeL
            * Nitrification.restingMgL(Nitrification.HALF_SATURATION_AMMONIA_MG_L, ammoniaGrowth);
    state.nitrite =
        scenario.volumeL
            * Nitrification.restingMgL(Nitrification.HALF_SATURATION_NITRITE_MG_L, nitriteGrowth);
  }

  private double restingOxidisers(Multipliers multipliers, double growthPerDay) {
    double load =
        (scenario.food[0].nitrogenDissolved() + scenario.food[0].nitrogenSolid())
                * multipliers.nitrogenLoad[0]
            + scenario.animalNitrogen[0]
            + scenario.soilNitrogen[0]
            + multipliers.unlistedNitrogen * scenario.volumeL;
    double least =
        scenario.isNew() ? Nitrification.SEED_MG_PER_L_DAY : Nitrification.MATURE_MG_PER_L_DAY;
    return Math.max(least * scenario.volumeL, load) * growthPerDay / Nitrification.DECAY_PER_DAY;
  }
}
