package org.umberline.tankfile;

import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Lists and objects that are far too long are refused before anybody looks into them. */
final class SizeCheck {
  /** Entries of the log: ten years of more than two dozen a day. */
  static final int LONGEST_LOG = 100_000;

  private static final int LONGEST_LIST = 1000;
  private static final int MOST_KEYS = 100;

  private SizeCheck() {}

  static void check(JsonNode file, Problems problems) {
    check("", file, problems);
  }

  private static void check(String pointer, JsonNode node, Problems problems) {
    int most = pointer.equals("/log") ? LONGEST_LOG : node.isArray() ? LONGEST_LIST : MOST_KEYS;
    if (!node.isContainer() || problems.full()) {
      return;
    }
    if (node.size() > most) {
      problems.add(
          new Problem(
              pointer, node.size() + (node.isArray() ? " entries" : " keys"), "at most " + most));
    } else if (node.isArray()) {
      for (int i = 0; i < node.size(); i++) {
        if (node.get(i).isContainer()) {
          check(pointer + "/" + i, node.get(i), problems);
        }
      }
    } else {
      for (Map.Entry<String, JsonNode> child : node.properties()) {
        if (child.getValue().isContainer()) {
          check(pointer + Json.step(child.getKey()), child.getValue(), problems);
        }
      }
    }
  }
}
