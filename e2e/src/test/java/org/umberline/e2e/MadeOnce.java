package org.umberline.e2e;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.LocalDate;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import org.springframework.util.FileSystemUtils;

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
   * Makes {@code thing} where there is none of this application and this day: the demo's days are
   * counted from today. Others wait meanwhile.
   */
  static void ensure(Path thing, Making making) {
    try {
      Files.createDirectories(thing.getParent());
      try (FileChannel channel =
              FileChannel.open(
                  beside(thing, ".lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
          FileLock lock = channel.lock()) {
        Path madeOf = beside(thing, ".of");
        String wanted = LocalDate.now() + " " + checksum();
        if (!lock.isValid()
            || !Files.exists(madeOf)
            || !Files.readString(madeOf).equals(wanted)
            || !Files.exists(thing)) {
          FileSystemUtils.deleteRecursively(thing);
          making.make();
          Files.writeString(madeOf, wanted);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Path beside(Path thing, String suffix) {
    return thing.resolveSibling(thing.getFileName() + suffix);
  }

  /** Its file's time says nothing: builds are reproducible to the second. */
  private static String checksum() throws IOException {
    CRC32 sum = new CRC32();
    try (InputStream in = new CheckedInputStream(Files.newInputStream(application()), sum)) {
      in.transferTo(OutputStream.nullOutputStream());
    }
    return Long.toHexString(sum.getValue());
  }
}
