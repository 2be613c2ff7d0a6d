package org.umberline.core.simulation;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.umberline.core.balance.Adsorber;
import org.umberline.core.balance.AnimalBody;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.Retention;
import org.umberline.core.balance.WasteSolids;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

/**
 * A tank's entries laid out on days, ready to be run: what its food brings on each day, and when
 * water is changed, plants are cut and tests are read. After the as-of day habits go on. Immutable;
 * one scenario serves many runs with different {@link Multipliers}.
 */
public final class Scenario {
  /**
   * Habits are averaged over this many days before the as-of day (tank-file.md, "Habits go on").
   */
  public static final int HABIT_DAYS = 56;

  enum EventKind {
    PROBE,
    CHANGE,
    FEED,
    FERTILISE,
    HARVEST,
    PLANT_IN,
    PLANT_OUT,
    CLEAN,
    RENEW
  }

  /**
   * @param time days from the scenario's start
   * @param index of the probe, the blend, the plant, the feed or the adsorber
   * @param amount share changed; g of dry mass cut or put in; share of the caught solids cleaned
   *     out; g of new medium; unused by the others
   * @param siphoned share of the bed, changes only
   */
  record Event(double time, EventKind kind, int index, double amount, double siphoned) {}

  /** One plant stand in the figures a run needs. */
  record Stand(
      double growthPerDay, double greatestDryG, double nitrogenMgPerG, double phosphorusMgPerG) {}

  /** An adsorber in the figures a run needs: cleared L a day and capacity mg P, by g of medium. */
  record AdsorberGear(double massG, double clearedLPerGDay, double capacityMgPerG) {}

  /**
   * Denitrifying gear: the most, mg N a day, and the most water that brings it nitrate, L a day.
   */
  record DenitrifyingGear(double greatestMgPerDay, double flowLPerDay) {}

  final double volumeL;
  final double exchangeRatio;
  final double[] captureRate;
  final double[] skimRate;
  final AdsorberGear[] adsorbers;
  final boolean[][] adsorberInUse;
  final DenitrifyingGear[] denitrifying;
  final boolean[][] denitrifyingInUse;
  final double mineralisationPerDay;
  final FeedNutrients[] food;
  final FeedNutrients[] extraFeeds;
  final double[] animalNitrogen;
  final double[] animalPhosphorus;
  final double[] fertiliserNitrogen;
  final double[] fertiliserPhosphorus;
  final double topOffLitresPerDay;
  final int topOffBlend;
  final int changeBlend;
  final int[][] blendWater;
  final double[][] blendShare;
  final Event[] events;
  final int[] firstEventOfDay;
  final Stand[] stands;

  private final TankModel tank;
  private final LocalDate firstDay;
  private final int asOfDay;
  private final int days;
  private final List<LogEntry.Test> probes;
  private final double[] initialPlantDryG;

  /**
   * Lays out {@code tank} from {@code firstDay} to {@code horizonDays} after {@code asOfDay}.
   *
   * @param tank with its log as known; entries before {@code firstDay} are passed over
   * @param asOfDay the last day of the log's knowledge; spans that begin or end later are as hidden
   *     as the log
   * @throws IllegalArgumentException when {@code asOfDay} is before {@code firstDay}
   */
  public static Scenario of(
      TankModel tank, LocalDate firstDay, LocalDate asOfDay, int horizonDays) {
    if (asOfDay.isBefore(firstDay)) {
      throw new IllegalArgumentException(
          "the as-of day " + asOfDay + " is before the first day " + firstDay);
    }
    return new Scenario(tank, firstDay, asOfDay, horizonDays);
  }

  private Scenario(TankModel tank, LocalDate firstDay, LocalDate asOf, int horizonDays) {
    this.tank = tank;
    this.firstDay = firstDay;
    asOfDay = (int) ChronoUnit.DAYS.between(firstDay, asOf);
    days = asOfDay + 1 + horizonDays;
    volumeL = tank.netVolumeL();
    mineralisationPerDay = WasteSolids.mineralisationPerDay(tank.temperatureC());
    exchangeRatio = PhosphateExchange.ratio(tank.substrate().kind());

    List<Blend> blends = new ArrayList<>();
    changeBlend = blendIndex(blends, tank.changeWater());
    topOffBlend = blendIndex(blends, tank.topOff().water());
    topOffLitresPerDay = tank.topOff().litresPerDay();

    food = new FeedNutrients[days];
    animalNitrogen = new double[days];
    animalPhosphorus = new double[days];
    fertiliserNitrogen = new double[days];
    fertiliserPhosphorus = new double[days];
    List<LogEntry> known =
        tank.log().stream()
            .filter(e -> !tank.dayOf(e.at().toInstant()).isBefore(firstDay))
            .toList();
    boolean[] fasting = fastingDays(known);
    double habit = 1.0 / habitDays(asOf);
    layOutRations(fasting, extraFeedHabits(asOf, habit));
    layOutDosing(doseHabits(asOf, habit));

    List<Event> laidOut = new ArrayList<>();
    List<LogEntry.Test> tests = new ArrayList<>();
    List<FeedNutrients> extras = new ArrayList<>();
    stands = tank.plants().stream().map(Scenario::stand).toArray(Stand[]::new);
    initialPlantDryG = new double[stands.length];
    layOutPlants(laidOut, habit, asOf);
    captureRate = new double[days];
    skimRate = new double[days];
    List<ExportMethod> adsorbing =
        tank.exports().stream().filter(ExportMethod.PhosphateAdsorber.class::isInstance).toList();
    adsorbers = adsorbing.stream().map(Scenario::adsorber).toArray(AdsorberGear[]::new);
    adsorberInUse = inUse(adsorbing);
    List<ExportMethod> denitrifies =
        tank.exports().stream().filter(e -> Denitrification.greatestMgPerDay(e) > 0).toList();
    denitrifying =
        denitrifies.stream()
            .map(
                e ->
                    new DenitrifyingGear(
                        Denitrification.greatestMgPerDay(e), Denitrification.flowLPerDay(e)))
            .toArray(DenitrifyingGear[]::new);
    denitrifyingInUse = inUse(denitrifies);
    layOutFilters();
    layOutUpkeep(laidOut, adsorbing, known, asOf);
    Map<String, Integer> plantIndex = new HashMap<>();
    for (int j = 0; j < stands.length; j++) {
      plantIndex.put(tank.plants().get(j).id(), j);
    }
    for (LogEntry entry : known) {
      double time = timeOf(entry.at().toInstant());
      if (entry instanceof LogEntry.Test test) {
        if (test.analyte() == Analyte.NITRATE || test.analyte() == Analyte.PHOSPHATE) {
          laidOut.add(new Event(time, EventKind.PROBE, tests.size(), 0, 0));
          tests.add(test);
        }
      } else if (entry instanceof LogEntry.WaterChange change) {
        laidOut.add(
            new Event(
                time,
                EventKind.CHANGE,
                blendIndex(blends, change.water()),
                Math.min(1, change.litres() / volumeL),
                change.siphonedShareOfBed()));
      } else if (entry instanceof LogEntry.Feed feed) {
        laidOut.add(new Event(time, EventKind.FEED, extras.size(), 0, 0));
        extras.add(extraFeed(feed.food(), feed.grams()));
      } else if (entry instanceof LogEntry.Dose dose) {
        // A dose stands in the day's fertiliser: within a day its hour does not matter to a
        // forecast.
        Fertiliser fertiliser = tank.fertiliserById(dose.fertiliser());
        fertiliserNitrogen[(int) time] += dose.ml() * fertiliser.nitrogenMgPerMl();
        fertiliserPhosphorus[(int) time] += dose.ml() * fertiliser.phosphorusMgPerMl();
      } else if (entry instanceof LogEntry.Harvest harvest) {
        int j = plantIndex.get(harvest.plant());
        double dry = harvest.wetMassG() * tank.plants().get(j).dryMatterPercent() / 100;
        laidOut.add(new Event(time, EventKind.HARVEST, j, dry, 0));
      } else if (entry instanceof LogEntry.Death death) {
        layOutDeath(time, death);
      }
    }
    probes = List.copyOf(tests);
    extraFeeds = extras.toArray(FeedNutrients[]::new);
    blendWater = new int[blends.size()][];
    blendShare = new double[blends.size()][];
    List<String> waterIds = tank.waters().stream().map(SourceWater::id).toList();
    for (int b = 0; b < blends.size(); b++) {
      List<Blend.Part> parts = blends.get(b).parts();
      blendWater[b] = parts.stream().mapToInt(part -> waterIds.indexOf(part.water())).toArray();
      blendShare[b] = parts.stream().mapToDouble(Blend.Part::share).toArray();
    }
    laidOut.sort(Comparator.comparingDouble(Event::time));
    events = laidOut.toArray(Event[]::new);
    firstEventOfDay = new int[days + 1];
    int next = 0;
    for (int day = 0; day <= days; day++) {
      while (next < events.length && events[next].time() < day) {
        next++;
      }
      firstEventOfDay[day] = next;
    }
  }

  private static int blendIndex(List<Blend> blends, Blend blend) {
    int index = blends.indexOf(blend);
    if (index >= 0) {
      return index;
    }
    blends.add(blend);
    return blends.size() - 1;
  }

  private static Stand stand(PlantStand plant) {
    return new Stand(
        PlantGrowth.ratePerDay(plant.doublingDays()),
        plant.maxWetMassG() * plant.dryMatterPercent() / 100,
        plant.nitrogenPercentDry() * 10,
        plant.phosphorusPercentDry() * 10);
  }

  private static AdsorberGear adsorber(ExportMethod export) {
    ExportMethod.PhosphateAdsorber gear = (ExportMethod.PhosphateAdsorber) export;
    return new AdsorberGear(
        gear.massG(), Adsorber.clearedLPerGDay(gear.placement()), gear.capacityMgPPerG());
  }

  private boolean[][] inUse(List<ExportMethod> gear) {
    boolean[][] inUse = new boolean[gear.size()][days];
    for (int i = 0; i < inUse.length; i++) {
      for (int day = 0; day < days; day++) {
        inUse[i][day] = covers(gear.get(i).span(), firstDay.plusDays(day));
      }
    }
    return inUse;
  }

  private void layOutFilters() {
    for (ExportMethod export : tank.exports()) {
      for (int day = 0; day < days; day++) {
        if (!covers(export.span(), firstDay.plusDays(day))) {
          continue;
        }
        if (export instanceof ExportMethod.Mechanical media) {
          captureRate[day] += WasteSolids.ratePerDay(media.captureFractionPerDay());
        } else if (export instanceof ExportMethod.Skimmer skimmer) {
          skimRate[day] += WasteSolids.ratePerDay(skimmer.removalFractionPerDay());
        }
      }
    }
  }

  /** Cleanings and renewals that were done, and after the as-of day those that habit brings. */
  private void layOutUpkeep(
      List<Event> laidOut, List<ExportMethod> adsorbing, List<LogEntry> known, LocalDate asOf) {
    for (ExportMethod export : tank.exports()) {
      List<Double> cleaned = new ArrayList<>();
      List<Double> renewed = new ArrayList<>();
      int adsorber = adsorbing.indexOf(export);
      for (LogEntry entry : known) {
        double time = timeOf(entry.at().toInstant());
        if (entry instanceof LogEntry.Clean clean && clean.export().equals(export.id())) {
          cleaned.add(time);
        } else if (entry instanceof LogEntry.Renew renew && renew.export().equals(export.id())) {
          renewed.add(time);
          if (adsorber >= 0) {
            double mass = renew.massG() > 0 ? renew.massG() : adsorbers[adsorber].massG();
            laidOut.add(new Event(time, EventKind.RENEW, adsorber, mass, 0));
          }
        }
      }
      if (export instanceof ExportMethod.Mechanical media) {
        for (double time : cleaned) {
          laidOut.add(new Event(time, EventKind.CLEAN, 0, shareOfMedia(media, (int) time), 0));
        }
        for (double time : habitTimes(cleaned, asOf)) {
          laidOut.add(new Event(time, EventKind.CLEAN, 0, shareOfMedia(media, (int) time), 0));
        }
      }
      if (adsorber >= 0) {
        for (double time : habitTimes(renewed, asOf)) {
          laidOut.add(new Event(time, EventKind.RENEW, adsorber, adsorbers[adsorber].massG(), 0));
        }
      }
    }
  }

  /** What of all caught solids lies in one of several media. */
  private double shareOfMedia(ExportMethod.Mechanical media, int day) {
    double all = captureRate[day];
    return all > 0 ? Math.min(1, WasteSolids.ratePerDay(media.captureFractionPerDay()) / all) : 1;
  }

  /** Times after the as-of day at the mean rhythm of the last {@link #HABIT_DAYS}. */
  private List<Double> habitTimes(List<Double> done, LocalDate asOf) {
    int since = habitDays(asOf);
    List<Double> recent = done.stream().filter(time -> time > asOfDay - since).toList();
    List<Double> times = new ArrayList<>();
    if (recent.isEmpty()) {
      return times;
    }
    double every = since / (double) recent.size();
    double time = recent.get(recent.size() - 1) + every;
    while (time < asOfDay + 1) {
      time += every;
    }
    for (; time < days; time += every) {
      times.add(time);
    }
    return times;
  }

  private boolean known(Span span) {
    return !span.from().isAfter(firstDay.plusDays(asOfDay));
  }

  /** The span with an end after the as-of day taken as not known yet. */
  private boolean covers(Span span, LocalDate day) {
    LocalDate asOf = firstDay.plusDays(asOfDay);
    boolean endKnown = span.to().map(to -> !to.isAfter(asOf)).orElse(false);
    return known(span)
        && !day.isBefore(span.from())
        && (!endKnown || !day.isAfter(span.to().get()));
  }

  private boolean[] fastingDays(List<LogEntry> known) {
    boolean[] fasting = new boolean[days];
    for (LogEntry entry : known) {
      if (entry instanceof LogEntry.Fast fast) {
        int first = (int) timeOf(fast.at().toInstant());
        Arrays.fill(fasting, first, Math.min(days, first + fast.days()), true);
      }
    }
    return fasting;
  }

  private void layOutRations(boolean[] fasting, Map<String, Double> extraGramsPerDay) {
    for (int day = 0; day < days; day++) {
      LocalDate date = firstDay.plusDays(day);
      List<Livestock> animals =
          tank.livestock().stream().filter(animal -> covers(animal.span(), date)).toList();
      if (fasting[day]) {
        food[day] = FeedNutrients.NONE;
        animalNitrogen[day] +=
            AnimalBody.FASTING_NITROGEN_MG_PER_G_DAY
                * animals.stream().mapToDouble(Livestock::totalMassG).sum();
        continue;
      }
      List<Portion> portions = new ArrayList<>();
      for (Feeding feeding : tank.feeding()) {
        if (covers(feeding.span(), date)) {
          portions.add(
              new Portion(
                  tank.foodById(feeding.food()), feeding.gramsPerDay(), feeding.uneatenFraction()));
        }
      }
      if (day > asOfDay) {
        extraGramsPerDay.forEach(
            (id, grams) ->
                portions.add(
                    new Portion(tank.foodById(id), grams, Feeding.DEFAULT_UNEATEN_FRACTION)));
      }
      food[day] = nutrients(portions, animals);
    }
  }

  private record Portion(Food food, double grams, double uneaten) {}

  private static FeedNutrients nutrients(List<Portion> portions, List<Livestock> animals) {
    Retention nothing = new Retention(0, 0);
    double nitrogenEaten = 0;
    double phosphorusEaten = 0;
    for (Portion portion : portions) {
      FeedNutrients whole = FeedNutrients.of(portion.food, portion.grams, 0, nothing);
      nitrogenEaten += whole.nitrogen() * (1 - portion.uneaten);
      phosphorusEaten += whole.phosphorus() * (1 - portion.uneaten);
    }
    Retention kept = Retention.of(animals, nitrogenEaten, phosphorusEaten);
    FeedNutrients sum = FeedNutrients.NONE;
    for (Portion portion : portions) {
      sum = sum.plus(FeedNutrients.of(portion.food, portion.grams, portion.uneaten, kept));
    }
    return sum;
  }

  private FeedNutrients extraFeed(String food, double grams) {
    return FeedNutrients.of(
        tank.foodById(food), grams, Feeding.DEFAULT_UNEATEN_FRACTION, Retention.ADULT);
  }

  private void layOutDosing(Map<String, Double> habitMlPerDay) {
    for (int day = 0; day < days; day++) {
      LocalDate date = firstDay.plusDays(day);
      for (Dosing dosing : tank.dosing()) {
        if (covers(dosing.span(), date)) {
          addFertiliser(day, dosing.fertiliser(), dosing.mlPerDay());
        }
      }
      if (day > asOfDay) {
        int future = day;
        habitMlPerDay.forEach((id, ml) -> addFertiliser(future, id, ml));
      }
    }
  }

  private void addFertiliser(int day, String id, double ml) {
    Fertiliser fertiliser = tank.fertiliserById(id);
    fertiliserNitrogen[day] += ml * fertiliser.nitrogenMgPerMl();
    fertiliserPhosphorus[day] += ml * fertiliser.phosphorusMgPerMl();
  }

  /** A corpse gives off its nitrogen and phosphorus day by day until it is taken out. */
  private void layOutDeath(double time, LogEntry.Death death) {
    double removed = time + death.removedAfterHours() / 24;
    for (int day = (int) time; day < Math.min(days, removed); day++) {
      double share =
          AnimalBody.decayed(Math.max(day, time) - time, Math.min(day + 1, removed) - time);
      animalNitrogen[day] += share * death.massG() * AnimalBody.NITROGEN_MG_PER_G;
      animalPhosphorus[day] += share * death.massG() * AnimalBody.PHOSPHORUS_MG_PER_G;
    }
  }

  private void layOutPlants(List<Event> laidOut, double habit, LocalDate asOf) {
    for (int j = 0; j < stands.length; j++) {
      PlantStand plant = tank.plants().get(j);
      if (!known(plant.span())) {
        continue;
      }
      double dry = plant.wetMassG() * plant.dryMatterPercent() / 100;
      long age = ChronoUnit.DAYS.between(plant.span().from(), firstDay);
      if (age >= 0) {
        initialPlantDryG[j] =
            covers(plant.span(), firstDay)
                ? PlantGrowth.grown(dry, stands[j].greatestDryG(), stands[j].growthPerDay(), age)
                : 0;
      } else {
        laidOut.add(new Event(-age, EventKind.PLANT_IN, j, dry, 0));
      }
      if (plant.span().to().isPresent() && !plant.span().to().get().isAfter(asOf)) {
        long end = ChronoUnit.DAYS.between(firstDay, plant.span().to().get()) + 1;
        if (end > 0) {
          laidOut.add(new Event(end, EventKind.PLANT_OUT, j, 0, 0));
        }
        continue;
      }
      double wetPerDay = 0;
      for (LogEntry entry : lastHabitDays(asOf)) {
        if (entry instanceof LogEntry.Harvest harvest && harvest.plant().equals(plant.id())) {
          wetPerDay += harvest.wetMassG() * habit;
        }
      }
      if (wetPerDay > 0) {
        double dryPerDay = wetPerDay * plant.dryMatterPercent() / 100;
        for (int day = asOfDay + 1; day < days; day++) {
          laidOut.add(new Event(day + PlannedChanges.NOON, EventKind.HARVEST, j, dryPerDay, 0));
        }
      }
    }
  }

  private List<LogEntry> lastHabitDays(LocalDate asOf) {
    LocalDate since = asOf.minusDays(HABIT_DAYS);
    return tank.log().stream().filter(e -> tank.dayOf(e.at().toInstant()).isAfter(since)).toList();
  }

  private int habitDays(LocalDate asOf) {
    if (tank.log().isEmpty()) {
      return HABIT_DAYS;
    }
    LocalDate first = tank.dayOf(tank.log().get(0).at().toInstant());
    return (int) Math.max(1, Math.min(HABIT_DAYS, ChronoUnit.DAYS.between(first, asOf) + 1));
  }

  private Map<String, Double> extraFeedHabits(LocalDate asOf, double habit) {
    Map<String, Double> gramsPerDay = new HashMap<>();
    for (LogEntry entry : lastHabitDays(asOf)) {
      if (entry instanceof LogEntry.Feed feed) {
        gramsPerDay.merge(feed.food(), feed.grams() * habit, Double::sum);
      }
    }
    return gramsPerDay;
  }

  private Map<String, Double> doseHabits(LocalDate asOf, double habit) {
    Map<String, Double> mlPerDay = new HashMap<>();
    for (LogEntry entry : lastHabitDays(asOf)) {
      if (entry instanceof LogEntry.Dose dose) {
        mlPerDay.merge(dose.fertiliser(), dose.ml() * habit, Double::sum);
      }
    }
    return mlPerDay;
  }

  /**
   * {@code instant} in days from the scenario's start, by the tank's clock: a day is one day long
   * also when the clocks change.
   */
  public double timeOf(Instant instant) {
    ZoneId zone = tank.timeZone();
    ZonedDateTime local = instant.atZone(zone);
    double ofDay = local.toLocalTime().toNanoOfDay() / (double) LocalTime.MAX.toNanoOfDay();
    return ChronoUnit.DAYS.between(firstDay, local.toLocalDate()) + Math.min(ofDay, 1 - 1e-9);
  }

  /** Multipliers of 1 and source waters as stated, those never measured at {@code unknownMgL}. */
  public Multipliers multipliers() {
    double[] nitrogen = new double[tank.waters().size()];
    double[] phosphorus = new double[nitrogen.length];
    for (int w = 0; w < nitrogen.length; w++) {
      SourceWater water = tank.waters().get(w);
      nitrogen[w] =
          water.nitrate().map(n -> n.asNitrogen().mgPerLitre()).orElse(0.0)
              + water.ammonia().asNitrogen().mgPerLitre()
              + water.nitrite().asNitrogen().mgPerLitre();
      phosphorus[w] = water.phosphate().map(p -> p.asPhosphorus().mgPerLitre()).orElse(0.0);
    }
    return new Multipliers(days, nitrogen, phosphorus);
  }

  /**
   * The tank at the scenario's start: waste solids where a steady ration leaves them, plants grown
   * since they were put in.
   *
   * @param nitrogenMgL dissolved nitrogen, mg N/L
   * @param phosphorusMgL dissolved phosphorus, mg P/L
   */
  public void start(
      TankState state, Multipliers multipliers, double nitrogenMgL, double phosphorusMgL) {
    state.nitrogen = nitrogenMgL * volumeL;
    state.phosphorus = phosphorusMgL * volumeL;
    double age =
        tank.startedOn()
            .map(day -> (double) Math.max(0, ChronoUnit.DAYS.between(day, firstDay)))
            .orElse(Double.POSITIVE_INFINITY);
    double goes = mineralisationPerDay + captureRate[0] + skimRate[0];
    double settled = (1 - Math.exp(-goes * age)) / goes;
    state.wasteNitrogen = food[0].nitrogenSolid() * multipliers.nitrogenLoad[0] * settled;
    state.wastePhosphorus = food[0].phosphorusSolid() * multipliers.phosphorusLoad[0] * settled;
    // When the media were last cleaned is not known: half of what they would hold at rest.
    double caught =
        captureRate[0] / mineralisationPerDay / 2 * -Math.expm1(-mineralisationPerDay * age);
    state.caughtNitrogen = caught * state.wasteNitrogen;
    state.caughtPhosphorus = caught * state.wastePhosphorus;
    // Rock and sand of a settled tank are at rest with its water; new ones hold nothing.
    state.boundPhosphorus =
        state.phosphorus
            * exchangeRatio
            * multipliers.exchange
            * -Math.expm1(-PhosphateExchange.RATE_PER_DAY * age);
    Arrays.fill(state.adsorbedPhosphorus, 0);
    for (int a = 0; a < adsorbers.length; a++) {
      state.mediumG[a] = adsorbers[a].massG();
    }
    System.arraycopy(initialPlantDryG, 0, state.plantDryG, 0, initialPlantDryG.length);
    Arrays.fill(state.nitrogenFlow, 0);
    Arrays.fill(state.phosphorusFlow, 0);
  }

  public TankModel tank() {
    return tank;
  }

  public LocalDate firstDay() {
    return firstDay;
  }

  /** Index of the as-of day. */
  public int asOfDay() {
    return asOfDay;
  }

  /** How many days are laid out, the days ahead included. */
  public int days() {
    return days;
  }

  public LocalDate date(int day) {
    return firstDay.plusDays(day);
  }

  /** Index of {@code date}, which may lie outside the scenario. */
  public int day(LocalDate date) {
    return (int) ChronoUnit.DAYS.between(firstDay, date);
  }

  /** The nitrate and phosphate tests of the log, in the order of their instants. */
  public List<LogEntry.Test> probes() {
    return probes;
  }

  public int plants() {
    return stands.length;
  }

  /** Net volume, L. */
  public double volumeL() {
    return volumeL;
  }

  /** What the ration of {@code day} brings, before any multiplier. */
  public FeedNutrients foodOf(int day) {
    return food[day];
  }

  /** Whether anything in the tank denitrifies, as far as its entries say. */
  public boolean denitrifies() {
    return denitrifying.length > 0;
  }

  /** All nitrogen in the tank, mg N. */
  public double nitrogenMg(TankState state) {
    return state.nitrogen + state.wasteNitrogen + state.caughtNitrogen + plantNitrogenMg(state);
  }

  /** All phosphorus in the tank, adsorbers in use included, mg P. */
  public double phosphorusMg(TankState state) {
    return state.phosphorus
        + state.wastePhosphorus
        + state.caughtPhosphorus
        + state.boundPhosphorus
        + state.adsorbedPhosphorusMg()
        + plantPhosphorusMg(state);
  }

  /** Nitrogen in plants, mg N. */
  public double plantNitrogenMg(TankState state) {
    double sum = 0;
    for (int j = 0; j < stands.length; j++) {
      sum += state.plantDryG[j] * stands[j].nitrogenMgPerG();
    }
    return sum;
  }

  /** Phosphorus in plants, mg P. */
  public double plantPhosphorusMg(TankState state) {
    double sum = 0;
    for (int j = 0; j < stands.length; j++) {
      sum += state.plantDryG[j] * stands[j].phosphorusMgPerG();
    }
    return sum;
  }
}
