package org.umberline.tankfile;

import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Checks a file against the JSON Schema that ships with the project and words what it finds. */
final class SchemaCheck {
  private static final String RESOURCE = "tank-file-1.schema.json";
  private static final String TEXT = load();
  private static final Schema SCHEMA = schema(TEXT);

  /** The same rules for the log alone, which is checked piece by piece. */
  private static final Schema LOG_SCHEMA = schema(logAlone());

  private static final int PIECE = 200;

  private SchemaCheck() {}

  private static String load() {
    try (InputStream in = SchemaCheck.class.getResourceAsStream(RESOURCE)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Schema schema(String text) {
    return SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
        .getSchema(text, InputFormat.JSON);
  }

  private static String logAlone() {
    try {
      ObjectNode whole = (ObjectNode) Json.parse(TEXT);
      whole.remove("required");
      ((ObjectNode) whole.get("properties")).retain("log");
      return Json.compact(whole);
    } catch (TankFileException e) {
      throw new IllegalStateException(e);
    }
  }

  /** What is wrong, up to what is shown; the log is read no further once that much was found. */
  static void check(JsonNode file, Problems problems) {
    if (!(file instanceof ObjectNode object) || !file.path("log").isArray()) {
      check(SCHEMA, file, 0, problems);
      return;
    }
    ObjectNode withoutLog = object.objectNode().setAll(object);
    withoutLog.putArray("log");
    check(SCHEMA, withoutLog, 0, problems);
    JsonNode log = file.path("log");
    for (int from = 0; from < log.size() && !problems.full(); from += PIECE) {
      ObjectNode piece = object.objectNode();
      ArrayNode entries = piece.putArray("log");
      for (int i = from; i < Math.min(log.size(), from + PIECE); i++) {
        entries.add(log.get(i));
      }
      check(LOG_SCHEMA, piece, from, problems);
    }
  }

  private static void check(Schema schema, JsonNode node, int entriesBefore, Problems problems) {
    for (Error error : schema.validate(node)) {
      // an "if" that does not hold says nothing by itself
      if (!error.getKeyword().equals("if") && !error.getKeyword().equals("allOf")) {
        problems.add(problem(error, entriesBefore));
      }
    }
  }

  /** The place of a log entry in the whole log. */
  private static String moved(String pointer, int entriesBefore) {
    String[] steps = pointer.split("/", 4);
    if (entriesBefore == 0 || steps.length < 3 || !steps[1].equals("log")) {
      return pointer;
    }
    steps[2] = String.valueOf(Integer.parseInt(steps[2]) + entriesBefore);
    return String.join("/", steps);
  }

  private static Problem problem(Error error, int entriesBefore) {
    String pointer = moved(error.getInstanceLocation().toString(), entriesBefore);
    JsonNode rule = error.getSchemaNode();
    String found =
        error.getInstanceNode() == null ? "nothing" : Json.shortly(error.getInstanceNode());
    return switch (error.getKeyword()) {
      case "additionalProperties" ->
          new Problem(
              pointer + Json.step(error.getProperty()),
              "an unknown key",
              "one of " + knownKeys(error));
      case "required" ->
          new Problem(pointer + Json.step(error.getProperty()), "nothing", "a value is required");
      case "type" -> new Problem(pointer, found, "a value of type " + plain(rule));
      case "enum" -> new Problem(pointer, found, "one of " + plain(rule));
      case "const" -> new Problem(pointer, found, plain(rule));
      case "minimum" -> new Problem(pointer, found, "at least " + plain(rule));
      case "exclusiveMinimum" -> new Problem(pointer, found, "more than " + plain(rule));
      case "maximum" -> new Problem(pointer, found, "at most " + plain(rule));
      case "maxLength" -> new Problem(pointer, found, "at most " + plain(rule) + " characters");
      case "minLength" -> new Problem(pointer, found, "at least " + plain(rule) + " characters");
      case "maxItems" -> new Problem(pointer, found, "at most " + plain(rule) + " entries");
      case "minItems" -> new Problem(pointer, found, "at least " + plain(rule) + " entries");
      case "pattern" -> new Problem(pointer, found, description(error));
      default -> new Problem(pointer, found, error.getMessage());
    };
  }

  private static String plain(JsonNode rule) {
    if (rule.isArray()) {
      List<String> values = new ArrayList<>();
      rule.forEach(value -> values.add(value.asString()));
      return String.join(", ", values);
    }
    return rule.asString();
  }

  private static JsonNode around(Error error) {
    String fragment = error.getSchemaLocation().getFragment().toString();
    String parent = fragment.substring(0, fragment.lastIndexOf('/'));
    try {
      return Json.parse(TEXT).at(parent);
    } catch (TankFileException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String description(Error error) {
    return around(error).path("description").asString();
  }

  private static String knownKeys(Error error) {
    return Json.keys(around(error).path("properties"));
  }
}
