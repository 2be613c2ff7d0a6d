package org.umberline.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.TimeUnit;
import org.umberline.server.Browser;
import org.umberline.server.PrivateDatabase;
import tools.jackson.databind.JsonNode;

/**
 * The data of a database in which the demo's tanks are learned. Each application that begins with a
 * copy needs no minute of both processors to learn them again. A backup would not do: what can be
 * worked out again is not in it.
 */
final class LearnedDemo {
  private static final Duration LONGEST = Duration.ofMinutes(5);
  private static final Path DATA = Path.of("target", "learned-demo").toAbsolutePath();

  private LearnedDemo() {}

  /** A database with a copy, started; the data are made by whoever comes first. */
  static PrivateDatabase database(String name) {
    PrivateDatabase database = new PrivateDatabase(name);
    copy(data(), database.folder());
    return database.start();
  }

  private static Path data() {
    MadeOnce.ensure(DATA, LearnedDemo::make);
    return DATA;
  }

  private static void make() throws IOException {
    try (PrivateDatabase database = new PrivateDatabase("learned-demo").start()) {
      try (Application application =
          new Application("learned-demo", Application.on(database), Application.SHORT_LIVED)) {
        awaitLearned(new Browser(application.address()).asWren());
      }
      database.stop();
      copy(database.folder(), DATA);
    }
  }

  /** What a database is, without its port and its process. */
  private static void copy(Path from, Path to) {
    try {
      Files.createDirectories(to);
      int failed =
          new ProcessBuilder(
                  "cp",
                  "-a",
                  from.resolve("data").toString(),
                  from.resolve("password").toString(),
                  to.toString())
              .inheritIO()
              .start()
              .waitFor();
      if (failed != 0) {
        throw new IllegalStateException("the demo's data could not be copied from " + from);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  private static void awaitLearned(Browser wren) {
    Instant end = Instant.now().plus(LONGEST);
    while (Instant.now().isBefore(end)) {
      JsonNode known = wren.get("/api/rounds/known").json();
      if (known.path("coming").isEmpty() && known.path("renewed").isEmpty()) {
        return;
      }
      try {
        TimeUnit.MILLISECONDS.sleep(500);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        throw new IllegalStateException(e);
      }
    }
    throw new IllegalStateException("the demo's tanks were not learned in " + LONGEST);
  }
}
