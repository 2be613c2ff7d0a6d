package org.umberline.server.answers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.LocalDate;
import java.util.UUID;
import java.util.function.Supplier;
import org.umberline.server.answers.TankRecords.Stored;

/**
 * Answers that stay true until the tank's make-up or log changes or its day ends. The key is what
 * the database says of the tank, so every process drops them at the same moment.
 */
final class AnswerCache<T> {
  private record Key(UUID id, int version, long logRevision, LocalDate today, Object asked) {}

  private final Cache<Key, T> cache;

  AnswerCache(int size) {
    cache = Caffeine.newBuilder().maximumSize(size).build();
  }

  /**
   * @param asked what else the answer depends on
   */
  T get(Stored stored, LocalDate today, Object asked, Supplier<T> make) {
    return cache.get(
        new Key(stored.id(), stored.version(), stored.logRevision(), today, asked),
        key -> make.get());
  }
}
