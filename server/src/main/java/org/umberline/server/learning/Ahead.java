package org.umberline.server.learning;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.scheduling.concurrent.CustomizableThreadFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.umberline.core.simulation.Workers;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.keeper.Sessions;
import org.umberline.server.tank.TankChanged;
import org.umberline.server.tank.TankRecords;

/**
 * Works out what will be asked before it is: of a tank soon after something was written in it, of
 * every tank once its day has ended. One tank at a time and on one processor, so that whoever asks
 * meanwhile hardly notices. Several processes may do so at once: an answer that one of them kept is
 * only read.
 */
@Component
public class Ahead {
  private static final Logger LOG = LoggerFactory.getLogger(Ahead.class);

  /** Lines are often noted several in a row; one answer after the last of them is enough. */
  private static final Duration AFTER_A_LINE = Duration.ofSeconds(1);

  /** What somebody waits for goes first, for so long at each answer. */
  private static final Duration GIVES_WAY = Duration.ofSeconds(2);

  /** Whose keeper did not look in for so long is worked out when he does. */
  private static final Duration LOOKED_IN = Duration.ofDays(3);

  private final TankRecords tanks;
  private final Keepers keepers;
  private final Sessions sessions;
  private final List<WorkedAhead> answers;
  private final Workers workers;
  private final Computations computations;
  private final Clock clock;
  private final boolean wanted;
  private final Set<UUID> waiting = ConcurrentHashMap.newKeySet();
  private final ScheduledExecutorService one =
      Executors.newSingleThreadScheduledExecutor(inTheBackground());

  Ahead(
      TankRecords tanks,
      Keepers keepers,
      Sessions sessions,
      List<WorkedAhead> answers,
      Workers workers,
      Computations computations,
      Clock clock,
      @Value("${umberline.ahead}") boolean wanted) {
    this.tanks = tanks;
    this.keepers = keepers;
    this.sessions = sessions;
    this.answers = answers;
    this.workers = workers;
    this.computations = computations;
    this.clock = clock;
    this.wanted = wanted;
  }

  private static CustomizableThreadFactory inTheBackground() {
    CustomizableThreadFactory threads = new CustomizableThreadFactory("ahead-");
    threads.setDaemon(true);
    threads.setThreadPriority(Thread.MIN_PRIORITY);
    return threads;
  }

  @TransactionalEventListener
  void changed(TankChanged change) {
    if (wanted) {
      after(AFTER_A_LINE, change.tank(), change.keeper());
    }
  }

  @Scheduled(initialDelay = 20, fixedDelay = 1200, timeUnit = TimeUnit.SECONDS)
  void everyTank() {
    if (wanted) {
      sessions.namesUsedSince(clock.instant().minus(LOOKED_IN)).stream()
          .flatMap(name -> keepers.findBySignInName(name).stream())
          .map(KeeperEntity::getId)
          .forEach(this::tanksOf);
    }
  }

  /** Works out all tanks of a keeper, one after the other. */
  public void tanksOf(UUID keeper) {
    if (wanted) {
      tanks.all(keeper).forEach(stored -> soon(stored.id(), keeper));
    }
  }

  /** Works out a tank as soon as those before it are done; that it waits already is enough. */
  public void soon(UUID tank, UUID keeper) {
    after(Duration.ZERO, tank, keeper);
  }

  private void after(Duration delay, UUID tank, UUID keeper) {
    if (!one.isShutdown() && waiting.add(tank)) {
      var unused =
          one.schedule(() -> workOut(tank, keeper), delay.toMillis(), TimeUnit.MILLISECONDS);
    }
  }

  private void workOut(UUID tank, UUID keeper) {
    // before it is read: what is written from here on is worth another turn
    waiting.remove(tank);
    try {
      TankRecords.Stored stored = tanks.one(tank, keeper);
      for (WorkedAhead answer : answers) {
        computations.awaitQuiet(GIVES_WAY);
        workers.alone(() -> answer.workOut(stored));
      }
    } catch (Refused gone) {
      LOG.debug("not worked out ahead: {}", gone.getMessage());
    } catch (RuntimeException failure) {
      if (!one.isShutdown()) {
        LOG.warn("tank {} was not worked out ahead", tank, failure);
      }
    }
  }

  @PreDestroy
  void stop() {
    one.shutdownNow();
  }
}
