package org.umberline.core.planning;

import java.util.function.IntPredicate;

/** Finds where something that is so on one side only begins or ends. */
final class Bisection {
  private Bisection() {}

  /** The smallest of 0 to {@code count - 1} that {@code works}; {@code count} where none does. */
  static int smallest(int count, IntPredicate works) {
    return count > 0 && works.test(count - 1) ? between(-1, count - 1, works) : count;
  }

  /** The same, looked for around {@code guess} first. */
  static int smallest(int count, int guess, IntPredicate works) {
    int low = -1;
    int high = count;
    int at = guess;
    for (int step = 1; low < at && at < high && (low < 0 || high == count); step *= 2) {
      if (works.test(at)) {
        high = at;
        at = Math.max(0, at - step);
      } else {
        low = at;
        at = step == 1 ? Math.min(count - 1, at + 1) : count - 1;
      }
    }
    return between(low, high, works);
  }

  /** The smallest over {@code low} that works, where {@code high} does and {@code low} doesn't. */
  private static int between(int low, int high, IntPredicate works) {
    int not = low;
    int does = high;
    while (does - not > 1) {
      int middle = (not + does) >>> 1;
      if (works.test(middle)) {
        does = middle;
      } else {
        not = middle;
      }
    }
    return does;
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
