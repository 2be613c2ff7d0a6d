package org.umberline.core.calibration;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.IntStream;
import org.umberline.core.balance.UnplantedAlgae;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * Learns a tank's unknowns from its tests. What the tests would show is said by a stand-in around
 * the most likely point ({@link StandIn}); the posterior of that stand-in is cheap to find and to
 * draw from; the draws are then run through the tank itself and weighted by how much the two
 * differ, and teach the stand-in what it missed. Where too few of them count more are drawn from
 * what it has learned, and all are weighed together. A series of readings is never written off:
 * where all of them would have to be blunders, the make-up is doubted and all is learned anew.
 */
public final class Calibration {
  /** Draws a posterior holds unless asked otherwise. */
  public static final int DRAWS = 500;

  /** No test older than this many days is used: the load has drifted too far since. */
  private static final int LONGEST_WINDOW_DAYS = 400;

  /** A log that begins this soon after the tank's start is run from the start. */
  private static final int START_KNOWN_DAYS = 60;

  /** Batches of draws are run until at least this share of a posterior's draws counts. Chosen. */
  private static final double ENOUGH_EFFECTIVE = 0.3;

  /** And no more than so many: the greatest weights are cut off then. Chosen on synthetic tanks. */
  private static final int MOST_BATCHES = 16;

  /**
   * Runs are kept of so many times the draws that a posterior holds: what few batches come to.
   * Chosen.
   */
  private static final double RUNS_KEPT = 1.5;

  /** Runs the stand-in first learns from: several times its coordinates. Chosen. */
  private static final int PILOTS = 150;

  /** Pilots believe the tests by this much, to learn of more than is likely. Chosen. */
  private static final double PILOT_TEMPER = 0.4;

  /**
   * Draws believe the tests by this much only: where the tank differs from its stand-in the truth
   * must still lie among them. Chosen by ranks of drawn tanks.
   */
  private static final double TEMPER = 0.9;

  /** More spare the way to the first, and are less apart from one another. Chosen. */
  private static final int DRAWS_OF_A_WALK = 50;

  /**
   * Shares of trajectories that should be taken: a walk that is refused more often stands still
   * where the posterior is narrow. Pilots roam more freely, and tell only of tanks where it is
   * narrow all over. Chosen.
   */
  private static final double PILOTS_TAKEN = 0.65;

  private static final double DRAWS_TAKEN = 0.7;

  /** Where a run is likelier by this than the end of a search, that ended too early. Chosen. */
  private static final double LIKELIER = 0.5;

  /** And no more searches than so many. Chosen. */
  private static final int MOST_SEARCHES = 3;

  /** Share of the work that finding the most likely point is, and that the pilots are. */
  static final double FINDING = 0.3;

  private static final double PILOTING = 0.1;

  private final Scenario scenario;
  private final Progress progress;

  /** Analytes whose readings are believed rather than the make-up. */
  private final Set<Analyte> doubted;

  private final Parameters parameters;
  private final Readings readings;
  private final PastRuns runs;
  private final ModeSearch search;
  private final PosteriorSummary summary;
  private final Workers workers;

  /**
   * Calibrates {@code tank} on the entries of its log. Tests after the as-of day are not learned
   * from; a projection reads them off.
   *
   * @param tank with its log as known at the as-of instant
   * @param asOf the last day of the log's knowledge
   * @param horizonDays days ahead to lay out
   * @param draws how many draws the posterior shall hold
   * @param seed the same seed gives the same draws
   * @param workers that run the draws, now and into the days ahead
   */
  public static Posterior calibrate(
      TankModel tank, LocalDate asOf, int horizonDays, int draws, long seed, Workers workers) {
    return calibrate(tank, asOf, horizonDays, draws, seed, workers, Progress.NONE);
  }

  /** The same, telling how far it is. */
  public static Posterior calibrate(
      TankModel tank,
      LocalDate asOf,
      int horizonDays,
      int draws,
      long seed,
      Workers workers,
      Progress progress) {
    Scenario scenario = Scenario.of(tank, firstDay(tank, asOf), asOf, horizonDays);
    // a search that begins anew goes over what was done before
    return new Calibration(scenario, workers, progress.onwards(), Set.of())
        .run(draws, new SplittableRandom(seed));
  }

  /**
   * The posterior of what was learned before, figure for figure: nothing is searched for, each draw
   * is run once.
   *
   * @param tank the others as they were given to {@link #calibrate}
   * @throws IllegalArgumentException when it was learned of another kind of tank
   */
  public static Posterior again(
      TankModel tank, LocalDate asOf, int horizonDays, Learned learned, Workers workers) {
    Scenario scenario = Scenario.of(tank, firstDay(tank, asOf), asOf, horizonDays);
    Calibration known = new Calibration(scenario, workers, Progress.NONE, learned.doubted());
    int unknowns = learned.points()[0].length;
    if (unknowns != known.parameters.size()) {
      throw new IllegalArgumentException(
          "learned: %d unknowns, the tank has %d".formatted(unknowns, known.parameters.size()));
    }
    return known.summary.posterior(known.runs.at(learned.points(), 0, 1), learned);
  }

  /**
   * The part of a tank that a calibration looks at: neither what its keeper wants of it nor what
   * was seen or done in it without moving nitrogen or phosphorus. Tanks that agree in it learn the
   * same.
   */
  public static TankModel lookedAt(TankModel tank) {
    List<LogEntry> log = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      // the first entry is where the past begins
      if (teaches(entry) || log.isEmpty()) {
        log.add(entry);
      }
    }
    return tank.withoutWishes().withLog(log);
  }

  private static boolean teaches(LogEntry entry) {
    if (entry instanceof LogEntry.Observation seen) {
      return UnplantedAlgae.isAlgae(seen.sign());
    }
    if (entry instanceof LogEntry.Addition given) {
      return given.additive().movesNutrients();
    }
    return !(entry instanceof LogEntry.Medicine
        || entry instanceof LogEntry.Trial
        || entry instanceof LogEntry.Quarantine);
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

  private Calibration(Scenario scenario, Workers workers, Progress progress, Set<Analyte> doubted) {
    this.scenario = scenario;
    this.workers = workers;
    this.progress = progress;
    this.doubted = doubted;
    parameters = new Parameters(scenario, doubted);
    readings = new Readings(scenario, parameters);
    runs = new PastRuns(scenario, parameters, workers, progress);
    search = new ModeSearch(parameters, readings, runs);
    summary = new PosteriorSummary(scenario, parameters, readings, workers);
  }

  private Posterior run(int draws, RandomGenerator random) {
    if (readings.count() == 0) {
      return ofThePrior(draws, random);
    }
    StandIn standIn = search.find(random);
    if (doubted.isEmpty()) {
      Set<Analyte> stillOff = search.writtenOff(standIn.mode());
      if (!stillOff.isEmpty()) {
        return new Calibration(scenario, workers, progress, stillOff).run(draws, random);
      }
    }
    double likely = search.logPosterior(standIn.mode());
    double[][] pilots = drawn(standIn, PILOT_TEMPER, Walk.STEP, PILOTS, random);
    Tried tried = new Tried();
    for (Outcome pilot : runs.at(pilots, FINDING, PILOTING)) {
      tried.add(pilot, readings.logPosterior(pilot.z(), pilot.atTests()));
    }
    double[][] lately = pilots;
    double done = FINDING + PILOTING;
    double taken = Distinct.of(pilots).count() / (double) PILOTS;
    double step = Walk.step(Walk.STEP, taken, PILOTS_TAKEN);
    int mostKept = (int) (RUNS_KEPT * draws);
    Batches batches = new Batches(mostKept);
    int searches = 1;
    boolean endedEarly = tried.best() > likely + LIKELIER;
    do {
      if (endedEarly) {
        standIn = search.from(tried.likeliest());
        likely = Math.max(tried.best(), search.logPosterior(standIn.mode()));
        batches = new Batches(mostKept);
        step = Walk.STEP;
        lately = new double[0][];
        searches++;
      }
      standIn.learn(tried.points(), tried.truths());
      if (lately.length > 0) {
        standIn.stretch(lately);
      }
      int size = batches.next(draws, ENOUGH_EFFECTIVE * draws);
      lately = drawn(standIn, TEMPER, step, size, random);
      Distinct distinct = Distinct.of(lately);
      step = Walk.step(step, distinct.count() / (double) size, DRAWS_TAKEN);
      double[] weightAt = new double[distinct.count()];
      double[] likelyAt = new double[distinct.count()];
      // nobody foresees how many batches it takes: each is told of as half of what is left
      double share = (1 - done) / 2;
      StandIn drawnFrom = standIn;
      List<Outcome> runOnce =
          runs.sideBySide(
              distinct.count(),
              done,
              share,
              own -> {
                Walk walk = new Walk(drawnFrom, TEMPER);
                return i -> {
                  double[] z = distinct.points()[i];
                  Outcome outcome = own.outcome(z);
                  double logLikelihood = readings.logLikelihood(z, outcome.atTests());
                  weightAt[i] = logLikelihood - walk.logLikelihood(z);
                  likelyAt[i] = logLikelihood - 0.5 * Resampling.sumOfSquares(z);
                  return outcome;
                };
              });
      done += share;
      List<Outcome> batch = distinct.byDraw(runOnce);
      double[] likelyOf = distinct.byDraw(likelyAt);
      for (int i = 0; i < size; i++) {
        tried.add(batch.get(i), likelyOf[i]);
      }
      double least = Math.max(likely, tried.best()) - Walk.farOut(parameters.size());
      batches.add(batch, without(likelyOf, least, distinct.byDraw(weightAt)));
      endedEarly = tried.best() > likely + LIKELIER && searches < MOST_SEARCHES;
    } while (endedEarly
        || batches.effective() < ENOUGH_EFFECTIVE * draws && batches.count() < MOST_BATCHES);
    int[] chosen =
        Resampling.resample(
            Resampling.cutOff(batches.logWeights(), ENOUGH_EFFECTIVE * draws), draws, random);
    double before = done;
    List<Outcome> kept = batches.outcomes(chosen, zs -> runs.at(zs, before, 1 - before));
    return posterior(kept, Math.min(draws, batches.effective()), random);
  }

  /**
   * No weight for draws that the tank finds so unlikely that hardly any draw of the posterior is: a
   * stand-in that is wrong there must not bring them in. Where all are, none is left out.
   *
   * @param likely how likely each is
   * @param least that it has to be
   */
  private static double[] without(double[] likely, double least, double[] logWeight) {
    return Arrays.stream(likely).noneMatch(one -> one >= least)
        ? logWeight
        : IntStream.range(0, likely.length)
            .mapToDouble(i -> likely[i] < least ? Double.NEGATIVE_INFINITY : logWeight[i])
            .toArray();
  }

  private Posterior ofThePrior(int draws, RandomGenerator random) {
    List<Outcome> outcomes = new ArrayList<>();
    for (int i = 0; i < draws; i++) {
      double[] z = new double[parameters.size()];
      for (int j = 0; j < z.length; j++) {
        z[j] = random.nextGaussian();
      }
      outcomes.add(runs.outcome(z));
    }
    return posterior(outcomes, draws, random);
  }

  private Posterior posterior(List<Outcome> kept, double effective, RandomGenerator random) {
    double[][] points = kept.stream().map(Outcome::z).toArray(double[][]::new);
    return summary.posterior(kept, new Learned(points, effective, doubted, random.nextLong()));
  }

  private double[][] drawn(
      StandIn standIn, double belief, double step, int draws, RandomGenerator random) {
    long seed = random.nextLong();
    double[][] drawn = new double[draws][];
    int walks = (draws + DRAWS_OF_A_WALK - 1) / DRAWS_OF_A_WALK;
    int parts = workers.parts(walks);
    workers.run(
        parts,
        part -> {
          Walk walk = new Walk(standIn, belief);
          for (int i = part; i < walks; i += parts) {
            int from = i * DRAWS_OF_A_WALK;
            double[][] own = new double[Math.min(DRAWS_OF_A_WALK, draws - from)][];
            walk.draw(own, step, new SplittableRandom(seed + i));
            System.arraycopy(own, 0, drawn, from, own.length);
          }
        });
    return drawn;
  }
}
