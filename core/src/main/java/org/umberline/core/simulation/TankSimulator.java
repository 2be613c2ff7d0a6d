package org.umberline.core.simulation;

import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.UnplantedAlgae;
import org.umberline.core.balance.WasteSolids;

/**
 * Runs a scenario. Between events every pool is stepped by an exponential midpoint rule: over a
 * step each loss is a constant share of its pool, so that the step has a closed solution, amounts
 * stay positive, what rests stays at rest however fast it turns over, and what leaves one pool
 * arrives in the next to the last digit. The pools are taken in the order nitrogen passes through
 * them, twice a step: with the shares at its start, then with those at its middle; where the two
 * differ too much the step is halved. Not thread-safe; a run allocates nothing.
 */
public final class TankSimulator {
  /** Longest step, days. */
  private static final double LONGEST_STEP = 1;

  /** Longest step while a filter grows in: populations that double in days go off like a fuse. */
  private static final double LONGEST_STEP_OF_NEW_TANK = 0.125;

  /** Shortest step, days; at this one nothing is halved any more. */
  private static final double SHORTEST_STEP = 1.0 / 256;

  /**
   * Largest difference between the two passes of a step, as a share of the pool. At this one the
   * error stays under 0.1 % of a state's range (see tests).
   */
  private static final double TOLERANCE = 0.0003;

  /** The same for a step that goes on as the one before: what it misses matters far less. */
  private static final double GOOD_COURSE = 0.005;

  /**
   * A quick run may differ by this many times as much: still far less than any kit could show, and
   * what searches over many runs need.
   */
  private static final double QUICK = 10;

  /** A smaller jump, in logarithms, leaves the pools on their course. */
  private static final double LARGE_JUMP = 0.1;

  /** A pool under this much, mg N or P a litre, is judged as if it held so much. */
  private static final double SMALL_NITROGEN_MG_L = 0.03;

  /** The same for what is only on its way to nitrate: ammonia, nitrite and waste. */
  private static final double SMALL_ON_ITS_WAY_MG_L = 0.3;

  /** Plants that ask for less than this, mg a day, ask for nothing: it would drown in rounding. */
  private static final double NO_DEMAND = 1e-6;

  private static final double SMALL_PHOSPHORUS_MG_L = 0.003;

  private final Scenario scenario;
  private final double tolerance;
  private final double goodCourse;
  private final double volume;
  private final double[] blendNitrate;
  private final double[] blendPhosphorus;
  private final double[] growth;
  private final double[] decay;
  private final double[] nextPlants;
  private final double[] adsorbShare;
  private final double[] nextAdsorbed;

  // What is the same for a whole run
  private double uptake;
  private double perPlantMass;
  private double exchangeRatio;
  private double denitrification;
  private double unseenDenitrification;
  private double phosphorusLoss;
  private double nitrifierGrowth;

  // Rates of the day at hand, mg a day
  private int today;
  private double ammoniaIn;
  private double nitriteIn;
  private double nitrateIn;
  private double phosphorusIn;
  private double wasteNitrogenIn;
  private double wastePhosphorusIn;
  private double mineralisation;
  private double captureRate;
  private double skimRate;
  private double goes;
  private double mineralShare;
  private double captureShare;
  private double skimShare;
  private double longestStep;
  private double step;
  private int probe;

  // Where a step that is being worked out leads to
  private double ammonia1;
  private double nitrite1;
  private double nitrate1;
  private double phosphorus1;
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

  // How the pools moved over the last step, of courseStep days; 0 days after an event
  private double courseStep;
  private double courseAmmonia;
  private double courseNitrite;
  private double courseNitrate;
  private double coursePhosphorus;
  private double courseWaste;
  private final double[] coursePlants;
  private final double[] courseAdsorbed;

  // The factors of a linear pool, kept for the rate and step they were last asked for
  private double factorRate = -1;
  private double factorStep = -1;
  private double remains;
  private double remainsOfInflow;
  private double mediaRate = -1;
  private double mediaStep = -1;
  private double mediaRemains;
  private double mediaRemainsOfInflow;

  public TankSimulator(Scenario scenario) {
    this(scenario, 1);
  }

  /** A simulator for searches, a few parts in a thousand off and three times as fast. */
  public static TankSimulator quick(Scenario scenario) {
    return new TankSimulator(scenario, QUICK);
  }

  private TankSimulator(Scenario scenario, double loosened) {
    this.scenario = scenario;
    tolerance = TOLERANCE * loosened;
    goodCourse = GOOD_COURSE * loosened;
    volume = scenario.volumeL;
    blendNitrate = new double[scenario.blendWater.length];
    blendPhosphorus = new double[scenario.blendWater.length];
    growth = new double[scenario.stands.length];
    decay = new double[scenario.stands.length];
    nextPlants = new double[scenario.stands.length];
    adsorbShare = new double[scenario.adsorbers.length];
    nextAdsorbed = new double[scenario.adsorbers.length];
    coursePlants = new double[scenario.stands.length];
    courseAdsorbed = new double[scenario.adsorbers.length];
  }

  /**
   * Runs {@code state} from the start of {@code fromDay} to the start of {@code toDay}.
   *
   * @param planned changes besides the log's; those before {@code fromDay} are passed over
   */
  public void run(
      TankState state,
      int fromDay,
      int toDay,
      Multipliers multipliers,
      PlannedChanges planned,
      Trace trace) {
    mixBlends(multipliers);
    uptake = multipliers.uptake;
    perPlantMass = 1 / multipliers.plantMass;
    exchangeRatio = scenario.exchangeRatio * multipliers.exchange;
    denitrification = multipliers.denitrification;
    unseenDenitrification = Denitrification.UNSEEN_PER_DAY * multipliers.unseenDenitrification;
    nitrifierGrowth = multipliers.nitrifierGrowth;
    phosphorusLoss = multipliers.phosphorusLoss;
    step = LONGEST_STEP;
    courseStep = 0;
    int plan = 0;
    probe = scenario.firstProbeOfDay[fromDay];
    while (plan < planned.time().length && planned.time()[plan] < fromDay) {
      plan++;
    }
    for (int day = fromDay; day < toDay; day++) {
      setRates(day, multipliers);
      jump(state, multipliers.nitrateJump[day], multipliers.phosphorusJump[day]);
      trace.startDay(day, state.nitrate / volume, state.phosphorus / volume);
      int event = scenario.firstEventOfDay[day];
      int eventsEnd = scenario.firstEventOfDay[day + 1];
      double time = day;
      double dayEnd = day + 1;
      while (true) {
        double eventTime = event < eventsEnd ? scenario.events[event].time() : dayEnd;
        double planTime = plan < planned.time().length ? planned.time()[plan] : dayEnd;
        double next = Math.min(eventTime, Math.min(planTime, dayEnd));
        advance(state, time, next, day, trace);
        time = next;
        if (event < eventsEnd && eventTime <= planTime) {
          apply(scenario.events[event++], state, day, multipliers, trace);
        } else if (planTime < dayEnd) {
          change(state, planned.fraction()[plan++], 0, scenario.changeBlend, day, trace);
        } else {
          break;
        }
      }
      bookDay(state, day, multipliers);
      trace.endDay(day, state, volume);
    }
  }

  private void mixBlends(Multipliers multipliers) {
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
  }

  private void setRates(int day, Multipliers multipliers) {
    FeedNutrients food = scenario.food[day];
    double nitrogenLoad = multipliers.nitrogenLoad[day];
    double phosphorusLoad = multipliers.phosphorusLoad[day];
    double topOff = scenario.topOffLitresPerDay;
    int blend = scenario.topOffBlend;
    ammoniaIn =
        food.nitrogenDissolved() * nitrogenLoad
            + scenario.animalNitrogen[day]
            + scenario.soilNitrogen[day]
            + topOff * scenario.blendAmmonia[blend];
    nitriteIn = topOff * scenario.blendNitrite[blend];
    nitrateIn =
        scenario.fertiliserNitrogen[day]
            + topOff * blendNitrate[blend]
            + multipliers.unlistedNitrogen * volume;
    phosphorusIn =
        food.phosphorusDissolved() * phosphorusLoad
            + scenario.animalPhosphorus[day]
            + scenario.fertiliserPhosphorus[day]
            + topOff * blendPhosphorus[blend]
            + multipliers.unlistedPhosphorus * volume;
    wasteNitrogenIn = food.nitrogenSolid() * nitrogenLoad;
    wastePhosphorusIn = food.phosphorusSolid() * phosphorusLoad;
    today = day;
    longestStep = day < scenario.matureOn ? LONGEST_STEP_OF_NEW_TANK : LONGEST_STEP;
    step = Math.min(step, longestStep);
    mineralisation = scenario.mineralisation[day];
    captureRate = scenario.captureRate[day];
    skimRate = scenario.skimRate[day];
    goes = mineralisation + captureRate + skimRate;
    mineralShare = mineralisation / goes;
    captureShare = captureRate / goes;
    skimShare = skimRate / goes;
  }

  private void bookDay(TankState state, int day, Multipliers multipliers) {
    FeedNutrients food = scenario.food[day];
    book(state, food, multipliers.nitrogenLoad[day], multipliers.phosphorusLoad[day]);
    double topOff = scenario.topOffLitresPerDay;
    int blend = scenario.topOffBlend;
    add(
        state,
        Flow.TOP_OFF_WATER,
        topOff
            * (blendNitrate[blend] + scenario.blendAmmonia[blend] + scenario.blendNitrite[blend]),
        topOff * blendPhosphorus[blend]);
    add(state, Flow.ANIMALS, scenario.animalNitrogen[day], scenario.animalPhosphorus[day]);
    add(state, Flow.SOIL, scenario.soilNitrogen[day], 0);
    add(
        state,
        Flow.UNLISTED,
        multipliers.unlistedNitrogen * volume,
        multipliers.unlistedPhosphorus * volume);
    add(
        state,
        Flow.FERTILISER,
        scenario.fertiliserNitrogen[day],
        scenario.fertiliserPhosphorus[day]);
  }

  private static void book(
      TankState state, FeedNutrients food, double nitrogenLoad, double phosphorusLoad) {
    add(state, Flow.FOOD, food.nitrogen() * nitrogenLoad, food.phosphorus() * phosphorusLoad);
    add(
        state,
        Flow.GROWTH_OF_ANIMALS,
        food.nitrogenKept() * nitrogenLoad,
        food.phosphorusKept() * phosphorusLoad);
  }

  private static void add(TankState state, Flow flow, double nitrogen, double phosphorus) {
    state.nitrogenFlow[flow.ordinal()] += nitrogen;
    state.phosphorusFlow[flow.ordinal()] += phosphorus;
  }

  // ---------------------------------------------------------------- events

  private void apply(
      Scenario.Event event, TankState state, int day, Multipliers multipliers, Trace trace) {
    switch (event.kind()) {
      case CHANGE -> change(state, event.amount(), event.siphoned(), event.index(), day, trace);
      case FEED -> {
        FeedNutrients feed = scenario.extraFeeds[event.index()];
        double nitrogenLoad = multipliers.nitrogenLoad[day];
        double phosphorusLoad = multipliers.phosphorusLoad[day];
        state.ammonia += feed.nitrogenDissolved() * nitrogenLoad;
        state.wasteNitrogen += feed.nitrogenSolid() * nitrogenLoad;
        state.phosphorus += feed.phosphorusDissolved() * phosphorusLoad;
        state.wastePhosphorus += feed.phosphorusSolid() * phosphorusLoad;
        book(state, feed, nitrogenLoad, phosphorusLoad);
        trace.see(day, state.nitrate / volume, state.phosphorus / volume);
      }
      case HARVEST ->
          movePlants(
              state,
              Flow.PLANTS_TAKEN_OUT,
              event.index(),
              -Math.min(
                  event.amount(), PlantGrowth.MOST_HARVESTED * state.plantDryG[event.index()]));
      case CLEAN -> {
        double share = event.amount();
        add(
            state,
            Flow.MEDIA_CLEANED,
            share * state.caughtNitrogen,
            share * state.caughtPhosphorus);
        state.caughtNitrogen *= 1 - share;
        state.caughtPhosphorus *= 1 - share;
      }
      case RENEW -> {
        add(state, Flow.ADSORBER_RENEWED, 0, state.adsorbedPhosphorus[event.index()]);
        state.adsorbedPhosphorus[event.index()] = 0;
        state.mediumG[event.index()] = event.amount();
      }
      case PLANT_IN ->
          movePlants(
              state, Flow.PLANTS_PUT_IN, event.index(), event.amount() * multipliers.plantMass);
      case PLANT_OUT ->
          movePlants(state, Flow.PLANTS_TAKEN_OUT, event.index(), -state.plantDryG[event.index()]);
    }
    disturbed();
  }

  /** What nobody wrote down: a change not logged, a death not seen. Rock follows its water. */
  private void jump(TankState state, double nitrate, double phosphorus) {
    state.jump(nitrate, phosphorus);
    if (Math.max(Math.abs(nitrate), Math.abs(phosphorus)) > LARGE_JUMP) {
      disturbed();
    }
  }

  private void movePlants(TankState state, Flow flow, int index, double dryG) {
    Scenario.Stand stand = scenario.stands[index];
    state.plantDryG[index] += dryG;
    double moved = Math.abs(dryG);
    add(state, flow, moved * stand.nitrogenMgPerG(), moved * stand.phosphorusMgPerG());
  }

  private void change(
      TankState state, double fraction, double siphoned, int blend, int day, Trace trace) {
    double out = fraction * (state.ammonia + state.nitrite + state.nitrate);
    add(state, Flow.WATER_TAKEN_OUT, out, fraction * state.phosphorus);
    double litres = fraction * volume;
    double ammonia = litres * scenario.blendAmmonia[blend];
    double nitrite = litres * scenario.blendNitrite[blend];
    double nitrate = litres * blendNitrate[blend];
    double phosphorus = litres * blendPhosphorus[blend];
    add(state, Flow.CHANGE_WATER, ammonia + nitrite + nitrate, phosphorus);
    double stays = 1 - fraction;
    state.ammonia = state.ammonia * stays + ammonia;
    state.nitrite = state.nitrite * stays + nitrite;
    state.nitrate = state.nitrate * stays + nitrate;
    state.phosphorus = state.phosphorus * stays + phosphorus;
    double taken = siphoned * WasteSolids.SIPHON_TAKES;
    add(state, Flow.SIPHONED, taken * state.wasteNitrogen, taken * state.wastePhosphorus);
    state.wasteNitrogen *= 1 - taken;
    state.wastePhosphorus *= 1 - taken;
    trace.see(day, state.nitrate / volume, state.phosphorus / volume);
    disturbed();
  }

  /** After an event pools move otherwise than before. */
  private void disturbed() {
    courseStep = 0;
  }

  // ---------------------------------------------------------------- stepping

  private void advance(TankState state, double from, double to, int day, Trace trace) {
    double left = to - from;
    double[] probes = scenario.probeTime;
    if (left <= 1e-12) {
      while (probe < probes.length && probes[probe] <= to) {
        trace.probe(probe++, state, volume);
      }
    }
    while (left > 1e-12) {
      double h = left <= step * (1 + 1e-9) ? left : left < 2 * step ? left / 2 : step;
      double difference = attempt(state, h);
      while (difference > tolerance && h > SHORTEST_STEP) {
        h /= 2;
        difference = attempt(state, h);
        step = h;
      }
      left -= h;
      double end = left > 1e-12 ? to - left : to;
      while (probe < probes.length && probes[probe] <= end && probes[probe] < day + 1) {
        look(state, Math.max(0, Math.min(1, 1 - (end - probes[probe]) / h)), trace);
      }
      accept(state, h);
      if (difference < tolerance / 4) {
        step = Math.min(longestStep, Math.max(step, h) * 2);
      }
      trace.see(day, state.nitrate / volume, state.phosphorus / volume);
    }
  }

  /** Reads the next probe between the state and where the step at hand leads, straight. */
  private void look(TankState state, double share, Trace trace) {
    trace.probeAmmonia[probe] = between(state.ammonia, ammonia1, share) / volume;
    trace.probeNitrite[probe] = between(state.nitrite, nitrite1, share) / volume;
    trace.probeNitrate[probe] = between(state.nitrate, nitrate1, share) / volume;
    trace.probePhosphorus[probe] = between(state.phosphorus, phosphorus1, share) / volume;
    probe++;
  }

  private static double between(double from, double to, double share) {
    return from + share * (to - from);
  }

  /**
   * Works out a step of {@code h} days and returns how far its two passes lie apart. Where the step
   * before leads on smoothly, its course stands for the first pass.
   */
  private double attempt(TankState state, double h) {
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
    bacteriaNitrogen = h * scenario.carbonNitrogen[today];
    bacteriaPhosphorus = h * scenario.carbonPhosphorus[today];
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
    Scenario here = scenario;
    double ammonia = (state.ammonia + ammonia1) / 2;
    double nitrite = (state.nitrite + nitrite1) / 2;
    double nitrate = (state.nitrate + nitrate1) / 2;
    double phosphorus = (state.phosphorus + phosphorus1) / 2;

    // What plants, algae and bacteria on dosed carbon ask for, mg a day
    double demandNitrogen = 0;
    double demandPhosphorus = 0;
    double decayNitrogen = 0;
    double decayPhosphorus = 0;
    double limit = 0;
    int stands = growth.length;
    boolean bacteria = here.carbonNitrogen[today] > 0;
    if (stands > 0 || bacteria) {
      limit = PlantGrowth.nutrientLimit((ammonia + nitrate) / volume, phosphorus / volume);
    }
    for (int j = 0; j < stands; j++) {
      Scenario.Stand stand = here.stands[j];
      double mass = (state.plantDryG[j] + nextPlants[j]) / 2;
      double perGreatest =
          j == here.algae
              ? 1 / here.algaeGreatestDryG[today]
              : stand.perGreatestDryG() * perPlantMass;
      double room = Math.max(0, 1 - mass * perGreatest);
      growth[j] = stand.growthPerDay() * uptake * limit * room * mass;
      decay[j] =
          (j == here.algae ? UnplantedAlgae.DECAY_PER_DAY : PlantGrowth.DECAY_PER_DAY) * mass;
      demandNitrogen += growth[j] * stand.nitrogenMgPerG();
      demandPhosphorus += growth[j] * stand.phosphorusMgPerG();
      decayNitrogen += decay[j] * stand.nitrogenMgPerG();
      decayPhosphorus += decay[j] * stand.phosphorusMgPerG();
    }
    double carbonNitrogen = 0;
    double carbonPhosphorus = 0;
    if (bacteria) {
      carbonNitrogen = here.carbonNitrogen[today] * limit;
      carbonPhosphorus = here.carbonPhosphorus[today] * limit;
      demandNitrogen += carbonNitrogen;
      demandPhosphorus += carbonPhosphorus;
    }

    if (Math.min(demandNitrogen, demandPhosphorus) < NO_DEMAND) {
      demandNitrogen = 0;
      demandPhosphorus = 0;
    }

    // Waste solids, and those caught in media: linear, exact
    linear(goes, h);
    double solidsNitrogen = h * (wasteNitrogenIn + decayNitrogen) + bacteriaNitrogen;
    double solidsPhosphorus = h * (wastePhosphorusIn + decayPhosphorus) + bacteriaPhosphorus;
    wasteNitrogen1 = state.wasteNitrogen * remains + solidsNitrogen * remainsOfInflow;
    wastePhosphorus1 = state.wastePhosphorus * remains + solidsPhosphorus * remainsOfInflow;
    double goneNitrogen = state.wasteNitrogen + solidsNitrogen - wasteNitrogen1;
    double gonePhosphorus = state.wastePhosphorus + solidsPhosphorus - wastePhosphorus1;
    double mineralNitrogen = goneNitrogen * mineralShare;
    double mineralPhosphorus = gonePhosphorus * mineralShare;
    skimmedNitrogen = goneNitrogen * skimShare;
    skimmedPhosphorus = gonePhosphorus * skimShare;
    if (captureRate > 0 || state.caughtNitrogen > 0 || state.caughtPhosphorus > 0) {
      media(h);
      double caughtNitrogen = goneNitrogen * captureShare;
      double caughtPhosphorus = gonePhosphorus * captureShare;
      caughtNitrogen1 = state.caughtNitrogen * mediaRemains + caughtNitrogen * mediaRemainsOfInflow;
      caughtPhosphorus1 =
          state.caughtPhosphorus * mediaRemains + caughtPhosphorus * mediaRemainsOfInflow;
      mineralNitrogen += state.caughtNitrogen + caughtNitrogen - caughtNitrogen1;
      mineralPhosphorus += state.caughtPhosphorus + caughtPhosphorus - caughtPhosphorus1;
    } else {
      caughtNitrogen1 = 0;
      caughtPhosphorus1 = 0;
    }

    // Ammonia to nitrite to nitrate; plants take ammonia rather than nitrate
    double wanted = PlantGrowth.AMMONIA_PREFERENCE * ammonia + nitrate;
    double perNitrate = demandNitrogen > 0 ? demandNitrogen / wanted : 0;
    double perAmmonia = PlantGrowth.AMMONIA_PREFERENCE * perNitrate;
    double saturation = 1 / (Nitrification.HALF_SATURATION_AMMONIA_MG_L * volume + ammonia);
    double x =
        (Nitrification.DECAY_PER_DAY
                - here.ammoniaGrowth[today] * nitrifierGrowth * ammonia * saturation)
            * h;
    double d = 1 / denominator(x);
    ammoniaOxidisers1 = state.ammoniaOxidisers * d;
    double oxidises = state.ammoniaOxidisers * numerator(x) * d * saturation;
    x = (oxidises + perAmmonia) * h;
    d = 1 / denominator(x);
    double in = h * ammoniaIn + mineralNitrogen;
    ammonia1 = state.ammonia * d + in * numerator(x) * d;
    double gone = state.ammonia + in - ammonia1;
    double share = oxidises + perAmmonia > 0 ? gone / (oxidises + perAmmonia) : 0;
    double fromAmmonia = share * perAmmonia;
    double toNitrite = share * oxidises;

    saturation = 1 / (Nitrification.HALF_SATURATION_NITRITE_MG_L * volume + nitrite);
    x =
        (Nitrification.DECAY_PER_DAY
                - here.nitriteGrowth[today] * nitrifierGrowth * nitrite * saturation)
            * h;
    d = 1 / denominator(x);
    nitriteOxidisers1 = state.nitriteOxidisers * d;
    oxidises = state.nitriteOxidisers * numerator(x) * d * saturation;
    x = oxidises * h;
    d = 1 / denominator(x);
    in = h * nitriteIn + toNitrite;
    nitrite1 = state.nitrite * d + in * numerator(x) * d;
    double toNitrate = state.nitrite + in - nitrite1;

    double gear = gearDenitrifies(nitrate);
    double gas = gear + unseenDenitrification;
    x = (perNitrate + gas) * h;
    d = 1 / denominator(x);
    in = h * nitrateIn + toNitrate;
    nitrate1 = state.nitrate * d + in * numerator(x) * d;
    share = perNitrate + gas > 0 ? (state.nitrate + in - nitrate1) / (perNitrate + gas) : 0;
    double fromNitrate = share * perNitrate;
    gearDenitrified = share * gear;
    unseenDenitrified = share * unseenDenitrification;

    // Phosphate in the water and on rock and sand, both at once; plants and adsorbers take it
    double perPhosphorus = demandPhosphorus > 0 ? demandPhosphorus / phosphorus : 0;
    double leaves = perPhosphorus + phosphorusLoss + adsorbShares(state);
    in = h * phosphorusIn + mineralPhosphorus;
    exchange(state, leaves * h, in, h);
    double taken =
        Math.max(0, state.phosphorus + state.boundPhosphorus + in - phosphorus1 - bound1);
    share = leaves > 0 ? taken / leaves : 0;
    double fromPhosphorus = share * perPhosphorus;
    phosphorusLost = share * phosphorusLoss;
    for (int a = 0; a < adsorbShare.length; a++) {
      double adsorbed = share * adsorbShare[a];
      double held = state.adsorbedPhosphorus[a];
      double fits = Math.max(0, Math.min(adsorbed, capacity(state, a) - held));
      nextAdsorbed[a] = held + fits;
      phosphorus1 += adsorbed - fits;
    }

    // Plants take both in a fixed proportion: the scarcer sets how much of the demand is met
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

  private void accept(TankState state, double h) {
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
    if (skimRate > 0) {
      add(state, Flow.SKIMMED, skimmedNitrogen, skimmedPhosphorus);
    }
    state.nitrogenFlow[Flow.DENITRIFIED.ordinal()] += gearDenitrified;
    state.nitrogenFlow[Flow.DENITRIFIED_UNSEEN.ordinal()] += unseenDenitrified;
    state.phosphorusFlow[Flow.PHOSPHORUS_LOST.ordinal()] += phosphorusLost;
  }

  /** Share of {@code nitrate} that beds, filters and rock turn to gas, per day. */
  private double gearDenitrifies(double nitrate) {
    Scenario.DenitrifyingGear[] all = scenario.denitrifying;
    if (all.length == 0) {
      return 0;
    }
    double perVolume = 1 / (volume * Denitrification.HALF_SATURATION_MG_L + nitrate);
    double share = 0;
    boolean any = false;
    for (int g = 0; g < all.length; g++) {
      if (scenario.denitrifyingInUse[g][today]) {
        any = true;
        share +=
            Math.min(
                all[g].greatestMgPerDay() * denitrification * perVolume,
                all[g].flowLPerDay() / volume);
      }
    }
    return any ? share + scenario.carbonDenitrifies[today] * denitrification * perVolume : 0;
  }

  /**
   * Phosphate in the water, of which the share {@code x} is lost, and bound phosphate over a step
   * with an even inflow: the exponential's series (see {@link #denominator}) of the 2 x 2 system,
   * by the theorem of Cayley and Hamilton.
   */
  private void exchange(TankState state, double x, double in, double h) {
    double binds = PhosphateExchange.RATE_PER_DAY * exchangeRatio / (1 + exchangeRatio) * h;
    double frees = PhosphateExchange.RATE_PER_DAY / (1 + exchangeRatio) * h;
    double water = x + binds;
    double both = binds * frees;
    double trace = water + frees;
    double determinant = x * frees;
    // off the diagonal: X^2, X^3 and X^4 are these times X, and the diagonal's terms are all
    // positive
    double square = trace * trace - determinant;
    double off = 1 + trace / 2 + square / 6 + trace * (square - determinant) / 24;
    double offIn = 1.0 / 2 + trace / 6 + square / 24;
    double water2 = water * water + both;
    double water3 = water * water2 + both * trace;
    double frees2 = frees * frees + both;
    double frees3 = frees * frees2 + both * trace;
    double crossed = both * trace * trace;
    double d11 = 1 + water + water2 / 2 + water3 / 6 + (water2 * water2 + crossed) / 24;
    double d22 = 1 + frees + frees2 / 2 + frees3 / 6 + (frees2 * frees2 + crossed) / 24;
    double inWater = state.phosphorus + in * (1 + water / 2 + water2 / 6 + water3 / 24);
    // what of the inflow is bound within the step, by the same series
    double inBound = state.boundPhosphorus - in * offIn * binds;
    double larger = (trace + Math.sqrt(Math.max(0, trace * trace - 4 * determinant))) / 2;
    double scale = 1 / (denominator(larger) * denominator(determinant / larger));
    phosphorus1 = scale * (d22 * inWater + off * frees * inBound);
    bound1 = scale * (d11 * inBound + off * binds * inWater);
  }

  private double adsorbShares(TankState state) {
    double sum = 0;
    for (int a = 0; a < adsorbShare.length; a++) {
      adsorbShare[a] = 0;
      if (scenario.adsorberInUse[a][today]) {
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

  private void linear(double rate, double h) {
    if (rate != factorRate || h != factorStep) {
      factorRate = rate;
      factorStep = h;
      remains = Math.exp(-rate * h);
      remainsOfInflow = (1 - remains) / (rate * h);
    }
  }

  private void media(double h) {
    if (mineralisation != mediaRate || h != mediaStep) {
      mediaRate = mineralisation;
      mediaStep = h;
      mediaRemains = Math.exp(-mineralisation * h);
      mediaRemainsOfInflow = (1 - mediaRemains) / (mineralisation * h);
    }
  }

  /**
   * The exponential's series: 1/denominator(x) is exp(−x) to the fifth order, positive, and 0 for
   * large x; numerator(x)/denominator(x) is (1 − 1/denominator(x))/x, what remains of an inflow.
   */
  private static double denominator(double x) {
    return 1 + x * (1 + x * (1.0 / 2 + x * (1.0 / 6 + x * (1.0 / 24))));
  }

  private static double numerator(double x) {
    return 1 + x * (1.0 / 2 + x * (1.0 / 6 + x * (1.0 / 24)));
  }
}
