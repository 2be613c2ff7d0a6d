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
import org.umberline.core.balance.CarbonDosing;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.Retention;
import org.umberline.core.balance.SoilSubstrate;
import org.umberline.core.balance.UnplantedAlgae;
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
import org.umberline.core.tank.SubstrateKind;
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
   * @param index of the blend, the plant, the feed or the adsorber
   * @param amount share changed; g of dry mass cut or put in; share of the caught solids cleaned
   *     out; g of new medium; unused by the others
   * @param siphoned share of the bed, changes only
   */
  record Event(double time, EventKind kind, int index, double amount, double siphoned) {}

  /** One plant stand in the figures a run needs; {@code perGreatestDryG} is 1 over its most. */
  record Stand(
      double growthPerDay,
      double perGreatestDryG,
      double nitrogenMgPerG,
      double phosphorusMgPerG) {}

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
  final double[] mineralisation;
  final double[] ammoniaGrowth;
  final double[] nitriteGrowth;
  final double[] soilNitrogen;
  final double[] carbonNitrogen;
  final double[] carbonPhosphorus;
  final double[] carbonDenitrifies;

  /** Index of the algae among the stands, one past the plants; out of range where none are seen. */
  final int algae;

  final double[] algaeGreatestDryG;

  /** First day on which the filter is taken for grown in. */
  final int matureOn;

  final double[] blendAmmonia;
  final double[] blendNitrite;
  final FeedNutrients[] food;
  final FeedNutrients[] extraFeeds;

  /** What each food of the tank brings on each day, {@code [food][day]}, before any multiplier. */
  final double[][] nitrogenOfFood;

  final double[][] phosphorusOfFood;

  /** mL of each fertiliser of the tank on each day. */
  final double[][] mlOfFertiliser;

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

  /** When each probe is read, days from the start, ascending. */
  final double[] probeTime;

  final int[] firstProbeOfDay;
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
   * @param tank with its log as known; entries outside the days laid out are passed over
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
    exchangeRatio = PhosphateExchange.ratio(tank.substrate().kind());

    List<Blend> blends = new ArrayList<>();
    changeBlend = blendIndex(blends, tank.changeWater());
    topOffBlend = blendIndex(blends, tank.topOff().water());
    topOffLitresPerDay = tank.topOff().litresPerDay();

    mineralisation = new double[days];
    ammoniaGrowth = new double[days];
    nitriteGrowth = new double[days];
    Temperatures temperatures = Temperatures.of(tank, firstDay, asOfDay);
    for (int day = 0; day < days; day++) {
      double celsius = temperatures.at(day);
      mineralisation[day] = WasteSolids.mineralisationPerDay(celsius);
      ammoniaGrowth[day] = Nitrification.ammoniaGrowthPerDay(celsius);
      nitriteGrowth[day] = Nitrification.nitriteGrowthPerDay(celsius);
    }
    matureOn =
        tank.startedOn().map(day -> day(day.plusDays(Nitrification.MATURE_AFTER_DAYS))).orElse(0);
    soilNitrogen = soil();
    carbonNitrogen = new double[days];
    carbonPhosphorus = new double[days];
    carbonDenitrifies = new double[days];
    layOutCarbon();
    food = new FeedNutrients[days];
    nitrogenOfFood = new double[tank.foods().size()][days];
    phosphorusOfFood = new double[tank.foods().size()][days];
    mlOfFertiliser = new double[tank.fertilisers().size()][days];
    animalNitrogen = new double[days];
    animalPhosphorus = new double[days];
    fertiliserNitrogen = new double[days];
    fertiliserPhosphorus = new double[days];
    List<LogEntry> known =
        tank.log().stream()
            .filter(e -> day(tank.dayOf(e.at().toInstant())) >= 0)
            .filter(e -> day(tank.dayOf(e.at().toInstant())) < days)
            .toList();
    boolean[] fasting = fastingDays(known);
    double habit = 1.0 / habitDays(asOf);
    layOutRations(fasting, extraFeedHabits(asOf, habit));
    layOutDosing(doseHabits(asOf, habit));

    List<Event> laidOut = new ArrayList<>();
    List<LogEntry.Test> tests = new ArrayList<>();
    List<FeedNutrients> extras = new ArrayList<>();
    algae = tank.plants().size();
    algaeGreatestDryG = algaeSeen(known);
    List<Stand> all = new ArrayList<>(tank.plants().stream().map(Scenario::stand).toList());
    if (algaeGreatestDryG.length > 0) {
      all.add(
          new Stand(
              PlantGrowth.ratePerDay(UnplantedAlgae.DOUBLING_DAYS),
              Double.NaN,
              UnplantedAlgae.NITROGEN_MG_PER_G,
              UnplantedAlgae.PHOSPHORUS_MG_PER_G));
    }
    stands = all.toArray(Stand[]::new);
    initialPlantDryG = new double[stands.length];
    if (algaeGreatestDryG.length > 0) {
      initialPlantDryG[algae] = UnplantedAlgae.greatestDryG(0, volumeL) / 2;
    }
    layOutPlants(laidOut, habit, asOf);
    captureRate = new double[days];
    skimRate = new double[days];
    List<ExportMethod> adsorbing = adsorbing();
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
    for (int j = 0; j < algae; j++) {
      plantIndex.put(tank.plants().get(j).id(), j);
    }
    for (LogEntry entry : known) {
      double time = timeOf(entry.at().toInstant());
      if (entry instanceof LogEntry.Test test) {
        if (isProbed(test.analyte())) {
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
        note((int) time, tank.foodById(feed.food()), feed.grams());
      } else if (entry instanceof LogEntry.Dose dose) {
        // A dose stands in the day's fertiliser: within a day its hour does not matter to a
        // forecast.
        addFertiliser((int) time, dose.fertiliser(), dose.ml());
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
    blendAmmonia = new double[blends.size()];
    blendNitrite = new double[blends.size()];
    List<String> waterIds = tank.waters().stream().map(SourceWater::id).toList();
    for (int b = 0; b < blends.size(); b++) {
      List<Blend.Part> parts = blends.get(b).parts();
      blendWater[b] = parts.stream().mapToInt(part -> waterIds.indexOf(part.water())).toArray();
      blendShare[b] = parts.stream().mapToDouble(Blend.Part::share).toArray();
      for (Blend.Part part : parts) {
        SourceWater water = tank.waterById(part.water());
        blendAmmonia[b] += part.share() * water.ammonia().asNitrogen().mgPerLitre();
        blendNitrite[b] += part.share() * water.nitrite().asNitrogen().mgPerLitre();
      }
    }
    laidOut.sort(Comparator.comparingDouble(Event::time));
    events = laidOut.toArray(Event[]::new);
    firstEventOfDay = firstOfDay(laidOut.stream().mapToDouble(Event::time).toArray());
    probeTime = probes.stream().mapToDouble(test -> timeOf(test.at().toInstant())).toArray();
    firstProbeOfDay = firstOfDay(probeTime);
  }

  /** Index of the first of the ascending {@code times} that is not before each day. */
  private int[] firstOfDay(double[] times) {
    int[] first = new int[days + 1];
    int next = 0;
    for (int day = 0; day <= days; day++) {
      while (next < times.length && times[next] < day) {
        next++;
      }
      first[day] = next;
    }
    return first;
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
        1 / (plant.maxWetMassG() * plant.dryMatterPercent() / 100),
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
    List<Double> recent =
        done.stream().filter(time -> time > asOfDay - since && time < asOfDay + 1).toList();
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

  private double[] soil() {
    double[] perDay = new double[days];
    if (tank.substrate().kind() == SubstrateKind.SOIL && tank.startedOn().isPresent()) {
      double area =
          tank.substrate()
              .areaCm2()
              .orElse(tank.surfaceAreaCm2().orElse(SoilSubstrate.usualAreaCm2(volumeL)));
      for (int day = 0; day < days; day++) {
        long age = ChronoUnit.DAYS.between(tank.startedOn().get(), firstDay.plusDays(day));
        perDay[day] = age < 0 ? 0 : SoilSubstrate.ammoniaMgPerDay(area, age);
      }
    }
    return perDay;
  }

  private void layOutCarbon() {
    for (ExportMethod export : tank.exports()) {
      if (export instanceof ExportMethod.CarbonDose dose) {
        double carbon = CarbonDosing.carbonMg(dose.source(), dose.amountPerDay());
        for (int day = 0; day < days; day++) {
          if (covers(dose.span(), firstDay.plusDays(day))) {
            carbonNitrogen[day] += CarbonDosing.nitrogenMg(carbon);
            carbonPhosphorus[day] += CarbonDosing.phosphorusMg(carbon);
            carbonDenitrifies[day] += CarbonDosing.denitrifiesMg(carbon);
          }
        }
      }
    }
  }

  /**
   * Greatest dry mass of algae by day, from the worst that was observed around it; empty where no
   * observation speaks of algae. After the last observation what it saw goes on.
   */
  private double[] algaeSeen(List<LogEntry> known) {
    int[] severity = new int[days];
    boolean any = false;
    for (LogEntry entry : known) {
      if (entry instanceof LogEntry.Observation seen && UnplantedAlgae.isAlgae(seen.sign())) {
        any = true;
        int day = (int) timeOf(seen.at().toInstant());
        boolean ongoing = day > asOfDay - UnplantedAlgae.SEEN_DAYS;
        int last = ongoing ? days - 1 : Math.min(days - 1, day + UnplantedAlgae.SEEN_DAYS);
        for (int d = Math.max(0, day - UnplantedAlgae.SEEN_DAYS); d <= last; d++) {
          severity[d] = d > day ? seen.severity() : Math.max(severity[d], seen.severity());
        }
      }
    }
    return any
        ? Arrays.stream(severity)
            .mapToDouble(s -> UnplantedAlgae.greatestDryG(s, volumeL))
            .toArray()
        : new double[0];
  }

  private void layOutRations(boolean[] fasting, Map<String, Double> extraGramsPerDay) {
    double[] grown = new double[tank.livestock().size()];
    Arrays.fill(grown, 1);
    for (int day = 0; day < days; day++) {
      LocalDate date = firstDay.plusDays(day);
      List<Livestock> animals = new ArrayList<>();
      for (int i = 0; i < grown.length; i++) {
        Livestock animal = tank.livestock().get(i);
        if (covers(animal.span(), date)) {
          animals.add(animal.grown(grown[i]));
        }
      }
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
      for (Portion portion : portions) {
        note(day, portion.food, portion.grams);
      }
      growAnimals(food[day], animals, grown, date);
    }
  }

  /** What the animals keep is their growth, shared by what each could grow. */
  private void growAnimals(
      FeedNutrients eaten, List<Livestock> animals, double[] grown, LocalDate date) {
    double could =
        animals.stream().mapToDouble(a -> a.totalMassG() * a.stage().greatestGrowthPerDay()).sum();
    if (could == 0) {
      return;
    }
    double share = Math.min(1, eaten.nitrogenKept() / AnimalBody.NITROGEN_MG_PER_G / could);
    for (int i = 0; i < grown.length; i++) {
      Livestock animal = tank.livestock().get(i);
      if (covers(animal.span(), date)) {
        grown[i] *= 1 + share * animal.stage().greatestGrowthPerDay();
      }
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
    mlOfFertiliser[tank.fertilisers().indexOf(fertiliser)][day] += ml;
  }

  private void note(int day, Food of, double grams) {
    FeedNutrients whole = FeedNutrients.whole(of, grams);
    int index = tank.foods().indexOf(of);
    nitrogenOfFood[index][day] += whole.nitrogen();
    phosphorusOfFood[index][day] += whole.phosphorus();
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
    for (int j = 0; j < algae; j++) {
      PlantStand plant = tank.plants().get(j);
      if (!known(plant.span())) {
        continue;
      }
      double dry = plant.wetMassG() * plant.dryMatterPercent() / 100;
      long age = ChronoUnit.DAYS.between(plant.span().from(), firstDay);
      if (age >= 0) {
        initialPlantDryG[j] =
            covers(plant.span(), firstDay)
                ? PlantGrowth.grown(
                    dry, 1 / stands[j].perGreatestDryG(), stands[j].growthPerDay(), age)
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
    return tank.log().stream()
        .filter(e -> tank.dayOf(e.at().toInstant()).isAfter(since))
        .filter(e -> !tank.dayOf(e.at().toInstant()).isAfter(asOf))
        .toList();
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
      nitrogen[w] = water.nitrate().map(n -> n.asNitrogen().mgPerLitre()).orElse(0.0);
      phosphorus[w] = water.phosphate().map(p -> p.asPhosphorus().mgPerLitre()).orElse(0.0);
    }
    return new Multipliers(days, nitrogen, phosphorus);
  }

  /**
   * The tank at the scenario's start: waste solids and nitrifiers where a steady ration leaves
   * them, plants grown since they were put in.
   *
   * @param nitrateMgL dissolved nitrate, mg N/L
   * @param phosphorusMgL dissolved phosphorus, mg P/L
   */
  public void start(
      TankState state, Multipliers multipliers, double nitrateMgL, double phosphorusMgL) {
    state.nitrate = nitrateMgL * volumeL;
    state.phosphorus = phosphorusMgL * volumeL;
    double age =
        tank.startedOn()
            .map(day -> (double) Math.max(0, ChronoUnit.DAYS.between(day, firstDay)))
            .orElse(Double.POSITIVE_INFINITY);
    double minerals = mineralisation[0];
    double goes = minerals + captureRate[0] + skimRate[0];
    double settled = (1 - Math.exp(-goes * age)) / goes;
    state.wasteNitrogen = food[0].nitrogenSolid() * multipliers.nitrogenLoad[0] * settled;
    state.wastePhosphorus = food[0].phosphorusSolid() * multipliers.phosphorusLoad[0] * settled;
    // When the media were last cleaned is not known: half of what they would hold at rest.
    double caught = captureRate[0] / minerals / 2 * -Math.expm1(-minerals * age);
    state.caughtNitrogen = caught * state.wasteNitrogen;
    state.caughtPhosphorus = caught * state.wastePhosphorus;
    startNitrifiers(state, multipliers, age);
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
    for (int j = 0; j < initialPlantDryG.length; j++) {
      state.plantDryG[j] = initialPlantDryG[j] * multipliers.plantMass;
    }
    Arrays.fill(state.nitrogenFlow, 0);
    Arrays.fill(state.phosphorusFlow, 0);
  }

  /** A mature filter is at rest with its load; a new tank has its water's ammonia and a seed. */
  private void startNitrifiers(TankState state, Multipliers multipliers, double age) {
    if (isNew()) {
      state.ammonia = blendAmmonia[changeBlend] * volumeL;
      state.nitrite = blendNitrite[changeBlend] * volumeL;
      double seed = Nitrification.SEED_MG_PER_L_DAY * volumeL;
      state.ammoniaOxidisers = seed * Math.exp(ammoniaGrowth[0] / 2 * age);
      state.nitriteOxidisers = seed * Math.exp(nitriteGrowth[0] / 2 * age);
      double most = restingOxidisers(multipliers, ammoniaGrowth[0]);
      state.ammoniaOxidisers = Math.min(state.ammoniaOxidisers, Math.max(seed, most));
      state.nitriteOxidisers = Math.min(state.nitriteOxidisers, Math.max(seed, most));
      return;
    }
    double growth = multipliers.nitrifierGrowth;
    state.ammoniaOxidisers = restingOxidisers(multipliers, ammoniaGrowth[0] * growth);
    state.nitriteOxidisers = restingOxidisers(multipliers, nitriteGrowth[0] * growth);
    state.ammonia =
        volumeL
            * Nitrification.restingMgL(
                Nitrification.HALF_SATURATION_AMMONIA_MG_L, ammoniaGrowth[0] * growth);
    state.nitrite =
        volumeL
            * Nitrification.restingMgL(
                Nitrification.HALF_SATURATION_NITRITE_MG_L, nitriteGrowth[0] * growth);
  }

  private double restingOxidisers(Multipliers multipliers, double growthPerDay) {
    double load =
        (food[0].nitrogenDissolved() + food[0].nitrogenSolid()) * multipliers.nitrogenLoad[0]
            + animalNitrogen[0]
            + soilNitrogen[0]
            + multipliers.unlistedNitrogen * volumeL;
    double least = isNew() ? Nitrification.SEED_MG_PER_L_DAY : Nitrification.MATURE_MG_PER_L_DAY;
    return Math.max(least * volumeL, load) * growthPerDay / Nitrification.DECAY_PER_DAY;
  }

  /**
   * The same days of the same tank with other gear, water or log: what would be, if from the day
   * after as-of it were so.
   *
   * @param changed with the waters and plants of this scenario's tank; its first adsorbers are this
   *     tank's
   */
  public Scenario with(TankModel changed) {
    return new Scenario(changed, firstDay, date(asOfDay), days - asOfDay - 1);
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

  /** The tests of the log that the balance answers for, in the order of their instants. */
  public List<LogEntry.Test> probes() {
    return probes;
  }

  /** Those of {@link #probes} up to the end of the as-of day. */
  public List<LogEntry.Test> probesKnown() {
    return probes.subList(0, firstProbeOfDay[asOfDay + 1]);
  }

  /** Plants and, where they were seen, algae: whatever grows in the tank. */
  public int plants() {
    return stands.length;
  }

  /** Whether the tests of {@code analyte} are answered for by the balance. */
  public static boolean isProbed(Analyte analyte) {
    return switch (analyte) {
      case NITRATE, PHOSPHATE, AMMONIA, NITRITE -> true;
      default -> false;
    };
  }

  /** The tank's adsorbers, in the order of their index. */
  List<ExportMethod> adsorbing() {
    return tank.exports().stream()
        .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
        .toList();
  }

  /** Whether the tank's filter may still be growing in within the days laid out. */
  public boolean isNew() {
    return matureOn > 0;
  }

  /** Net volume, L. */
  public double volumeL() {
    return volumeL;
  }

  /** What the ration of {@code day} brings, before any multiplier. */
  public FeedNutrients foodOf(int day) {
    return food[day];
  }

  /** mg N that food {@code index} brings on {@code day}, before any multiplier. */
  public double nitrogenOfFood(int index, int day) {
    return nitrogenOfFood[index][day];
  }

  /** mg P that food {@code index} brings on {@code day}, before any multiplier. */
  public double phosphorusOfFood(int index, int day) {
    return phosphorusOfFood[index][day];
  }

  /** mL of fertiliser {@code index} on {@code day}, standing doses included. */
  public double mlOfFertiliser(int index, int day) {
    return mlOfFertiliser[index][day];
  }

  /** Whether anything in the tank denitrifies, as far as its entries say. */
  public boolean denitrifies() {
    return denitrifying.length > 0;
  }

  /** All nitrogen in the tank, mg N. */
  public double nitrogenMg(TankState state) {
    return state.ammonia
        + state.nitrite
        + state.nitrate
        + state.wasteNitrogen
        + state.caughtNitrogen
        + plantNitrogenMg(state);
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

  /** Nitrogen in plants and algae, mg N. */
  public double plantNitrogenMg(TankState state) {
    return growing(state, 0, stands.length, true);
  }

  private double growing(TankState state, int from, int to, boolean nitrogen) {
    double sum = 0;
    for (int j = from; j < to; j++) {
      sum +=
          state.plantDryG[j]
              * (nitrogen ? stands[j].nitrogenMgPerG() : stands[j].phosphorusMgPerG());
    }
    return sum;
  }

  /** Nitrogen in algae nobody planted, mg N. */
  public double algaeNitrogenMg(TankState state) {
    return growing(state, algae, stands.length, true);
  }

  /** Phosphorus in algae nobody planted, mg P. */
  public double algaePhosphorusMg(TankState state) {
    return growing(state, algae, stands.length, false);
  }

  /** Phosphorus in plants and algae, mg P. */
  public double plantPhosphorusMg(TankState state) {
    return growing(state, 0, stands.length, false);
  }
}
