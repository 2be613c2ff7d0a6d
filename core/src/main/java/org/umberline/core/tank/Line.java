package org.umberline.core.tank;

import java.util.OptionalDouble;

/** What the keeper wants a nutrient to stay between, in mg/L of the ion. Either end may be open. */
public record Line(OptionalDouble floorMgL, OptionalDouble ceilingMgL) {
  public static final Line NONE = new Line(OptionalDouble.empty(), OptionalDouble.empty());

  public Line {
    if (floorMgL.isPresent()
        && ceilingMgL.isPresent()
        && floorMgL.getAsDouble() >= ceilingMgL.getAsDouble()) {
      throw new IllegalArgumentException(
          "floor " + floorMgL.getAsDouble() + " is not below ceiling " + ceilingMgL.getAsDouble());
    }
  }
}
