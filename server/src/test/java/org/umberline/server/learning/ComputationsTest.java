package org.umberline.server.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.SignedIn;

class ComputationsTest {
  private final Computations computations = new Computations(3);
  private final ExecutorService threads = Executors.newCachedThreadPool();
  private final CountDownLatch heavyWorkEnds = new CountDownLatch(1);

  @AfterEach
  void end() {
    heavyWorkEnds.countDown();
    threads.shutdownNow();
  }

  private Future<Integer> asked(SignedIn keeper, java.util.function.Supplier<Integer> work) {
    return threads.submit(
        () -> {
          SecurityContextHolder.getContext()
              .setAuthentication(
                  UsernamePasswordAuthenticationToken.authenticated(keeper, null, List.of()));
          return computations.run(work);
        });
  }

  private static SignedIn keeper(String name) {
    return new SignedIn(UUID.randomUUID(), name, "");
  }

  private int heavy() {
    try {
      heavyWorkEnds.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    return 1;
  }

  @Test
  void whatNobodyWaitsForGivesWay() throws Exception {
    computations.awaitQuiet(Duration.ofHours(1));
    CountDownLatch begun = new CountDownLatch(1);
    Future<Integer> asked =
        asked(
            keeper("asks"),
            () -> {
              begun.countDown();
              return heavy();
            });
    begun.await();
    Future<?> later = threads.submit(() -> computations.awaitQuiet(Duration.ofHours(1)));
    assertThatThrownBy(() -> later.get(200, TimeUnit.MILLISECONDS))
        .isInstanceOf(TimeoutException.class);
    computations.awaitQuiet(Duration.ofMillis(50));
    heavyWorkEnds.countDown();
    later.get(5, TimeUnit.SECONDS);
    assertThat(asked.get()).isEqualTo(1);
  }

  @Test
  void onesHeavyTanksLeaveAPlaceForOthersAndItsQueueHasAnEnd() throws Exception {
    SignedIn busy = keeper("busy");
    List<Future<Integer>> heavy = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      heavy.add(asked(busy, this::heavy));
    }
    assertThat(asked(keeper("other"), () -> 7).get(5, TimeUnit.SECONDS)).isEqualTo(7);
    Thread.sleep(100);
    assertThatThrownBy(() -> asked(busy, () -> 7).get(5, TimeUnit.SECONDS))
        .cause()
        .isInstanceOfSatisfying(
            Refused.class,
            refused -> {
              assertThat(refused.status()).isEqualTo(HttpStatus.SERVICE_UNAVAILABLE);
              assertThat(refused.retryAfterSeconds()).isPositive();
            });
    heavyWorkEnds.countDown();
    for (Future<Integer> one : heavy) {
      assertThat(one.get(5, TimeUnit.SECONDS)).isEqualTo(1);
    }
  }

  @Test
  void theSameThingIsWorkedOutOnceAndAFailureIsNotKept() throws Exception {
    Once<String, Integer> once = new Once<>(computations, 10);
    AtomicInteger made = new AtomicInteger();
    Future<Integer> first =
        threads.submit(() -> once.get("a", key -> made.incrementAndGet() * heavy()));
    Future<Integer> second =
        threads.submit(() -> once.get("a", key -> made.incrementAndGet() * heavy()));
    heavyWorkEnds.countDown();
    assertThat(first.get(5, TimeUnit.SECONDS)).isEqualTo(1);
    assertThat(second.get(5, TimeUnit.SECONDS)).isEqualTo(1);
    assertThat(made).hasValue(1);
    assertThatThrownBy(
            () ->
                once.get(
                    "b",
                    key -> {
                      throw new IllegalArgumentException("no");
                    }))
        .isInstanceOf(IllegalArgumentException.class);
    assertThat(once.get("b", key -> 5)).isEqualTo(5);
  }
}
