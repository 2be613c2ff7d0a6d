package org.umberline.server.persistence;

import java.time.Duration;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import org.umberline.server.failure.Refused;

/**
 * The one way to the database for what reads or writes several rows. A writer in a tank takes the
 * tank's row first, so writers in one tank stand in line; a transaction that lost a deadlock or
 * waited too long for a lock is repeated, and so is one whose id somebody else inserted at the same
 * moment: the second time it finds that row.
 */
@Component
public class Transactions {
  private static final int MOST_REPEATS = 6;

  private final TransactionTemplate transaction;
  private final Tanks tanks;
  private final RetryTemplate repeated =
      new RetryTemplate(
          RetryPolicy.builder()
              .maxRetries(MOST_REPEATS)
              .delay(Duration.ofMillis(20))
              .jitter(Duration.ofMillis(10))
              .multiplier(2)
              .maxDelay(Duration.ofMillis(500))
              .includes(
                  PessimisticLockingFailureException.class, DataIntegrityViolationException.class)
              .build());

  Transactions(TransactionTemplate transaction, Tanks tanks) {
    this.transaction = transaction;
    this.tanks = tanks;
  }

  /** Reads, all of it from one moment. */
  public <T> T read(Supplier<T> work) {
    return transaction.execute(status -> work.get());
  }

  /** Writes; {@code work} may run several times, but only once with effect. */
  public <T> T write(Supplier<T> work) {
    return repeated.invoke(() -> transaction.execute(status -> work.get()));
  }

  /**
   * Writes in a tank that the keeper may write in, with its row locked.
   *
   * @throws Refused with 404 for everybody else
   */
  public <T> T writeIn(UUID tank, UUID keeper, Function<TankEntity, T> work) {
    return write(
        () ->
            work.apply(
                tanks.lockForKeeper(tank, keeper).orElseThrow(() -> Refused.notFound("tank"))));
  }

  /**
   * Says no to an id that exists.
   *
   * @param tank the tank it belongs to
   * @param keeper who sent it
   * @throws Refused with 404 where that tank is somebody else's, else with 409
   */
  public Refused taken(UUID tank, UUID keeper) {
    return tanks.findForKeeper(tank, keeper).isPresent()
        ? Refused.conflict("The id stands for something else already. Nothing was saved.")
        : Refused.notFound("id of yours");
  }
}
