package org.umberline.server.account;

import java.time.Clock;
import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.keeper.Sessions;
import org.umberline.server.store.Transactions;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.Tanks;

/** Removes for good what was deleted long enough ago. Several processes may do so at once. */
@Component
@EnableScheduling
public class Retention {
  private static final Logger LOG = LoggerFactory.getLogger(Retention.class);

  private final Tanks tanks;
  private final Keepers keepers;
  private final Removal removal;
  private final Transactions transactions;
  private final Sessions sessions;
  private final Clock clock;

  Retention(
      Tanks tanks,
      Keepers keepers,
      Removal removal,
      Transactions transactions,
      Sessions sessions,
      Clock clock) {
    this.tanks = tanks;
    this.keepers = keepers;
    this.removal = removal;
    this.transactions = transactions;
    this.sessions = sessions;
    this.clock = clock;
  }

  @Scheduled(initialDelay = 10, fixedDelay = 60, timeUnit = TimeUnit.MINUTES)
  void hourly() {
    removeAsOf(clock.instant());
  }

  /** Removes tanks that can't be brought back any more, and keepers who didn't come back. */
  public void removeAsOf(Instant now) {
    for (UUID tank : tanks.deletedBefore(now.minus(TankRecords.BROUGHT_BACK))) {
      remove(tank);
      LOG.info("removed tank {}, deleted long ago", tank);
    }
    for (KeeperEntity keeper : keepers.findByLeavesAtBefore(now)) {
      tanks.idsOfOwner(keeper.getId()).forEach(this::remove);
      sessions.endAll(keeper.getSignInName(), "");
      transactions.run(() -> removal.keeper(keeper.getId()));
      LOG.info("removed the account of keeper {}, who left", keeper.getId());
    }
  }

  private void remove(UUID tank) {
    transactions.run(() -> removal.tank(tank));
  }
}
