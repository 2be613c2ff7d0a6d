package org.umberline.cli;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.CharacterCodingException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.Problem;
import org.umberline.tankfile.TankFile;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;
import tools.jackson.databind.node.ObjectNode;

/**
 * A verb over files: one file prints one JSON object, several print one compact object a line, in
 * the order they were named while all processors work; a bad file does not stop the run.
 */
abstract class FileCommand extends Verb {
  FileCommand(String about) {
    super(about);
  }

  /**
   * Reads the options before any file.
   *
   * @throws UsageException when a value isn't allowed
   */
  void readOptions() {}

  /** The result for one good file, in the shape of docs/tank-file.md. */
  abstract ObjectNode answer(String name, TankFile file) throws TankFileException;

  @Override
  final int run() {
    List<Path> files = files();
    if (files.isEmpty()) {
      throw new UsageException("no FILE is given; allowed: one tank file or more");
    }
    readOptions();
    PrintWriter out = out();
    AtomicBoolean bad = new AtomicBoolean();
    files.parallelStream()
        .map(
            path -> {
              try {
                return answer(path.toString(), read(path));
              } catch (TankFileException refused) {
                bad.set(true);
                return refusal(path, refused);
              }
            })
        .forEachOrdered(
            answer -> {
              out.print(files.size() == 1 ? Json.pretty(answer) : Json.compact(answer) + "\n");
              out.flush();
            });
    return bad.get() ? 1 : 0;
  }

  static TankFile read(Path path) throws TankFileException {
    return TankFileReader.read(text(path));
  }

  /** What stands in a file, as UTF-8. */
  static String text(Path path) throws TankFileException {
    try {
      if (Files.size(path) > Json.LONGEST_FILE) {
        throw wholeFile(Files.size(path) + " bytes", "at most " + Json.LONGEST_FILE + " bytes");
      }
      return Files.readString(path);
    } catch (CharacterCodingException e) {
      throw wholeFile("bytes that are not UTF-8", "UTF-8 text");
    } catch (NoSuchFileException e) {
      throw wholeFile("no such file", "a readable file");
    } catch (IOException e) {
      throw wholeFile("unreadable: " + e.getMessage(), "a readable file");
    }
  }

  private static TankFileException wholeFile(String found, String allowed) {
    return new TankFileException(List.of(new Problem("", found, allowed)));
  }

  /** What is said of a file that is refused. */
  private record Refusal(
      String file,
      List<Problem> problems,
      @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean problemsNotShown) {}

  static ObjectNode refusal(Path path, TankFileException refused) {
    return Json.told(new Refusal(path.toString(), refused.problems(), refused.moreNotShown()));
  }
}
