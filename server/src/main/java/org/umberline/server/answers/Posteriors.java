package org.umberline.server.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.stereotype.Component;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.server.answers.TankRecords.Stored;

/**
 * Posteriors, kept for as long as the tank is what it was: the key is everything a calibration
 * looks at. A new routine or line is none of it, so trying one runs on the posterior at hand.
 */
@Component
public class Posteriors {
  private static final long SEED = 1;

  /** Enough to see where a make-up leads while it is typed. */
  private static final int FEW_DRAWS = 160;

  private record Key(TankModel tank, LocalDate day, int days) {}

  private final Cache<Key, Posterior> cache =
      Caffeine.newBuilder().maximumSize(30).recordStats().build();
  private final Map<UUID, Double> underWay = new ConcurrentHashMap<>();
  private final Clock clock;

  Posteriors(Clock clock) {
    this.clock = clock;
  }

  /** The stored tank as of now, its lines replaced by {@code lines}. */
  Present present(Stored stored, Lines lines) {
    return present(stored.id(), stored.tank(), lines);
  }

  /** A tank that is only thought of: fewer draws, and nothing is kept. */
  Present thoughtOf(TankModel tank) {
    return present(
        tank,
        tank.lines(),
        (model, day, days) -> Calibration.calibrate(model, day, days, FEW_DRAWS, SEED));
  }

  private interface Calibrated {
    Posterior of(TankModel tank, LocalDate day, int days);
  }

  private Present present(UUID id, TankModel stored, Lines lines) {
    return present(stored, lines, (tank, day, days) -> of(id, tank, day, days));
  }

  private Present present(TankModel stored, Lines lines, Calibrated posterior) {
    TankModel known = stored.knownAt(clock.instant()).withLines(lines);
    LocalDate today = known.dayOf(clock.instant());
    Optional<Routine> standing =
        known
            .routine()
            .map(
                routine ->
                    Present.last(known, LogEntry.WaterChange.class)
                        .map(routine::after)
                        .orElse(routine));
    TankModel tank = known.withRoutine(standing.map(r -> Present.stillToCome(r, today)));
    int horizon = tank.limits().horizonDays();
    return new Present(tank, today, horizon, posterior.of(tank, today, horizon), standing);
  }

  private Posterior of(UUID id, TankModel tank, LocalDate day, int days) {
    return cache.get(
        new Key(essence(tank), day, days),
        key -> {
          try {
            return Calibration.calibrate(
                key.tank, day, days, Calibration.DRAWS, SEED, share -> underWay.put(id, share));
          } finally {
            underWay.remove(id);
          }
        });
  }

  /** How far the calibration of a tank is, 0..1; empty when none is under way. */
  public OptionalDouble progress(UUID id) {
    Double share = underWay.get(id);
    return share == null ? OptionalDouble.empty() : OptionalDouble.of(share);
  }

  private static TankModel essence(TankModel tank) {
    return tank.withRoutine(Optional.empty()).withLines(Lines.NONE).withLimits(Limits.DEFAULT);
  }

  /** How many posteriors have been computed since the start. */
  public long computed() {
    return cache.stats().missCount();
  }
}
