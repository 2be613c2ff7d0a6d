package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.IntConsumer;

/**
 * Runs the parts of a computation on all processors. A part never waits for another, and whoever
 * waits for parts does nothing else meanwhile: a caller may hold a lock.
 */
public final class SideBySide {
  private static final int PROCESSORS = Runtime.getRuntime().availableProcessors();
  private static final ExecutorService HANDS =
      Executors.newFixedThreadPool(
          PROCESSORS,
          work -> {
            Thread thread = new Thread(work, "runs");
            thread.setDaemon(true);
            return thread;
          });

  private SideBySide() {}

  /** Parts that are worth making of so many runs. */
  public static int parts(int runs) {
    return Math.max(1, Math.min(runs, PROCESSORS));
  }

  /**
   * Does every part and returns when all are done.
   *
   * @param part told its number, 0 being done by the caller's own thread
   */
  public static void run(int parts, IntConsumer part) {
    List<Future<?>> others = new ArrayList<>();
    for (int i = 1; i < parts; i++) {
      int number = i;
      others.add(HANDS.submit(() -> part.accept(number)));
    }
    try {
      part.accept(0);
    } finally {
      others.forEach(SideBySide::await);
    }
  }

  private static void await(Future<?> other) {
    try {
      other.get();
    } catch (InterruptedException stopped) {
      other.cancel(true);
      Thread.currentThread().interrupt();
      throw new IllegalStateException("stopped while runs were under way", stopped);
    } catch (ExecutionException failed) {
      throw failed.getCause() instanceof RuntimeException known
          ? known
          : new IllegalStateException(failed.getCause());
    }
  }
}
