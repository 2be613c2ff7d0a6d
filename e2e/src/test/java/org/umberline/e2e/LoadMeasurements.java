package org.umberline.e2e;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.umberline.server.Browser;
import org.umberline.server.Browser.Answer;
import tools.jackson.databind.json.JsonMapper;

/**
 * Many keepers at once, each with tanks of its own and thinking between what it does; from the
 * moment of a start on, and for so long that memory would show it if it grew. Told and never
 * judged. Run by {@code ./umberline measure load}.
 */
class LoadMeasurements {
  private static final JsonMapper JSON = JsonMapper.shared();
  private static final int TANKS_EACH = 5;
  private static final Duration THINKS = Duration.ofSeconds(6);
  private static final String HEAP = System.getProperty("load.heap", "600m");
  private static final Duration MANY = Duration.ofSeconds(60);
  private static final Duration LONG = Duration.ofMinutes(Integer.getInteger("load.minutes", 30));

  private static final String ERROR = "error";

  private static int errors(Map<String, Queue<Double>> times) {
    return times.entrySet().stream()
        .filter(one -> one.getKey().startsWith(ERROR))
        .mapToInt(one -> one.getValue().size())
        .sum();
  }

  /** One keeper of the measurement: who it is and its tanks. */
  private record Keeper(String name, List<String> tanks) {}

  @Test
  void fiftyKeepersAndForLong() throws Exception {
    keepers(50, LONG);
  }

  @Test
  void twoHundredKeepers() throws Exception {
    keepers(200, MANY);
  }

  private static void keepers(int count, Duration then) throws Exception {
    try (Application application =
        new Application("load-" + count, "-XX:+UseSerialGC", "-Xmx" + HEAP)) {
      List<Keeper> keepers = new ArrayList<>();
      for (int i = 0; i < count; i++) {
        keepers.add(keeper(application.address(), i));
      }
      awaitWorkedOut(application.address(), keepers);
      application.killAndStart();
      System.out.printf("%d keepers with %d tanks each, a heap of %s%n", count, TANKS_EACH, HEAP);
      Map<String, Queue<Double>> times = new ConcurrentHashMap<>();
      work(application, keepers, MANY, times);
      for (String what : times.keySet().stream().sorted().toList()) {
        Measurements.tell(what, new ArrayList<>(times.get(what)));
      }
      System.out.printf(
          "errors %d; memory %d MB%n", errors(times), application.memory() / 1_000_000);
      if (then.compareTo(MANY) > 0) {
        work(application, keepers, then, times);
      }
    }
  }

  private static Keeper keeper(String address, int number) {
    Browser browser = new Browser(address).asNewKeeper();
    List<String> tanks = new ArrayList<>();
    for (int tank = 0; tank < TANKS_EACH; tank++) {
      String id = UUID.randomUUID().toString();
      expect(browser.takeIn(id, file(number * TANKS_EACH + tank)), 201);
      tanks.add(id);
    }
    return new Keeper(browser.name(), tanks);
  }

  private static void expect(Answer answer, int status) {
    if (answer.status() != status) {
      throw new IllegalStateException(answer.raw().body());
    }
  }

  /** A tank with a season of weekly changes and two tests a week. */
  private static String file(int number) {
    List<Map<String, Object>> log = new ArrayList<>();
    Instant now = Instant.now();
    for (int day = 90; day > 0; day--) {
      Instant at = now.minus(Duration.ofDays(day));
      if (day % 7 == number % 7) {
        log.add(Map.of("at", at.toString(), "type", "water-change", "litres", 20));
      } else if (day % 7 == (number + 2) % 7) {
        log.add(test(at, "nitrate", 15 + number % 12 + day % 4));
      } else if (day % 7 == (number + 4) % 7) {
        log.add(test(at, "phosphate", 0.4 + 0.1 * (day % 3)));
      }
    }
    return JSON.writeValueAsString(
        Map.of(
            "format",
            "umberline-tank",
            "version",
            1,
            "tank",
            Map.of("name", "Tank " + number, "water", "freshwater", "netVolumeL", 80 + number % 50),
            "lines",
            Map.of("nitrate", Map.of("ceilingMgL", 40)),
            "foods",
            List.of(Map.of("id", "f", "form", "dry")),
            "feeding",
            List.of(Map.of("food", "f", "gramsPerFeed", 0.2 + 0.01 * (number % 10))),
            "log",
            log));
  }

  private static Map<String, Object> test(Instant at, String analyte, double value) {
    return Map.of("at", at.toString(), "type", "test", "analyte", analyte, "value", value);
  }

  private static void awaitWorkedOut(String address, List<Keeper> keepers)
      throws InterruptedException {
    Set<String> waiting = new HashSet<>(keepers.stream().map(Keeper::name).toList());
    while (!waiting.isEmpty()) {
      for (String name : List.copyOf(waiting)) {
        Browser browser = new Browser(address);
        expect(browser.signIn(name, Browser.PASSWORD), 204);
        var known = browser.get("/api/rounds/known").json();
        if (known.path("coming").isEmpty() && known.path("renewed").isEmpty()) {
          waiting.remove(name);
        }
      }
      TimeUnit.SECONDS.sleep(1);
    }
  }

  private static void work(
      Application application,
      List<Keeper> keepers,
      Duration howLong,
      Map<String, Queue<Double>> times)
      throws InterruptedException {
    Instant until = Instant.now().plus(howLong);
    ExecutorService threads = Executors.newFixedThreadPool(keepers.size());
    for (int i = 0; i < keepers.size(); i++) {
      int seed = i;
      threads.submit(
          () -> new Hand(application.address(), keepers.get(seed), seed, times).work(until));
    }
    threads.shutdown();
    for (int minute = 1; !threads.awaitTermination(60, TimeUnit.SECONDS); minute++) {
      System.out.printf(
          Locale.ROOT,
          "after %2d minutes: memory %d MB, %d answers, %d errors%n",
          minute,
          application.memory() / 1_000_000,
          times.values().stream().mapToInt(Collection::size).sum(),
          errors(times));
    }
  }

  /** What a keeper does over and over. */
  private record Hand(String address, Keeper keeper, int seed, Map<String, Queue<Double>> times) {
    void work(Instant until) {
      try {
        Random random = new Random(seed);
        think(random);
        // each from an address of its own, as a balancer tells it
        Browser browser = new Browser(address).with("X-Forwarded-For", "10.1.1." + seed % 250);
        timed("sign in", () -> browser.signIn(keeper.name, Browser.PASSWORD));
        Set<String> tried = new HashSet<>();
        while (Instant.now().isBefore(until)) {
          timed("rounds", () -> browser.get("/api/rounds/known"));
          think(random);
          String tank = keeper.tanks.get(random.nextInt(TANKS_EACH));
          String body =
              """
              {"solve": "NOTHING", "fraction": %s, "everyDays": 7, "nextOn": "%s"}"""
                  .formatted(
                      0.05 + 0.25 * random.nextDouble(), LocalDate.now().plusDays(2).toString());
          timed(
              tried.add(tank) ? "what-if, the first of a tank" : "what-if",
              () -> browser.post("/api/tanks/" + tank + "/what-if", body));
          think(random);
          timed(
              "log entry",
              () ->
                  browser.note(
                      tank,
                      UUID.randomUUID().toString(),
                      "note all well",
                      Instant.now().toString()));
          think(random);
        }
      } catch (InterruptedException stopped) {
        Thread.currentThread().interrupt();
      } catch (RuntimeException failure) {
        failure.printStackTrace();
        add(ERROR + ", not answered", 0);
      }
    }

    private static void think(Random random) throws InterruptedException {
      TimeUnit.MILLISECONDS.sleep((long) (THINKS.toMillis() * (0.5 + random.nextDouble())));
    }

    private void timed(String what, Supplier<Answer> request) {
      long begin = System.nanoTime();
      Answer answer = request.get();
      String kind = answer.status() < 300 ? what : ERROR + " " + answer.status() + ", " + what;
      add(kind, (System.nanoTime() - begin) / 1e6);
    }

    private void add(String what, double milliseconds) {
      times.computeIfAbsent(what, any -> new ConcurrentLinkedQueue<>()).add(milliseconds);
    }
  }
}
