package org.umberline.core.simulation;

import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.UnplantedAlgae;

/**
 * One step of all pools by an exponential midpoint rule: over a step each loss is a constant share
 * of its pool, so that the step has a closed solution, amounts stay positive, what rests stays at
 * rest however fast it turns over, and what leaves one pool arrives in the next to the last digit.
 * The pools are taken in the order nitrogen passes through them, twice a step: with the shares at
 * its start, then with those at its middle. Allocates nothing.
 */
final class Step {
  /**
   * Largest difference between two passes where the step goes on as the one before: its guess is a
   * better one than a guess that nothing moves, so what it misses matters less.
   */
  private static final double GOOD_COURSE = 0.005;

  /** A pool under this much, mg N or P a litre, is judged as if it held so much. */
  private static final double SMALL_NITROGEN_MG_L = 0.03;

  /** The same for what is only on its way to nitrate: ammonia, nitrite and waste. */
  private static final double SMALL_ON_ITS_WAY_MG_L = 0.3;

  private static final double SMALL_PHOSPHORUS_MG_L = 0.003;

  /** Plants that ask for less than this, mg a day, ask for nothing: it would drown in rounding. */
  private static final double NO_DEMAND = 1e-6;

  private final Scenario scenario;
  private final Rates rates;
  private final double tolerance;
  private final double goodCourse;
  private final double volume;
  private final double[] growth;
  private final double[] decay;
  private final double[] nextPlants;
  private final double[] adsorbShare;
  private final double[] nextAdsorbed;
  private final LinearPool solids = new LinearPool();
  private final LinearPool media = new LinearPool();
  private final PhosphatePools phosphate = new PhosphatePools();

  // Where a step that is being worked out leads to
  double ammonia1;
  double nitrite1;
  double nitrate1;
  double phosphorus1;
  private double bound1;
  private double wasteNitrogen1;
  private double wastePhosphorus1;
  private double caughtNitrogen1;
  private double caughtPhosphorus1;
  private double ammoniaOxidisers1;
  private double nitriteOxidisers1;
  private double skimmedNitrogen;
  private double skimmedPhosphorus;
  private double gearDenitrified;
  private double unseenDenitrified;
  private double phosphorusLost;
  private double bacteriaNitrogen;
  private double bacteriaPhosphorus;

  // What plants, algae and bacteria on dosed carbon ask for and what decays, mg a day
  private double demandNitrogen;
  private double demandPhosphorus;
  private double decayNitrogen;
  private double decayPhosphorus;
  private double carbonNitrogen;
  private double carbonPhosphorus;

  // What a pass moved, mg
  private double mineralNitrogen;
  private double mineralPhosphorus;
  private double fromAmmonia;
  private double fromNitrate;
  private double fromPhosphorus;

  // How the pools moved over the last step, of courseStep days; 0 days after an event
  private double courseStep;
  private double courseAmmonia;
  private double courseNitrite;
  private double courseNitrate;
  private double coursePhosphorus;
  private double courseWaste;
  private final double[] coursePlants;
  private final double[] courseAdsorbed;

  /**
   * @param tolerance largest difference between the two passes, as a share of the pool
   * @param loosened how many times as much may be missed as in a run that is not a search
   */
  Step(Scenario scenario, Rates rates, double tolerance, double loosened) {
    this.scenario = scenario;
    this.rates = rates;
    this.tolerance = tolerance;
    goodCourse = GOOD_COURSE * loosened;
    volume = scenario.volumeL;
    growth = new double[scenario.stands.length];
    decay = new double[scenario.stands.length];
    nextPlants = new double[scenario.stands.length];
    adsorbShare = new double[scenario.adsorbers.length];
    nextAdsorbed = new double[scenario.adsorbers.length];
    coursePlants = new double[scenario.stands.length];
    courseAdsorbed = new double[scenario.adsorbers.length];
  }

  /** After an event pools move otherwise than before. */
  void disturbed() {
    courseStep = 0;
  }

  /**
   * Works out a step of {@code h} days and returns how far its two passes lie apart. Where the step
   * before leads on smoothly, its course stands for the first pass.
   */
  double attempt(TankState state, double h) {
    double difference = Double.POSITIVE_INFINITY;
    if (courseStep > 0) {
      goOn(state, h / courseStep);
      difference = repeat(state, h);
      if (difference <= goodCourse) {
        return Math.min(difference, tolerance);
      }
    }
    if (difference > goodCourse) {
      stay(state, h);
      pass(state, h);
      difference = repeat(state, h);
    }
    boolean negative = wasteNitrogen1 < 0 || wastePhosphorus1 < 0;
    return negative ? Double.POSITIVE_INFINITY : difference;
  }

  private double furthest(
      double ammonia, double nitrite, double nitrate, double phosphorus, double waste) {
    double onItsWay = SMALL_ON_ITS_WAY_MG_L * volume;
    double difference = apart(nitrate, nitrate1, SMALL_NITROGEN_MG_L * volume);
    difference = Math.max(difference, apart(ammonia, ammonia1, onItsWay));
    difference = Math.max(difference, apart(nitrite, nitrite1, onItsWay));
    difference = Math.max(difference, apart(waste, wasteNitrogen1, onItsWay));
    return Math.max(difference, apart(phosphorus, phosphorus1, SMALL_PHOSPHORUS_MG_L * volume));
  }

  /** Guesses that the step leads where the one before was heading. */
  private void goOn(TankState state, double share) {
    ammonia1 = Math.max(0, state.ammonia + share * courseAmmonia);
    nitrite1 = Math.max(0, state.nitrite + share * courseNitrite);
    nitrate1 = Math.max(0, state.nitrate + share * courseNitrate);
    phosphorus1 = Math.max(0, state.phosphorus + share * coursePhosphorus);
    wasteNitrogen1 = state.wasteNitrogen + share * courseWaste;
    for (int j = 0; j < nextPlants.length; j++) {
      nextPlants[j] = Math.max(0, state.plantDryG[j] + share * coursePlants[j]);
    }
    for (int a = 0; a < nextAdsorbed.length; a++) {
      nextAdsorbed[a] = state.adsorbedPhosphorus[a] + share * courseAdsorbed[a];
    }
    bacteriaNitrogen *= share;
    bacteriaPhosphorus *= share;
  }

  /** Guesses that the step leads nowhere. */
  private void stay(TankState state, double h) {
    ammonia1 = state.ammonia;
    nitrite1 = state.nitrite;
    nitrate1 = state.nitrate;
    phosphorus1 = state.phosphorus;
    System.arraycopy(state.plantDryG, 0, nextPlants, 0, nextPlants.length);
    System.arraycopy(state.adsorbedPhosphorus, 0, nextAdsorbed, 0, nextAdsorbed.length);
    bacteriaNitrogen = h * scenario.carbonNitrogen[rates.day];
    bacteriaPhosphorus = h * scenario.carbonPhosphorus[rates.day];
  }

  /** Another pass; how far it leads from where the last one did. */
  private double repeat(TankState state, double h) {
    double ammonia = ammonia1;
    double nitrite = nitrite1;
    double nitrate = nitrate1;
    double phosphorus = phosphorus1;
    double waste = wasteNitrogen1;
    pass(state, h);
    return furthest(ammonia, nitrite, nitrate, phosphorus, waste);
  }

  private static double apart(double first, double second, double small) {
    return Math.abs(first - second) / (second + small);
  }

  /** One pass over the pools, with the shares in the middle between the state and where it led. */
  private void pass(TankState state, double h) {
    double ammonia = (state.ammonia + ammonia1) / 2;
    double nitrite = (state.nitrite + nitrite1) / 2;
    double nitrate = (state.nitrate + nitrate1) / 2;
    double phosphorus = (state.phosphorus + phosphorus1) / 2;
    ask(state, (ammonia + nitrate) / volume, phosphorus / volume);
    stepSolids(state, h);
    stepNitrogen(state, ammonia, nitrite, nitrate, h);
    stepPhosphorus(state, phosphorus, h);
    grow(state, h);
  }

  /** What grows asks for food, by what the water holds, mg N and mg P a litre. */
  private void ask(TankState state, double nitrogenMgNL, double phosphorusMgPL) {
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
      double mass = (state.plantDryG[j] + nextPlants[j]) / 2;
      double perGreatest =
          j == here.algae
              ? 1 / here.algaeGreatestDryG[rates.day]
              : stand.perGreatestDryG() * rates.perPlantMass;
      double room = Math.max(0, 1 - mass * perGreatest);
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
      carbonNitrogen = here.carbonNitrogen[rates.day] * limit;
      carbonPhosphorus = here.carbonPhosphorus[rates.day] * limit;
      demandNitrogen += carbonNitrogen;
      demandPhosphorus += carbonPhosphorus;
    }

    if (Math.min(demandNitrogen, demandPhosphorus) < NO_DEMAND) {
      demandNitrogen = 0;
      demandPhosphorus = 0;
    }
  }

  /** Waste solids, and those caught in media: linear, exact. */
  private void stepSolids(TankState state, double h) {
    solids.over(rates.goes, h);
    double solidsNitrogen = h * (rates.wasteNitrogenIn + decayNitrogen) + bacteriaNitrogen;
    double solidsPhosphorus = h * (rates.wastePhosphorusIn + decayPhosphorus) + bacteriaPhosphorus;
    wasteNitrogen1 = state.wasteNitrogen * solids.remains + solidsNitrogen * solids.remainsOfInflow;
    wastePhosphorus1 =
        state.wastePhosphorus * solids.remains + solidsPhosphorus * solids.remainsOfInflow;
    double goneNitrogen = state.wasteNitrogen + solidsNitrogen - wasteNitrogen1;
    double gonePhosphorus = state.wastePhosphorus + solidsPhosphorus - wastePhosphorus1;
    mineralNitrogen = goneNitrogen * rates.mineralShare;
    mineralPhosphorus = gonePhosphorus * rates.mineralShare;
    skimmedNitrogen = goneNitrogen * rates.skimShare;
    skimmedPhosphorus = gonePhosphorus * rates.skimShare;
    if (rates.captureRate > 0 || state.caughtNitrogen > 0 || state.caughtPhosphorus > 0) {
      media.over(rates.mineralisation, h);
      double caughtNitrogen = goneNitrogen * rates.captureShare;
      double caughtPhosphorus = gonePhosphorus * rates.captureShare;
      caughtNitrogen1 =
          state.caughtNitrogen * media.remains + caughtNitrogen * media.remainsOfInflow;
      caughtPhosphorus1 =
          state.caughtPhosphorus * media.remains + caughtPhosphorus * media.remainsOfInflow;
      mineralNitrogen += state.caughtNitrogen + caughtNitrogen - caughtNitrogen1;
      mineralPhosphorus += state.caughtPhosphorus + caughtPhosphorus - caughtPhosphorus1;
    } else {
      caughtNitrogen1 = 0;
      caughtPhosphorus1 = 0;
    }
  }

  /** Ammonia to nitrite to nitrate; plants take ammonia rather than nitrate. */
  private void stepNitrogen(
      TankState state, double ammonia, double nitrite, double nitrate, double h) {
    Scenario here = scenario;
    double wanted = PlantGrowth.AMMONIA_PREFERENCE * ammonia + nitrate;
    double perNitrate = demandNitrogen > 0 ? demandNitrogen / wanted : 0;
    double perAmmonia = PlantGrowth.AMMONIA_PREFERENCE * perNitrate;
    double saturation = 1 / (Nitrification.HALF_SATURATION_AMMONIA_MG_L * volume + ammonia);
    double x =
        (Nitrification.DECAY_PER_DAY
                - here.ammoniaGrowth[rates.day] * rates.nitrifierGrowth * ammonia * saturation)
            * h;
    double d = 1 / Exponential.denominator(x);
    ammoniaOxidisers1 = state.ammoniaOxidisers * d;
    double oxidises = state.ammoniaOxidisers * Exponential.numerator(x) * d * saturation;
    x = (oxidises + perAmmonia) * h;
    d = 1 / Exponential.denominator(x);
    double in = h * rates.ammoniaIn + mineralNitrogen;
    ammonia1 = state.ammonia * d + in * Exponential.numerator(x) * d;
    double gone = state.ammonia + in - ammonia1;
    double share = oxidises + perAmmonia > 0 ? gone / (oxidises + perAmmonia) : 0;
    fromAmmonia = share * perAmmonia;
    double toNitrite = share * oxidises;

    saturation = 1 / (Nitrification.HALF_SATURATION_NITRITE_MG_L * volume + nitrite);
    x =
        (Nitrification.DECAY_PER_DAY
                - here.nitriteGrowth[rates.day] * rates.nitrifierGrowth * nitrite * saturation)
            * h;
    d = 1 / Exponential.denominator(x);
    nitriteOxidisers1 = state.nitriteOxidisers * d;
    oxidises = state.nitriteOxidisers * Exponential.numerator(x) * d * saturation;
    x = oxidises * h;
    d = 1 / Exponential.denominator(x);
    in = h * rates.nitriteIn + toNitrite;
    nitrite1 = state.nitrite * d + in * Exponential.numerator(x) * d;
    double toNitrate = state.nitrite + in - nitrite1;

    double gear = gearDenitrifies(nitrate);
    double gas = gear + rates.unseenDenitrification;
    x = (perNitrate + gas) * h;
    d = 1 / Exponential.denominator(x);
    in = h * rates.nitrateIn + toNitrate;
    nitrate1 = state.nitrate * d + in * Exponential.numerator(x) * d;
    share = perNitrate + gas > 0 ? (state.nitrate + in - nitrate1) / (perNitrate + gas) : 0;
    fromNitrate = share * perNitrate;
    gearDenitrified = share * gear;
    unseenDenitrified = share * rates.unseenDenitrification;
  }

  /** Phosphate in the water and on rock and sand, both at once; plants and adsorbers take it. */
  private void stepPhosphorus(TankState state, double phosphorus, double h) {
    double perPhosphorus = demandPhosphorus > 0 ? demandPhosphorus / phosphorus : 0;
    double leaves = perPhosphorus + rates.phosphorusLoss + adsorbShares(state);
    double in = h * rates.phosphorusIn + mineralPhosphorus;
    phosphate.step(state.phosphorus, state.boundPhosphorus, rates.exchangeRatio, leaves * h, in, h);
    phosphorus1 = phosphate.water;
    bound1 = phosphate.bound;
    double taken =
        Math.max(0, state.phosphorus + state.boundPhosphorus + in - phosphorus1 - bound1);
    double share = leaves > 0 ? taken / leaves : 0;
    fromPhosphorus = share * perPhosphorus;
    phosphorusLost = share * rates.phosphorusLoss;
    for (int a = 0; a < adsorbShare.length; a++) {
      double adsorbed = share * adsorbShare[a];
      double held = state.adsorbedPhosphorus[a];
      double fits = Math.max(0, Math.min(adsorbed, capacity(state, a) - held));
      nextAdsorbed[a] = held + fits;
      phosphorus1 += adsorbed - fits;
    }
  }

  /** Plants take both in a fixed proportion: the scarcer sets how much of the demand is met. */
  private void grow(TankState state, double h) {
    int stands = growth.length;
    if (demandNitrogen > 0) {
      double metNitrogen = (fromAmmonia + fromNitrate) / (h * demandNitrogen);
      double metPhosphorus = fromPhosphorus / (h * demandPhosphorus);
      double met = Math.min(metNitrogen, metPhosphorus);
      double back = metNitrogen > 0 ? 1 - met / metNitrogen : 0;
      ammonia1 += fromAmmonia * back;
      nitrate1 += fromNitrate * back;
      phosphorus1 += metPhosphorus > 0 ? fromPhosphorus * (1 - met / metPhosphorus) : 0;
      for (int j = 0; j < stands; j++) {
        nextPlants[j] = state.plantDryG[j] + h * (growth[j] * met - decay[j]);
      }
      wasteNitrogen1 += h * carbonNitrogen * met - bacteriaNitrogen;
      wastePhosphorus1 += h * carbonPhosphorus * met - bacteriaPhosphorus;
      bacteriaNitrogen = h * carbonNitrogen * met;
      bacteriaPhosphorus = h * carbonPhosphorus * met;
    } else {
      for (int j = 0; j < stands; j++) {
        nextPlants[j] = state.plantDryG[j] - h * decay[j];
      }
      wasteNitrogen1 -= bacteriaNitrogen;
      wastePhosphorus1 -= bacteriaPhosphorus;
      bacteriaNitrogen = 0;
      bacteriaPhosphorus = 0;
    }
  }

  /** Goes to where the step that was worked out leads. */
  void accept(TankState state, double h) {
    courseStep = h;
    courseAmmonia = ammonia1 - state.ammonia;
    courseNitrite = nitrite1 - state.nitrite;
    courseNitrate = nitrate1 - state.nitrate;
    coursePhosphorus = phosphorus1 - state.phosphorus;
    courseWaste = wasteNitrogen1 - state.wasteNitrogen;
    for (int j = 0; j < nextPlants.length; j++) {
      coursePlants[j] = nextPlants[j] - state.plantDryG[j];
    }
    for (int a = 0; a < nextAdsorbed.length; a++) {
      courseAdsorbed[a] = nextAdsorbed[a] - state.adsorbedPhosphorus[a];
    }
    state.ammonia = ammonia1;
    state.nitrite = nitrite1;
    state.nitrate = nitrate1;
    state.phosphorus = phosphorus1;
    state.boundPhosphorus = bound1;
    state.wasteNitrogen = wasteNitrogen1;
    state.wastePhosphorus = wastePhosphorus1;
    state.caughtNitrogen = caughtNitrogen1;
    state.caughtPhosphorus = caughtPhosphorus1;
    state.ammoniaOxidisers = ammoniaOxidisers1;
    state.nitriteOxidisers = nitriteOxidisers1;
    System.arraycopy(nextPlants, 0, state.plantDryG, 0, nextPlants.length);
    System.arraycopy(nextAdsorbed, 0, state.adsorbedPhosphorus, 0, nextAdsorbed.length);
    if (rates.skimRate > 0) {
      state.add(Flow.SKIMMED, skimmedNitrogen, skimmedPhosphorus);
    }
    state.nitrogenFlow[Flow.DENITRIFIED.ordinal()] += gearDenitrified;
    state.nitrogenFlow[Flow.DENITRIFIED_UNSEEN.ordinal()] += unseenDenitrified;
    state.phosphorusFlow[Flow.PHOSPHORUS_LOST.ordinal()] += phosphorusLost;
  }

  /** Share of {@code nitrate} that beds, filters and rock turn to gas, per day. */
  private double gearDenitrifies(double nitrate) {
    Gear.Denitrifying[] all = scenario.denitrifying;
    if (all.length == 0) {
      return 0;
    }
    double perVolume = 1 / (volume * Denitrification.HALF_SATURATION_MG_L + nitrate);
    double share = 0;
    boolean any = false;
    for (int g = 0; g < all.length; g++) {
      if (scenario.denitrifyingInUse[g][rates.day]) {
        any = true;
        share +=
            Math.min(
                all[g].greatestMgPerDay() * rates.denitrification * perVolume,
                all[g].flowLPerDay() / volume);
      }
    }
    return any
        ? share + scenario.carbonDenitrifies[rates.day] * rates.denitrification * perVolume
        : 0;
  }

  private double adsorbShares(TankState state) {
    double sum = 0;
    for (int a = 0; a < adsorbShare.length; a++) {
      adsorbShare[a] = 0;
      if (scenario.adsorberInUse[a][rates.day]) {
        double capacity = capacity(state, a);
        double held = (state.adsorbedPhosphorus[a] + nextAdsorbed[a]) / 2;
        if (held < capacity) {
          adsorbShare[a] =
              state.mediumG[a]
                  * scenario.adsorbers[a].clearedLPerGDay()
                  / volume
                  * (1 - held / capacity);
        }
      }
      sum += adsorbShare[a];
    }
    return sum;
  }

  private double capacity(TankState state, int adsorber) {
    return state.mediumG[adsorber] * scenario.adsorbers[adsorber].capacityMgPerG();
  }
}
