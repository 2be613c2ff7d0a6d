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
    OptionalDouble hardnessDgh) {}
