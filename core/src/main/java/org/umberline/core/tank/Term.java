package org.umberline.core.tank;

import java.util.Optional;

/** A value of a closed list, with the word the trade and the tank file use for it. */
public interface Term {
  /** The word, in lower case with hyphens. */
  String term();

  /** The value of {@code type} whose word is {@code term}, if there is one. */
  static <E extends Enum<E> & Term> Optional<E> find(Class<E> type, String term) {
    for (E value : type.getEnumConstants()) {
      if (value.term().equals(term)) {
        return Optional.of(value);
      }
    }
    return Optional.empty();
  }
}
