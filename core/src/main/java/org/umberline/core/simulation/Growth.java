package org.umberline.core.simulation;

import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.UnplantedAlgae;

/** What plants, algae and bacteria on dosed carbon ask of the water, and what they get. */
final class Growth {
  /** Plants that ask for less than this, mg a day, ask for nothing: it would drown in rounding. */
  private static final double NO_DEMAND = 1e-6;

  // What is asked for and what decays, mg a day
  double demandNitrogen;
  double demandPhosphorus;
  double decayNitrogen;
  double decayPhosphorus;

  /** What bacteria built in themselves over the step, mg N. */
  double bacteriaNitrogen;

  /** The same in mg P. */
  double bacteriaPhosphorus;

  private final Scenario scenario;
  private final Rates rates;
  private final double[] growth;
  private final double[] decay;
  private double carbonNitrogen;
  private double carbonPhosphorus;

  Growth(Scenario scenario, Rates rates) {
    this.scenario = scenario;
    this.rates = rates;
    growth = new double[scenario.stands.length];
    decay = new double[scenario.stands.length];
  }

  /** Guesses that bacteria go on as over the step before, which was {@code 1 / share} as long. */
  void goOn(double share) {
    bacteriaNitrogen *= share;
    bacteriaPhosphorus *= share;
  }

  /** Guesses that bacteria get all they ask for over {@code h} days. */
  void stay(double h) {
    bacteriaNitrogen = h * scenario.carbonNitrogen[rates.day] * rates.carbon;
    bacteriaPhosphorus = h * scenario.carbonPhosphorus[rates.day] * rates.carbon;
  }

  /** What grows asks for food, by what the water holds, mg N and mg P a litre. */
  void ask(TankState state, TankState next, double nitrogenMgNL, double phosphorusMgPL) {
    Scenario here = scenario;
    demandNitrogen = 0;
    demandPhosphorus = 0;
    decayNitrogen = 0;
    decayPhosphorus = 0;
    double limit = 0;
    int stands = growth.length;
    boolean bacteria = here.carbonNitrogen[rates.day] > 0;
    if (stands > 0 || bacteria) {
      limit = PlantGrowth.nutrientLimit(nitrogenMgNL, phosphorusMgPL);
    }
    for (int j = 0; j < stands; j++) {
      Stands.Stand stand = here.stands[j];
      double mass = (state.plantDryG[j] + next.plantDryG[j]) / 2;
      double perGreatest =
          j == here.algae
              ? 1 / here.algaeGreatestDryG[rates.day]
              : stand.perGreatestDryG() * rates.perPlantMass;
      double room = Compared.larger(0, 1 - mass * perGreatest);
      growth[j] = stand.growthPerDay() * rates.uptake * limit * room * mass;
      decay[j] =
          (j == here.algae ? UnplantedAlgae.DECAY_PER_DAY : PlantGrowth.DECAY_PER_DAY) * mass;
      demandNitrogen += growth[j] * stand.nitrogenMgPerG();
      demandPhosphorus += growth[j] * stand.phosphorusMgPerG();
      decayNitrogen += decay[j] * stand.nitrogenMgPerG();
      decayPhosphorus += decay[j] * stand.phosphorusMgPerG();
    }
    carbonNitrogen = 0;
    carbonPhosphorus = 0;
    if (bacteria) {
      carbonNitrogen = here.carbonNitrogen[rates.day] * rates.carbon * limit;
      carbonPhosphorus = here.carbonPhosphorus[rates.day] * rates.carbon * limit;
      demandNitrogen += carbonNitrogen;
      demandPhosphorus += carbonPhosphorus;
    }

    if (Compared.smaller(demandNitrogen, demandPhosphorus) < NO_DEMAND) {
      demandNitrogen = 0;
      demandPhosphorus = 0;
    }
  }

  /** Plants take both in a fixed proportion: the scarcer sets how much of the demand is met. */
  void takeUp(
      TankState state,
      TankState next,
      double h,
      double fromAmmonia,
      double fromNitrate,
      double fromPhosphorus) {
    int stands = growth.length;
    if (demandNitrogen > 0) {
      double metNitrogen = (fromAmmonia + fromNitrate) / (h * demandNitrogen);
      double metPhosphorus = fromPhosphorus / (h * demandPhosphorus);
      double met = Compared.smaller(metNitrogen, metPhosphorus);
      double back = metNitrogen > 0 ? 1 - met / metNitrogen : 0;
      next.ammonia += fromAmmonia * back;
      next.nitrate += fromNitrate * back;
      next.phosphorus += metPhosphorus > 0 ? fromPhosphorus * (1 - met / metPhosphorus) : 0;
      for (int j = 0; j < stands; j++) {
        next.plantDryG[j] = state.plantDryG[j] + h * (growth[j] * met - decay[j]);
      }
      next.wasteNitrogen += h * carbonNitrogen * met - bacteriaNitrogen;
      next.wastePhosphorus += h * carbonPhosphorus * met - bacteriaPhosphorus;
      bacteriaNitrogen = h * carbonNitrogen * met;
      bacteriaPhosphorus = h * carbonPhosphorus * met;
    } else {
      for (int j = 0; j < stands; j++) {
        next.plantDryG[j] = state.plantDryG[j] - h * decay[j];
      }
      next.wasteNitrogen -= bacteriaNitrogen;
      next.wastePhosphorus -= bacteriaPhosphorus;
      bacteriaNitrogen = 0;
      bacteriaPhosphorus = 0;
    }
  }
}
