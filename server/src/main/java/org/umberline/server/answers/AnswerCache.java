package org.umberline.server.answers;

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

  private final Once<Key, T> cache;

  AnswerCache(Computations computations, int size) {
    cache = new Once<>(computations, size);
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
