package org.umberline.core.simulation;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.SourceWater;
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

  final double volumeL;
  final double exchangeRatio;
  final double[] captureRate;
  final double[] skimRate;
  final Gear.Adsorbing[] adsorbers;
  final boolean[][] adsorberInUse;
  final Gear.Denitrifying[] denitrifying;
  final boolean[][] denitrifyingInUse;
  final double[] mineralisation;
  final double[] ammoniaGrowth;
  final double[] nitriteGrowth;
  final double[] soilNitrogen;
  final double[] carbonNitrogen;
  final double[] carbonPhosphorus;
  final double[] carbonDenitrifies;
  final int algae;
  final double[] algaeGreatestDryG;
  final int matureOn;
  final double[] blendAmmonia;
  final double[] blendNitrite;
  final FeedNutrients[] food;
  final FeedNutrients[] extraFeeds;
  final double[] animalNitrogen;
  final double[] animalPhosphorus;
  final double[] fertiliserNitrogen;
  final double[] fertiliserPhosphorus;
  final double topOffLitresPerDay;
  final int topOffBlend;
  final int changeBlend;

  /** Indexes of the waters in each blend, and their shares. */
  final int[][] blendWater;

  final double[][] blendShare;
  final Event[] events;
  final int[] firstEventOfDay;

  /** When each probe is read, days from the start, ascending. */
  final double[] probeTime;

  final int[] firstProbeOfDay;
  final Stands.Stand[] stands;
  final DayRates rates;

  private final Days days;
  private final Rations rations;
  private final Doses doses;
  private final Stands growing;
  private final List<LogEntry.Test> probes;
  private final StartState start;

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
    return new Scenario(new Days(tank, firstDay, asOfDay, horizonDays));
  }

  private Scenario(Days days) {
    this.days = days;
    TankModel tank = days.tank;
    volumeL = tank.netVolumeL();
    exchangeRatio = PhosphateExchange.ratio(tank.substrate().kind());
    Blends blends = new Blends(tank);
    changeBlend = blends.index(tank.changeWater());
    topOffBlend = blends.index(tank.topOff().water());
    topOffLitresPerDay = tank.topOff().litresPerDay();

    Turnover turnover = new Turnover(days);
    mineralisation = turnover.mineralisation;
    ammoniaGrowth = turnover.ammoniaGrowth;
    nitriteGrowth = turnover.nitriteGrowth;
    soilNitrogen = turnover.soilNitrogen;
    matureOn = turnover.matureOn;

    List<LogEntry> entries = days.entries();
    rations = new Rations(days, entries);
    food = rations.food;
    animalNitrogen = rations.animalNitrogen;
    animalPhosphorus = rations.animalPhosphorus;
    doses = new Doses(days);
    fertiliserNitrogen = doses.nitrogen;
    fertiliserPhosphorus = doses.phosphorus;
    carbonNitrogen = doses.carbonNitrogen;
    carbonPhosphorus = doses.carbonPhosphorus;
    carbonDenitrifies = doses.carbonDenitrifies;
    growing = new Stands(days, entries);
    stands = growing.all;
    algae = growing.algae;
    algaeGreatestDryG = growing.algaeGreatestDryG;
    Gear gear = new Gear(days);
    captureRate = gear.captureRate;
    skimRate = gear.skimRate;
    adsorbers = gear.adsorbers;
    adsorberInUse = gear.adsorberInUse;
    denitrifying = gear.denitrifying;
    denitrifyingInUse = gear.denitrifyingInUse;

    LoggedEvents logged = new LoggedEvents(days, blends, rations, doses, growing);
    List<Event> all = new ArrayList<>(growing.events);
    all.addAll(gear.upkeep(entries));
    entries.forEach(entry -> all.addAll(entry.accept(logged)));
    all.sort(Comparator.comparingDouble(Event::time));
    events = all.toArray(Event[]::new);
    firstEventOfDay = firstOfDay(all.stream().mapToDouble(Event::time).toArray());
    extraFeeds = logged.extraFeeds.toArray(FeedNutrients[]::new);
    probes = List.copyOf(logged.probes);
    probeTime = probes.stream().mapToDouble(days::timeOf).toArray();
    firstProbeOfDay = firstOfDay(probeTime);
    blendWater = blends.waters();
    blendShare = blends.shares();
    blendAmmonia = blends.ammonia();
    blendNitrite = blends.nitrite();
    rates = new DayRates(this);
    start = new StartState(this);
  }

  /** Index of the first of the ascending {@code times} that is not before each day. */
  private int[] firstOfDay(double[] times) {
    int[] first = new int[days.count + 1];
    int next = 0;
    for (int day = 0; day <= days.count; day++) {
      while (next < times.length && times[next] < day) {
        next++;
      }
      first[day] = next;
    }
    return first;
  }

  /**
   * {@code instant} in days from the scenario's start, by the tank's clock: a day is one day long
   * also when the clocks change.
   */
  public double timeOf(Instant instant) {
    return days.timeOf(instant);
  }

  /** Multipliers of 1 and source waters as stated, those never measured at {@code unknownMgL}. */
  public Multipliers multipliers() {
    List<SourceWater> waters = tank().waters();
    double[] nitrogen = new double[waters.size()];
    double[] phosphorus = new double[nitrogen.length];
    for (int w = 0; w < nitrogen.length; w++) {
      SourceWater water = waters.get(w);
      nitrogen[w] = water.nitrate().map(n -> n.asNitrogen().mgPerLitre()).orElse(0.0);
      phosphorus[w] = water.phosphate().map(p -> p.asPhosphorus().mgPerLitre()).orElse(0.0);
    }
    return new Multipliers(days.count, nitrogen, phosphorus);
  }

  /**
   * The tank at the scenario's start: waste solids and nitrifiers where a steady ration leaves
   * them, plants grown since they were put in.
   *
   * @param nitrateMgNL dissolved nitrate, mg N/L
   * @param phosphorusMgPL dissolved phosphorus, mg P/L
   */
  public void start(
      TankState state, Multipliers multipliers, double nitrateMgNL, double phosphorusMgPL) {
    start.set(state, multipliers, nitrateMgNL, phosphorusMgPL);
  }

  /**
   * The same days of the same tank with other gear, water or log: what would be, if from the day
   * after as-of it were so.
   *
   * @param changed with the waters and plants of this scenario's tank; its first adsorbers are this
   *     tank's
   */
  public Scenario with(TankModel changed) {
    return new Scenario(new Days(changed, days.first, date(days.asOf), days.count - days.asOf - 1));
  }

  public TankModel tank() {
    return days.tank;
  }

  public LocalDate firstDay() {
    return days.first;
  }

  /** Index of the as-of day. */
  public int asOfDay() {
    return days.asOf;
  }

  /** How many days are laid out, the days ahead included. */
  public int days() {
    return days.count;
  }

  public LocalDate date(int day) {
    return days.date(day);
  }

  /** Index of {@code date}, which may lie outside the scenario. */
  public int day(LocalDate date) {
    return days.day(date);
  }

  /** The tests of the log that the balance answers for, in the order of their instants. */
  public List<LogEntry.Test> probes() {
    return probes;
  }

  /** Those of {@link #probes} up to the end of the as-of day. */
  public List<LogEntry.Test> probesKnown() {
    return probes.subList(0, firstProbeOfDay[days.asOf + 1]);
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
  List<ExportMethod.PhosphateAdsorber> adsorbing() {
    return Gear.adsorbing(tank());
  }

  /** Dry mass of a stand at the start, g. */
  double initialDryG(int stand) {
    return growing.initialDryG[stand];
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
    return rations.nitrogenOfFood[index][day];
  }

  /** mg P that food {@code index} brings on {@code day}, before any multiplier. */
  public double phosphorusOfFood(int index, int day) {
    return rations.phosphorusOfFood[index][day];
  }

  /** mL of fertiliser {@code index} on {@code day}, standing doses included. */
  public double mlOfFertiliser(int index, int day) {
    return doses.mlOfFertiliser[index][day];
  }

  /** mg N that salts given by themselves bring on a day. */
  public double saltNitrogen(int day) {
    return doses.saltNitrogen[day];
  }

  /** mg P that salts given by themselves bring on a day. */
  public double saltPhosphorus(int day) {
    return doses.saltPhosphorus[day];
  }

  /** Whether anything in the tank denitrifies, as far as its entries say. */
  public boolean denitrifies() {
    return denitrifying.length > 0;
  }

  /** Whether carbon is dosed on any day up to the as-of day. */
  public boolean dosesCarbon() {
    return Arrays.stream(carbonNitrogen, 0, days.asOf + 1).anyMatch(mg -> mg > 0);
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
    return growing.nitrogenMg(state, 0);
  }

  /** Nitrogen in algae nobody planted, mg N. */
  public double algaeNitrogenMg(TankState state) {
    return growing.nitrogenMg(state, algae);
  }

  /** Phosphorus in algae nobody planted, mg P. */
  public double algaePhosphorusMg(TankState state) {
    return growing.phosphorusMg(state, algae);
  }

  /** Phosphorus in plants and algae, mg P. */
  public double plantPhosphorusMg(TankState state) {
    return growing.phosphorusMg(state, 0);
  }
}
