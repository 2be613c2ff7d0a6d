package org.umberline.server.learning;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.umberline.server.tank.TankRecords.Stored;

/**
 * Answers that stay true until the tank's make-up or log changes or its day ends. The key is what
 * the database says of the tank, so every process drops them at the same moment.
 */
public final class AnswerCache<T> {
  private record Key(UUID id, int version, long logRevision, LocalDate today, Object asked) {
    Key(Stored stored, LocalDate today, Object asked) {
      this(stored.id(), stored.version(), stored.logRevision(), today, asked);
    }
  }

  /**
   * An answer that need not be worked out.
   *
   * @param from when it was worked out, where it is no longer what would be answered now
   */
  public record Known<T>(T answer, Optional<Instant> from) {}

  /** Where answers are kept beside this process's memory. */
  private record Shelf<T>(AnswerShelf answers, String kind, Class<T> type) {
    Optional<AnswerShelf.Kept<T>> last(Key key) {
      return answers.last(key.id, kind, key, type);
    }

    T currentOr(Key key, Supplier<T> make) {
      return answers
          .current(key.id, kind, key, type)
          .orElseGet(
              () -> {
                T made = make.get();
                answers.keep(key.id, kind, key, made);
                return made;
              });
    }
  }

  private final Once<Key, T> cache;
  private final Optional<Shelf<T>> shelf;

  /** Answers that a start forgets. */
  public AnswerCache(Computations computations, int size) {
    this(computations, size, Optional.empty());
  }

  private AnswerCache(Computations computations, int size, Optional<Shelf<T>> shelf) {
    cache = new Once<>(computations, size);
    this.shelf = shelf;
  }

  /**
   * Answers that are also kept in the database.
   *
   * @param kind names them there
   */
  public static <T> AnswerCache<T> kept(
      Computations computations, int size, AnswerShelf shelf, String kind, Class<T> type) {
    return new AnswerCache<>(computations, size, Optional.of(new Shelf<>(shelf, kind, type)));
  }

  /**
   * The answer, worked out if need be.
   *
   * @param asked what else the answer depends on; where answers are kept its text tells all of it
   */
  public T get(Stored stored, LocalDate today, Object asked, Supplier<T> make) {
    return cache.get(
        new Key(stored, today, asked),
        key -> shelf.map(kept -> kept.currentOr(key, make)).orElseGet(make));
  }

  /** What is known at once, as of now or of an earlier moment; empty where nothing is. */
  public Optional<Known<T>> known(Stored stored, LocalDate today, Object asked) {
    Key key = new Key(stored, today, asked);
    return cache
        .known(key)
        .map(answer -> new Known<>(answer, Optional.<Instant>empty()))
        .or(() -> shelf.flatMap(kept -> kept.last(key)).map(kept -> known(key, kept)));
  }

  private Known<T> known(Key key, AnswerShelf.Kept<T> kept) {
    if (!kept.current()) {
      return new Known<>(kept.answer(), Optional.of(kept.at()));
    }
    cache.put(key, kept.answer());
    return new Known<>(kept.answer(), Optional.empty());
  }
}
