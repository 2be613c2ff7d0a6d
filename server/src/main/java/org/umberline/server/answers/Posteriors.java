package org.umberline.server.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.TankModel;

/**
 * Posteriors, kept for as long as the tank is what it was: the key is everything a calibration
 * looks at. A new routine or line is none of it, so trying one runs on the posterior at hand.
 */
@Component
public class Posteriors {
  private static final long SEED = 1;

  private record Key(TankModel tank, LocalDate day, int days) {}

  private final Cache<Key, Posterior> cache =
      Caffeine.newBuilder().maximumSize(30).recordStats().build();

  /**
   * The posterior of {@code tank} at the end of {@code day}.
   *
   * @param days days ahead laid out
   */
  public Posterior of(TankModel tank, LocalDate day, int days) {
    return cache.get(
        new Key(essence(tank), day, days),
        key -> Calibration.calibrate(key.tank, day, days, Calibration.DRAWS, SEED));
  }

  private static TankModel essence(TankModel tank) {
    return tank.withRoutine(Optional.empty()).withLines(Lines.NONE).withLimits(Limits.DEFAULT);
  }

  /** How many posteriors have been computed since the start. */
  public long computed() {
    return cache.stats().missCount();
  }
}
