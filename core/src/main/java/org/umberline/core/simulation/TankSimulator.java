package org.umberline.core.simulation;

import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.WasteSolids;

/**
 * Runs a scenario. Between events the rates are integrated by the modified Patankar-Runge-Kutta
 * scheme of second order (Burchard, Deleersnijder, Meister, Applied Numerical Mathematics 47,
 * 2003): each loss is weighted by what is left of its pool, so that amounts stay positive and
 * nothing is lost at any step size. Not thread-safe; a run allocates nothing.
 */
public final class TankSimulator {
  /**
   * Longest step, days. At this step the error stays under 0.1 % of a state's range (see tests).
   */
  private static final double LONGEST_STEP = 0.5;

  /** Shortest step, days. */
  private static final double SHORTEST_STEP = 1.0 / 128;

  /** A step over which a pool would change by more than this share is quartered. */
  private static final double LARGEST_SWING = 0.07;

  /** So is one over which plants would take a pool more often than this. */
  private static final double LARGEST_TURNOVER = 0.5;

  /** Under this share of a pool taken in a step, losses need no weighting to stay positive. */
  private static final double SMALL_TURNOVER = 0.3;

  private final Scenario scenario;
  private final double[] blendNitrogen;
  private final double[] blendPhosphorus;
  private final double[] growth;
  private final double[] growthAgain;
  private final double[] predicted;

  // Rates of the day at hand, mg a day
  private double nitrogenIn;
  private double phosphorusIn;
  private double wasteNitrogenIn;
  private double wastePhosphorusIn;
  private double captureRate;
  private double skimRate;
  private int today;
  private double exchangeRatio;
  private double denitrification;

  public TankSimulator(Scenario scenario) {
    this.scenario = scenario;
    blendNitrogen = new double[scenario.blendWater.length];
    blendPhosphorus = new double[scenario.blendWater.length];
    growth = new double[scenario.stands.length];
    growthAgain = new double[scenario.stands.length];
    predicted = new double[scenario.stands.length];
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
    exchangeRatio = scenario.exchangeRatio * multipliers.exchange;
    denitrification = multipliers.denitrification;
    double volume = scenario.volumeL;
    int plan = 0;
    while (plan < planned.time().length && planned.time()[plan] < fromDay) {
      plan++;
    }
    for (int day = fromDay; day < toDay; day++) {
      setRates(day, multipliers);
      trace.startDay(day, state.nitrogen / volume, state.phosphorus / volume);
      int event = scenario.firstEventOfDay[day];
      int eventsEnd = scenario.firstEventOfDay[day + 1];
      double time = day;
      double dayEnd = day + 1;
      while (true) {
        double eventTime = event < eventsEnd ? scenario.events[event].time() : dayEnd;
        double planTime = plan < planned.time().length ? planned.time()[plan] : dayEnd;
        double next = Math.min(eventTime, Math.min(planTime, dayEnd));
        advance(state, next - time, day, multipliers.uptake, trace);
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
      trace.endDay(day, state.nitrogen / volume, state.phosphorus / volume);
    }
  }

  private void mixBlends(Multipliers multipliers) {
    for (int b = 0; b < blendNitrogen.length; b++) {
      blendNitrogen[b] = 0;
      blendPhosphorus[b] = 0;
      int[] waters = scenario.blendWater[b];
      for (int i = 0; i < waters.length; i++) {
        double share = scenario.blendShare[b][i];
        blendNitrogen[b] += share * multipliers.waterNitrogenMgL[waters[i]];
        blendPhosphorus[b] += share * multipliers.waterPhosphorusMgL[waters[i]];
      }
    }
  }

  private void setRates(int day, Multipliers multipliers) {
    FeedNutrients food = scenario.food[day];
    double nitrogenLoad = multipliers.nitrogenLoad[day];
    double phosphorusLoad = multipliers.phosphorusLoad[day];
    nitrogenIn =
        food.nitrogenDissolved() * nitrogenLoad
            + scenario.animalNitrogen[day]
            + scenario.fertiliserNitrogen[day]
            + scenario.topOffLitresPerDay * blendNitrogen[scenario.topOffBlend];
    phosphorusIn =
        food.phosphorusDissolved() * phosphorusLoad
            + scenario.animalPhosphorus[day]
            + scenario.fertiliserPhosphorus[day]
            + scenario.topOffLitresPerDay * blendPhosphorus[scenario.topOffBlend];
    today = day;
    captureRate = scenario.captureRate[day];
    skimRate = scenario.skimRate[day];
    wasteNitrogenIn = food.nitrogenSolid() * nitrogenLoad;
    wastePhosphorusIn = food.phosphorusSolid() * phosphorusLoad;
  }

  private void bookDay(TankState state, int day, Multipliers multipliers) {
    FeedNutrients food = scenario.food[day];
    book(state, food, multipliers.nitrogenLoad[day], multipliers.phosphorusLoad[day]);
    double topOff = scenario.topOffLitresPerDay;
    add(
        state,
        Flow.TOP_OFF_WATER,
        topOff * blendNitrogen[scenario.topOffBlend],
        topOff * blendPhosphorus[scenario.topOffBlend]);
    add(state, Flow.ANIMALS, scenario.animalNitrogen[day], scenario.animalPhosphorus[day]);
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

  private void apply(
      Scenario.Event event, TankState state, int day, Multipliers multipliers, Trace trace) {
    double volume = scenario.volumeL;
    switch (event.kind()) {
      case PROBE -> {
        trace.probeNitrogen[event.index()] = state.nitrogen / volume;
        trace.probePhosphorus[event.index()] = state.phosphorus / volume;
      }
      case CHANGE -> change(state, event.amount(), event.siphoned(), event.index(), day, trace);
      case FEED -> {
        FeedNutrients feed = scenario.extraFeeds[event.index()];
        double nitrogenLoad = multipliers.nitrogenLoad[day];
        double phosphorusLoad = multipliers.phosphorusLoad[day];
        state.nitrogen += feed.nitrogenDissolved() * nitrogenLoad;
        state.wasteNitrogen += feed.nitrogenSolid() * nitrogenLoad;
        state.phosphorus += feed.phosphorusDissolved() * phosphorusLoad;
        state.wastePhosphorus += feed.phosphorusSolid() * phosphorusLoad;
        book(state, feed, nitrogenLoad, phosphorusLoad);
        trace.see(day, state.nitrogen / volume, state.phosphorus / volume);
      }
      case HARVEST ->
          movePlants(
              state,
              Flow.PLANTS_TAKEN_OUT,
              event.index(),
              -Math.min(event.amount(), state.plantDryG[event.index()]));
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
      case PLANT_IN -> movePlants(state, Flow.PLANTS_PUT_IN, event.index(), event.amount());
      case PLANT_OUT ->
          movePlants(state, Flow.PLANTS_TAKEN_OUT, event.index(), -state.plantDryG[event.index()]);
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
    double volume = scenario.volumeL;
    add(state, Flow.WATER_TAKEN_OUT, fraction * state.nitrogen, fraction * state.phosphorus);
    double nitrogen = fraction * volume * blendNitrogen[blend];
    double phosphorus = fraction * volume * blendPhosphorus[blend];
    add(state, Flow.CHANGE_WATER, nitrogen, phosphorus);
    state.nitrogen += nitrogen - fraction * state.nitrogen;
    state.phosphorus += phosphorus - fraction * state.phosphorus;
    double taken = siphoned * WasteSolids.SIPHON_TAKES;
    add(state, Flow.SIPHONED, taken * state.wasteNitrogen, taken * state.wastePhosphorus);
    state.wasteNitrogen *= 1 - taken;
    state.wastePhosphorus *= 1 - taken;
    trace.see(day, state.nitrogen / volume, state.phosphorus / volume);
  }

  private void advance(TankState state, double duration, int day, double uptake, Trace trace) {
    if (duration <= 0) {
      return;
    }
    int steps = (int) Math.ceil(duration / LONGEST_STEP - 1e-9);
    double step = duration / steps;
    for (int i = 0; i < steps; i++) {
      carefully(state, step, uptake);
      trace.see(day, state.nitrogen / scenario.volumeL, state.phosphorus / scenario.volumeL);
    }
  }

  /**
   * One step, split evenly around the fast exchanges (Strang, SIAM J. Numer. Anal. 5, 1968): half
   * of them, then waste and plants, then the other half. Where plants draw hard on a pool the step
   * is quartered first.
   */
  private void carefully(TankState state, double h, double uptake) {
    if (h > SHORTEST_STEP && tooLong(state, h, uptake)) {
      for (int i = 0; i < 4; i++) {
        carefully(state, h / 4, uptake);
      }
      return;
    }
    denitrify(state, h / 2);
    adsorb(state, h / 2);
    exchange(state, h / 2);
    step(state, h, uptake);
    exchange(state, h / 2);
    adsorb(state, h / 2);
    denitrify(state, h / 2);
  }

  /** Whether plants would swing a pool, or turn it over, by more than a step can follow. */
  private boolean tooLong(TankState state, double h, double uptake) {
    if (scenario.stands.length == 0) {
      return false;
    }
    double rest = (state.phosphorus + state.boundPhosphorus) * exchangeRatio / (1 + exchangeRatio);
    double moves = PhosphateExchange.RATE_PER_DAY * h * Math.abs(state.boundPhosphorus - rest);
    if (moves > LARGEST_SWING * state.phosphorus) {
      return true;
    }
    double k = scenario.mineralisationPerDay;
    double limit = uptake * nutrientLimit(state.nitrogen, state.phosphorus);
    double demandNitrogen = 0;
    double demandPhosphorus = 0;
    for (int j = 0; j < scenario.stands.length; j++) {
      Scenario.Stand stand = scenario.stands[j];
      double growing = growthOf(stand, state.plantDryG[j], limit);
      demandNitrogen += growing * stand.nitrogenMgPerG();
      demandPhosphorus += growing * stand.phosphorusMgPerG();
    }
    double nitrogenIn1 = nitrogenIn + k * (state.wasteNitrogen + state.caughtNitrogen);
    double phosphorusIn1 = phosphorusIn + k * (state.wastePhosphorus + state.caughtPhosphorus);
    return swings(state.nitrogen, nitrogenIn1, demandNitrogen, h)
        || swings(state.phosphorus, phosphorusIn1, demandPhosphorus, h);
  }

  private static boolean swings(double pool, double in, double demand, double h) {
    double turnover = h * share(demand, pool);
    double left = leftOf((pool + h * in) / (1 + turnover), pool);
    return demand > 0 && (Math.abs(left - 1) > LARGEST_SWING || turnover > LARGEST_TURNOVER);
  }

  /** Bound and dissolved phosphate move towards rest; their exact solution over {@code h} days. */
  private void exchange(TankState state, double h) {
    double all = state.phosphorus + state.boundPhosphorus;
    double rest = all * exchangeRatio / (1 + exchangeRatio);
    state.boundPhosphorus =
        rest + (state.boundPhosphorus - rest) * Math.exp(-PhosphateExchange.RATE_PER_DAY * h);
    state.phosphorus = all - state.boundPhosphorus;
  }

  private void denitrify(TankState state, double h) {
    if (scenario.denitrifying.length == 0) {
      return;
    }
    double before = state.nitrogen;
    double middle = before * Math.exp(-denitrifiedShare(before) * h / 2);
    state.nitrogen = before * Math.exp(-denitrifiedShare(middle) * h);
    add(state, Flow.DENITRIFIED, before - state.nitrogen, 0);
  }

  /** Share of {@code nitrogen} that turns to gas, per day. */
  private double denitrifiedShare(double nitrogen) {
    double volume = scenario.volumeL;
    double perVolume = 1 / (volume * (Denitrification.HALF_SATURATION_MG_L + nitrogen / volume));
    double share = 0;
    for (int g = 0; g < scenario.denitrifying.length; g++) {
      if (scenario.denitrifyingInUse[g][today]) {
        Scenario.DenitrifyingGear gear = scenario.denitrifying[g];
        share +=
            Math.min(
                gear.greatestMgPerDay() * denitrification * perVolume, gear.flowLPerDay() / volume);
      }
    }
    return share;
  }

  private void adsorb(TankState state, double h) {
    for (int a = 0; a < scenario.adsorbers.length; a++) {
      if (!scenario.adsorberInUse[a][today]) {
        continue;
      }
      Scenario.AdsorberGear gear = scenario.adsorbers[a];
      double capacity = state.mediumG[a] * gear.capacityMgPerG();
      double held = state.adsorbedPhosphorus[a];
      if (held >= capacity) {
        continue;
      }
      double rate = state.mediumG[a] * gear.clearedLPerGDay() / scenario.volumeL;
      double half = state.phosphorus * -Math.expm1(-rate * (1 - held / capacity) * h / 2);
      double free = Math.max(0, 1 - (held + half) / capacity);
      double taken = state.phosphorus * -Math.expm1(-rate * free * h);
      taken = Math.min(taken, capacity - held);
      state.phosphorus -= taken;
      state.adsorbedPhosphorus[a] = held + taken;
    }
  }

  /** Waste and plants over {@code h} days. */
  private void step(TankState state, double h, double uptake) {
    double k = scenario.mineralisationPerDay;
    double goes = k + captureRate + skimRate;
    double nitrogen = state.nitrogen;
    double phosphorus = state.phosphorus;
    double[] plants = state.plantDryG;
    int stands = plants.length;

    // Predictor: what each pool loses is weighted by what will be left of it.
    double demandNitrogen = 0;
    double demandPhosphorus = 0;
    double decayNitrogen = 0;
    double decayPhosphorus = 0;
    double limit = nutrientLimit(nitrogen, phosphorus);
    for (int j = 0; j < stands; j++) {
      Scenario.Stand stand = scenario.stands[j];
      growth[j] = growthOf(stand, plants[j], uptake * limit);
      demandNitrogen += growth[j] * stand.nitrogenMgPerG();
      demandPhosphorus += growth[j] * stand.phosphorusMgPerG();
      decayNitrogen += PlantGrowth.DECAY_PER_DAY * plants[j] * stand.nitrogenMgPerG();
      decayPhosphorus += PlantGrowth.DECAY_PER_DAY * plants[j] * stand.phosphorusMgPerG();
    }
    double waste1N = (state.wasteNitrogen + h * (wasteNitrogenIn + decayNitrogen)) / (1 + h * goes);
    double waste1P =
        (state.wastePhosphorus + h * (wastePhosphorusIn + decayPhosphorus)) / (1 + h * goes);
    double nitrogen1 =
        (nitrogen + h * (nitrogenIn + k * (waste1N + state.caughtNitrogen)))
            / (1 + h * share(demandNitrogen, nitrogen));
    double phosphorus1 =
        (phosphorus + h * (phosphorusIn + k * (waste1P + state.caughtPhosphorus)))
            / (1 + h * share(demandPhosphorus, phosphorus));
    double left = Math.min(leftOf(nitrogen1, nitrogen), leftOf(phosphorus1, phosphorus));
    double turnover =
        h * Math.max(share(demandNitrogen, nitrogen), share(demandPhosphorus, phosphorus));
    for (int j = 0; j < stands; j++) {
      predicted[j] = plants[j] + h * (growth[j] * left - PlantGrowth.DECAY_PER_DAY * plants[j]);
    }

    // Corrector: the mean of the rates at both ends, weighted anew.
    demandNitrogen = 0;
    demandPhosphorus = 0;
    double decay1Nitrogen = 0;
    double decay1Phosphorus = 0;
    limit = nutrientLimit(nitrogen1, phosphorus1);
    for (int j = 0; j < stands; j++) {
      Scenario.Stand stand = scenario.stands[j];
      growthAgain[j] = (growth[j] + growthOf(stand, predicted[j], uptake * limit)) / 2;
      demandNitrogen += growthAgain[j] * stand.nitrogenMgPerG();
      demandPhosphorus += growthAgain[j] * stand.phosphorusMgPerG();
      double decay = PlantGrowth.DECAY_PER_DAY * predicted[j];
      decay1Nitrogen += decay * stand.nitrogenMgPerG();
      decay1Phosphorus += decay * stand.phosphorusMgPerG();
    }
    double waste2N =
        (state.wasteNitrogen + h * (wasteNitrogenIn + (decayNitrogen + decay1Nitrogen) / 2))
            / (1 + h / 2 * goes * meanWeight(state.wasteNitrogen, waste1N));
    double waste2P =
        (state.wastePhosphorus + h * (wastePhosphorusIn + (decayPhosphorus + decay1Phosphorus) / 2))
            / (1 + h / 2 * goes * meanWeight(state.wastePhosphorus, waste1P));
    double goneNitrogen =
        state.wasteNitrogen
            + h * (wasteNitrogenIn + (decayNitrogen + decay1Nitrogen) / 2)
            - waste2N;
    double gonePhosphorus =
        state.wastePhosphorus
            + h * (wastePhosphorusIn + (decayPhosphorus + decay1Phosphorus) / 2)
            - waste2P;
    // What went from the waste was mineralised, caught or skimmed; what is caught goes on
    // mineralising in place, what came in during the step for half of it.
    double caughtNitrogen = goneNitrogen * captureRate / goes;
    double caughtPhosphorus = gonePhosphorus * captureRate / goes;
    double melts = -Math.expm1(-k * h);
    double meltsNew = k * h / (2 + k * h);
    double fromMediaNitrogen = state.caughtNitrogen * melts + caughtNitrogen * meltsNew;
    double fromMediaPhosphorus = state.caughtPhosphorus * melts + caughtPhosphorus * meltsNew;
    double mineralNitrogen = goneNitrogen * k / goes + fromMediaNitrogen;
    double mineralPhosphorus = gonePhosphorus * k / goes + fromMediaPhosphorus;
    double skimmedNitrogen = goneNitrogen * skimRate / goes;
    double skimmedPhosphorus = gonePhosphorus * skimRate / goes;
    double nitrogenBefore = nitrogen + h * nitrogenIn + mineralNitrogen;
    double phosphorusBefore = phosphorus + h * phosphorusIn + mineralPhosphorus;
    // Plants take both in a fixed proportion, so the scarcer pool sets how much of the demand is
    // met; the other's weight differs from it only by the square of the step. While both pools are
    // large beside the demand nothing needs protection, and the plain mean is the more exact.
    double met =
        turnover < SMALL_TURNOVER
            ? 1
            : Math.min(
                leftOf(nitrogenBefore / (1 + h * share(demandNitrogen, nitrogen1)), nitrogen1),
                leftOf(
                    phosphorusBefore / (1 + h * share(demandPhosphorus, phosphorus1)),
                    phosphorus1));
    state.nitrogen = nitrogenBefore - h * demandNitrogen * met;
    state.phosphorus = phosphorusBefore - h * demandPhosphorus * met;
    state.wasteNitrogen = waste2N;
    state.wastePhosphorus = waste2P;
    state.caughtNitrogen += caughtNitrogen - fromMediaNitrogen;
    state.caughtPhosphorus += caughtPhosphorus - fromMediaPhosphorus;
    add(state, Flow.SKIMMED, skimmedNitrogen, skimmedPhosphorus);
    for (int j = 0; j < stands; j++) {
      plants[j] +=
          h * (growthAgain[j] * met - PlantGrowth.DECAY_PER_DAY * (plants[j] + predicted[j]) / 2);
    }
  }

  private double nutrientLimit(double nitrogen, double phosphorus) {
    return scenario.stands.length == 0
        ? 0
        : PlantGrowth.nutrientLimit(nitrogen / scenario.volumeL, phosphorus / scenario.volumeL);
  }

  private static double growthOf(Scenario.Stand stand, double dryG, double uptake) {
    double room = Math.max(0, 1 - dryG / stand.greatestDryG());
    return stand.growthPerDay() * uptake * room * dryG;
  }

  /** Demand per unit of the pool; nothing is demanded of an empty one. */
  private static double share(double demand, double pool) {
    return demand > 0 ? demand / pool : 0;
  }

  private static double leftOf(double after, double before) {
    return before > 0 ? after / before : 1;
  }

  private static double meanWeight(double before, double predicted) {
    return predicted > 0 ? 1 + before / predicted : 2;
  }
}
