package org.umberline.core.simulation;

import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.PlantGrowth;

/**
 * One step of all pools by an exponential midpoint rule: over a step each loss is a constant share
 * of its pool, so that the step has a closed solution, amounts stay positive, what rests stays at
 * rest however fast it turns over, and what leaves one pool arrives in the next to the last digit.
 * The pools are taken in the order nitrogen passes through them, twice a step: with the shares at
 * its start, then with those at its middle. Allocates nothing.
 */
final class Step {
  /** Passes in which a guess that was too far off may come near enough. Chosen. */
  private static final int PASSES_ON_COURSE = 2;

  /** A pool under this much, mg N or P a litre, is judged as if it held so much. */
  private static final double SMALL_NITROGEN_MG_L = 0.03;

  /** The same for what is only on its way to nitrate: ammonia, nitrite and waste. */
  private static final double SMALL_ON_ITS_WAY_MG_L = 0.3;

  private static final double SMALL_PHOSPHORUS_MG_L = 0.003;

  private final Scenario scenario;
  private final Rates rates;
  private final TankSimulator.Care care;
  private final double volume;
  private final Growth growth;
  private final LinearPool solids = new LinearPool();
  private final LinearPool media = new LinearPool();
  private final PhosphatePools phosphate = new PhosphatePools();

  /** Where the step that is being worked out leads to. */
  final TankState next;

  private double skimmedNitrogen;
  private double skimmedPhosphorus;
  private double gearDenitrified;
  private double unseenDenitrified;
  private double phosphorusLost;

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

  Step(Scenario scenario, Rates rates, TankSimulator.Care care) {
    this.scenario = scenario;
    this.rates = rates;
    this.care = care;
    volume = scenario.volumeL;
    next = new TankState(scenario);
    growth = new Growth(scenario, rates);
    coursePlants = new double[scenario.stands.length];
    courseAdsorbed = new double[scenario.adsorbers.length];
  }

  /** Where plants or media are others, pools move otherwise than before. */
  void disturbed() {
    courseStep = 0;
  }

  /**
   * Works out a step of {@code h} days and returns how far its two passes lie apart. Where the step
   * before leads on smoothly, its course stands for the first pass.
   */
  double attempt(TankState state, double h) {
    if (courseStep > 0) {
      goOn(state, h / courseStep);
      for (int i = 0; i < PASSES_ON_COURSE; i++) {
        double difference = repeat(state, h);
        if (difference <= care.course()) {
          return Compared.smaller(difference, care.tolerance());
        }
      }
    }
    stay(state, h);
    pass(state, h);
    double difference = repeat(state, h);
    boolean negative = next.wasteNitrogen < 0 || next.wastePhosphorus < 0;
    return negative ? Double.POSITIVE_INFINITY : difference;
  }

  private double furthest(
      double ammonia, double nitrite, double nitrate, double phosphorus, double waste) {
    double onItsWay = SMALL_ON_ITS_WAY_MG_L * volume;
    double difference = apart(nitrate, next.nitrate, SMALL_NITROGEN_MG_L * volume);
    difference = Compared.larger(difference, apart(ammonia, next.ammonia, onItsWay));
    difference = Compared.larger(difference, apart(nitrite, next.nitrite, onItsWay));
    difference = Compared.larger(difference, apart(waste, next.wasteNitrogen, onItsWay));
    return Compared.larger(
        difference, apart(phosphorus, next.phosphorus, SMALL_PHOSPHORUS_MG_L * volume));
  }

  /** Guesses that the step leads where the one before was heading. */
  private void goOn(TankState state, double share) {
    next.ammonia = Compared.larger(0, state.ammonia + share * courseAmmonia);
    next.nitrite = Compared.larger(0, state.nitrite + share * courseNitrite);
    next.nitrate = Compared.larger(0, state.nitrate + share * courseNitrate);
    next.phosphorus = Compared.larger(0, state.phosphorus + share * coursePhosphorus);
    next.wasteNitrogen = state.wasteNitrogen + share * courseWaste;
    for (int j = 0; j < next.plantDryG.length; j++) {
      next.plantDryG[j] = Compared.larger(0, state.plantDryG[j] + share * coursePlants[j]);
    }
    for (int a = 0; a < next.adsorbedPhosphorus.length; a++) {
      next.adsorbedPhosphorus[a] = state.adsorbedPhosphorus[a] + share * courseAdsorbed[a];
    }
    growth.goOn(share);
  }

  /** Guesses that the step leads nowhere. */
  private void stay(TankState state, double h) {
    next.ammonia = state.ammonia;
    next.nitrite = state.nitrite;
    next.nitrate = state.nitrate;
    next.phosphorus = state.phosphorus;
    next.setMasses(state);
    growth.stay(h);
  }

  /** Another pass; how far it leads from where the last one did. */
  private double repeat(TankState state, double h) {
    double ammonia = next.ammonia;
    double nitrite = next.nitrite;
    double nitrate = next.nitrate;
    double phosphorus = next.phosphorus;
    double waste = next.wasteNitrogen;
    pass(state, h);
    return furthest(ammonia, nitrite, nitrate, phosphorus, waste);
  }

  private static double apart(double first, double second, double small) {
    return Math.abs(first - second) / (second + small);
  }

  /** One pass over the pools, with the shares in the middle between the state and where it led. */
  private void pass(TankState state, double h) {
    double ammonia = (state.ammonia + next.ammonia) / 2;
    double nitrite = (state.nitrite + next.nitrite) / 2;
    double nitrate = (state.nitrate + next.nitrate) / 2;
    double phosphorus = (state.phosphorus + next.phosphorus) / 2;
    growth.ask(state, next, (ammonia + nitrate) / volume, phosphorus / volume);
    stepSolids(state, h);
    stepNitrogen(state, ammonia, nitrite, nitrate, h);
    stepPhosphorus(state, phosphorus, h);
    growth.takeUp(state, next, h, fromAmmonia, fromNitrate, fromPhosphorus);
  }

  /** Waste solids, and those caught in media: linear, exact. */
  private void stepSolids(TankState state, double h) {
    solids.over(rates.goes, h);
    double solidsNitrogen =
        h * (rates.wasteNitrogenIn + growth.decayNitrogen) + growth.bacteriaNitrogen;
    double solidsPhosphorus =
        h * (rates.wastePhosphorusIn + growth.decayPhosphorus) + growth.bacteriaPhosphorus;
    next.wasteNitrogen =
        state.wasteNitrogen * solids.remains + solidsNitrogen * solids.remainsOfInflow;
    next.wastePhosphorus =
        state.wastePhosphorus * solids.remains + solidsPhosphorus * solids.remainsOfInflow;
    double goneNitrogen = state.wasteNitrogen + solidsNitrogen - next.wasteNitrogen;
    double gonePhosphorus = state.wastePhosphorus + solidsPhosphorus - next.wastePhosphorus;
    mineralNitrogen = goneNitrogen * rates.mineralShare;
    mineralPhosphorus = gonePhosphorus * rates.mineralShare;
    skimmedNitrogen = goneNitrogen * rates.skimShare;
    skimmedPhosphorus = gonePhosphorus * rates.skimShare;
    if (rates.captureRate > 0 || state.caughtNitrogen > 0 || state.caughtPhosphorus > 0) {
      media.over(rates.mineralisation, h);
      double caughtNitrogen = goneNitrogen * rates.captureShare;
      double caughtPhosphorus = gonePhosphorus * rates.captureShare;
      next.caughtNitrogen =
          state.caughtNitrogen * media.remains + caughtNitrogen * media.remainsOfInflow;
      next.caughtPhosphorus =
          state.caughtPhosphorus * media.remains + caughtPhosphorus * media.remainsOfInflow;
      mineralNitrogen += state.caughtNitrogen + caughtNitrogen - next.caughtNitrogen;
      mineralPhosphorus += state.caughtPhosphorus + caughtPhosphorus - next.caughtPhosphorus;
    } else {
      next.caughtNitrogen = 0;
      next.caughtPhosphorus = 0;
    }
  }

  /** Ammonia to nitrite to nitrate; plants take ammonia rather than nitrate. */
  private void stepNitrogen(
      TankState state, double ammonia, double nitrite, double nitrate, double h) {
    Scenario here = scenario;
    double perWanted = 1 / (PlantGrowth.AMMONIA_PREFERENCE * ammonia + nitrate);
    double perNitrate = growth.demandNitrogen > 0 ? growth.demandNitrogen * perWanted : 0;
    double perAmmonia = PlantGrowth.AMMONIA_PREFERENCE * perNitrate;
    double saturation = 1 / (Nitrification.HALF_SATURATION_AMMONIA_MG_L * volume + ammonia);
    double x =
        (Nitrification.DECAY_PER_DAY
                - here.ammoniaGrowth[rates.day] * rates.nitrifierGrowth * ammonia * saturation)
            * h;
    double series = Exponential.series(x);
    next.ammoniaOxidisers = state.ammoniaOxidisers * Exponential.remains(x, series);
    double oxidises = next.ammoniaOxidisers * series * saturation;
    x = (oxidises + perAmmonia) * h;
    series = Exponential.series(x);
    double in = h * rates.ammoniaIn + mineralNitrogen;
    double remains = Exponential.remains(x, series);
    next.ammonia = (state.ammonia + in * series) * remains;
    double share = h * remains * Exponential.passed(state.ammonia, in, x, series);
    fromAmmonia = share * perAmmonia;
    double toNitrite = share * oxidises;

    saturation = 1 / (Nitrification.HALF_SATURATION_NITRITE_MG_L * volume + nitrite);
    x =
        (Nitrification.DECAY_PER_DAY
                - here.nitriteGrowth[rates.day] * rates.nitrifierGrowth * nitrite * saturation)
            * h;
    series = Exponential.series(x);
    next.nitriteOxidisers = state.nitriteOxidisers * Exponential.remains(x, series);
    oxidises = next.nitriteOxidisers * series * saturation;
    x = oxidises * h;
    series = Exponential.series(x);
    in = h * rates.nitriteIn + toNitrite;
    next.nitrite = (state.nitrite + in * series) * Exponential.remains(x, series);
    double toNitrate = state.nitrite + in - next.nitrite;

    double gear = rates.denitrifies(nitrate);
    double gas = gear + rates.unseenDenitrification;
    x = (perNitrate + gas) * h;
    series = Exponential.series(x);
    in = h * rates.nitrateIn + toNitrate;
    remains = Exponential.remains(x, series);
    next.nitrate = (state.nitrate + in * series) * remains;
    share = h * remains * Exponential.passed(state.nitrate, in, x, series);
    fromNitrate = share * perNitrate;
    gearDenitrified = share * gear;
    unseenDenitrified = share * rates.unseenDenitrification;
  }

  /** Phosphate in the water and on rock and sand, both at once; plants and adsorbers take it. */
  private void stepPhosphorus(TankState state, double phosphorus, double h) {
    double perPhosphorus = growth.demandPhosphorus > 0 ? growth.demandPhosphorus / phosphorus : 0;
    double leaves = perPhosphorus + rates.phosphorusLoss + rates.adsorb(state, next);
    double in = h * rates.phosphorusIn + mineralPhosphorus;
    phosphate.step(
        state.phosphorus, state.boundPhosphorus, rates.binds * h, rates.frees * h, leaves * h, in);
    next.phosphorus = phosphate.water;
    next.boundPhosphorus = phosphate.bound;
    double taken =
        Compared.larger(
            0,
            state.phosphorus + state.boundPhosphorus + in - next.phosphorus - next.boundPhosphorus);
    double share = leaves > 0 ? taken / leaves : 0;
    fromPhosphorus = share * perPhosphorus;
    phosphorusLost = share * rates.phosphorusLoss;
    for (int a = 0; a < next.adsorbedPhosphorus.length; a++) {
      double adsorbed = share * rates.adsorbShare[a];
      double held = state.adsorbedPhosphorus[a];
      double fits = Compared.larger(0, Compared.smaller(adsorbed, rates.capacity(state, a) - held));
      next.adsorbedPhosphorus[a] = held + fits;
      next.phosphorus += adsorbed - fits;
    }
  }

  /**
   * How far phosphate is from a straight line between the ends of the step that was worked out, mg
   * P: what goes between water, rock and sand calms down at a rate of its own.
   *
   * @param share of the step's {@code h} days that has passed
   */
  double bend(TankState state, double share, double h) {
    double rate = rates.binds + rates.frees;
    double whole = rate * h;
    double part = whole * share;
    double calmed = 1 - Exponential.remains(whole, Exponential.series(whole));
    double calmedSoFar = 1 - Exponential.remains(part, Exponential.series(part));
    return (rates.comesFree(state) - rates.comesFree(next)) * (calmedSoFar / calmed - share) / rate;
  }

  /** Goes to where the step that was worked out leads. */
  void accept(TankState state, double h) {
    courseStep = h;
    courseAmmonia = next.ammonia - state.ammonia;
    courseNitrite = next.nitrite - state.nitrite;
    courseNitrate = next.nitrate - state.nitrate;
    coursePhosphorus = next.phosphorus - state.phosphorus;
    courseWaste = next.wasteNitrogen - state.wasteNitrogen;
    for (int j = 0; j < next.plantDryG.length; j++) {
      coursePlants[j] = next.plantDryG[j] - state.plantDryG[j];
    }
    for (int a = 0; a < next.adsorbedPhosphorus.length; a++) {
      courseAdsorbed[a] = next.adsorbedPhosphorus[a] - state.adsorbedPhosphorus[a];
    }
    state.setPools(next);
    if (rates.skimRate > 0) {
      state.add(Flow.SKIMMED, skimmedNitrogen, skimmedPhosphorus);
    }
    state.nitrogenFlow[Flow.DENITRIFIED.ordinal()] += gearDenitrified;
    state.nitrogenFlow[Flow.DENITRIFIED_UNSEEN.ordinal()] += unseenDenitrified;
    state.phosphorusFlow[Flow.PHOSPHORUS_LOST.ordinal()] += phosphorusLost;
  }
}
