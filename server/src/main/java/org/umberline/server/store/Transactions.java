package org.umberline.server.store;

import java.time.Duration;
import java.util.function.Supplier;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The one way to the database for what reads or writes several rows. A transaction that lost a
 * deadlock or waited too long for a lock is repeated, and so is one whose id somebody else inserted
 * at the same moment: the second time it finds that row.
 */
@Component
public class Transactions {
  private static final int MOST_REPEATS = 6;

  private final TransactionTemplate transaction;
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

  Transactions(TransactionTemplate transaction) {
    this.transaction = transaction;
  }

  /** Reads, all of it from one moment. */
  public <T> T read(Supplier<T> work) {
    return transaction.execute(status -> work.get());
  }

  /** Writes; {@code work} may run several times, but only once with effect. */
  public <T> T write(Supplier<T> work) {
    return repeated.invoke(() -> transaction.execute(status -> work.get()));
  }

  /** Writes what gives nothing back; {@code work} may run several times, once with effect. */
  public void run(Runnable work) {
    write(
        () -> {
          work.run();
          return true;
        });
  }
}
