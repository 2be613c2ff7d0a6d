package org.umberline.cli;

import java.util.List;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.Problem;
import org.umberline.tankfile.TankFile;
import tools.jackson.databind.node.ObjectNode;

/** The verb {@code check}. */
final class CheckCommand extends FileCommand {
  CheckCommand() {
    super("Says whether a tank file is good, and every problem if not.");
  }

  private record Good(
      String file, List<Problem> problems, List<String> defaultsUsed, List<String> notCounted) {}

  @Override
  ObjectNode answer(String name, TankFile file) {
    return Json.told(new Good(name, List.of(), file.defaultsUsed(), file.notCounted()));
  }
}
