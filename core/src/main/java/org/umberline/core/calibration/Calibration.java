package org.umberline.core.calibration;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.Collectors;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.SideBySide;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Learns a tank's unknowns from its tests. What the tests would show is said by a stand-in around
 * the most likely point ({@link StandIn}); the posterior of that stand-in is cheap to find and to
 * draw from; the draws are then run through the tank itself and weighted by how much the two
 * differ, and teach the stand-in what it missed. Where the weights stay too uneven the draws are
 * moved on the tank itself.
 */
public final class Calibration {
  /** Draws a posterior holds unless asked otherwise. */
  public static final int DRAWS = 500;

  /** No test older than this many days is used: the load has drifted too far since. */
  private static final int LONGEST_WINDOW_DAYS = 400;

  /** A log that begins this soon after the tank's start is run from the start. */
  private static final int START_KNOWN_DAYS = 60;

  /** Times the tank is made linear anew, at most; the first of them on parabolas, which lead. */
  private static final int LINEARISATIONS = 8;

  /** Parabolas lead on until the most likely point moves by less than this. */
  private static final double NEAR = 1;

  /** The search ends when the most likely point moves by less than this in every coordinate. */
  private static final double SETTLED = 0.25;

  /** More readings of one analyte than this share are hardly ever blunders. Chosen. */
  private static final double MOST_BLUNDERS = 0.2;

  /** Points of the prior that are tried where the first search fails, and searches from them. */
  private static final int TRIED_STARTS = 200;

  private static final int STARTS = 3;

  /** More readings of one analyte than this share off any course: none of them is sure. Chosen. */
  private static final double MOST_OFF = 0.35;

  /** Such readings tell together as much as so many that scatter as they do. Chosen. */
  private static final int COUNT_FOR = 4;

  /** A run that is so far off, as a logarithm, is near enough to begin from. Chosen. */
  private static final double NEAR_ENOUGH = 0.3;

  /** The past's bands are drawn from every so many draws: it is for the eye. */
  private static final int FIT_EVERY = 4;

  /** Below this share of effective draws the resampled draws are moved. */
  private static final double FEWEST_EFFECTIVE = 0.2;

  /** Batches of draws that are run in search of enough effective ones. */
  private static final int MOST_BATCHES = 2;

  /** Runs the stand-in first learns from: several times its coordinates. Chosen. */
  private static final int PILOTS = 100;

  /** Pilots believe the tests by this much, to learn of more than is likely. Chosen. */
  private static final double PILOT_TEMPER = 0.4;

  /**
   * Draws believe the tests by this much only: where the tank differs from its stand-in the truth
   * must still lie among them. Chosen by ranks of drawn tanks.
   */
  private static final double TEMPER = 0.8;

  /** More spare the way to the first, and are less apart from one another. Chosen. */
  private static final int DRAWS_OF_A_WALK = 20;

  private static final int MOVES = 3;

  /** Below this share they are moved more often: few of them can be trusted. */
  private static final double HARDLY_EFFECTIVE = 0.1;

  /** Draws are weighed so that at least this share of them counts. Chosen on synthetic tanks. */
  private static final double ENOUGH_EFFECTIVE = 0.3;

  private static final int TEMPERINGS = 12;
  private static final int MANY_MOVES = 6;

  /** Steps of the trajectory that proposes a move: a long one would be refused. Chosen. */
  private static final int MOVE_STEPS = 2;

  /** Share of the work that finding the most likely point is, and that drawing from there is. */
  private static final double FINDING = 0.3;

  private static final double DRAWING = 0.6;

  private final Scenario scenario;
  private final Progress progress;
  private final Parameters parameters;
  private final TankSimulator simulator;
  private final List<LogEntry.Test> tests;
  private final TestLikelihood[] likelihoods;

  /** The same as the kits say; what is believed may scatter more. */
  private final TestLikelihood[] asKitsSay;

  private final double[] perElement;
  private final Multipliers multipliers;
  private final TankState state;
  private final Trace trace;

  /** Concentrations at the tests that the last run left, in each analyte's standard unit. */
  private final double[] truth;

  /** Proposes moves; made when the first is asked for. */
  private Walk walk;

  /**
   * Calibrates {@code tank} on the entries of its log. Tests after the as-of day are not learned
   * from; a projection reads them off.
   *
   * @param tank with its log as known at the as-of instant
   * @param asOf the last day of the log's knowledge
   * @param horizonDays days ahead to lay out
   * @param draws how many draws the posterior shall hold
   * @param seed the same seed gives the same draws
   */
  public static Posterior calibrate(
      TankModel tank, LocalDate asOf, int horizonDays, int draws, long seed) {
    return calibrate(tank, asOf, horizonDays, draws, seed, Progress.NONE);
  }

  /** The same, telling how far it is. */
  public static Posterior calibrate(
      TankModel tank, LocalDate asOf, int horizonDays, int draws, long seed, Progress progress) {
    Scenario scenario = Scenario.of(tank, firstDay(tank, asOf), asOf, horizonDays);
    return new Calibration(scenario, progress).run(draws, new SplittableRandom(seed));
  }

  /** The first day that is run: the log's first, the tank's start, or a window before as-of. */
  static LocalDate firstDay(TankModel tank, LocalDate asOf) {
    LocalDate first = asOf;
    if (!tank.log().isEmpty()) {
      LocalDate firstEntry = tank.dayOf(tank.log().get(0).at().toInstant());
      first = firstEntry.isBefore(first) ? firstEntry : first;
    }
    if (tank.startedOn().isPresent()) {
      LocalDate started = tank.startedOn().get();
      if (started.isBefore(first) && !started.isBefore(first.minusDays(START_KNOWN_DAYS))) {
        first = started;
      }
    }
    LocalDate earliest = asOf.minusDays(LONGEST_WINDOW_DAYS);
    return first.isBefore(earliest) ? earliest : first;
  }

  private Calibration(Scenario scenario, Progress progress) {
    this.scenario = scenario;
    this.progress = progress;
    parameters = new Parameters(scenario);
    simulator = TankSimulator.quick(scenario);
    tests = scenario.probesKnown();
    likelihoods = new TestLikelihood[tests.size()];
    perElement = new double[tests.size()];
    Map<List<Object>, TestLikelihood> alike = new HashMap<>();
    for (int i = 0; i < likelihoods.length; i++) {
      LogEntry.Test test = tests.get(i);
      likelihoods[i] =
          alike.computeIfAbsent(
              List.of(test.analyte(), test.standardValue(), test.kit(), test.qualifier()),
              any -> TestLikelihood.of(test, scenario.tank().kitOf(test)));
      perElement[i] = perElement(test.analyte());
    }
    asKitsSay = likelihoods.clone();
    multipliers = parameters.fresh();
    state = new TankState(scenario);
    trace = new Trace(scenario);
    truth = new double[tests.size()];
  }

  /** Another to run the same tank beside this one. */
  private Calibration(Calibration other) {
    scenario = other.scenario;
    progress = Progress.NONE;
    parameters = other.parameters;
    simulator = TankSimulator.quick(scenario);
    tests = other.tests;
    likelihoods = other.likelihoods;
    asKitsSay = other.asKitsSay;
    perElement = other.perElement;
    multipliers = parameters.fresh();
    state = new TankState(scenario);
    trace = new Trace(scenario);
    truth = new double[tests.size()];
  }

  /** How much of the analyte's standard unit 1 mg/L of its element is. */
  private static double perElement(Analyte analyte) {
    Nitrogen nitrogen = new Nitrogen(1);
    return switch (analyte) {
      case AMMONIA -> Ammonia.of(nitrogen).mgPerLitre();
      case NITRITE -> Nitrite.of(nitrogen).mgPerLitre();
      case PHOSPHATE -> Phosphate.of(new Phosphorus(1)).mgPerLitre();
      default -> Nitrate.of(nitrogen).mgPerLitre();
    };
  }

  /** What one run of the past left behind. */
  private record Outcome(
      double[] z,
      TankState start,
      TankState end,
      Multipliers multipliers,
      double[] nitrate,
      double[] phosphorus,
      double[] atTests) {}

  private Posterior run(int draws, RandomGenerator random) {
    List<Outcome> outcomes = new ArrayList<>();
    if (tests.isEmpty()) {
      for (int i = 0; i < draws; i++) {
        double[] z = new double[parameters.size()];
        for (int j = 0; j < z.length; j++) {
          z[j] = random.nextGaussian();
        }
        outcomes.add(outcome(z));
      }
      return posterior(outcomes, draws, random);
    }
    StandIn standIn = found(random);
    List<double[]> runAt = new ArrayList<>();
    List<double[]> runTruths = new ArrayList<>();
    double[][] pilots = drawn(standIn, PILOT_TEMPER, PILOTS, random);
    for (Outcome pilot :
        sideBySide(
            PILOTS,
            FINDING,
            DRAWING / (MOST_BATCHES + 1),
            (worker, i) -> worker.outcome(pilots[i]))) {
      runAt.add(pilot.z);
      runTruths.add(pilot.atTests);
    }
    double[][] lately = pilots;
    double[] logWeights = new double[draws];
    double effective;
    int batches = 0;
    do {
      standIn.learn(runAt, runTruths);
      standIn.stretch(lately);
      double[][] zs = drawn(standIn, TEMPER, draws, random);
      lately = zs;
      double done = FINDING + DRAWING * (batches + 1) / (MOST_BATCHES + 1.0);
      outcomes =
          sideBySide(
              draws,
              done,
              DRAWING / (MOST_BATCHES + 1),
              (worker, i) -> {
                Outcome outcome = worker.outcome(zs[i]);
                logWeights[i] = logWeight(outcome, worker.walkOn(standIn));
                return outcome;
              });
      for (Outcome outcome : outcomes) {
        runAt.add(outcome.z);
        runTruths.add(outcome.atTests);
      }
      effective = Resampling.effective(Resampling.normalised(logWeights));
      batches++;
    } while (effective < FEWEST_EFFECTIVE * draws && batches < MOST_BATCHES);
    int[] chosen = Resampling.resample(tempered(logWeights), draws, random);
    List<Outcome> kept = new ArrayList<>(draws);
    int moves =
        effective >= FEWEST_EFFECTIVE * draws
            ? 0
            : effective >= HARDLY_EFFECTIVE * draws ? MOVES : MANY_MOVES;
    if (moves == 0) {
      for (int index : chosen) {
        kept.add(outcomes.get(index));
      }
    } else {
      List<Outcome> drawn = outcomes;
      long seed = random.nextLong();
      double before = FINDING + DRAWING;
      kept.addAll(
          sideBySide(
              draws,
              before,
              1 - before,
              (worker, i) ->
                  worker.moved(
                      drawn.get(chosen[i]),
                      moves,
                      worker.walkOn(standIn),
                      new SplittableRandom(seed + i))));
    }
    return posterior(kept, effective, random);
  }

  /**
   * Weights so far evened out that enough draws count: a few that carry all the weight say more of
   * the search than of the tank. Where the stand-in is good nothing is evened out.
   */
  private static double[] tempered(double[] log) {
    double enough = ENOUGH_EFFECTIVE * log.length;
    if (Resampling.effective(Resampling.normalised(log)) >= enough) {
      return Resampling.normalised(log);
    }
    double low = 0;
    double high = 1;
    for (int i = 0; i < TEMPERINGS; i++) {
      double middle = (low + high) / 2;
      if (Resampling.effective(evened(log, middle)) >= enough) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return evened(log, low);
  }

  private static double[] evened(double[] log, double power) {
    return Resampling.normalised(Arrays.stream(log).map(w -> power * w).toArray());
  }

  private interface Work {
    Outcome of(Calibration worker, int i);
  }

  /**
   * Does many runs on all processors. Each part has a tank of its own to run, and nothing in a
   * result depends on which part made it.
   *
   * @param before share of all work done before
   * @param share of all work this is
   */
  private List<Outcome> sideBySide(int count, double before, double share, Work work) {
    Outcome[] results = new Outcome[count];
    int parts = SideBySide.parts(count);
    SideBySide.run(
        parts,
        part -> {
          Calibration worker = parts == 1 ? this : new Calibration(this);
          for (int i = part; i < count; i += parts) {
            results[i] = work.of(worker, i);
            if (part == 0) {
              progress.done(before + share * i / count);
            }
          }
        });
    return List.of(results);
  }

  private Outcome outcome(double[] z) {
    Multipliers own = parameters.fresh();
    TankState start = new TankState(scenario);
    parameters.apply(z, own, start);
    TankState end = start.copy();
    run(end, own);
    int past = scenario.asOfDay() + 1;
    return new Outcome(
        z,
        start,
        end,
        own,
        Arrays.copyOf(trace.nitrate, past),
        Arrays.copyOf(trace.phosphorus, past),
        truth.clone());
  }

  /** Runs the past for the coordinates and leaves the concentrations at the tests in truth. */
  private void simulate(double[] z) {
    parameters.apply(z, multipliers, state);
    run(state, multipliers);
  }

  private void run(TankState from, Multipliers with) {
    simulator.run(from, 0, scenario.asOfDay() + 1, with, PlannedChanges.NONE, trace);
    for (int i = 0; i < truth.length; i++) {
      double element =
          switch (tests.get(i).analyte()) {
            case AMMONIA -> trace.probeAmmonia[i];
            case NITRITE -> trace.probeNitrite[i];
            case PHOSPHATE -> trace.probePhosphorus[i];
            default -> trace.probeNitrate[i];
          };
      truth[i] = perElement[i] * element;
    }
  }

  private double logLikelihood(double[] z, double[] atTests) {
    double sum = 0;
    for (int i = 0; i < atTests.length; i++) {
      sum += likelihoods[i].logLikelihood(atTests[i] * parameters.read(z, i));
    }
    return sum;
  }

  /**
   * Finds the most likely point and what the tests would show around it. A point at which readings
   * are written off is not believed: the search begins anew from where the prior alone comes
   * nearest to all of them. Readings that no course can bring together scatter more than their kit
   * is said to, and are believed so much less.
   */
  private StandIn found(RandomGenerator random) {
    StandIn standIn = linearise(new double[parameters.size()], true);
    simulate(standIn.mode());
    if (writtenOff(standIn.mode(), MOST_BLUNDERS).isEmpty()) {
      return standIn;
    }
    double best = logPosterior(standIn.mode());
    for (double[] start : starts(random)) {
      StandIn other = linearise(start, false);
      simulate(other.mode());
      double value = logPosterior(other.mode());
      if (value > best) {
        best = value;
        standIn = other;
      }
    }
    simulate(standIn.mode());
    Set<Analyte> off = writtenOff(standIn.mode(), MOST_OFF);
    for (int t = 0; t < likelihoods.length; t++) {
      if (off.contains(tests.get(t).analyte())) {
        likelihoods[t] = asKitsSay[t].scattered(scatter(tests.get(t).analyte()));
      }
    }
    return off.isEmpty() ? standIn : linearise(new double[parameters.size()], true);
  }

  /** With this beside each kit's error the analyte's readings tell as much as a few of them. */
  private double scatter(Analyte analyte) {
    double[] values =
        tests.stream()
            .filter(test -> test.analyte() == analyte)
            .mapToDouble(LogEntry.Test::standardValue)
            .toArray();
    return Quantiles.standardDeviation(values)
        * Math.sqrt(Math.max(1, values.length / (double) COUNT_FOR));
  }

  /** Of the last run: analytes of which more readings are taken for blunders than happen. */
  private Set<Analyte> writtenOff(double[] z, double most) {
    Map<Analyte, Integer> readings = new EnumMap<>(Analyte.class);
    Map<Analyte, Integer> blunders = new EnumMap<>(Analyte.class);
    for (int i = 0; i < truth.length; i++) {
      Analyte analyte = tests.get(i).analyte();
      readings.merge(analyte, 1, Integer::sum);
      if (likelihoods[i].isBlunder(truth[i] * parameters.read(z, i))) {
        blunders.merge(analyte, 1, Integer::sum);
      }
    }
    return blunders.keySet().stream()
        .filter(
            analyte ->
                blunders.get(analyte) > 1 && blunders.get(analyte) > most * readings.get(analyte))
        .collect(Collectors.toSet());
  }

  /** Of the last run. */
  private double logPosterior(double[] z) {
    return logLikelihood(z, truth) - 0.5 * Resampling.sumOfSquares(z);
  }

  /** Points of the prior that come nearest to the readings, the nearest first. */
  private List<double[]> starts(RandomGenerator random) {
    double[][] zs = new double[TRIED_STARTS][parameters.size()];
    for (double[] z : zs) {
      for (int j = 0; j < parameters.firstRead(); j++) {
        z[j] = random.nextGaussian();
      }
    }
    List<Outcome> tried =
        sideBySide(TRIED_STARTS, FINDING, 0, (worker, i) -> worker.outcome(zs[i]));
    return tried.stream()
        .sorted(Comparator.comparingDouble(this::misfit))
        .limit(STARTS)
        .map(Outcome::z)
        .toList();
  }

  /** How far the readings lie from a run, none of them counting without end. */
  private double misfit(Outcome outcome) {
    double sum = 0.5 * Resampling.sumOfSquares(outcome.z);
    for (int i = 0; i < likelihoods.length; i++) {
      double off = likelihoods[i].logDistance(outcome.atTests[i]) / NEAR_ENOUGH;
      sum += Math.log1p(off * off);
    }
    return sum;
  }

  private StandIn linearise(double[] start, boolean fromAfar) {
    double[] at = start;
    StandIn standIn = null;
    boolean rough = fromAfar;
    for (int round = 0; round < LINEARISATIONS; round++) {
      progress.done(FINDING * round / LINEARISATIONS);
      simulate(at);
      double[] base = truth.clone();
      double here = rough ? 0 : logPosterior(at);
      double[][] truths = moved(at, base);
      standIn = new StandIn(parameters, likelihoods, at, base, truths);
      double[] next = standIn.search(rough);
      double furthest = 0;
      for (int j = 0; j < next.length; j++) {
        furthest = Math.max(furthest, Math.abs(next[j] - at[j]));
      }
      if (!rough) {
        if (furthest < SETTLED) {
          break;
        }
        next = noWorse(at, here, next);
        if (next == at) {
          standIn.stay();
          break;
        }
      }
      rough = rough && furthest >= NEAR && round < LINEARISATIONS / 2;
      if (round < LINEARISATIONS - 1) {
        at = next;
      }
    }
    return standIn;
  }

  /** Concentrations at the tests with one coordinate after the other moved a little. */
  private double[][] moved(double[] at, double[] base) {
    double[][] truths = new double[parameters.firstRead()][];
    double[] moved = at.clone();
    for (int j = 0; j < truths.length; j++) {
      if (truths[j] != null) {
        continue;
      }
      int partner = parameters.partnerOf(j);
      moved[j] = at[j] + StandIn.DELTA;
      if (partner >= 0) {
        moved[partner] = at[partner] + StandIn.DELTA;
      }
      simulate(moved);
      moved[j] = at[j];
      truths[j] = truth.clone();
      if (partner >= 0) {
        moved[partner] = at[partner];
        truths[partner] = truth.clone();
        for (int i = 0; i < truth.length; i++) {
          boolean ofPhosphorus = tests.get(i).analyte() == Analyte.PHOSPHATE;
          truths[ofPhosphorus ? j : partner][i] = base[i];
        }
      }
    }
    return truths;
  }

  /** The point towards {@code next} that is no less likely than {@code at}, or {@code at}. */
  private double[] noWorse(double[] at, double here, double[] next) {
    double share = 1;
    for (int i = 0; i < 4; i++) {
      double[] tried = at.clone();
      for (int j = 0; j < tried.length; j++) {
        tried[j] += share * (next[j] - at[j]);
      }
      simulate(tried);
      if (logPosterior(tried) >= here - 1e-3) {
        return tried;
      }
      share /= 2;
    }
    return at;
  }

  /**
   * The outcome after some moves over the tank itself, each proposed by the stand-in (the surrogate
   * transition of Liu, Monte Carlo Strategies in Scientific Computing, 2001, 9.4.3).
   */
  private Outcome moved(Outcome from, int moves, Walk walk, RandomGenerator random) {
    Outcome at = from;
    double current = logWeight(at, walk);
    for (int m = 0; m < moves; m++) {
      double[] z = walk.next(at.z, MOVE_STEPS, random);
      if (z == at.z) {
        continue;
      }
      Outcome proposed = outcome(z);
      double next = logWeight(proposed, walk);
      if (Math.log(random.nextDouble()) < next - current) {
        at = proposed;
        current = next;
      }
    }
    return at;
  }

  private Walk walkOn(StandIn standIn) {
    if (walk == null) {
      walk = new Walk(standIn, TEMPER);
    }
    return walk;
  }

  /** How much more the tank believes an outcome than its stand-in does. */
  private double logWeight(Outcome outcome, Walk walk) {
    return logLikelihood(outcome.z, outcome.atTests) - walk.logLikelihood(outcome.z);
  }

  private double[][] drawn(StandIn standIn, double belief, int draws, RandomGenerator random) {
    long seed = random.nextLong();
    double[][] drawn = new double[draws][];
    int walks = (draws + DRAWS_OF_A_WALK - 1) / DRAWS_OF_A_WALK;
    int parts = SideBySide.parts(walks);
    SideBySide.run(
        parts,
        part -> {
          Walk walk = new Walk(standIn, belief);
          for (int i = part; i < walks; i += parts) {
            int from = i * DRAWS_OF_A_WALK;
            double[][] own = new double[Math.min(DRAWS_OF_A_WALK, draws - from)][];
            walk.draw(own, new SplittableRandom(seed + i));
            System.arraycopy(own, 0, drawn, from, own.length);
          }
        });
    return drawn;
  }

  private Posterior posterior(List<Outcome> kept, double effective, RandomGenerator random) {
    int draws = kept.size();
    int past = scenario.asOfDay() + 1;
    int drawn = (draws + FIT_EVERY - 1) / FIT_EVERY;
    double[][] nitrogen = new double[past][drawn];
    double[][] phosphorus = new double[past][drawn];
    double[][] atTests = new double[truth.length][draws];
    List<Posterior.Draw> result = new ArrayList<>(draws);
    for (int i = 0; i < draws; i++) {
      Outcome outcome = kept.get(i);
      double[] nitrateDeparted = parameters.nitrateDepartures(outcome.z);
      double[] phosphorusDeparted = parameters.phosphorusDepartures(outcome.z);
      for (int day = 0; day < past && i % FIT_EVERY == 0; day++) {
        nitrogen[day][i / FIT_EVERY] = outcome.nitrate[day] * Math.exp(nitrateDeparted[day]);
        phosphorus[day][i / FIT_EVERY] =
            outcome.phosphorus[day] * Math.exp(phosphorusDeparted[day]);
      }
      for (int t = 0; t < truth.length; t++) {
        atTests[t][i] = outcome.atTests[t] * parameters.departed(outcome.z, t);
      }
      Multipliers own = outcome.multipliers.copy();
      drift(own.nitrogenLoad, random);
      drift(own.phosphorusLoad, random);
      TankState end = outcome.end.copy();
      end.jump(nitrateDeparted[past - 1], phosphorusDeparted[past - 1]);
      jumps(own.nitrateJump, parameters.nitrateUnrest(outcome.z), random);
      jumps(own.phosphorusJump, parameters.phosphorusUnrest(outcome.z), random);
      result.add(
          new Posterior.Draw(outcome.start, end, own, parameters.kitFactors(outcome.z, random)));
    }
    List<Posterior.Reading> readings = new ArrayList<>();
    for (int t = 0; t < truth.length; t++) {
      double sd = Quantiles.standardDeviation(atTests[t]);
      readings.add(new Posterior.Reading(t, asKitsSay[t], median(atTests[t]), sd));
    }
    double[][] n = quantiles(nitrogen);
    double[][] p = quantiles(phosphorus);
    return new Posterior(
        scenario,
        List.copyOf(result),
        new Posterior.Fit(n[0], n[1], n[2], p[0], p[1], p[2]),
        List.copyOf(readings),
        unknowns(kept.stream().map(Outcome::z).toArray(double[][]::new)),
        effective);
  }

  private List<Posterior.Unknown> unknowns(double[][] kept) {
    List<Posterior.Unknown> unknowns = new ArrayList<>();
    double[] z = new double[parameters.size()];
    for (int j = 0; j < z.length; j++) {
      double[] sample = new double[kept.length];
      for (int i = 0; i < sample.length; i++) {
        sample[i] = parameters.value(kept[i], j);
      }
      Quantiles.sort(sample);
      unknowns.add(
          new Posterior.Unknown(
              parameters.name(j),
              new Posterior.Spread(
                  parameters.valueAt(j, -Quantiles.NORMAL_90),
                  parameters.valueAt(j, 0),
                  parameters.valueAt(j, Quantiles.NORMAL_90)),
              new Posterior.Spread(
                  Quantiles.of(sample, 0.1),
                  Quantiles.of(sample, 0.5),
                  Quantiles.of(sample, 0.9))));
    }
    return List.copyOf(unknowns);
  }

  /** Lets the load wander on into the days ahead. */
  private void drift(double[] load, RandomGenerator random) {
    double perDay = Priors.DRIFT_PER_ROOT_WEEK / Math.sqrt(7);
    for (int day = scenario.asOfDay() + 1; day < load.length; day++) {
      load[day] = load[day - 1] * Math.exp(perDay * random.nextGaussian());
    }
  }

  /** What nobody will write down goes on as well, as large as it was in this tank. */
  private void jumps(double[] jump, double unrest, RandomGenerator random) {
    for (int week = scenario.asOfDay() + 1; week < jump.length; week += 7) {
      int day = week + random.nextInt(7);
      double size = Priors.JUMP_PER_ROOT_WEEK * Priors.jump(unrest * random.nextGaussian());
      if (day < jump.length) {
        jump[day] = size;
      }
    }
  }

  private static double median(double[] sample) {
    Quantiles.sort(sample);
    return Quantiles.of(sample, 0.5);
  }

  private static double[][] quantiles(double[][] byDay) {
    double[][] result = new double[3][byDay.length];
    for (int day = 0; day < byDay.length; day++) {
      Quantiles.sort(byDay[day]);
      result[0][day] = Quantiles.of(byDay[day], 0.1);
      result[1][day] = Quantiles.of(byDay[day], 0.5);
      result[2][day] = Quantiles.of(byDay[day], 0.9);
    }
    return result;
  }
}
