package org.umberline.tankfile;

import java.util.Iterator;
import java.util.List;
import org.umberline.core.tank.Term;
import org.umberline.core.tank.TestUnit;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.json.JsonFactory;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** JSON text in and out, within bounds. */
public final class Json {
  /** Longest file that is read, characters. */
  public static final int LONGEST_FILE = 20_000_000;

  private static final int DEEPEST = 50;

  private static final JsonMapper MAPPER =
      JsonMapper.builder(
              JsonFactory.builder()
                  .streamReadConstraints(
                      StreamReadConstraints.builder()
                          .maxNestingDepth(DEEPEST)
                          .maxDocumentLength(LONGEST_FILE)
                          .build())
                  .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                  .build())
          .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
          .build();

  private static final ObjectMapper TOLD =
      JsonMapper.builder()
          .addModule(new FiguresModule())
          .addMixIn(Term.class, Shapes.OfTerm.class)
          .addMixIn(TestUnit.class, Shapes.OfTestUnit.class)
          .build();

  private Json() {}

  /**
   * A record with its numbers as they are told. What is not known is null; an infinite number must
   * not be among them.
   */
  public static ObjectNode told(Object record) {
    return TOLD.valueToTree(record);
  }

  /**
   * Parses {@code text}.
   *
   * @throws TankFileException with one problem of the whole file when it is not JSON, too deep, too
   *     long, or names a key twice
   */
  static JsonNode parse(String text) throws TankFileException {
    try {
      JsonNode node = MAPPER.readTree(text.startsWith("\uFEFF") ? text.substring(1) : text);
      if (node == null || node.isMissingNode()) {
        throw wholeFile("nothing", "one JSON object");
      }
      return node;
    } catch (JacksonException e) {
      throw wholeFile(
          e.getOriginalMessage().lines().findFirst().orElse("no JSON")
              + (e.getLocation() == null ? "" : " (line " + e.getLocation().getLineNr() + ")"),
          "one JSON object, every key once, at most " + DEEPEST + " deep");
    }
  }

  private static TankFileException wholeFile(String found, String allowed) {
    return new TankFileException(List.of(new Problem("", found, allowed)));
  }

  /** {@code node} on one line. */
  public static String compact(JsonNode node) {
    return MAPPER.writeValueAsString(node);
  }

  /** {@code node} on one line, or how much it holds where that is a lot. */
  static String shortly(JsonNode node) {
    return node.isContainer() && node.size() > 20
        ? (node.isArray() ? "a list of " : "an object of ") + node.size()
        : compact(node);
  }

  /** {@code node} over many lines, with a line end at its end. */
  public static String pretty(JsonNode node) {
    return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(node) + "\n";
  }

  /** {@code key} as a step of a JSON pointer (RFC 6901). */
  static String step(String key) {
    return "/" + key.replace("~", "~0").replace("/", "~1");
  }

  /** The keys of an object, in order, joined. */
  static String keys(JsonNode object) {
    StringBuilder joined = new StringBuilder();
    for (Iterator<String> it = object.propertyNames().iterator(); it.hasNext(); ) {
      joined.append(it.next()).append(it.hasNext() ? ", " : "");
    }
    return joined.toString();
  }
}
