package org.umberline.server;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/** A MariaDB of a test's own, made and unmade by the project's own script. */
public final class PrivateDatabase implements AutoCloseable {
  private final Path root;
  private final Path folder;
  private String port = "";

  public PrivateDatabase(String name) {
    root = repository();
    folder = root.resolve(".run").resolve(name + "-" + ProcessHandle.current().pid());
  }

  /** The repository's folder, wherever a test was started. */
  public static Path repository() {
    Path folder = Path.of("").toAbsolutePath();
    while (!Files.exists(folder.resolve("scripts/database"))) {
      folder = folder.getParent();
    }
    return folder;
  }

  /** Starts it, on the port it had before if it ran already. */
  public PrivateDatabase start() {
    return start(List.of());
  }

  /** The same with options of the database's own. */
  public PrivateDatabase start(List<String> options) {
    List<String> all = new ArrayList<>(List.of(port));
    all.addAll(options);
    port = script("start", all.toArray(String[]::new));
    return this;
  }

  /** Takes the password of another, whose data it is about to take over. */
  public void takePasswordOf(PrivateDatabase other) {
    try {
      Files.writeString(folder.resolve("password"), other.password());
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  public void stop() {
    script("stop");
  }

  /** Writes all that is in it to a file, while it runs. */
  public void backup(Path file) {
    script("backup", file.toString());
  }

  /** Makes it of a backup; it must not have been started. */
  public PrivateDatabase restore(Path file) {
    script("restore", file.toString());
    return this;
  }

  /** Where it has everything it owns. */
  public Path folder() {
    return folder;
  }

  /** Ends it as a power cut would. */
  public void kill() {
    try {
      long pid = Long.parseLong(Files.readString(folder.resolve("mariadb.pid")).strip());
      ProcessHandle server = ProcessHandle.of(pid).orElseThrow();
      server.destroyForcibly();
      server.onExit().get(30, TimeUnit.SECONDS);
    } catch (IOException | ExecutionException | TimeoutException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }

  public String port() {
    return port;
  }

  public String password() {
    try {
      return Files.readString(folder.resolve("password")).strip();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Stops it and removes everything it owned. */
  @Override
  public void close() {
    stop();
    try {
      new ProcessBuilder("rm", "-rf", folder.toString()).start().waitFor();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private String script(String verb, String... more) {
    try {
      ProcessBuilder builder =
          new ProcessBuilder(root.resolve("scripts/database").toString(), verb, folder.toString());
      builder.command().addAll(List.of(more));
      Process process = builder.redirectError(ProcessBuilder.Redirect.INHERIT).start();
      String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      if (!process.waitFor(120, TimeUnit.SECONDS) || process.exitValue() != 0) {
        throw new IllegalStateException("scripts/database " + verb + " failed");
      }
      return out.strip();
    } catch (IOException e) {
      throw new IllegalStateException(e);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
