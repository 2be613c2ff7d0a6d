package org.umberline.server.learning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.Function;
import org.umberline.server.http.Refused;

/**
 * Keeps what was worked out, and works out each thing once: whoever asks for the same meanwhile
 * waits for it, and whoever asks for something else does not.
 */
final class Once<K, T> {
  private static final long LONGEST_WAIT_SECONDS = 30;

  private final Computations computations;
  private final Cache<K, CompletableFuture<T>> cache;

  Once(Computations computations, int size) {
    this.computations = computations;
    cache = Caffeine.newBuilder().maximumSize(size).build();
  }

  T get(K key, Function<K, T> make) {
    CompletableFuture<T> mine = new CompletableFuture<>();
    CompletableFuture<T> known = cache.asMap().putIfAbsent(key, mine);
    if (known != null) {
      return await(known);
    }
    try {
      T made = computations.run(() -> make.apply(key));
      mine.complete(made);
      return made;
    } catch (RuntimeException | Error failure) {
      cache.asMap().remove(key, mine);
      mine.completeExceptionally(failure);
      throw failure;
    }
  }

  /** What was worked out already; nothing is waited for. */
  Optional<T> known(K key) {
    CompletableFuture<T> known = cache.getIfPresent(key);
    return known != null && known.isDone() && !known.isCompletedExceptionally()
        ? Optional.of(known.join())
        : Optional.empty();
  }

  /** Keeps what was worked out elsewhere, unless it is known or under way here. */
  void put(K key, T made) {
    cache.asMap().putIfAbsent(key, CompletableFuture.completedFuture(made));
  }

  private static <T> T await(CompletableFuture<T> known) {
    try {
      return known.get(LONGEST_WAIT_SECONDS, TimeUnit.SECONDS);
    } catch (TimeoutException slow) {
      throw Refused.busy("This is still being worked out.");
    } catch (ExecutionException failed) {
      if (failed.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw new IllegalStateException(failed.getCause());
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      throw Refused.busy("The server is stopping.");
    }
  }
}
