package org.umberline.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

class WorkersTest {
  private static final Workers WORKERS = Workers.ofAllProcessors();

  @Test
  void everyPartIsDoneOnce() {
    AtomicIntegerArray done = new AtomicIntegerArray(7);
    WORKERS.run(7, done::incrementAndGet);
    for (int i = 0; i < 7; i++) {
      assertThat(done.get(i)).isEqualTo(1);
    }
  }

  @Test
  void everyPieceIsDoneOnceByOneThreadAlone() {
    AtomicIntegerArray done = new AtomicIntegerArray(9);
    AtomicIntegerArray parts = new AtomicIntegerArray(9);
    WORKERS.each(
        9,
        piece -> {
          done.incrementAndGet(piece);
          parts.set(piece, WORKERS.parts(100));
        });
    for (int i = 0; i < 9; i++) {
      assertThat(done.get(i)).isEqualTo(1);
      assertThat(parts.get(i)).isEqualTo(1);
    }
    assertThat(WORKERS.parts(100)).isEqualTo(Runtime.getRuntime().availableProcessors());
  }

  @Test
  void whoeverWorksAloneStaysAlone() {
    WORKERS.alone(
        () -> {
          WORKERS.each(2, piece -> Math.log(piece + 1));
          assertThat(WORKERS.parts(100)).isEqualTo(1);
        });
    assertThatThrownBy(
            () ->
                WORKERS.each(
                    3,
                    piece -> {
                      throw new CancellationException("given up");
                    }))
        .isInstanceOf(CancellationException.class);
  }

  @Test
  void whatAPartThrowsIsThrown() {
    for (int culprit = 0; culprit < 3; culprit++) {
      int part = culprit;
      assertThatThrownBy(
              () ->
                  WORKERS.run(
                      3,
                      i -> {
                        if (i == part) {
                          throw new CancellationException("given up");
                        }
                      }))
          .isInstanceOf(CancellationException.class);
    }
  }

  /** Callers that hold a lock each and wait for their parts never wait for one another's lock. */
  @Test
  @Timeout(20)
  void callersThatHoldLocksDoNotBlockEachOther() {
    Object[] locks = IntStream.range(0, 4).mapToObj(i -> new Object()).toArray();
    IntStream.range(0, 400)
        .parallel()
        .forEach(
            i -> {
              synchronized (locks[i % locks.length]) {
                WORKERS.run(2, part -> Math.log(part + i + 1));
              }
            });
  }
}
