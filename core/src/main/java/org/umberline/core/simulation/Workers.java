package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;

/**
 * Runs the parts of a computation side by side. No result may depend on how many parts there are,
 * and no part may start parts of its own but alone: it could wait for a thread that waits for it.
 */
public final class Workers implements AutoCloseable {
  private final ExecutorService threads;
  private final int most;
  private final ThreadLocal<Boolean> alone = ThreadLocal.withInitial(() -> false);

  private Workers(ExecutorService threads, int most) {
    this.threads = threads;
    this.most = most;
  }

  /** One thread for each processor, kept until they are closed or the program ends. */
  public static Workers ofAllProcessors() {
    int processors = Runtime.getRuntime().availableProcessors();
    return new Workers(
        Executors.newFixedThreadPool(
            processors,
            work -> {
              Thread thread = new Thread(work, "runs");
              thread.setDaemon(true);
              return thread;
            }),
        processors);
  }

  /** Parts that are worth making of so many runs. */
  public int parts(int runs) {
    return alone.get() ? 1 : Math.max(1, Math.min(runs, most));
  }

  /** Does all of some work in this thread; the others are left to others. */
  public void alone(Runnable work) {
    boolean before = alone.get();
    alone.set(true);
    try {
      work.run();
    } finally {
      alone.set(before);
    }
  }

  /**
   * Does many pieces of work side by side, each in one thread alone, and returns when all are done.
   *
   * @param piece told its number; whichever thread is free takes the next
   */
  public void each(int pieces, IntConsumer piece) {
    AtomicInteger next = new AtomicInteger();
    run(
        parts(pieces),
        part ->
            alone(
                () -> {
                  for (int i = next.getAndIncrement(); i < pieces; i = next.getAndIncrement()) {
                    piece.accept(i);
                  }
                }));
  }

  /**
   * Does every part and returns when all are done.
   *
   * @param part told its number; 0 is done by the caller's own thread
   */
  public void run(int parts, IntConsumer part) {
    List<Future<?>> others = new ArrayList<>();
    for (int i = 1; i < parts; i++) {
      int number = i;
      others.add(threads.submit(() -> part.accept(number)));
    }
    try {
      part.accept(0);
    } finally {
      others.forEach(Workers::await);
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

  @Override
  public void close() {
    threads.shutdownNow();
  }
}
