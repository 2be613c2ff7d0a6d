package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What goes wrong on a machine is said in one line. */
class DatabaseScriptTest {
  private record Ran(int status, List<String> err) {}

  private static Ran run(String... arguments) throws Exception {
    List<String> command = new ArrayList<>();
    command.add(PrivateDatabase.repository().resolve("scripts/database").toString());
    command.addAll(List.of(arguments));
    Process process = new ProcessBuilder(command).start();
    String err = new String(process.getErrorStream().readAllBytes(), StandardCharsets.UTF_8);
    return new Ran(process.waitFor(), err.lines().toList());
  }

  @Test
  void anOccupiedPort(@TempDir Path folder) throws Exception {
    try (ServerSocket taken = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      String port = String.valueOf(taken.getLocalPort());
      Ran ran = run("start", folder.resolve("db").toString(), port);
      assertThat(ran.status).isEqualTo(1);
      assertThat(ran.err)
          .singleElement()
          .asString()
          .isEqualTo(
              "umberline: port "
                  + port
                  + " on 127.0.0.1 is taken; set UMBERLINE_DATABASE_PORT to another.");
    }
  }

  @Test
  void aHalfMadeDataFolder(@TempDir Path folder) throws IOException, Exception {
    Files.createDirectories(folder.resolve("db/data/mysql"));
    Ran ran = run("start", folder.resolve("db").toString());
    assertThat(ran.status).isEqualTo(1);
    assertThat(ran.err).singleElement().asString().contains("only half made", "--fresh");
  }

  @Test
  void aFolderThatCannotBeMade(@TempDir Path folder) throws Exception {
    Path file = Files.createFile(folder.resolve("a-file"));
    Ran ran = run("start", file.resolve("db").toString());
    assertThat(ran.status).isEqualTo(1);
    assertThat(ran.err).singleElement().asString().contains("can't be written");
  }

  @Test
  void ofTwoThatStartItAtOnceTheSecondFindsItRunning(@TempDir Path folder) throws Exception {
    String database = folder.resolve("db").toString();
    String script = PrivateDatabase.repository().resolve("scripts/database").toString();
    Process first = new ProcessBuilder(script, "start", database).start();
    Process second = new ProcessBuilder(script, "start", database).start();
    try {
      String port = new String(first.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(port.strip()).matches("\\d+");
      assertThat(new String(second.getInputStream().readAllBytes(), StandardCharsets.UTF_8))
          .isEqualTo(port);
      assertThat(run("running", database).status).isZero();
    } finally {
      run("stop", database);
    }
    assertThat(run("running", database).status).isNotZero();
  }

  @Test
  void stoppingWhatDoesNotRunIsNoFault(@TempDir Path folder) throws Exception {
    assertThat(run("stop", folder.toString()).status).isZero();
  }
}
