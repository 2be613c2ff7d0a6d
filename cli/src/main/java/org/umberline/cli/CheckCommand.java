package org.umberline.cli;

import java.util.List;
import org.umberline.tankfile.Json;
import org.umberline.tankfile.Problem;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "check",
    description = "Says whether a tank file is good, and every problem if not.",
    mixinStandardHelpOptions = true)
final class CheckCommand extends FileCommand {
  private record Good(
      String file, List<Problem> problems, List<String> defaultsUsed, List<String> notCounted) {}

  @Override
  ObjectNode answer(String name, TankFile file) {
    return Json.told(new Good(name, List.of(), file.defaultsUsed(), file.notCounted()));
  }
}
