package org.umberline.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;

class WarmUpTest {
  @Test
  void itEndsByItselfAndNothingWaitsForIt() throws Exception {
    AtomicReference<Throwable> failure = new AtomicReference<>();
    Thread.UncaughtExceptionHandler before = Thread.getDefaultUncaughtExceptionHandler();
    Thread.setDefaultUncaughtExceptionHandler((thread, thrown) -> failure.set(thrown));
    try {
      WarmUp.begin(1);
      Optional<Thread> thread =
          Thread.getAllStackTraces().keySet().stream()
              .filter(one -> one.getName().equals("warm-up"))
              .findFirst();
      assertThat(thread).get().matches(Thread::isDaemon);
      thread.get().join(300_000);
      assertThat(thread.get().isAlive()).isFalse();
      assertThat(failure.get()).isNull();
    } finally {
      Thread.setDefaultUncaughtExceptionHandler(before);
    }
  }
}
