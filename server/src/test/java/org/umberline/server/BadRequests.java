package org.umberline.server;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * Requests with something wrong in each, made from the API's own description: a body nearly as it
 * should be with a few values spoilt, or no JSON at all; ids, queries and kinds of content
 * likewise.
 */
public final class BadRequests {
  private static final JsonMapper JSON = JsonMapper.shared();

  /** One request; the path holds its query. */
  public record Request(String method, String path, String body, String type) {
    @Override
    public String toString() {
      return method + " " + path + " " + (body.length() > 300 ? body.substring(0, 300) : body);
    }
  }

  private record Operation(String method, String path, JsonNode description) {}

  private final JsonNode api;
  private final List<Operation> operations = new ArrayList<>();
  private final Random random;
  private final String tank;

  /**
   * @param api the OpenAPI description
   * @param tank a tank of whoever sends the requests
   */
  public BadRequests(JsonNode api, String tank, long seed) {
    this.api = api;
    this.tank = tank;
    random = new Random(seed);
    for (Map.Entry<String, JsonNode> path : api.path("paths").properties()) {
      for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
        operations.add(
            new Operation(method.getKey().toUpperCase(), path.getKey(), method.getValue()));
      }
    }
  }

  public int operations() {
    return operations.size();
  }

  /** The request after the last one; every operation comes round in turn. */
  public Request next(int n) {
    Operation operation = operations.get(n % operations.size());
    String path = operation.path;
    while (path.contains("{")) {
      int from = path.indexOf('{');
      int to = path.indexOf('}');
      String name = path.substring(from + 1, to);
      path = path.substring(0, from) + pathValue(name) + path.substring(to + 1);
    }
    path += query(operation);
    JsonNode content = operation.description.at("/requestBody/content");
    if (operation.method.equals("GET") || operation.method.equals("DELETE")) {
      return new Request(operation.method, path, "", "application/json");
    }
    JsonNode schema = content.path("application/json").path("schema");
    String type = pick("application/json", "application/json", "application/json", "text/plain");
    return new Request(operation.method, path, body(schema), type);
  }

  private String pick(String... of) {
    return of[random.nextInt(of.length)];
  }

  private String pathValue(String name) {
    if (name.equals("id") && random.nextInt(10) < 8) {
      return tank;
    }
    return pick(
        UUID.randomUUID().toString(), "0", "null", "%20", "..%2f", "a".repeat(300), "%F0%9F%90%9F");
  }

  private String query(Operation operation) {
    StringBuilder query = new StringBuilder();
    for (JsonNode parameter : operation.description.path("parameters")) {
      if (parameter.path("in").asString().equals("query") && random.nextBoolean()) {
        query
            .append(query.isEmpty() ? "?" : "&")
            .append(parameter.path("name").asString())
            .append('=')
            .append(
                pick(
                    "-1",
                    "999999999999",
                    "NaN",
                    "1e400",
                    "",
                    "0000-00-00",
                    "%2B999999999-01-01",
                    "%00",
                    "x".repeat(2000)));
      }
    }
    return query.toString();
  }

  private String body(JsonNode schema) {
    int way = random.nextInt(12);
    if (way == 0) {
      return pick("", "{", "[]", "null", "0", "\"\"", "{\"a\":".repeat(2000), "\u0000", "{}{}");
    }
    JsonNode good = example(schema, 0);
    if (!(good instanceof ObjectNode object)) {
      return good.toString();
    }
    int spoilt = 1 + random.nextInt(3);
    for (int i = 0; i < spoilt; i++) {
      spoil(object);
    }
    return JSON.writeValueAsString(object);
  }

  private JsonNode example(JsonNode schema, int depth) {
    JsonNodeFactory make = JsonNodeFactory.instance;
    if (schema.has("$ref")) {
      return example(api.at(schema.path("$ref").asString().substring(1)), depth);
    }
    if (schema.has("enum")) {
      return schema.path("enum").get(random.nextInt(schema.path("enum").size()));
    }
    String type =
        schema.path("type").isArray()
            ? schema.path("type").get(0).asString()
            : schema.path("type").asString("object");
    return switch (type) {
      case "string" ->
          make.stringNode(
              switch (schema.path("format").asString("")) {
                case "uuid" -> UUID.randomUUID().toString();
                case "date" -> "2026-12-0" + (1 + random.nextInt(9));
                case "date-time" -> "2026-11-2" + random.nextInt(5) + "T10:00:00Z";
                default -> pick("no3 20", "nitrate", "card", "=", "{}", "a");
              });
      case "integer" -> make.numberNode(random.nextInt(10));
      case "number" -> make.numberNode(random.nextDouble());
      case "boolean" -> make.booleanNode(random.nextBoolean());
      case "array" -> {
        ArrayNode list = make.arrayNode();
        for (int i = 0; i < 2 && depth < 5; i++) {
          list.add(example(schema.path("items"), depth + 1));
        }
        yield list;
      }
      default -> {
        ObjectNode object = make.objectNode();
        for (Map.Entry<String, JsonNode> field : schema.path("properties").properties()) {
          object.set(field.getKey(), example(field.getValue(), depth + 1));
        }
        yield object;
      }
    };
  }

  private void spoil(ObjectNode object) {
    List<String> fields = new ArrayList<>(object.propertyNames());
    if (fields.isEmpty() || random.nextInt(8) == 0) {
      object.put("notAField" + random.nextInt(100), 1);
      return;
    }
    String field = fields.get(random.nextInt(fields.size()));
    JsonNode there = object.get(field);
    if (there instanceof ObjectNode inner && random.nextBoolean()) {
      spoil(inner);
    } else if (there instanceof ArrayNode list && random.nextBoolean()) {
      if (random.nextBoolean()) {
        list.addNull();
      } else {
        list.add("x".repeat(500));
      }
    } else {
      object.set(field, nonsense());
    }
  }

  private JsonNode nonsense() {
    JsonNodeFactory make = JsonNodeFactory.instance;
    return switch (random.nextInt(12)) {
      case 0 -> make.nullNode();
      case 1 -> make.numberNode(-1);
      case 2 -> make.numberNode(new java.math.BigDecimal("1e999"));
      case 3 -> make.stringNode("NaN");
      case 4 -> make.stringNode("");
      case 5 -> make.stringNode("x".repeat(5000));
      case 6 -> make.stringNode("9999-12-31T23:59:59Z");
      case 7 -> make.stringNode("-999999999-01-01");
      case 8 -> make.arrayNode().addNull().add(1);
      case 9 -> make.objectNode().put("a", 1);
      case 10 -> make.stringNode("\u0000\uD83D\uDC1F'\";--");
      default -> make.numberNode(Long.MAX_VALUE);
    };
  }
}
