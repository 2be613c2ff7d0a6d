package org.umberline.core.tank;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** A pure salt or a source of carbon that is given by itself, not in a solution of the make-up. */
public sealed interface Additive extends Term permits Salt, CarbonSource {
  /** Every one, salts first. */
  static List<Additive> all() {
    return Stream.of(Salt.values(), CarbonSource.values()).<Additive>flatMap(Stream::of).toList();
  }

  /** Whether it is weighed, in g; else it is measured in mL. */
  boolean isWeighed();

  /** Whether it moves nitrogen or phosphorus: carbon does by what bacteria take for it. */
  boolean movesNutrients();

  /** What a mL or a g of it is said in. */
  default String unit() {
    return isWeighed() ? "g" : "mL";
  }

  static Optional<Additive> find(String term) {
    return all().stream().filter(one -> one.term().equals(term)).findFirst();
  }
}
