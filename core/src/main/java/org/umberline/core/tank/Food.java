package org.umberline.core.tank;

import java.util.OptionalDouble;

/**
 * A food. Percents are of the mass as fed.
 *
 * @param rinsed thawed and strained, the juice thrown away
 */
public record Food(
    String id,
    String name,
    FoodForm form,
    double proteinPercent,
    double phosphorusPercent,
    double moisturePercent,
    OptionalDouble servingG,
    boolean rinsed) {
  /** What a food of a form is usually made of, its keeper having said nothing else. */
  public static Food of(String id, FoodForm form) {
    return new Food(
        id,
        id,
        form,
        form.proteinPercent(),
        form.phosphorusPercent(),
        form.moisturePercent(),
        OptionalDouble.empty(),
        false);
  }
}
