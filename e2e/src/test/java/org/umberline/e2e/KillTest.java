package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.umberline.server.Browser;
import org.umberline.server.Browser.Answer;
import tools.jackson.databind.JsonNode;

/**
 * Power cuts while keepers write: application or database are killed again and again. What was
 * acknowledged is there, once; a failure is told as the database's being away.
 */
class KillTest {
  private static final int KILLS = Integer.getInteger("kills", 10);

  /** Every so many kills it is the application's turn; that one starts slowly. */
  private static final int APPLICATION_EVERY = Integer.getInteger("kills.application.every", 4);

  private static final int WRITERS = 4;

  /** Of 50 ms each, for the next lines. */
  private static final int MOST_WAITS = 600;

  @Test
  void nothingAcknowledgedIsLostOrDoubled() throws Exception {
    try (Application application = Application.withoutDemo("kills")) {
      Browser keeper = new Browser(application.address()).asNewKeeper();
      String tank = keeper.newTank();
      Queue<String> acknowledged = new ConcurrentLinkedQueue<>();
      Queue<String> unexpected = new ConcurrentLinkedQueue<>();
      AtomicBoolean stop = new AtomicBoolean();
      ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
      for (int writer = 0; writer < WRITERS; writer++) {
        int number = writer;
        writers.submit(
            () -> {
              for (int line = 0; !stop.get() && unexpected.size() < 20; line++) {
                String text = "w" + number + "l" + line;
                write(keeper, tank, text, unexpected);
                acknowledged.add(text);
              }
            });
      }
      Random random = new Random(5);
      for (int kill = 1; kill <= KILLS; kill++) {
        awaitMore(acknowledged);
        TimeUnit.MILLISECONDS.sleep(random.nextInt(500));
        if (kill % APPLICATION_EVERY == 0) {
          application.killAndStart();
        } else {
          application.database().kill();
          TimeUnit.MILLISECONDS.sleep(random.nextInt(300));
          application.database().start();
        }
      }
      TimeUnit.MILLISECONDS.sleep(500);
      stop.set(true);
      writers.shutdown();
      assertThat(writers.awaitTermination(60, TimeUnit.SECONDS)).as(unexpected::toString).isTrue();

      Map<String, Integer> kept = new HashMap<>();
      for (JsonNode entry : keeper.get("/api/tanks/" + tank + "/file").json().path("log")) {
        kept.merge(entry.path("note").asString(""), 1, Integer::sum);
      }
      List<String> lost = new ArrayList<>(acknowledged);
      lost.removeAll(kept.keySet());
      System.out.printf(
          "%d kills, %d lines acknowledged, %d lost, %d doubled, %d answers unexpected%n",
          KILLS,
          acknowledged.size(),
          lost.size(),
          kept.values().stream().filter(times -> times > 1).count(),
          unexpected.size());
      assertThat(unexpected).isEmpty();
      assertThat(acknowledged).hasSizeGreaterThan(KILLS * 2);
      assertThat(lost).isEmpty();
      acknowledged.forEach(text -> assertThat(kept.get(text)).as(text).isEqualTo(1));
    }
  }

  /** Until lines are acknowledged again, so that each kill falls among writes. */
  private static void awaitMore(Queue<String> acknowledged) throws InterruptedException {
    int before = acknowledged.size();
    for (int waited = 0; waited < MOST_WAITS && acknowledged.size() < before + WRITERS; waited++) {
      TimeUnit.MILLISECONDS.sleep(50);
    }
  }

  /** Sends a line until it is acknowledged, as the page's outbox does. */
  private static void write(Browser keeper, String tank, String text, Queue<String> unexpected) {
    String id = UUID.randomUUID().toString();
    for (; ; ) {
      try {
        Answer answer = keeper.note(tank, id, "note " + text, java.time.Instant.now().toString());
        if (answer.status() == 200) {
          return;
        }
        if (answer.status() != 503) {
          unexpected.add(answer.status() + " " + answer.raw().body());
          if (unexpected.size() > 20) {
            return;
          }
        }
      } catch (IllegalStateException notAnswered) {
        // killed while it answered: sent again
      }
      try {
        TimeUnit.MILLISECONDS.sleep(30);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return;
      }
    }
  }
}
