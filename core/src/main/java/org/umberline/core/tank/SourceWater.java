package org.umberline.core.tank;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrite;
import org.umberline.core.quantity.Phosphate;

/** A water the keeper fills from. Nitrate or phosphate that was never measured is unknown. */
public record SourceWater(
    String id,
    String name,
    Optional<Nitrate> nitrate,
    Optional<Phosphate> phosphate,
    Ammonia ammonia,
    Nitrite nitrite,
    OptionalDouble silicateMgL,
    OptionalDouble pH,
    OptionalDouble alkalinityDkh,
    OptionalDouble salinityPpt,
    OptionalDouble hardnessDgh,
    OptionalDouble dissolvedSolidsMgL) {
  /** A water of which nothing else was measured. */
  public static SourceWater of(
      String id, String name, Optional<Nitrate> nitrate, Optional<Phosphate> phosphate) {
    OptionalDouble unknown = OptionalDouble.empty();
    return new SourceWater(
        id,
        name,
        nitrate,
        phosphate,
        new Ammonia(0),
        new Nitrite(0),
        unknown,
        unknown,
        unknown,
        unknown,
        unknown,
        unknown);
  }
}
