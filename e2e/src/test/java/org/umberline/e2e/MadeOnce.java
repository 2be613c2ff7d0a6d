package org.umberline.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** What several processes of tests share, made by whoever comes first. */
final class MadeOnce {
  private MadeOnce() {}

  /** Makes something. */
  interface Making {
    void make() throws IOException;
  }

  /** The application under test, packed. */
  static Path application() {
    return Path.of(System.getProperty("application")).toAbsolutePath();
  }

  /**
   * Makes {@code thing} where there is none that is newer than the application. Others wait
   * meanwhile.
   */
  static void ensure(Path thing, Path lockedBy, Making making) {
    try {
      Files.createDirectories(lockedBy.getParent());
      try (FileChannel channel =
              FileChannel.open(lockedBy, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
          FileLock lock = channel.lock()) {
        if (!lock.isValid() || !isNewer(thing)) {
          making.make();
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static boolean isNewer(Path thing) throws IOException {
    return Files.exists(thing)
        && Files.getLastModifiedTime(thing).compareTo(Files.getLastModifiedTime(application())) > 0;
  }
}
