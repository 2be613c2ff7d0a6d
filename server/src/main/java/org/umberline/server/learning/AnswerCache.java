package org.umberline.server.learning;

import java.time.LocalDate;
import java.util.UUID;
import java.util.function.Supplier;
import org.umberline.server.tank.TankRecords.Stored;

/**
 * Answers that stay true until the tank's make-up or log changes or its day ends. The key is what
 * the database says of the tank, so every process drops them at the same moment.
 */
public final class AnswerCache<T> {
  private record Key(UUID id, int version, long logRevision, LocalDate today, Object asked) {}

  private interface Shelved<T> {
    T of(Key key, Supplier<T> make);
  }

  private final Once<Key, T> cache;
  private final Shelved<T> shelved;

  /** Answers that a start forgets. */
  public AnswerCache(Computations computations, int size) {
    this(computations, size, (key, make) -> make.get());
  }

  private AnswerCache(Computations computations, int size, Shelved<T> shelved) {
    cache = new Once<>(computations, size);
    this.shelved = shelved;
  }

  /**
   * Answers that are also kept in the database.
   *
   * @param kind names them there
   */
  public static <T> AnswerCache<T> kept(
      Computations computations, int size, AnswerShelf shelf, String kind, Class<T> type) {
    return new AnswerCache<>(
        computations,
        size,
        (key, make) ->
            shelf
                .find(key.id, kind, key, type)
                .orElseGet(
                    () -> {
                      T made = make.get();
                      shelf.keep(key.id, kind, key, made);
                      return made;
                    }));
  }

  /**
   * @param asked what else the answer depends on; where answers are kept its text tells all of it
   */
  public T get(Stored stored, LocalDate today, Object asked, Supplier<T> make) {
    return cache.get(
        new Key(stored.id(), stored.version(), stored.logRevision(), today, asked),
        key -> shelved.of(key, make));
  }
}
