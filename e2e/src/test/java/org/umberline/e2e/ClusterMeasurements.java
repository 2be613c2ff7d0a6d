package org.umberline.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import java.util.UUID;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;
import org.umberline.server.Browser;
import org.umberline.server.Browser.Answer;
import org.umberline.server.PrivateDatabase;
import tools.jackson.databind.JsonNode;

/**
 * Two applications on three databases that replicate one another, one of each killed while keepers
 * write. Run by {@code ./umberline measure cluster}.
 */
class ClusterMeasurements {
  private static final int WRITERS = 8;
  private static final int TANKS = 2;
  private static final int SECONDS_EACH = Integer.getInteger("cluster.seconds", 15);

  /** A line that was acknowledged, and when. */
  private record Noted(String tank, String text, long atNanos) {}

  private final Queue<Noted> acknowledged = new ConcurrentLinkedQueue<>();
  private final Queue<String> unexpected = new ConcurrentLinkedQueue<>();
  private final AtomicLong looked = new AtomicLong();
  private final AtomicLong stale = new AtomicLong();
  private final AtomicLong toldToWait = new AtomicLong();
  private final AtomicBoolean stop = new AtomicBoolean();

  @Test
  void aNodeAndAProcessAreKilledWhileKeepersWrite() throws Exception {
    try (Cluster cluster = new Cluster("cluster");
        Application one = new Application("cluster-first", cluster.from(0), "-Xmx600m");
        Application other = new Application("cluster-second", cluster.from(1), "-Xmx600m")) {
      List<Application> processes = List.of(one, other);
      Browser owner = new Browser(one.address()).asNewKeeper();
      List<String> tanks = new ArrayList<>();
      for (int i = 0; i < TANKS; i++) {
        tanks.add(owner.newTank());
      }
      ExecutorService writers = Executors.newFixedThreadPool(WRITERS);
      for (int i = 0; i < WRITERS; i++) {
        int number = i;
        writers.submit(() -> write(number, processes, owner.name(), tanks.get(number / 2 % TANKS)));
      }
      long all = period("nothing killed", period("warming up", System.nanoTime()));
      cluster.node(0).kill();
      long noNode = period("a database killed", all);
      cluster.join(0, false);
      long again = period("it is back", noNode);
      one.kill();
      long noProcess = period("an application killed", again);
      one.startAgain();
      period("it is back", noProcess);
      stop.set(true);
      writers.shutdown();
      assertThat(writers.awaitTermination(90, TimeUnit.SECONDS)).as(unexpected::toString).isTrue();

      for (int i = 0; i < 3; i++) {
        tellConflicts(i, cluster.node(i));
      }
      for (Application process : processes) {
        Browser reader = new Browser(process.address());
        reader.signIn(owner.name(), Browser.PASSWORD);
        judge(process == one ? "first" : "second", reader, tanks);
      }
      System.out.printf(
          "%d looks through the other process, %d of them stale; %d answers unexpected%n",
          looked.get(), stale.get(), unexpected.size());
      assertThat(unexpected).isEmpty();
      assertThat(stale.get()).isZero();
    }
  }

  /** Lets some seconds pass and tells what was written in them. */
  private long period(String what, long from) throws InterruptedException {
    TimeUnit.SECONDS.sleep(SECONDS_EACH);
    long now = System.nanoTime();
    List<Long> times =
        acknowledged.stream()
            .map(Noted::atNanos)
            .filter(at -> at >= from && at < now)
            .sorted()
            .toList();
    long gap = 0;
    long last = from;
    for (long at : times) {
      gap = Math.max(gap, at - last);
      last = at;
    }
    System.out.printf(
        Locale.ROOT,
        "%-24s %5.1f s, %5d lines acknowledged, longest pause %.1f s, told to wait %d times%n",
        what,
        (now - from) / 1e9,
        times.size(),
        Math.max(gap, now - last) / 1e9,
        toldToWait.getAndSet(0));
    return now;
  }

  /** Writes line after line through one process, or the other where that doesn't answer. */
  private void write(int number, List<Application> processes, String name, String tank) {
    List<Browser> browsers = new ArrayList<>();
    for (Application process : processes) {
      Browser browser = new Browser(process.address());
      browser.signIn(name, Browser.PASSWORD);
      browsers.add(browser);
    }
    int at = number;
    for (int line = 0; !stop.get() && unexpected.size() < 20; line++) {
      String text = "w" + number + "l" + line;
      at = writeUntilTaken(browsers, at, tank, text);
      acknowledged.add(new Noted(tank, text, System.nanoTime()));
      if (line % 5 == 0) {
        look(browsers.get((at + 1) % browsers.size()), tank, text);
      }
    }
  }

  private int writeUntilTaken(List<Browser> browsers, int first, String tank, String text) {
    String id = UUID.randomUUID().toString();
    int at = first;
    while (true) {
      try {
        Answer answer =
            browsers
                .get(at % browsers.size())
                .note(tank, id, "note " + text, Instant.now().toString());
        if (answer.status() == 200) {
          return at;
        }
        if (answer.status() == 503) {
          toldToWait.incrementAndGet();
        } else {
          unexpected.add(answer.status() + " " + answer.raw().body());
          if (unexpected.size() > 20) {
            return at;
          }
        }
      } catch (IllegalStateException notAnswered) {
        at++;
      }
      pause();
    }
  }

  /** Whether the other process knows a line as soon as it is acknowledged. */
  private void look(Browser reader, String tank, String text) {
    try {
      Answer answer = reader.get("/api/tanks/" + tank + "/log");
      if (answer.status() == 200) {
        looked.incrementAndGet();
        if (!answer.raw().body().contains(text + "\"")) {
          stale.incrementAndGet();
        }
      }
    } catch (IllegalStateException notAnswered) {
      // it is the one that was killed
    }
  }

  private static void pause() {
    try {
      TimeUnit.MILLISECONDS.sleep(50);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** What was acknowledged is there, once, whichever process is asked. */
  private void judge(String process, Browser reader, List<String> tanks) {
    Map<String, Integer> kept = new HashMap<>();
    for (String tank : tanks) {
      for (JsonNode entry : reader.get("/api/tanks/" + tank + "/file").json().path("log")) {
        kept.merge(tank + entry.path("note").asString(""), 1, Integer::sum);
      }
    }
    List<String> lost =
        acknowledged.stream()
            .map(one -> one.tank + one.text)
            .filter(line -> !kept.containsKey(line))
            .toList();
    List<String> doubled =
        acknowledged.stream()
            .map(one -> one.tank + one.text)
            .filter(line -> kept.getOrDefault(line, 0) > 1)
            .toList();
    System.out.printf(
        "by the %s process: %d lines acknowledged, %d lost, %d doubled%n",
        process, acknowledged.size(), lost.size(), doubled.size());
    assertThat(lost).isEmpty();
    assertThat(doubled).isEmpty();
  }

  /** Writers of one tank at two nodes: one of them has to begin again. */
  private static void tellConflicts(int number, PrivateDatabase node) throws SQLException {
    Map<String, String> said = new HashMap<>();
    try (Connection connection =
            DriverManager.getConnection(
                "jdbc:mariadb://127.0.0.1:" + node.port() + "/umberline",
                "umberline",
                node.password());
        Statement statement = connection.createStatement();
        ResultSet rows = statement.executeQuery("SHOW STATUS LIKE 'wsrep_%'")) {
      while (rows.next()) {
        said.put(rows.getString(1), rows.getString(2));
      }
    }
    System.out.printf(
        "database %d: of %s, %s; writers that had to begin again since its start: %s + %s%n",
        number + 1,
        said.get("wsrep_cluster_size"),
        said.get("wsrep_local_state_comment"),
        said.get("wsrep_local_cert_failures"),
        said.get("wsrep_local_bf_aborts"));
  }
}
