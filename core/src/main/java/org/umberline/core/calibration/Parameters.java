package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * The unknowns of one tank, in one vector of standard normal coordinates: a coordinate of 0 is the
 * prior's median, 1 is one standard deviation of the logarithm above it.
 */
final class Parameters {
  private static final double SMALLEST_BIAS_SD = 0.01;

  private final Scenario scenario;
  private final Coordinates coordinates = new Coordinates();
  private final Multipliers multipliers;
  private final int uptake;
  private final int plantMass;
  private final int carbon;
  private final int exchange;
  private final int denitrification;
  private final int unseenDenitrification;
  private final int unlistedNitrogen;
  private final int unlistedPhosphorus;
  private final int phosphorusLoss;
  private final int nitrifierGrowth;
  private final int initialNitrogen;
  private final int initialPhosphorus;
  private final int[] waterNitrogen;
  private final int[] waterPhosphorus;
  private final Map<Kit, Integer> kitBias = new LinkedHashMap<>();

  /** By probe: which of {@link #kits} reads it. */
  private final int[] kitOfProbe;

  private final List<Kit> kits;
  private final int firstRead;
  private final LoadKnots knots;
  private final int nitrogenDrift;
  private final int phosphorusDrift;
  private final Departures nitrateDepartures;
  private final Departures phosphorusDepartures;

  /** How the coordinates from {@link #firstRead} on act on what is read, each by test known. */
  private final double[][] reads;

  Parameters(Scenario scenario) {
    this(scenario, Set.of());
  }

  /**
   * @param doubted analytes whose readings no believable tank of this make-up shows: what brings
   *     and takes their element is believed to be less well known
   */
  Parameters(Scenario scenario, Set<Analyte> doubted) {
    this.scenario = scenario;
    double nitrogen = doubted.contains(Analyte.NITRATE) ? Priors.DOUBT : 1;
    double phosphorus = doubted.contains(Analyte.PHOSPHATE) ? Priors.DOUBT : 1;
    double either = Math.max(nitrogen, phosphorus);
    TankModel tank = scenario.tank();
    multipliers = scenario.multipliers();
    add(Posterior.NITROGEN_LOAD, 1, Priors.NITROGEN_LOAD_SD, nitrogen);
    add(Posterior.PHOSPHORUS_LOAD, 1, Priors.PHOSPHORUS_LOAD_SD, phosphorus);
    uptake = scenario.plants() > 0 ? add("plant uptake", 1, Priors.UPTAKE_SD, either) : -1;
    plantMass = tank.plants().isEmpty() ? -1 : add("plant mass", 1, Priors.PLANT_MASS_SD, either);
    carbon = scenario.dosesCarbon() ? add("carbon taken", 1, Priors.CARBON_SD) : -1;
    exchange = add("phosphate exchange", 1, Priors.EXCHANGE_SD);
    denitrification =
        scenario.denitrifies() ? add("denitrification", 1, Priors.DENITRIFICATION_SD) : -1;
    unseenDenitrification =
        add(Posterior.UNSEEN_DENITRIFICATION, 1, Priors.UNSEEN_DENITRIFICATION_SD, nitrogen);
    boolean fed = !tank.feeding().isEmpty();
    unlistedNitrogen =
        add(
            Posterior.UNLISTED_NITROGEN,
            fed ? Priors.UNLISTED_NITROGEN : Priors.UNFED_NITROGEN,
            Priors.UNLISTED_SD,
            nitrogen);
    unlistedPhosphorus =
        add(
            Posterior.UNLISTED_PHOSPHORUS,
            fed ? Priors.UNLISTED_PHOSPHORUS : Priors.UNFED_PHOSPHORUS,
            Priors.UNLISTED_SD,
            phosphorus);
    phosphorusLoss =
        add(
            Posterior.PHOSPHORUS_LOSS,
            Priors.PHOSPHORUS_LOSS,
            Priors.PHOSPHORUS_LOSS_SD,
            phosphorus);
    nitrifierGrowth =
        scenario.isNew() ? add("nitrifier growth", 1, Priors.NITRIFIER_GROWTH_SD) : -1;
    boolean fresh = tank.startedOn().map(day -> !day.isBefore(scenario.firstDay())).orElse(false);
    Multipliers stated = scenario.multipliers();
    initialNitrogen =
        add(
            "first nitrogen, mg N/L",
            fresh
                ? Math.max(nitrogenMgL(Priors.NEW_NITRATE_MG_L), mix(tank, stated.waterNitrateMgL))
                : nitrogenMgL(Priors.settledNitrateMgL(tank.water())),
            fresh ? Priors.NEW_SD : Priors.SETTLED_SD);
    initialPhosphorus =
        add(
            "first phosphorus, mg P/L",
            fresh
                ? Math.max(
                    phosphorusMgL(Priors.NEW_PHOSPHATE_MG_L), mix(tank, stated.waterPhosphorusMgL))
                : phosphorusMgL(Priors.settledPhosphateMgL(tank.water())),
            fresh ? Priors.NEW_SD : Priors.SETTLED_SD);
    int waters = tank.waters().size();
    waterNitrogen = new int[waters];
    waterPhosphorus = new int[waters];
    for (int w = 0; w < waters; w++) {
      SourceWater water = tank.waters().get(w);
      waterNitrogen[w] =
          water.nitrate().isPresent()
              ? -1
              : add(
                  "nitrogen of " + water.id() + ", mg N/L",
                  nitrogenMgL(Priors.UNKNOWN_WATER_NITRATE_MG_L),
                  Priors.UNKNOWN_WATER_SD);
      waterPhosphorus[w] =
          water.phosphate().isPresent()
              ? -1
              : add(
                  "phosphorus of " + water.id() + ", mg P/L",
                  phosphorusMgL(Priors.UNKNOWN_WATER_PHOSPHATE_MG_L),
                  Priors.UNKNOWN_WATER_SD);
    }
    knots = new LoadKnots(scenario.asOfDay());
    nitrogenDrift = addDrift("nitrogen");
    phosphorusDrift = addDrift("phosphorus");
    firstRead = coordinates.size();
    for (LogEntry.Test test : scenario.probesKnown()) {
      Kit kit = tank.kitOf(test);
      if (!kitBias.containsKey(kit)) {
        kitBias.put(kit, add("bias of " + kit.id(), 1, biasSd(kit)));
      }
    }
    List<Kit> ofProbes = scenario.probes().stream().map(tank::kitOf).toList();
    kits = ofProbes.stream().distinct().toList();
    kitOfProbe = ofProbes.stream().mapToInt(kits::indexOf).toArray();
    nitrateDepartures = departures("nitrate");
    phosphorusDepartures = departures("phosphate");
    reads =
        Table.turned(
            scenario.probesKnown().stream().map(this::reads).toArray(double[][]::new),
            coordinates.size() - firstRead);
  }

  private double[] reads(LogEntry.Test test) {
    double[] row = new double[coordinates.size() - firstRead];
    int bias = kitBias.get(scenario.tank().kitOf(test));
    row[bias - firstRead] = coordinates.sd(bias);
    double time = scenario.timeOf(test.at().toInstant());
    switch (test.analyte()) {
      case NITRATE -> nitrateDepartures.addReads(row, firstRead, time);
      case PHOSPHATE -> phosphorusDepartures.addReads(row, firstRead, time);
      default -> {
        // what is on its way to nitrate never departs for long
      }
    }
    return row;
  }

  private static double nitrogenMgL(double nitrateMgL) {
    return new Nitrate(nitrateMgL).asNitrogen().mgPerLitre();
  }

  private static double phosphorusMgL(double phosphateMgL) {
    return new Phosphate(phosphateMgL).asPhosphorus().mgPerLitre();
  }

  private static double mix(TankModel tank, double[] watersMgL) {
    double sum = 0;
    for (Blend.Part part : tank.changeWater().parts()) {
      sum += part.share() * watersMgL[tank.waters().indexOf(tank.waterById(part.water()))];
    }
    return sum;
  }

  private int add(String name, double median, double sd) {
    return coordinates.add(name, median, sd);
  }

  private int add(String name, double median, double sd, double doubt) {
    return coordinates.addDoubted(name, median, sd, doubt);
  }

  /**
   * Coordinates that are moved together when slopes are taken, one of nitrogen and one of
   * phosphorus: what each does to the tests of the other element is passed over.
   */
  int partnerOf(int index) {
    if (index == 0) {
      return 1;
    }
    if (index == unlistedNitrogen) {
      return unlistedPhosphorus;
    }
    if (index == unseenDenitrification) {
      return phosphorusLoss;
    }
    if (index == initialNitrogen) {
      return initialPhosphorus;
    }
    if (index >= nitrogenDrift && index < nitrogenDrift + knots.count()) {
      return phosphorusDrift + index - nitrogenDrift;
    }
    return -1;
  }

  private Departures departures(String what) {
    int first = coordinates.size();
    Departures departures = new Departures(scenario.asOfDay(), first);
    for (int k = 0; k < departures.count(); k++) {
      add("departure of " + what + " on " + scenario.date(departures.day(k)), 1, departures.sd(k));
    }
    return departures;
  }

  private int addDrift(String element) {
    int first = coordinates.size();
    int back = 0;
    for (int k = 0; k < knots.count(); k++) {
      back += knots.days(k);
      double sd = Priors.DRIFT_PER_ROOT_WEEK * Math.sqrt(knots.days(k) / 7.0);
      add("drift of " + element + " load to " + back + " days back", 1, sd);
    }
    return first;
  }

  int size() {
    return coordinates.size();
  }

  /**
   * Coordinates from here on act on what is read only, kits' biases and departures: no run depends
   * on them.
   */
  int firstRead() {
    return firstRead;
  }

  /**
   * How the logarithm of what is read depends on the coordinates from {@link #firstRead} on, each
   * by test known.
   */
  double[][] reads() {
    return reads;
  }

  /** What test {@code test} tells of. */
  Analyte analyte(int test) {
    return scenario.probesKnown().get(test).analyte();
  }

  /** Logarithm of what each test known shows for a run's 1. */
  double[] logReads(double[] z) {
    return logReads(z, firstRead);
  }

  /** The same with kits that have no bias. */
  double[] logDepartures(double[] z) {
    return logReads(z, nitrateDepartures.first());
  }

  private double[] logReads(double[] z, int from) {
    double[] factors = new double[reads.length];
    System.arraycopy(z, from, factors, from - firstRead, z.length - from);
    double[] logarithms = new double[scenario.probesKnown().size()];
    Table.addRows(factors, reads, 0, reads.length, logarithms);
    return logarithms;
  }

  /** How nitrate departs from its run. */
  Departures nitrateDepartures() {
    return nitrateDepartures;
  }

  /** The same of phosphate. */
  Departures phosphorusDepartures() {
    return phosphorusDepartures;
  }

  /** A kit's bias has the prior width of its stated error; of one not named none is invented. */
  private static double biasSd(Kit kit) {
    return kit.equals(Kit.unnamed(kit.analyte()))
        ? SMALLEST_BIAS_SD
        : Math.max(SMALLEST_BIAS_SD, kit.relativeError());
  }

  /** What each probe's kit shows for a true 1; one not used before the as-of day is drawn. */
  double[] kitFactors(double[] z, RandomGenerator random) {
    double[] factors =
        kits.stream()
            .mapToDouble(
                kit ->
                    kitBias.containsKey(kit)
                        ? value(z, kitBias.get(kit))
                        : Math.exp(biasSd(kit) * random.nextGaussian()))
            .toArray();
    return Arrays.stream(kitOfProbe).mapToDouble(kit -> factors[kit]).toArray();
  }

  /** What each coordinate stands for. */
  Coordinates coordinates() {
    return coordinates;
  }

  private double value(double[] z, int index) {
    return coordinates.value(z, index);
  }

  /**
   * What brings nitrogen or phosphorus in: a concentration is the sum of what each brought. In a
   * chain each link stands for the product of the coordinates up to it.
   */
  List<int[]> inputs() {
    List<int[]> chains = new ArrayList<>();
    chains.add(load(0, nitrogenDrift));
    chains.add(load(1, phosphorusDrift));
    for (int single :
        new int[] {unlistedNitrogen, unlistedPhosphorus, initialNitrogen, initialPhosphorus}) {
      chains.add(new int[] {single});
    }
    for (int[] waters : List.of(waterNitrogen, waterPhosphorus)) {
      for (int water : waters) {
        if (water >= 0) {
          chains.add(new int[] {water});
        }
      }
    }
    return chains;
  }

  private int[] load(int now, int drift) {
    return IntStream.concat(IntStream.of(now), IntStream.range(drift, drift + knots.count()))
        .toArray();
  }

  /** Fills {@code target}, up to the as-of day, and {@code start} from the coordinates. */
  void apply(double[] z, Multipliers target, TankState start) {
    target.uptake = uptake < 0 ? 1 : value(z, uptake);
    target.plantMass = plantMass < 0 ? 1 : value(z, plantMass);
    target.carbon = carbon < 0 ? 1 : value(z, carbon);
    target.exchange = value(z, exchange);
    target.denitrification = denitrification < 0 ? 1 : value(z, denitrification);
    target.unseenDenitrification = value(z, unseenDenitrification);
    target.unlistedNitrogen = value(z, unlistedNitrogen);
    target.unlistedPhosphorus = value(z, unlistedPhosphorus);
    target.phosphorusLoss = value(z, phosphorusLoss);
    target.nitrifierGrowth = nitrifierGrowth < 0 ? 1 : value(z, nitrifierGrowth);
    for (int w = 0; w < waterNitrogen.length; w++) {
      target.waterNitrateMgL[w] =
          multipliers.waterNitrateMgL[w] + (waterNitrogen[w] < 0 ? 0 : value(z, waterNitrogen[w]));
      target.waterPhosphorusMgL[w] =
          multipliers.waterPhosphorusMgL[w]
              + (waterPhosphorus[w] < 0 ? 0 : value(z, waterPhosphorus[w]));
    }
    spreadLoad(z, value(z, 0), nitrogenDrift, target.nitrogenLoad);
    spreadLoad(z, value(z, 1), phosphorusDrift, target.phosphorusLoad);
    scenario.start(start, target, value(z, initialNitrogen), value(z, initialPhosphorus));
  }

  private void spreadLoad(double[] z, double now, int drift, double[] load) {
    double[] changes = new double[knots.count()];
    for (int k = 0; k < changes.length; k++) {
      changes[k] = value(z, drift + k);
    }
    knots.spread(now, changes, load);
  }

  /** Multipliers of this scenario, to be filled by {@link #apply}. */
  Multipliers fresh() {
    return scenario.multipliers();
  }
}
