package org.umberline.core.practice;

import java.util.List;

/**
 * What a keeper does in one week: the checks come first, then the change, and so it is fed until
 * the next.
 *
 * @param checks in their order
 * @param litres changed; 0 for none
 * @param feeding factor on the usual ration
 * @param adsorber whether fresh phosphate adsorber is put in, in place of any older one
 * @param testedAfter whether the nutrient with the line is read once more after the change
 */
public record PracticeWeek(
    List<Check> checks,
    double litres,
    Filling filling,
    double feeding,
    boolean adsorber,
    boolean testedAfter) {
  public PracticeWeek {
    checks = List.copyOf(checks);
  }

  /** Only looked at, nothing done: fed as usual. */
  public static PracticeWeek looking(List<Check> checks) {
    return new PracticeWeek(checks, 0, Filling.USUAL, 1, false, false);
  }
}
