package org.umberline.cli;

import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "check",
    description = "Says whether a tank file is good, and every problem if not.",
    mixinStandardHelpOptions = true)
final class CheckCommand extends FileCommand {
  @Override
  ObjectNode answer(String name, TankFile file) {
    ObjectNode result = begin(name);
    result.putArray("problems");
    list(result, "defaultsUsed", file.defaultsUsed());
    list(result, "notCounted", file.notCounted());
    return result;
  }
}
