package org.umberline.core.simulation;

import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.WasteSolids;

/**
 * Runs a scenario day by day, or over days that go on alike at once, and from event to event;
 * between events {@link Step} moves the pools, and where its two passes differ too much the step is
 * halved. Not thread-safe; a run allocates nothing.
 */
public final class TankSimulator {
  /** Longest step of a run that is not quick, days. */
  private static final int LONGEST_STEP = 1;

  /** Longest step while a filter grows in: populations that double in days go off like a fuse. */
  private static final double LONGEST_STEP_OF_NEW_TANK = 0.125;

  /** Shortest step, days; at this one nothing is halved any more. */
  private static final double SHORTEST_STEP = 1.0 / 256;

  /**
   * How far the two passes of a step may lie apart.
   *
   * @param tolerance as a share of the pool
   * @param course the same where the step goes on as the one before: its guess is a better one than
   *     a guess that nothing moves, so what it misses matters less
   */
  record Care(double tolerance, double course) {}

  /** With this the error stays under 0.1 % of a state's range (see tests). */
  private static final Care FULL = new Care(0.0003, 0.005);

  /**
   * What searches over many runs need. With less care what a run misses jumps about from point to
   * point where plants are short of food, by more than their tests would show. Chosen.
   */
  private static final Care QUICK = new Care(0.0012, 0.01);

  /** A smaller jump, in logarithms, leaves the pools on their course. */
  private static final double LARGE_JUMP = 0.1;

  private final Scenario scenario;
  private final Rates rates;
  private final Step step;
  private final double tolerance;
  private final double volume;
  private final int longestStep;
  private double longestDays;
  private double days;
  private int probe;

  public TankSimulator(Scenario scenario) {
    this(scenario, FULL, LONGEST_STEP);
  }

  /**
   * A simulator for searches: days that go on alike are run at once. It is a few parts in a
   * thousand off, a few in a hundred where plants are short of food.
   */
  public static TankSimulator quick(Scenario scenario) {
    return new TankSimulator(scenario, QUICK, DayRates.MOST_ALIKE);
  }

  private TankSimulator(Scenario scenario, Care care, int longestStep) {
    this.scenario = scenario;
    this.longestStep = longestStep;
    tolerance = care.tolerance;
    volume = scenario.volumeL;
    rates = new Rates(scenario);
    step = new Step(scenario, rates, care);
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
    rates.begin(multipliers);
    days = LONGEST_STEP;
    step.disturbed();
    int plan = 0;
    probe = scenario.firstProbeOfDay[fromDay];
    while (plan < planned.time().length && planned.time()[plan] < fromDay) {
      plan++;
    }
    int end;
    for (int day = fromDay; day < toDay; day = end) {
      double nextPlanned =
          plan < planned.time().length ? planned.time()[plan] : Double.POSITIVE_INFINITY;
      end = longestStep > 1 ? alikeUntil(day, toDay, nextPlanned, multipliers) : day + 1;
      rates.beginDays(day, end, multipliers);
      longestDays = day < scenario.matureOn ? LONGEST_STEP_OF_NEW_TANK : longestStep;
      days = Math.min(days, longestDays);
      jump(state, multipliers.nitrateJump[day], multipliers.phosphorusJump[day]);
      trace.startDay(day, state);
      int event = scenario.firstEventOfDay[day];
      int eventsEnd = scenario.firstEventOfDay[end];
      double time = day;
      double dayEnd = end;
      while (true) {
        double eventTime = event < eventsEnd ? scenario.events[event].time() : dayEnd;
        double planTime = plan < planned.time().length ? planned.time()[plan] : dayEnd;
        double next = Math.min(eventTime, Math.min(planTime, dayEnd));
        advance(state, time, next, day, end, trace);
        time = next;
        if (event < eventsEnd && eventTime <= planTime) {
          apply(scenario.events[event++], state, day, multipliers, trace);
        } else if (planTime < dayEnd) {
          change(state, planned.fraction()[plan++], 0, scenario.changeBlend, day, trace);
        } else {
          break;
        }
      }
      trace.endDay(end - 1, state);
    }
    bookInflows(state, fromDay, toDay, multipliers);
  }

  /** The first day after {@code day} on which something happens or that goes on otherwise. */
  private int alikeUntil(int day, int toDay, double nextPlanned, Multipliers multipliers) {
    int most = Math.min(toDay, scenario.rates.alikeUntil[day]);
    int end = day + 1;
    while (end < most
        && nextPlanned >= end + 1
        && multipliers.nitrateJump[end] == 0
        && multipliers.phosphorusJump[end] == 0) {
      end++;
    }
    return end;
  }

  /** What came in by itself, day by day, is booked at once. */
  private void bookInflows(TankState state, int fromDay, int toDay, Multipliers multipliers) {
    double nitrogen = 0;
    double nitrogenKept = 0;
    double phosphorus = 0;
    double phosphorusKept = 0;
    double animalNitrogen = 0;
    double animalPhosphorus = 0;
    double soilNitrogen = 0;
    double fertiliserNitrogen = 0;
    double fertiliserPhosphorus = 0;
    for (int day = fromDay; day < toDay; day++) {
      FeedNutrients food = scenario.food[day];
      nitrogen += food.nitrogen() * multipliers.nitrogenLoad[day];
      nitrogenKept += food.nitrogenKept() * multipliers.nitrogenLoad[day];
      phosphorus += food.phosphorus() * multipliers.phosphorusLoad[day];
      phosphorusKept += food.phosphorusKept() * multipliers.phosphorusLoad[day];
      animalNitrogen += scenario.animalNitrogen[day];
      animalPhosphorus += scenario.animalPhosphorus[day];
      soilNitrogen += scenario.soilNitrogen[day];
      fertiliserNitrogen += scenario.fertiliserNitrogen[day];
      fertiliserPhosphorus += scenario.fertiliserPhosphorus[day];
    }
    int days = toDay - fromDay;
    state.add(Flow.FOOD, nitrogen, phosphorus);
    state.add(Flow.GROWTH_OF_ANIMALS, nitrogenKept, phosphorusKept);
    double topOff = days * scenario.topOffLitresPerDay;
    int blend = scenario.topOffBlend;
    state.add(
        Flow.TOP_OFF_WATER,
        topOff
            * (rates.blendNitrate[blend]
                + scenario.blendAmmonia[blend]
                + scenario.blendNitrite[blend]),
        topOff * rates.blendPhosphorus[blend]);
    state.add(Flow.ANIMALS, animalNitrogen, animalPhosphorus);
    state.add(Flow.SOIL, soilNitrogen, 0);
    state.add(
        Flow.UNLISTED,
        days * multipliers.unlistedNitrogen * volume,
        days * multipliers.unlistedPhosphorus * volume);
    state.add(Flow.FERTILISER, fertiliserNitrogen, fertiliserPhosphorus);
  }

  private static void book(
      TankState state, FeedNutrients food, double nitrogenLoad, double phosphorusLoad) {
    state.add(Flow.FOOD, food.nitrogen() * nitrogenLoad, food.phosphorus() * phosphorusLoad);
    state.add(
        Flow.GROWTH_OF_ANIMALS,
        food.nitrogenKept() * nitrogenLoad,
        food.phosphorusKept() * phosphorusLoad);
  }

  // ---------------------------------------------------------------- events

  private void apply(Event event, TankState state, int day, Multipliers multipliers, Trace trace) {
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
        trace.see(day, state);
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
        state.add(Flow.MEDIA_CLEANED, share * state.caughtNitrogen, share * state.caughtPhosphorus);
        state.caughtNitrogen *= 1 - share;
        state.caughtPhosphorus *= 1 - share;
      }
      case RENEW -> {
        state.add(Flow.ADSORBER_RENEWED, 0, state.adsorbedPhosphorus[event.index()]);
        state.adsorbedPhosphorus[event.index()] = 0;
        state.mediumG[event.index()] = event.amount();
        step.disturbed();
      }
      case PLANT_IN ->
          movePlants(
              state, Flow.PLANTS_PUT_IN, event.index(), event.amount() * multipliers.plantMass);
      case PLANT_OUT ->
          movePlants(state, Flow.PLANTS_TAKEN_OUT, event.index(), -state.plantDryG[event.index()]);
    }
  }

  /** What nobody wrote down: a change not logged, a death not seen. Rock follows its water. */
  private void jump(TankState state, double nitrate, double phosphorus) {
    state.jump(nitrate, phosphorus);
    if (Math.max(Math.abs(nitrate), Math.abs(phosphorus)) > LARGE_JUMP) {
      step.disturbed();
    }
  }

  private void movePlants(TankState state, Flow flow, int index, double dryG) {
    Stands.Stand stand = scenario.stands[index];
    state.plantDryG[index] += dryG;
    step.disturbed();
    double moved = Math.abs(dryG);
    state.add(flow, moved * stand.nitrogenMgPerG(), moved * stand.phosphorusMgPerG());
  }

  private void change(
      TankState state, double fraction, double siphoned, int blend, int day, Trace trace) {
    double out = fraction * (state.ammonia + state.nitrite + state.nitrate);
    state.add(Flow.WATER_TAKEN_OUT, out, fraction * state.phosphorus);
    double litres = fraction * volume;
    double ammonia = litres * scenario.blendAmmonia[blend];
    double nitrite = litres * scenario.blendNitrite[blend];
    double nitrate = litres * rates.blendNitrate[blend];
    double phosphorus = litres * rates.blendPhosphorus[blend];
    state.add(Flow.CHANGE_WATER, ammonia + nitrite + nitrate, phosphorus);
    double stays = 1 - fraction;
    state.ammonia = state.ammonia * stays + ammonia;
    state.nitrite = state.nitrite * stays + nitrite;
    state.nitrate = state.nitrate * stays + nitrate;
    state.phosphorus = state.phosphorus * stays + phosphorus;
    double taken = siphoned * WasteSolids.SIPHON_TAKES;
    state.add(Flow.SIPHONED, taken * state.wasteNitrogen, taken * state.wastePhosphorus);
    state.wasteNitrogen *= 1 - taken;
    state.wastePhosphorus *= 1 - taken;
    trace.see(day, state);
  }

  // ---------------------------------------------------------------- stepping

  /**
   * Goes on to an instant within the days that are run at once.
   *
   * @param first of those days
   * @param daysEnd the day after the last of them
   */
  private void advance(
      TankState state, double from, double to, int first, int daysEnd, Trace trace) {
    double left = to - from;
    double[] probes = scenario.probeTime;
    int day = first;
    if (left <= 1e-12) {
      while (probe < probes.length && probes[probe] <= to) {
        trace.probe(probe++, state, state, 0, 0);
      }
    }
    while (left > 1e-12) {
      double h = left <= days * (1 + 1e-9) ? left : left < 2 * days ? left / 2 : days;
      double difference = step.attempt(state, h);
      while (difference > tolerance && h > SHORTEST_STEP) {
        h /= 2;
        difference = step.attempt(state, h);
        days = h;
      }
      left -= h;
      double end = left > 1e-12 ? to - left : to;
      while (probe < probes.length && probes[probe] <= end && probes[probe] < daysEnd) {
        double share = Math.max(0, Math.min(1, 1 - (end - probes[probe]) / h));
        trace.probe(probe++, state, step.next, share, step.bend(state, share, h));
      }
      while (day + 1 < daysEnd && day + 1 <= end) {
        double share = Math.min(1, 1 - (end - day - 1) / h);
        trace.passMidnight(day++, state, step.next, share, step.bend(state, share, h));
      }
      step.accept(state, h);
      if (difference < tolerance / 4) {
        days = Math.min(longestDays, Math.max(days, h) * 2);
      }
      trace.see(day, state);
    }
  }
}
