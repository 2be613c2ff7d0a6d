package org.umberline.e2e;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;

/**
 * The packaged application as the start command runs it: unpacked, with an archive of its classes.
 * It is made once for all tests and saves each start most of its time.
 */
final class Unpacked {
  private static final String ARCHIVE = "umberline.jsa";

  private final Path folder = Path.of("target", "application").toAbsolutePath();

  private Unpacked() {}

  /** Its folder, made by whoever comes first. */
  static Path folder() {
    return new Unpacked().made();
  }

  /** What starts it in its folder. */
  static List<String> command(List<String> options) {
    return java(
        options,
        "-XX:SharedArchiveFile=" + ARCHIVE,
        "-Xlog:cds=off",
        "-Xshare:auto",
        "-jar",
        jar());
  }

  private static String jar() {
    return MadeOnce.application().getFileName().toString();
  }

  private static List<String> java(List<String> options, String... more) {
    return Stream.of(Stream.of("java"), options.stream(), Stream.of(more))
        .flatMap(part -> part)
        .toList();
  }

  private Path made() {
    MadeOnce.ensure(folder, this::unpack);
    return folder;
  }

  private void unpack() throws IOException {
    run(
        folder.getParent(),
        List.of(
            "java",
            "-Djarmode=tools",
            "-jar",
            MadeOnce.application().toString(),
            "extract",
            "--force",
            "--destination",
            folder.toString()));
    // without a database it ends early, with most of its classes known
    run(
        folder,
        java(
            List.of(Application.SHORT_LIVED),
            "-XX:ArchiveClassesAtExit=" + ARCHIVE,
            "-Dspring.context.exit=onRefresh",
            "-jar",
            jar()));
    if (!Files.exists(folder.resolve(ARCHIVE))) {
      Files.createFile(folder.resolve(ARCHIVE));
    }
  }

  private static void run(Path where, List<String> command) throws IOException {
    try {
      new ProcessBuilder(command)
          .directory(where.toFile())
          .redirectErrorStream(true)
          .redirectOutput(ProcessBuilder.Redirect.appendTo(where.resolve("unpack.log").toFile()))
          .start()
          .waitFor();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(e);
    }
  }
}
