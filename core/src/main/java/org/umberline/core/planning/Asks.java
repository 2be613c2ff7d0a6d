package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Routine;

/** Tests that could change the advice. */
final class Asks {
  /** A test is asked for when it has this chance of changing the advice. Chosen. */
  private static final double COULD_SETTLE = 0.1;

  private static final double USUAL_OCCASION_DAYS = 7;

  private final Basis b;

  Asks(Basis basis) {
    b = basis;
  }

  /** Tests that could change the advice, the most telling first; none that was done today. */
  List<Advice.Ask> all() {
    List<Advice.Ask> asks = new ArrayList<>();
    for (Nutrient nutrient : b.neverTested) {
      asks.add(new Advice.Ask(nutrient.analyte(), 1));
    }
    if (b.promise.days() > 0) {
      int occasion =
          (int)
              Math.min(
                  b.promise.days(),
                  Math.ceil(b.habit.map(Routine::everyDays).orElse(USUAL_OCCASION_DAYS)));
      for (Nutrient nutrient : b.judged) {
        if (b.neverTested.contains(nutrient) || b.testedToday(nutrient)) {
          continue;
        }
        double settles = new TestSettles(b.tank, b.posterior, b.promise).of(nutrient, occasion);
        if (settles >= COULD_SETTLE) {
          asks.add(new Advice.Ask(nutrient.analyte(), settles));
        }
      }
    }
    asks.sort(Comparator.comparingDouble(ask -> -ask.settles()));
    return List.copyOf(asks);
  }
}
