package org.umberline.server.store;

import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Documents that are kept in a column: records of their own, never the API's, as JSON with the
 * version of their format. Numbers are kept as they are; one without a version is of the first.
 */
@Component
public class Documents {
  private static final int FORMAT = 1;
  private static final String KEY = "format";

  private final JsonMapper json = JsonMapper.builder().build();

  /** A record as it is kept. */
  public String write(Record document) {
    ObjectNode kept = json.createObjectNode().put(KEY, FORMAT);
    kept.setAll((ObjectNode) json.valueToTree(document));
    return json.writeValueAsString(kept);
  }

  /**
   * A record as it was kept.
   *
   * @throws IllegalStateException when a later version of the application kept it
   */
  public <T extends Record> T read(String kept, Class<T> type) {
    ObjectNode tree = (ObjectNode) json.readTree(kept);
    int format = tree.path(KEY).asInt(FORMAT);
    if (format > FORMAT) {
      throw new IllegalStateException(
          "a kept " + type.getSimpleName() + " is of format " + format + ", known is " + FORMAT);
    }
    tree.remove(KEY);
    return json.treeToValue(tree, type);
  }
}
