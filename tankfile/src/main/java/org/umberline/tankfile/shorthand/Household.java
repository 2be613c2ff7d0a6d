package org.umberline.tankfile.shorthand;

import java.util.OptionalDouble;

/**
 * What a keeper's own measures hold. Servings of food stand with the food.
 *
 * @param bucketLitres what one bucket carries, once somebody measured it
 */
public record Household(OptionalDouble bucketLitres) {
  /** Nobody measured anything yet. */
  public static final Household UNKNOWN = new Household(OptionalDouble.empty());
}
