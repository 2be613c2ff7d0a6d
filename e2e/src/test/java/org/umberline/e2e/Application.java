package org.umberline.e2e;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.umberline.server.PrivateDatabase;

/** The packaged application with the demo's data, on a database and port of its own. */
final class Application implements AutoCloseable {
  /**
   * Of a virtual machine that lives for a story: it compiles as it goes and warms nothing up for
   * later.
   */
  static final String[] SHORT_LIVED = {
    "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC", "-Dumberline.warm-up=false"
  };

  private static final Duration LONGEST_START = Duration.ofMinutes(3);

  private static Application shared;

  private final Optional<PrivateDatabase> database;
  private final ProcessBuilder builder;
  private final Path log;
  private Process process;
  private final Optional<Process> photometer;
  private final int port;
  private final int photometerPort;

  /** One application for every story, ended with the tests: each story minds its own tank. */
  static synchronized Application shared() {
    if (shared == null) {
      shared = withLearnedDemo("test-e2e");
      Runtime.getRuntime().addShutdownHook(new Thread(shared::close));
    }
    return shared;
  }

  /**
   * On a database of its own.
   *
   * @param name of its database and log
   * @param options for its virtual machine
   */
  Application(String name, String... options) {
    this(name, Optional.of(new PrivateDatabase(name).start()), Map.of(), options);
  }

  /**
   * On a database that is there, which it does not end.
   *
   * @param environment says where that is
   */
  Application(String name, Map<String, String> environment, String... options) {
    this(name, Optional.empty(), environment, options);
  }

  /** On a database of its own, in which the demo's tanks are learned already. */
  static Application withLearnedDemo(String name) {
    return new Application(name, Optional.of(LearnedDemo.database(name)), Map.of(), SHORT_LIVED);
  }

  /** On a database of its own, without the demo's tanks. */
  static Application withoutDemo(String name) {
    return new Application(
        name,
        Optional.of(new PrivateDatabase(name).start()),
        Map.of("UMBERLINE_DEMO", "false"),
        SHORT_LIVED);
  }

  /** What tells a process where a database is. */
  static Map<String, String> on(PrivateDatabase database) {
    return Map.of(
        "UMBERLINE_DATABASE_PORT", database.port(),
        "UMBERLINE_DATABASE_PASSWORD", database.password());
  }

  private Application(
      String name,
      Optional<PrivateDatabase> own,
      Map<String, String> environment,
      String... options) {
    database = own;
    try (ServerSocket free = new ServerSocket(0);
        ServerSocket another = new ServerSocket(0)) {
      port = free.getLocalPort();
      photometerPort = another.getLocalPort();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    try {
      String file = "%s-%d.log".formatted(name, ProcessHandle.current().pid());
      log = Path.of("target", file).toAbsolutePath();
      Files.createDirectories(log.getParent());
      builder =
          new ProcessBuilder(Unpacked.command(List.of(options)))
              .directory(Unpacked.folder().toFile())
              .redirectErrorStream(true)
              .redirectOutput(log.toFile());
      builder.environment().put("UMBERLINE_PORT", String.valueOf(port));
      builder.environment().put("UMBERLINE_DEMO", "true");
      builder.environment().putAll(environment);
      own.ifPresent(one -> builder.environment().putAll(on(one)));
      builder.environment().put("UMBERLINE_PHOTOMETER", "http://127.0.0.1:" + photometerPort);
      photometer = own.isPresent() ? Optional.of(startPhotometer()) : Optional.empty();
      process = builder.start();
      awaitReady();
    } catch (IOException e) {
      database.ifPresent(PrivateDatabase::close);
      throw new IllegalStateException(e);
    }
  }

  private Process startPhotometer() throws IOException {
    return new ProcessBuilder(
            "java",
            "-Xmx32m",
            "-jar",
            System.getProperty("standins"),
            "photometer",
            String.valueOf(photometerPort))
        .redirectErrorStream(true)
        .redirectOutput(ProcessBuilder.Redirect.DISCARD)
        .start();
  }

  private void awaitReady() {
    HttpClient client = HttpClient.newHttpClient();
    HttpRequest health =
        HttpRequest.newBuilder(URI.create(address() + "/actuator/health/readiness")).build();
    Instant end = Instant.now().plus(LONGEST_START);
    while (Instant.now().isBefore(end) && process.isAlive()) {
      try {
        if (client.send(health, HttpResponse.BodyHandlers.discarding()).statusCode() == 200) {
          return;
        }
        TimeUnit.MILLISECONDS.sleep(200);
      } catch (IOException e) {
        pause();
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        break;
      }
    }
    close();
    throw new IllegalStateException("the application did not start; see " + log);
  }

  private static void pause() {
    try {
      TimeUnit.MILLISECONDS.sleep(200);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  String address() {
    return "http://127.0.0.1:" + port;
  }

  /** Tells the simulated photometer something, such as what is in its cuvette. */
  void photometer(String path) {
    HttpRequest request =
        HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + photometerPort + path))
            .PUT(HttpRequest.BodyPublishers.noBody())
            .build();
    try {
      HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.discarding());
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  /** Ends the application as a power cut would, and starts it again. */
  void killAndStart() {
    kill();
    startAgain();
  }

  /** Ends the application as a power cut would. */
  void kill() {
    process.destroyForcibly();
    try {
      process.waitFor();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  void startAgain() {
    try {
      process = builder.start();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    awaitReady();
  }

  int port() {
    return port;
  }

  /** Bytes of memory that the process holds. */
  long memory() {
    try (Stream<String> lines = Files.lines(Path.of("/proc/" + process.pid() + "/status"))) {
      return lines
          .filter(line -> line.startsWith("VmRSS:"))
          .mapToLong(line -> Long.parseLong(line.replaceAll("\\D", "")) * 1024)
          .findFirst()
          .orElse(0);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Its own database. */
  PrivateDatabase database() {
    return database.orElseThrow();
  }

  @Override
  public void close() {
    photometer.ifPresent(Process::destroy);
    process.destroy();
    try {
      if (!process.waitFor(20, TimeUnit.SECONDS)) {
        process.destroyForcibly();
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    database.ifPresent(PrivateDatabase::close);
  }
}
