package org.umberline.core.planning;

import java.util.function.IntPredicate;

/** Finds where something that is so on one side only begins or ends. */
final class Bisection {
  private Bisection() {}

  /** The smallest of 0 to {@code count - 1} that {@code works}; the last is taken to. */
  static int smallest(int count, IntPredicate works) {
    int low = -1;
    int high = count - 1;
    while (high - low > 1) {
      int middle = (low + high) >>> 1;
      if (works.test(middle)) {
        high = middle;
      } else {
        low = middle;
      }
    }
    return high;
  }

  /** The last from {@code first} on and before {@code end} for which it is so, else less. */
  static int last(int first, int end, IntPredicate isSo) {
    int low = first - 1;
    int high = end;
    while (high - low > 1) {
      int middle = (low + high) >> 1;
      if (isSo.test(middle)) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
