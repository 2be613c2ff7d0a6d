package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.simulation.PlannedChanges;

/**
 * Where no routine holds: whether one change is worth making all the same, and what it comes to.
 */
final class StuckChange {
  /** By this day ahead most of what rock and sand give back is back. Common practice, no source. */
  private static final int SETTLED_DAYS = 2;

  private static final int A_WEEK_LATER = 6;

  /** It is not asked for again within so many days. Chosen. */
  private static final int APART_DAYS = 14;

  /**
   * But every week where that may be enough after all, where it helps the other nutrient, and for
   * nitrate: it stays in the water, and a little less each week adds up.
   */
  private static final int WEEKLY_DAYS = 7;

  /** So many times the line is told as over it: less sounds like the line itself. Chosen. */
  private static final double CLEARLY_OVER = 1.1;

  /**
   * By so much of its own share a change has to leave phosphate lower: nobody changes half the
   * water for a tenth of it. Chosen.
   */
  private static final double LASTS = 1.0 / 3;

  /** Nobody takes out less for a limit that may be passed within the week. Chosen. */
  private static final double LEAST = 0.1;

  private final Basis b;
  private final Nutrient worst;

  /** Whether the largest change every week may be enough after all. */
  private final boolean weekly;

  private final PlannedChanges once;

  StuckChange(Basis basis, Nutrient worst) {
    b = basis;
    this.worst = worst;
    once = once(b.search.largestShare());
    weekly = b.search.largest().mayHold();
  }

  /** What the largest change every week comes to, where that is over the line all the same. */
  static Optional<Reason> everyWeek(Basis b, Nutrient nutrient) {
    double level = b.search.largest().weeklyPeak(nutrient);
    return level > CLEARLY_OVER * ceiling(b, nutrient)
        ? Optional.of(Reason.of(Kind.BEST_REACHABLE).of(nutrient).value(level))
        : Optional.empty();
  }

  /**
   * The share that is worth changing today.
   *
   * @param why what speaks for it or against it is added
   * @return 0 for none
   */
  double asked(List<Reason> why) {
    if (!b.isOver() && !weekly) {
      return 0;
    }
    List<Nutrient> helped =
        Stream.concat(Stream.of(worst), soonOver()).distinct().filter(this::helps).toList();
    if (helped.isEmpty()) {
      if (worst == Nutrient.PHOSPHATE
          && b.after(worst, b.search.largestShare(), 1) < level(once, worst, A_WEEK_LATER)) {
        why.add(Reason.of(Kind.COMES_BACK).of(worst));
      }
      return 0;
    }
    if (b.search.freeDays() > 0) {
      // its day is still to come
      return 0;
    }
    // a week after the change is its weekday again
    boolean another = helped.stream().anyMatch(n -> n != worst);
    boolean everyWeek = weekly || another || worst == Nutrient.NITRATE;
    int apart = everyWeek ? WEEKLY_DAYS - 1 : APART_DAYS;
    Optional<LocalDate> again = b.lastLargeChange().map(day -> day.plusDays(apart));
    if (again.filter(day -> day.isAfter(b.asOf)).isPresent()) {
      why.add(Reason.of(Kind.CHANGE_HELPS_AGAIN).on(again.get()));
      return 0;
    }
    Nutrient nutrient = helped.get(0);
    double share = nutrient == worst ? b.search.largestShare() : leastFor(nutrient);
    boolean told =
        why.stream()
            .anyMatch(
                r -> r.kind() == Kind.MAY_GO_OVER && r.nutrient().equals(Optional.of(nutrient)));
    if (nutrient != worst && !told && b.promise.overNow(nutrient) <= Basis.MORE_LIKELY_THAN_NOT) {
      why.add(
          Reason.of(Kind.MAY_GO_OVER)
              .of(nutrient)
              .on(b.date(weekLater()))
              .chance(b.promise.over(PlannedChanges.NONE, nutrient, weekLater())));
    }
    // what comes under its line is worth more than what doesn't
    Nutrient gains =
        helped.stream()
            .filter(n -> after(n, share) < ceiling(b, n))
            .filter(n -> b.promise.overNow(n) > Basis.MORE_LIKELY_THAN_NOT)
            .findFirst()
            .orElse(nutrient);
    why.add(Reason.of(Kind.CHANGE_HELPS).of(gains).value(after(gains, share)));
    return share;
  }

  /** What a page shows beside the step, unless rock gives some of it back. */
  private double after(Nutrient nutrient, double share) {
    return nutrient == Nutrient.NITRATE
        ? b.after(nutrient, share, 1)
        : level(once(share), nutrient, SETTLED_DAYS);
  }

  private static double ceiling(Basis b, Nutrient nutrient) {
    return nutrient.line(b.judgedLines()).ceilingMgL().orElse(Double.POSITIVE_INFINITY);
  }

  /**
   * For a nutrient that one change can hold for two looks, or for one, no more than that takes, but
   * no trifle.
   */
  private double leastFor(Nutrient nutrient) {
    double least =
        leastFor(nutrient, b.search.surely())
            .or(() -> leastFor(nutrient, weekLater() + 1))
            .orElse(b.search.largestShare());
    return Math.max(least, b.search.upTo(LEAST));
  }

  private Optional<Double> leastFor(Nutrient nutrient, int until) {
    double[] shares = b.search.shares();
    int index =
        Bisection.smallest(
            shares.length, i -> b.promise.keeps(once(shares[i]), nutrient, 1, until));
    return index < shares.length ? Optional.of(shares[index]) : Optional.empty();
  }

  private PlannedChanges once(double share) {
    return b.search.days().once(PlanDays.TODAY, share);
  }

  /** Those that would go over within the week. */
  private Stream<Nutrient> soonOver() {
    return b.judged.stream()
        .filter(n -> b.promise.over(PlannedChanges.NONE, n, weekLater()) > 1 - b.confidence);
  }

  private boolean helps(Nutrient nutrient) {
    LargestChanges largest = b.search.largest();
    if (nutrient == Nutrient.NITRATE) {
      return weekly || largest.helpsFrom(PlanDays.TODAY, nutrient) || largest.helpsInTime(nutrient);
    }
    double now = b.levels.now(nutrient);
    double counts = LASTS * b.search.largestShare() * now;
    double none = level(PlannedChanges.NONE, nutrient, A_WEEK_LATER);
    return none - level(once, nutrient, A_WEEK_LATER) >= counts
            && largest.helpsFrom(PlanDays.TODAY, nutrient)
        || now - level(once, nutrient, SETTLED_DAYS) >= counts && largest.helpsInTime(nutrient);
  }

  private int weekLater() {
    return Math.min(A_WEEK_LATER, b.promise.days() - 1);
  }

  private double level(PlannedChanges changes, Nutrient nutrient, int day) {
    return b.promise.median(changes, nutrient, Math.min(day, b.promise.days() - 1));
  }
}
