package org.umberline.tankfile;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.umberline.core.tank.Term;
import tools.jackson.databind.JsonNode;

/** A place in a file that was found good, read with a note of each default taken. */
final class Node {
  private final JsonNode node;
  private final String pointer;
  private final List<String> defaultsUsed;

  Node(JsonNode node, String pointer, List<String> defaultsUsed) {
    this.node = node;
    this.pointer = pointer;
    this.defaultsUsed = defaultsUsed;
  }

  String pointer() {
    return pointer;
  }

  boolean has(String key) {
    return !node.path(key).isMissingNode() && !node.path(key).isNull();
  }

  /** Whether the key stands there, be it as null. */
  private boolean said(String key) {
    return !node.path(key).isMissingNode();
  }

  Node child(String key) {
    return new Node(node.path(key), pointer + Json.step(key), defaultsUsed);
  }

  /** The child, or an empty place that notes the whole key as defaulted. */
  Node section(String key) {
    if (!said(key)) {
      defaultsUsed.add(pointer + Json.step(key));
      return new Node(node.path(key), pointer + Json.step(key), new ArrayList<>());
    }
    return child(key);
  }

  <T> List<T> each(String key, Function<Node, T> reader) {
    List<T> items = new ArrayList<>();
    JsonNode list = node.path(key);
    for (int i = 0; i < list.size(); i++) {
      items.add(reader.apply(new Node(list.get(i), pointer + "/" + key + "/" + i, defaultsUsed)));
    }
    return items;
  }

  double number(String key) {
    return node.path(key).asDouble();
  }

  double number(String key, double otherwise) {
    return has(key) ? number(key) : noted(key, otherwise);
  }

  /** A number whose absence is a statement of its own, not a default. */
  OptionalDouble maybeNumber(String key) {
    return has(key) ? OptionalDouble.of(number(key)) : OptionalDouble.empty();
  }

  /** A number whose absence takes a default, but null means none. */
  OptionalDouble numberOrNone(String key, OptionalDouble otherwise) {
    return said(key) ? maybeNumber(key) : noted(key, otherwise);
  }

  int integer(String key, int otherwise) {
    return has(key) ? node.path(key).asInt() : noted(key, otherwise);
  }

  boolean flag(String key, boolean otherwise) {
    return has(key) ? node.path(key).asBoolean() : noted(key, otherwise);
  }

  String text(String key) {
    return node.path(key).asString();
  }

  String text(String key, String otherwise) {
    return has(key) ? text(key) : noted(key, otherwise);
  }

  Optional<String> maybeText(String key) {
    return has(key) ? Optional.of(text(key)) : Optional.empty();
  }

  <E extends Enum<E> & Term> E term(Class<E> type, String key) {
    return Term.find(type, text(key)).orElseThrow();
  }

  <E extends Enum<E> & Term> E term(Class<E> type, String key, E otherwise) {
    return has(key) ? term(type, key) : noted(key, otherwise);
  }

  <E extends Enum<E> & Term> List<E> terms(Class<E> type, String key) {
    List<E> terms = new ArrayList<>();
    node.path(key).forEach(item -> terms.add(Term.find(type, item.asString()).orElseThrow()));
    return terms;
  }

  LocalDate date(String key, LocalDate otherwise) {
    return has(key) ? LocalDate.parse(text(key)) : noted(key, otherwise);
  }

  Optional<LocalDate> maybeDate(String key) {
    return maybeText(key).map(LocalDate::parse);
  }

  List<Double> numbers(String key) {
    List<Double> numbers = new ArrayList<>();
    node.path(key).forEach(item -> numbers.add(item.asDouble()));
    return numbers;
  }

  <T> T noted(String key, T otherwise) {
    defaultsUsed.add(pointer + Json.step(key));
    return otherwise;
  }
}
