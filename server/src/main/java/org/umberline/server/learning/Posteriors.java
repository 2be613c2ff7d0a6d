package org.umberline.server.learning;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Learned;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Progress;
import org.umberline.core.planning.Advisor;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.TankRecords.Stored;

/**
 * Posteriors, kept for as long as the tank is what it was: the key is everything a calibration
 * looks at. A new routine or line is none of it, so trying one runs on the posterior at hand. What
 * was learned is also kept in the database: neither a start nor another process, nor want of
 * memory, has a tank learned again.
 */
@Component
public class Posteriors {
  private static final long SEED = 1;
  private static final String KIND = "learned";

  /**
   * Of the memory there is, for one posterior: a year of daily entries takes about 7 MB, and a
   * third of it all may be posteriors, since learning takes as much while it lasts.
   */
  private static final long MEMORY_EACH = 20_000_000;

  /** Enough to see where a make-up leads while it is typed. */
  private static final int FEW_DRAWS = 160;

  private record Key(TankModel tank, LocalDate day, int days) {}

  /** The longest that learning from one log may take; a ceiling for logs nobody keeps by hand. */
  private static final Duration LONGEST = Duration.ofSeconds(60);

  private final Computations computations;
  private final Workers workers;
  private final AnswerShelf shelf;
  private final Once<Key, Posterior> cache;
  private final AtomicLong computed = new AtomicLong();
  private final Map<UUID, Double> underWay = new ConcurrentHashMap<>();
  private final Clock clock;

  Posteriors(Computations computations, Workers workers, AnswerShelf shelf, Clock clock) {
    this.workers = workers;
    this.shelf = shelf.exact();
    this.computations = computations;
    this.clock = clock;
    cache = new Once<>(computations, (int) (Runtime.getRuntime().maxMemory() / MEMORY_EACH));
  }

  /** The stored tank as of now, its lines replaced by {@code lines}. */
  public LearnedTank learned(Stored stored, Lines lines) {
    return learned(stored.id(), stored.tank(), lines);
  }

  /** A tank that is only thought of: fewer draws, and nothing is kept. */
  public LearnedTank learnedBriefly(TankModel tank) {
    return computations.run(
        () ->
            learned(
                tank,
                tank.lines(),
                (model, day, days) ->
                    Calibration.calibrate(model, day, days, FEW_DRAWS, SEED, workers, ceiling())));
  }

  private interface Calibrated {
    Posterior of(TankModel tank, LocalDate day, int days);
  }

  private LearnedTank learned(UUID id, TankModel stored, Lines lines) {
    return learned(stored, lines, (tank, day, days) -> of(id, tank, day, days));
  }

  private LearnedTank learned(TankModel stored, Lines lines, Calibrated posterior) {
    Instant now = clock.instant();
    TankModel known = stored.knownAt(now).withLines(lines);
    LocalDate today = known.dayOf(now);
    Optional<Routine> standing =
        known
            .routine()
            .map(
                routine ->
                    LearnedTank.last(known, LogEntry.WaterChange.class)
                        .map(routine::after)
                        .orElse(routine));
    TankModel tank = known.withRoutine(standing.map(r -> LearnedTank.stillToCome(r, today)));
    int horizon = tank.limits().horizonDays();
    return new LearnedTank(
        tank, now, today, horizon, posterior.of(tank, today, Advisor.daysAhead(tank)), standing);
  }

  private Posterior of(UUID id, TankModel tank, LocalDate day, int days) {
    return cache.get(
        new Key(Calibration.lookedAt(tank), day, days),
        key ->
            shelf
                .current(id, KIND, key, KeptLearned.class)
                .map(kept -> again(key, kept.learned()))
                .orElseGet(() -> anew(id, key)));
  }

  private Posterior again(Key key, Learned learned) {
    return Calibration.again(key.tank, key.day, key.days, learned, workers);
  }

  private Posterior anew(UUID id, Key key) {
    computed.incrementAndGet();
    Progress ceiling = ceiling();
    try {
      Posterior posterior =
          Calibration.calibrate(
              key.tank,
              key.day,
              key.days,
              Calibration.DRAWS,
              SEED,
              workers,
              share -> {
                underWay.put(id, share);
                ceiling.done(share);
              });
      shelf.keep(id, KIND, key, KeptLearned.of(posterior.learned()));
      return posterior;
    } finally {
      underWay.remove(id);
    }
  }

  /** Told of every step, stops what takes too long. */
  private static Progress ceiling() {
    long until = System.nanoTime() + LONGEST.toNanos();
    return share -> {
      if (System.nanoTime() > until) {
        throw Refused.busy("This tank's log takes too long to work out.");
      }
    };
  }

  /** How far the calibration of a tank is, 0..1; empty when none is under way. */
  public OptionalDouble progress(UUID id) {
    Double share = underWay.get(id);
    return share == null ? OptionalDouble.empty() : OptionalDouble.of(share);
  }

  /** How many posteriors have been computed since the start. */
  public long computed() {
    return computed.get();
  }
}
