package org.umberline.core.planning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class BisectionTest {
  @Test
  void findsTheSmallestThatWorksWhateverIsGuessed() {
    for (int count = 0; count < 30; count++) {
      for (int smallest = 0; smallest <= count; smallest++) {
        int from = smallest;
        assertEquals(smallest, Bisection.smallest(count, i -> i >= from));
        for (int guess = 0; guess < count; guess++) {
          assertEquals(smallest, Bisection.smallest(count, guess, i -> i >= from));
        }
      }
    }
  }

  @Test
  void aRightGuessTakesTwoTests() {
    AtomicInteger tests = new AtomicInteger();
    Bisection.smallest(
        1000,
        617,
        i -> {
          tests.incrementAndGet();
          return i >= 617;
        });
    assertEquals(2, tests.get());
  }

  @Test
  void findsTheLastOrSaysThatThereIsNone() {
    assertEquals(6, Bisection.last(-1, 40, i -> i <= 6));
    assertEquals(39, Bisection.last(-1, 40, i -> true));
    assertTrue(Bisection.last(3, 40, i -> false) < 3);
  }
}
