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

/** Checks a file against the JSON Schema that ships with the project and words what it finds. */
final class SchemaCheck {
  private static final String RESOURCE = "tank-file-1.schema.json";
  private static final String TEXT = load();
  private static final Schema SCHEMA =
      SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
          .getSchema(TEXT, InputFormat.JSON);

  private SchemaCheck() {}

  private static String load() {
    try (InputStream in = SchemaCheck.class.getResourceAsStream(RESOURCE)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static List<Problem> problems(JsonNode file) {
    List<Problem> problems = new ArrayList<>();
    for (Error error : SCHEMA.validate(file)) {
      // an "if" that does not hold says nothing by itself
      if (!error.getKeyword().equals("if") && !error.getKeyword().equals("allOf")) {
        Problem problem = problem(error);
        if (!problems.contains(problem)) {
          problems.add(problem);
        }
      }
    }
    return problems;
  }

  private static Problem problem(Error error) {
    String pointer = error.getInstanceLocation().toString();
    JsonNode rule = error.getSchemaNode();
    String found =
        error.getInstanceNode() == null ? "nothing" : Json.compact(error.getInstanceNode());
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
