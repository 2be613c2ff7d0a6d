package org.umberline.server.keeper;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.umberline.server.http.Refused;

class FewAtOnceTest {
  private final PasswordEncoder encoder = mock();

  @Test
  void manyWhoSignInTogetherStandInLine() throws Exception {
    AtomicInteger now = new AtomicInteger();
    AtomicInteger most = new AtomicInteger();
    when(encoder.matches(any(), any()))
        .thenAnswer(
            call -> {
              most.accumulateAndGet(now.incrementAndGet(), Math::max);
              Thread.sleep(5);
              now.decrementAndGet();
              return true;
            });
    FewAtOnce few = new FewAtOnce(encoder, 2);
    ExecutorService keepers = Executors.newFixedThreadPool(30);
    List<Future<Boolean>> answers = new ArrayList<>();
    for (int i = 0; i < 30; i++) {
      answers.add(keepers.submit(() -> few.matches("one", "kept")));
    }
    for (Future<Boolean> answer : answers) {
      assertThat(answer.get()).isTrue();
    }
    keepers.shutdown();
    assertThat(most.get()).isBetween(1, 2);
  }

  @Test
  void whoFindsNoPlaceIsToldToAskAgain() throws Exception {
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch end = new CountDownLatch(1);
    when(encoder.encode(any()))
        .thenAnswer(
            call -> {
              begun.countDown();
              end.await();
              return "";
            });
    FewAtOnce few = new FewAtOnce(encoder, 1, Duration.ofMillis(10));
    ExecutorService other = Executors.newSingleThreadExecutor();
    Future<String> first = other.submit(() -> few.encode("one"));
    begun.await();
    assertThatThrownBy(() -> few.encode("two")).isInstanceOf(Refused.class);
    end.countDown();
    assertThat(first.get()).isEmpty();
    other.shutdown();
  }
}
