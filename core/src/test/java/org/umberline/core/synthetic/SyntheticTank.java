package org.umberline.core.synthetic;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.Dosing;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Fertiliser;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.Substrate;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.core.tank.TopOff;
import org.umberline.core.tank.WaterKind;

/**
 * A made-up tank with a truth of its own: equations other than the model's, in steps of half an
 * hour, and a keeper who weighs badly, forgets to log, misses changes, loses an animal unseen and
 * reads kits with errors. It shares nothing with the computation it is to test but the records of
 * what a tank is. All figures invented.
 */
public final class SyntheticTank {
  /** Ways of keeping a tank. */
  public enum Way {
    FISH_ONLY(WaterKind.FRESHWATER),
    HEAVY_FRESH_FOOD(WaterKind.FRESHWATER),
    SHRIMP(WaterKind.FRESHWATER),
    PLANTED_LOW_LIGHT(WaterKind.FRESHWATER),
    PLANTED_HIGH_LIGHT(WaterKind.FRESHWATER),
    NO_CHANGE(WaterKind.FRESHWATER),
    BIG_MESSY_FISH(WaterKind.FRESHWATER),
    MARINE_FISH_ONLY(WaterKind.MARINE),
    MIXED_REEF(WaterKind.MARINE),
    STONY_REEF(WaterKind.MARINE),
    SMALL_MARINE(WaterKind.MARINE),
    BRACKISH_DEEP_BED(WaterKind.BRACKISH);

    private final WaterKind water;

    Way(WaterKind water) {
      this.water = water;
    }
  }

  private static final LocalDate START = LocalDate.of(2025, 3, 1);
  private static final int DAYS = 210;
  private static final int STEPS_PER_DAY = 48;

  /** The step in which a change that was ordered is made. */
  private static final int EVENING = 40;

  private static final double NO3_PER_N = 62.005 / 14.007;
  private static final double PO4_PER_P = 94.971 / 30.974;

  private final Way way;

  /** Keeps a worse log, in a tank that does more of what nobody sees. */
  private final boolean messy;

  private final Random random;

  /** The scatter of what is done by hand: the truth beside it stays the same whatever is done. */
  private final Random hands;

  private int today;
  private double ordered;
  private double peakN;
  private double peakP;
  private double troughN;
  private double troughP;
  private final List<LogEntry> log = new ArrayList<>();

  // The make-up as the keeper states it
  private double volume;
  private double gramsPerDay;
  private double protein;
  private double phosphorus;
  private FoodForm form = FoodForm.DRY;
  private double tapNitrate;
  private double tapPhosphate;
  private double changeShare;
  private int changeEvery;
  private double topOff;
  private PlantKind plant;
  private double plantWet;
  private double doseMlPerDay;
  private double mechanical;
  private double skimmer;
  private double adsorberG;
  private double bedArea;
  private double carbonMl;
  private double nitrateStart;
  private double phosphateStart;
  private SubstrateKind bottom;
  private Kit nitrateKit;
  private Kit phosphateKit;

  /** A tank kept in one way; the same seed makes the same tank. */
  public static TankModel of(Way way, long seed) {
    return new SyntheticTank(way, seed, false).make();
  }

  /**
   * The same of a worse keeper: food that is not listed or not at all as listed, a load that grows,
   * uptake and loss to gas three times the usual, changes not noted, readings that are plainly
   * wrong, cards that end too low, a log that begins late.
   */
  public static TankModel messy(Way way, long seed) {
    return new SyntheticTank(way, seed, true).make();
  }

  /** A tank with its log as known at the end of a day. */
  public static TankModel upTo(LocalDate day, TankModel tank) {
    return tank.withLog(
        tank.log().stream()
            .filter(entry -> !tank.dayOf(entry.at().toInstant()).isAfter(day))
            .toList());
  }

  /** A tank that is lived through day by day, to see what another's advice does to it. */
  public static SyntheticTank begun(Way way, long seed) {
    return begun(way, seed, false);
  }

  /** The same, of a worse keeper if asked. */
  public static SyntheticTank begun(Way way, long seed, boolean messy) {
    SyntheticTank tank = new SyntheticTank(way, seed, messy);
    tank.stateMakeUp();
    tank.begin();
    return tank;
  }

  /** Lives one more day as its keeper always did. */
  public void liveByHabit() {
    day(today++);
  }

  /**
   * Lives one more day on which {@code share} of the water is changed, nearly, in the evening.
   *
   * @param share 0 for no change
   */
  public void live(double share) {
    nextChange = Integer.MAX_VALUE;
    ordered = share;
    day(today++);
    ordered = 0;
  }

  /** The end of the last day lived, with the log so far. */
  public TankModel known(Lines lines, double largestChange) {
    log.sort(Comparator.comparing(e -> e.at().toInstant()));
    Limits usual = Limits.of(way.water, Optional.empty());
    return tank()
        .withLines(lines)
        .withLimits(
            new Limits(
                largestChange,
                usual.intervalsDays(),
                usual.confidence(),
                usual.horizonDays(),
                usual.maxNitrateStepMgL(),
                usual.maxSalinityStepPpt(),
                usual.maxAlkalinityStepDkh(),
                OptionalDouble.empty(),
                Limits.DEFAULT_LEAST_CHANGE_DAYS));
  }

  public LocalDate lastDay() {
    return START.plusDays(today - 1L);
  }

  /** The most of the last day lived, mg/L NO3 and PO4 in truth. */
  public double[] peak() {
    return new double[] {peakN, peakP};
  }

  /** The least of it. */
  public double[] trough() {
    return new double[] {troughN, troughP};
  }

  private SyntheticTank(Way way, long seed, boolean messy) {
    this.way = way;
    this.messy = messy;
    random = new Random(seed * 1_000_003 + way.ordinal() * 7919);
    hands = new Random(seed * 31 + way.ordinal());
  }

  private double between(double low, double high) {
    return low + (high - low) * random.nextDouble();
  }

  private double around(double median, double spread) {
    return median * Math.exp(spread * random.nextGaussian());
  }

  private TankModel make() {
    stateMakeUp();
    begin();
    live();
    log.sort(Comparator.comparing(e -> e.at().toInstant()));
    return tank();
  }

  // ------------------------------------------------------------------ what the keeper states

  private void stateMakeUp() {
    boolean marine = way.water == WaterKind.MARINE;
    volume = between(60, 300);
    protein = between(35, 48);
    phosphorus = between(0.8, 1.4);
    double feed = between(0.2, 0.5);
    tapNitrate = marine ? 0 : between(1, 18);
    tapPhosphate = marine ? 0 : between(0.02, 0.8);
    changeEvery = 7;
    changeShare = between(0.15, 0.35);
    bottom = marine ? SubstrateKind.MARINE_ROCK_AND_SAND : SubstrateKind.GRAVEL;
    nitrateStart = marine ? between(3, 20) : between(8, 30);
    phosphateStart = marine ? between(0.03, 0.2) : between(0.2, 1.5);
    mechanical = random.nextBoolean() ? 0.3 : 0;
    switch (way) {
      case HEAVY_FRESH_FOOD -> {
        form = FoodForm.FRESH;
        protein = 11;
        phosphorus = 0.16;
        feed = between(0.8, 1.6);
        changeEvery = random.nextBoolean() ? 7 : 14;
      }
      case SHRIMP -> {
        volume = between(20, 60);
        feed = between(0.08, 0.2);
        plant = PlantKind.FLOATING;
        plantWet = volume * between(0.2, 0.5);
        changeShare = between(0.1, 0.2);
      }
      case PLANTED_LOW_LIGHT -> {
        feed = between(0.15, 0.3);
        plant = PlantKind.SLOW_LEAVES;
        plantWet = volume * between(1, 2.5);
        changeEvery = 14;
      }
      case PLANTED_HIGH_LIGHT -> {
        feed = between(0.1, 0.25);
        plant = PlantKind.FAST_STEMS;
        plantWet = volume * between(0.8, 1.6);
        doseMlPerDay = volume / 100 * between(1, 3);
        changeShare = between(0.3, 0.5);
      }
      case NO_CHANGE -> {
        feed = between(0.08, 0.2);
        plant = PlantKind.FLOATING;
        plantWet = volume * between(0.5, 1);
        changeShare = 0;
        topOff = volume * between(0.005, 0.012);
      }
      case BIG_MESSY_FISH -> {
        volume = between(300, 700);
        feed = between(0.4, 0.8);
        changeShare = between(0.3, 0.5);
        mechanical = 0.4;
      }
      case MARINE_FISH_ONLY -> {
        form = FoodForm.FROZEN;
        protein = between(9, 13);
        phosphorus = between(0.15, 0.25);
        feed = between(1, 2);
        skimmer = 0.25;
        changeEvery = 14;
      }
      case MIXED_REEF -> {
        feed = between(0.1, 0.25);
        skimmer = 0.25;
        plant = PlantKind.MACROALGAE;
        plantWet = volume * between(0.5, 1.2);
        changeShare = between(0.1, 0.2);
      }
      case STONY_REEF -> {
        feed = between(0.15, 0.3);
        skimmer = 0.3;
        adsorberG = volume * between(0.1, 0.3);
        carbonMl = volume * between(0.002, 0.006);
        changeShare = between(0.05, 0.1);
        nitrateStart = between(3, 12);
      }
      case SMALL_MARINE -> {
        volume = between(20, 40);
        feed = between(0.15, 0.4);
        changeShare = between(0.25, 0.45);
      }
      case BRACKISH_DEEP_BED -> {
        feed = between(0.2, 0.4);
        bedArea = volume * between(15, 30);
        tapNitrate = between(0, 8);
      }
      default -> {
        changeEvery = random.nextBoolean() ? 7 : 14;
      }
    }
    gramsPerDay = feed * volume / 100;
    boolean fine = marine || random.nextDouble() < 0.4;
    nitrateKit =
        fine
            ? kit("no3", Analyte.NITRATE, KitMethod.PHOTOMETER, List.of(), 0.5, 0.07, 0.1)
            : kit(
                "no3",
                Analyte.NITRATE,
                KitMethod.COLOUR_CARD,
                List.of(0.0, 5.0, 10.0, 20.0, 30.0, 40.0, 60.0, 80.0, 120.0),
                0,
                0.1,
                0);
    phosphateKit =
        marine || random.nextBoolean()
            ? kit("po4", Analyte.PHOSPHATE, KitMethod.PHOTOMETER, List.of(), 0.015, 0.05, 0.01)
            : kit(
                "po4",
                Analyte.PHOSPHATE,
                KitMethod.COLOUR_CARD,
                List.of(0.0, 0.1, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0, 5.0),
                0,
                0.1,
                0);
  }

  private static Kit kit(
      String id,
      Analyte analyte,
      KitMethod method,
      List<Double> steps,
      double absolute,
      double relative,
      double resolution) {
    return new Kit(
        id,
        analyte,
        method,
        steps,
        analyte.standardUnit(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        resolution > 0 ? OptionalDouble.of(resolution) : OptionalDouble.empty(),
        absolute,
        relative);
  }

  // ------------------------------------------------------------------ what is true

  private double trueVolume;
  private double nitrogenPerDay;
  private double phosphorusPerDay;
  private double juice;
  private double eaten;
  private double kept;
  private double tapN;
  private double tapP;
  private double n;
  private double p;
  private double ratio;
  private double onRock;
  private double inRock;
  private double quickN;
  private double quickP;
  private double slowN;
  private double slowP;
  private double caughtN;
  private double caughtP;
  private double plantDry;
  private double plantMost;
  private double thinnedTo;
  private double growth;
  private double film;
  private double held;
  private double bed;
  private double unseen;
  private double filmVigour;
  private double load;
  private double kitN;
  private double kitP;
  private int nextTest;
  private int nextChange;
  private int nextThin;
  private int nextClean;
  private int nextRenew;
  private int death;
  private double corpse;
  private int awayFrom;
  private boolean away;
  private double growsPerDay;
  private double unlogged = 0.04;
  private double slips;
  private boolean foodListed = true;

  private void begin() {
    trueVolume = around(volume, 0.04);
    nitrogenPerDay = around(gramsPerDay * protein * 10 / 6.25, 0.28);
    phosphorusPerDay = around(gramsPerDay * phosphorus * 10, 0.35);
    juice = form == FoodForm.FROZEN ? 0.85 : 1;
    eaten = between(0.85, 0.97);
    kept = between(0.06, 0.2);
    tapN = around(tapNitrate, 0.08) / NO3_PER_N;
    tapP = around(tapPhosphate, 0.12) / PO4_PER_P;
    // mg N and P: nitrate, phosphate; quick and slow solids; phosphate on and in rock
    n = nitrateStart / NO3_PER_N * trueVolume;
    p = phosphateStart / PO4_PER_P * trueVolume;
    ratio = around(bottom == SubstrateKind.MARINE_ROCK_AND_SAND ? 4 : 1, 0.35);
    onRock = p * ratio;
    inRock = p * ratio * 0.5;
    quickN = nitrogenPerDay * 0.8;
    quickP = phosphorusPerDay * 1.2;
    slowN = nitrogenPerDay * 3;
    slowP = phosphorusPerDay * 4;
    caughtN = 0;
    caughtP = 0;
    plantDry = plant == null ? 0 : around(plantWet, 0.3) * dryShare();
    plantMost = plantDry * between(2, 3.5);
    thinnedTo = plantDry;
    growth = plant == null ? 0 : around(Math.log(2) / plant.doublingDays(), 0.35);
    film = 0;
    held = 0;
    bed = around(bedArea / 10_000 * 60, 0.5);
    unseen = around(0.004, 0.7);
    filmVigour = around(0.15, 0.6) * trueVolume / 100;
    load = 1;
    kitN = around(1, nitrateKit.relativeError() * 0.6);
    kitP = around(1, phosphateKit.relativeError() * 0.6);
    nextTest = 3 + random.nextInt(4);
    nextChange = 2 + random.nextInt(Math.max(1, changeEvery));
    nextThin = 20 + random.nextInt(15);
    nextClean = 10 + random.nextInt(20);
    nextRenew = 25 + random.nextInt(20);
    death = random.nextDouble() < 0.35 ? 40 + random.nextInt(150) : -1;
    corpse = 0;
    awayFrom = 60 + random.nextInt(100);
    away = random.nextDouble() < 0.4;
    if (messy) {
      beMessy();
    }
  }

  private void beMessy() {
    double unlisted = random.nextDouble();
    if (unlisted < 0.15) {
      foodListed = false;
    } else if (unlisted < 0.45) {
      nitrogenPerDay *= between(1.3, 2);
      phosphorusPerDay *= between(1.3, 2);
    }
    if (random.nextDouble() < 0.25) {
      growsPerDay = between(0.003, 0.008);
    }
    if (random.nextDouble() < 0.3) {
      unseen *= 3;
      bed *= 3;
    }
    if (random.nextDouble() < 0.3) {
      growth *= 1.5;
      filmVigour *= 3;
    }
    unlogged = between(0.04, 0.3);
    slips = between(0, 0.06);
    if (random.nextDouble() < 0.5) {
      nitrateKit = shortened(nitrateKit, 50);
      phosphateKit = shortened(phosphateKit, 1);
    }
  }

  /** A card that ends at {@code most}. */
  private static Kit shortened(Kit kit, double most) {
    return kit.steps().isEmpty()
        ? kit
        : kit(
            kit.id(),
            kit.analyte(),
            kit.method(),
            kit.steps().stream().filter(step -> step <= most).toList(),
            kit.absoluteError(),
            kit.relativeError(),
            0);
  }

  /** Lives through the days and writes the log as the keeper would. */
  private void live() {
    for (int day = 0; day < DAYS; day++) {
      day(day);
    }
  }

  /** One day of what is true, and of what its keeper does and notes. */
  private void day(int day) {
    load *= Math.exp(0.012 * random.nextGaussian() + growsPerDay);
    double meal = random.nextDouble() < 0.04 ? 0 : Math.max(0.2, 1 + 0.25 * random.nextGaussian());
    boolean fasting = away && day >= awayFrom && day < awayFrom + 6;
    if (away && day == awayFrom) {
      log.add(new LogEntry.Fast(at(day, 0.3), 6, ""));
    }
    meal = fasting ? 0 : meal;
    if (day == death) {
      corpse = between(2, 8) * volume / 100;
    }
    double warm = Math.exp(0.06 * 1.5 * Math.sin(2 * Math.PI * (day + 40) / 365));
    double testTime = day == nextTest ? between(0.6, 0.75) : -1;
    double changeTime = changeShare > 0 && day == nextChange ? between(0.76, 0.9) : -1;
    double mealN = nitrogenPerDay * load * meal * juice;
    double mealP = phosphorusPerDay * load * meal * juice;
    for (int step = 0; step < STEPS_PER_DAY; step++) {
      double dt = 1.0 / STEPS_PER_DAY;
      double clock = step * dt;
      // two meals of an hour each
      boolean feeding = step == 16 || step == 17 || step == 36 || step == 37;
      double share = feeding ? 0.25 : 0;
      n += share * mealN * eaten * (1 - kept) * 0.75;
      quickN += share * mealN * eaten * (1 - kept) * 0.25 + share * mealN * (1 - eaten);
      p += share * mealP * eaten * (1 - kept) * 0.4;
      quickP += share * mealP * eaten * (1 - kept) * 0.6 + share * mealP * (1 - eaten);
      // solids: quick ones melt in days, a third of them turns into slow ones
      double meltN = quickN * 0.25 * warm * dt;
      double meltP = quickP * 0.25 * warm * dt;
      quickN -= meltN;
      quickP -= meltP;
      n += 0.67 * meltN;
      p += 0.67 * meltP;
      slowN += 0.33 * meltN;
      slowP += 0.33 * meltP;
      double oldN = slowN * 0.04 * warm * dt;
      double oldP = slowP * 0.04 * warm * dt;
      slowN -= oldN;
      slowP -= oldP;
      n += oldN;
      p += oldP;
      double skimmed = skimmer * 0.9 * dt;
      quickN -= skimmed * quickN;
      quickP -= skimmed * quickP;
      double caught = mechanical * 0.8 * dt;
      caughtN += caught * quickN;
      caughtP += caught * quickP;
      quickN -= caught * quickN;
      quickP -= caught * quickP;
      n += caughtN * 0.1 * dt;
      p += caughtP * 0.1 * dt;
      caughtN -= caughtN * 0.1 * dt;
      caughtP -= caughtP * 0.1 * dt;
      double rot = corpse * 0.4 * dt;
      corpse -= rot;
      n += rot * 26;
      p += rot * 4.5;
      // top-off and dosing
      n += topOff * tapN * dt + doseMlPerDay * 10 / NO3_PER_N * dt;
      p += topOff * tapP * dt + doseMlPerDay * 1 / PO4_PER_P * dt;
      // rock: the surface follows in a day or two, the inside in weeks
      double toRock = (ratio * p - onRock) / (1 + ratio) * 0.8 * dt;
      p -= toRock;
      onRock += toRock;
      double inwards = (onRock * 0.5 - inRock) * 0.03 * dt;
      onRock -= inwards;
      inRock += inwards;
      // plants by day only, shading themselves; algae films with a short life
      boolean light = clock > 0.33 && clock < 0.8;
      double food = Math.min(n / (n + 0.15 * trueVolume), p / (p + 0.015 * trueVolume));
      if (plant != null) {
        double grows = light ? growth * 2.1 * plantDry / (1 + plantDry / plantMost) * food * dt : 0;
        grows = Math.max(0, Math.min(grows, Math.min(n / 35, p / 4)));
        double dies = 0.004 * plantDry * dt;
        plantDry += grows - dies;
        n -= grows * plant.nitrogenPercentDry() * 10;
        p -= grows * plant.phosphorusPercentDry() * 10;
        quickN += dies * plant.nitrogenPercentDry() * 10;
        quickP += dies * plant.phosphorusPercentDry() * 10;
      }
      double filmGrows = light ? filmVigour * 2 * food * dt : 0;
      double filmDies = film * 0.08 * dt;
      film += filmGrows - filmDies;
      n -= filmGrows * 40;
      p -= filmGrows * 4;
      quickN += filmDies * 40;
      quickP += filmDies * 4;
      // gas, adsorber, carbon
      double mgL = n / trueVolume;
      n -= (bed * mgL / (0.8 + mgL) * warm + unseen * n) * dt;
      if (adsorberG > 0) {
        double free = Math.max(0, 1 - held / (adsorberG * 5));
        double takes = p * Math.min(0.9, adsorberG * 2 / trueVolume * free * dt);
        p -= takes;
        held += takes;
      }
      double bacteria = carbonMl * 165 * 0.4 * food * dt;
      n -= bacteria * 0.17;
      p -= bacteria * 0.022;
      quickN += bacteria * 0.17;
      quickP += bacteria * 0.022;
      n = Math.max(n, 0);
      p = Math.max(p, 0);
      if (testTime >= clock && testTime < clock + dt) {
        test(day, testTime, nitrateKit, n / trueVolume * NO3_PER_N * kitN);
        test(day, testTime + 0.005, phosphateKit, p / trueVolume * PO4_PER_P * kitP);
      }
      if (changeTime >= clock && changeTime < clock + dt) {
        boolean missed = random.nextDouble() < 0.12 || fasting;
        if (!missed) {
          change(Math.min(0.9, around(changeShare, 0.06)));
          if (random.nextDouble() > unlogged) {
            log.add(
                new LogEntry.WaterChange(
                    at(day, changeTime), changeShare * volume, blend(), 0.3, ""));
          }
        }
      }
      if (ordered > 0 && step == EVENING) {
        change(Math.min(0.9, ordered * Math.exp(0.06 * hands.nextGaussian())));
        log.add(new LogEntry.WaterChange(at(day, clock), ordered * volume, blend(), 0.3, ""));
      }
      peakN = step == 0 ? nitrate() : Math.max(peakN, nitrate());
      peakP = step == 0 ? phosphate() : Math.max(peakP, phosphate());
      troughN = step == 0 ? nitrate() : Math.min(troughN, nitrate());
      troughP = step == 0 ? phosphate() : Math.min(troughP, phosphate());
    }
    if (day == nextTest) {
      nextTest += 5 + random.nextInt(6);
    }
    if (day == nextChange) {
      nextChange += changeEvery + random.nextInt(3) - 1;
    }
    if (plant != null && day == nextThin) {
      nextThin += 25 + random.nextInt(12);
      double cut = Math.max(0, plantDry - thinnedTo);
      if (cut > 0.05 * plantDry) {
        plantDry -= cut;
        log.add(
            new LogEntry.Harvest(
                at(day, 0.95),
                "plant",
                cut / dryShare() * Math.exp(0.2 * hands.nextGaussian()),
                ""));
      }
    }
    if (mechanical > 0 && day == nextClean) {
      nextClean += 20 + random.nextInt(15);
      caughtN *= 0.15;
      caughtP *= 0.15;
      log.add(new LogEntry.Clean(at(day, 0.96), "pad", ""));
    }
    if (adsorberG > 0 && day == nextRenew) {
      nextRenew += 30 + random.nextInt(15);
      held = 0;
      log.add(new LogEntry.Renew(at(day, 0.97), "adsorber", adsorberG, ""));
    }
  }

  private void change(double done) {
    n += done * (tapN * trueVolume - n);
    p += done * (tapP * trueVolume - p);
    quickN *= 1 - 0.3 * done;
    quickP *= 1 - 0.3 * done;
  }

  private double nitrate() {
    return n / trueVolume * NO3_PER_N;
  }

  private double phosphate() {
    return p / trueVolume * PO4_PER_P;
  }

  private double dryShare() {
    return plant.dryMatterPercent() / 100;
  }

  private void test(int day, double time, Kit kit, double biased) {
    double error = Math.hypot(kit.absoluteError(), kit.relativeError() * biased);
    double seen = Math.max(0, biased + error * random.nextGaussian());
    if (slips > 0 && random.nextDouble() < slips) {
      seen *= random.nextBoolean() ? between(0.2, 0.6) : between(1.6, 3);
    }
    double read = seen;
    boolean beyond =
        !kit.steps().isEmpty() && seen > 1.15 * kit.steps().get(kit.steps().size() - 1) && messy;
    double value =
        kit.steps().isEmpty()
            ? Math.rint(read / kit.resolution().getAsDouble()) * kit.resolution().getAsDouble()
            : kit.steps().stream()
                .min(Comparator.comparingDouble(s -> Math.abs(s - read)))
                .orElseThrow();
    log.add(
        new LogEntry.Test(
            at(day, time),
            kit.analyte(),
            value,
            TestUnit.of(kit.analyte()).get(0),
            Optional.of(kit.id()),
            beyond ? Qualifier.ABOVE : Qualifier.EQUAL,
            Double.toString(biased)));
  }

  private static OffsetDateTime at(int day, double clock) {
    return START
        .plusDays(day)
        .atStartOfDay()
        .atOffset(ZoneOffset.UTC)
        .plusSeconds(Math.round(clock * 86_400));
  }

  private static Blend blend() {
    return new Blend(List.of(new Blend.Part("tap", 1)));
  }

  private TankModel tank() {
    Span always = new Span(START.minusDays(300), Optional.empty());
    Span known = new Span(START, Optional.empty());
    List<ExportMethod> exports = new ArrayList<>();
    if (mechanical > 0) {
      exports.add(new ExportMethod.Mechanical("pad", mechanical, always));
    }
    if (skimmer > 0) {
      exports.add(new ExportMethod.Skimmer("skimmer", skimmer, always));
    }
    if (adsorberG > 0) {
      exports.add(
          new ExportMethod.PhosphateAdsorber(
              "adsorber", adsorberG, 6, AdsorberPlacement.REACTOR, known));
    }
    if (bedArea > 0) {
      exports.add(new ExportMethod.DeepBed("bed", bedArea, 12, always));
    }
    if (carbonMl > 0) {
      exports.add(new ExportMethod.CarbonDose("carbon", CarbonSource.ETHANOL_40, carbonMl, known));
    }
    boolean doses = doseMlPerDay > 0;
    return new TankModel(
        way.name(),
        way.water,
        volume,
        OptionalDouble.empty(),
        25,
        TankModel.defaultPH(way.water),
        OptionalDouble.empty(),
        TankModel.defaultSalinityPpt(way.water),
        Optional.of(START.minusDays(300)),
        ZoneOffset.UTC,
        new Substrate(bottom, OptionalDouble.empty(), OptionalDouble.empty()),
        Optional.empty(),
        Stance.BY_NEED,
        Lines.NONE,
        Limits.of(way.water, Optional.empty()),
        Effort.DEFAULT,
        List.of(
            SourceWater.of(
                "tap",
                "Tap",
                Optional.of(new Nitrate(tapNitrate)),
                Optional.of(new Phosphate(tapPhosphate)))),
        blend(),
        topOff > 0 ? new TopOff(blend(), topOff) : TopOff.NONE,
        List.of(
            new Food(
                "food",
                "Food",
                form,
                protein,
                phosphorus,
                form.moisturePercent(),
                OptionalDouble.empty(),
                form == FoodForm.FROZEN)),
        foodListed ? List.of(new Feeding("food", gramsPerDay, 7, 0.05, always)) : List.of(),
        List.of(new Livestock("Animals", 1, gramsPerDay * 60, Stage.ADULT, always)),
        plant == null
            ? List.of()
            : List.of(
                new PlantStand(
                    "plant",
                    "Plant",
                    plant,
                    plantWet,
                    plant.doublingDays(),
                    plantWet * PlantKind.DEFAULT_GREATEST_GROWTH,
                    plant.dryMatterPercent(),
                    plant.nitrogenPercentDry(),
                    plant.phosphorusPercentDry(),
                    known)),
        exports,
        doses ? List.of(new Fertiliser("mix", "Mix", 10, 1)) : List.of(),
        doses ? List.of(new Dosing("mix", doseMlPerDay, 7, always)) : List.of(),
        List.of(nitrateKit, phosphateKit),
        Optional.empty(),
        log);
  }
}
