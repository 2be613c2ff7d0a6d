package org.umberline.server.http;

import java.util.Arrays;
import java.util.stream.Collectors;
import org.umberline.core.tank.Term;

/** Words of closed lists, as requests name them. */
public final class Terms {
  private Terms() {}

  /**
   * @param field the request's field that holds {@code word}
   * @throws Refused when no value of {@code type} is called so, with those there are
   */
  public static <E extends Enum<E> & Term> E of(Class<E> type, String field, String word) {
    return Term.find(type, word)
        .orElseThrow(
            () ->
                Refused.field(
                    field,
                    word,
                    Arrays.stream(type.getEnumConstants())
                        .map(Term::term)
                        .collect(Collectors.joining(", "))));
  }
}
