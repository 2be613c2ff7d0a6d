package org.umberline.server.learning;

import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.LoadingCache;
import io.github.resilience4j.bulkhead.Bulkhead;
import io.github.resilience4j.bulkhead.BulkheadConfig;
import io.github.resilience4j.bulkhead.BulkheadFullException;
import java.time.Duration;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.SignedIn;

/**
 * Lets only so much be worked out at once, so that one keeper's heavy tank never keeps the others
 * waiting: one place more than a keeper may use is always left. Whoever finds no place in time is
 * told to ask again; what runs is never stopped by that.
 */
@Component
public class Computations {
  private static final int FOR_ONE_KEEPER = 2;
  private static final int WAITING_FOR_ONE_KEEPER = 12;
  private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);
  private static final int MOST_KEEPERS = 10_000;

  private record Places(Bulkhead waiting, Bulkhead running) {}

  /** How often it is looked whether nothing is worked out any more. */
  private static final long LOOK_AGAIN_MS = 20;

  private final int atOnce;
  private final Bulkhead running;
  private final LoadingCache<String, Places> places =
      Caffeine.newBuilder()
          .maximumSize(MOST_KEEPERS)
          .build(
              keeper ->
                  new Places(
                      bulkhead(WAITING_FOR_ONE_KEEPER, Duration.ZERO),
                      bulkhead(FOR_ONE_KEEPER, LONGEST_WAIT)));

  /** Set while this thread works something out: a part of it needs no place of its own. */
  private final ThreadLocal<Boolean> working = ThreadLocal.withInitial(() -> false);

  @Autowired
  Computations() {
    this(Math.max(Runtime.getRuntime().availableProcessors(), FOR_ONE_KEEPER) + 1);
  }

  Computations(int atOnce) {
    this.atOnce = atOnce;
    running = bulkhead(atOnce, LONGEST_WAIT);
  }

  private static Bulkhead bulkhead(int places, Duration wait) {
    return Bulkhead.of(
        "computations",
        BulkheadConfig.custom().maxConcurrentCalls(places).maxWaitDuration(wait).build());
  }

  /**
   * Works something out in this thread, when there is a place.
   *
   * @throws Refused with 503 when there is none in time
   */
  public <T> T run(Supplier<T> work) {
    if (working.get()) {
      return work.get();
    }
    Places own = places.get(keeper());
    try {
      return own.waiting.executeSupplier(
          () -> own.running.executeSupplier(() -> running.executeSupplier(() -> marked(work))));
    } catch (BulkheadFullException full) {
      throw Refused.busy("Too much is being worked out at once.");
    }
  }

  /** Waits until nothing is worked out, or for so long: for what nobody waits for. */
  void awaitQuiet(Duration most) {
    long until = System.nanoTime() + most.toNanos();
    try {
      while (running.getMetrics().getAvailableConcurrentCalls() < atOnce
          && System.nanoTime() < until) {
        TimeUnit.MILLISECONDS.sleep(LOOK_AGAIN_MS);
      }
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
  }

  private <T> T marked(Supplier<T> work) {
    working.set(true);
    try {
      return work.get();
    } finally {
      working.remove();
    }
  }

  private static String keeper() {
    var who = SecurityContextHolder.getContext().getAuthentication();
    return who != null && who.getPrincipal() instanceof SignedIn keeper
        ? keeper.keeperId().toString()
        : "";
  }
}
