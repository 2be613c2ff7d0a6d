package org.umberline.core.planning;

import java.util.Arrays;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Lines;

/**
 * The promise of a plan: on any one day, no more draws than the keeper accepts are over a ceiling.
 * Days ahead count from 0, the day after as-of. Not thread-safe.
 */
final class Promise {
  /** A level on the line is within it, whatever the last binary digit says. */
  private static final double ROUNDING = 1e-9;

  /** Share of the draws in which a routine has to last beyond what the next tests tell. Chosen. */
  static final double LASTING = 0.75;

  /** What a search finds by some of the draws may be so much less by all of them. Chosen. */
  private static final double ROUNDED_SEARCH = 0.05;

  /**
   * Plans whose runs are kept: none, and one for each interval, are asked about again and again.
   */
  private static final int MOST_KEPT = 10;

  private record Asked(PlannedChanges planned, Projection projection) {}

  private final java.util.ArrayDeque<Asked> lately = new java.util.ArrayDeque<>();
  private final Posterior posterior;
  private final Scenario scenario;
  private final int first;
  private final int days;
  private final double confidence;
  private final double[] ceiling = new double[2];
  private final double[] floor = new double[2];
  private final Untouched untouched;
  private final PromiseSearch search;

  /**
   * @param confidence share of the draws that must be under a ceiling on any one day
   * @param days days ahead that are judged
   */
  Promise(Posterior posterior, Lines lines, double confidence, int days) {
    this.posterior = posterior;
    this.confidence = confidence;
    this.days = days;
    scenario = posterior.scenario();
    first = scenario.asOfDay() + 1;
    for (Nutrient nutrient : Nutrient.values()) {
      var line = nutrient.line(lines);
      ceiling[nutrient.ordinal()] =
          line.ceilingMgL().isPresent()
              ? nutrient.element(line.ceilingMgL().getAsDouble()) * (1 + ROUNDING)
              : Double.POSITIVE_INFINITY;
      floor[nutrient.ordinal()] = nutrient.element(line.floorMgL().orElse(0)) * (1 - ROUNDING);
    }
    untouched = new Untouched(posterior, days, ceiling);
    search = new PromiseSearch(posterior, ceiling, untouched);
  }

  int days() {
    return days;
  }

  /** Days ahead that are laid out at all: plans go on past the days judged. */
  int daysAhead() {
    return scenario.days() - first;
  }

  private static int allowed(int draws, double confidence) {
    return (int) Math.floor((1 - confidence) * draws + ROUNDING);
  }

  /** Every draw run over the days judged; the last few are kept. */
  Projection projection(PlannedChanges planned) {
    Asked asked =
        kept(planned).orElseGet(() -> new Asked(planned, Projection.of(posterior, days, planned)));
    lately.remove(asked);
    lately.addFirst(asked);
    if (lately.size() > MOST_KEPT) {
      lately.removeLast();
    }
    return asked.projection;
  }

  /** Every draw run over the first days at least: for a plan that is asked about once. */
  private Projection upTo(PlannedChanges planned, int until) {
    return kept(planned)
        .map(Asked::projection)
        .orElseGet(() -> Projection.of(posterior, until, planned));
  }

  private Optional<Asked> kept(PlannedChanges planned) {
    return lately.stream()
        .filter(
            other ->
                Arrays.equals(other.planned.time(), planned.time())
                    && Arrays.equals(other.planned.fraction(), planned.fraction()))
        .findFirst();
  }

  /** Share of all draws over the nutrient's ceiling at some time of a day ahead. */
  double over(PlannedChanges planned, Nutrient nutrient, int day) {
    return over(projection(planned), nutrient, day);
  }

  private double over(Projection projection, Nutrient nutrient, int day) {
    int count = 0;
    for (int draw = 0; draw < posterior.draws().size(); draw++) {
      count += projection.high(nutrient, day, draw) > ceiling[nutrient.ordinal()] ? 1 : 0;
    }
    return count / (double) posterior.draws().size();
  }

  /** Share of all draws under the nutrient's floor at some time of a day ahead. */
  double under(PlannedChanges planned, Nutrient nutrient, int day) {
    Projection projection = projection(planned);
    int count = 0;
    for (int draw = 0; draw < posterior.draws().size(); draw++) {
      count += projection.low(nutrient, day, draw) < floor[nutrient.ordinal()] ? 1 : 0;
    }
    return count / (double) posterior.draws().size();
  }

  /** Median over the draws of the nutrient's most on a day ahead, mg/L of the ion. */
  double median(PlannedChanges planned, Nutrient nutrient, int day) {
    return upTo(planned, day + 1).medianHigh(nutrient, day);
  }

  /** Share over the worse ceiling on a day ahead. */
  double over(PlannedChanges planned, int day) {
    return Math.max(over(planned, Nutrient.NITRATE, day), over(planned, Nutrient.PHOSPHATE, day));
  }

  /** The nutrient whose ceiling that is. */
  Nutrient worse(PlannedChanges planned, int day) {
    return over(planned, Nutrient.PHOSPHATE, day) > over(planned, Nutrient.NITRATE, day)
        ? Nutrient.PHOSPHATE
        : Nutrient.NITRATE;
  }

  /**
   * The least share of the draws under every ceiling on any one day of those judged; where a plan
   * does not last after them either, the least of all days.
   *
   * @param until days ahead on which the promise counts
   */
  double underCeilings(PlannedChanges planned, int from, int until) {
    double near = underAtFirst(planned, from, until);
    double far = 1 - worstOver(planned, Math.max(from, until), days);
    return far < LASTING - ROUNDED_SEARCH ? Math.min(near, far) : near;
  }

  /** The same on all days that are judged. */
  double underOnAll(PlannedChanges planned, int from) {
    return 1 - worstOver(planned, from, days);
  }

  /** The same on the days alone on which the promise counts. */
  double underAtFirst(PlannedChanges planned, int from, int until) {
    return 1 - worstOver(planned, from, Math.min(until, days));
  }

  /** Whether a plan keeps the promise on those days, or nearly does. */
  boolean keeps(PlannedChanges planned, int from, int until) {
    return underCeilings(planned, from, until) >= confidence - Advisor.NEARLY - ROUNDING;
  }

  /** Whether one nutrient keeps the promise on those days. */
  boolean keeps(PlannedChanges planned, Nutrient nutrient, int from, int until) {
    int end = Math.min(until, days);
    return worstOver(upTo(planned, end), nutrient, from, end) <= 1 - confidence + ROUNDING;
  }

  private double worstOver(PlannedChanges planned, int from, int until) {
    return Math.max(
        worstOver(planned, Nutrient.NITRATE, from, until),
        worstOver(planned, Nutrient.PHOSPHATE, from, until));
  }

  private double worstOver(PlannedChanges planned, Nutrient nutrient, int from, int until) {
    return worstOver(projection(planned), nutrient, from, until);
  }

  private double worstOver(Projection projection, Nutrient nutrient, int from, int until) {
    double worst = 0;
    for (int day = from; day < until; day++) {
      worst = Math.max(worst, over(projection, nutrient, day));
    }
    return worst;
  }

  /** The same within every line, floors included. */
  double within(PlannedChanges planned, int from, int until) {
    double worst = 1 - underCeilings(planned, from, until);
    for (int day = from; day < Math.min(until, days); day++) {
      for (Nutrient nutrient : Nutrient.values()) {
        worst = Math.max(worst, under(planned, nutrient, day));
      }
    }
    return 1 - worst;
  }

  /** Whether each draw goes over a ceiling on some day ahead before {@code until}. */
  boolean[] overBy(PlannedChanges planned, int until) {
    Projection projection = projection(planned);
    boolean[] over = new boolean[posterior.draws().size()];
    for (int draw = 0; draw < over.length; draw++) {
      for (int day = 0; day < Math.min(until, days) && !over[draw]; day++) {
        over[draw] =
            projection.high(Nutrient.NITRATE, day, draw) > ceiling[0]
                || projection.high(Nutrient.PHOSPHATE, day, draw) > ceiling[1];
      }
    }
    return over;
  }

  /** Chance that some day ahead before {@code until} goes over a ceiling. */
  double anyOver(PlannedChanges planned, int until) {
    int count = 0;
    for (boolean over : overBy(planned, until)) {
      count += over ? 1 : 0;
    }
    return count / (double) posterior.draws().size();
  }

  /** Whether the nutrient has a floor. */
  boolean hasFloor(Nutrient nutrient) {
    return floor[nutrient.ordinal()] > 0;
  }

  /** Days from tomorrow on that keep the promise without any change and without a break. */
  int daysFree() {
    int free = untouched.daysFree(allowed(posterior.draws().size(), confidence));
    search.sort();
    return free;
  }

  /** The ceiling that is nearest to being passed more often than accepted, from {@code from} on. */
  Nutrient nearer(PlannedChanges planned, int from) {
    return worstOver(planned, Nutrient.PHOSPHATE, from, days)
            > worstOver(planned, Nutrient.NITRATE, from, days)
        ? Nutrient.PHOSPHATE
        : Nutrient.NITRATE;
  }

  /**
   * Whether a plan keeps the promise from {@code from} on, by the first draws alone: for a search.
   *
   * @param surely days ahead on which the promise counts
   */
  boolean holds(PlannedChanges planned, int from, int surely) {
    int[] allowed = new int[Math.min(days, surely)];
    Arrays.fill(allowed, allowed(search.draws(), confidence));
    return search.holds(planned, from, allowed);
  }

  /**
   * Whether a plan keeps the promise and goes on well before and after the days on which it counts.
   * New tests will have told more by then: {@link #LASTING} of the draws are enough, as they are
   * while something is caught up.
   *
   * @param sureFrom day ahead from which the promise counts
   */
  boolean holdsAndLasts(PlannedChanges planned, int from, int sureFrom, int surely) {
    int[] allowed = new int[days];
    Arrays.fill(allowed, allowed(search.draws(), LASTING));
    int until = Math.min(days, surely);
    int sure = Math.min(until, Math.max(from, sureFrom));
    Arrays.fill(allowed, sure, until, allowed(search.draws(), confidence));
    return search.holds(planned, from, allowed);
  }

  /** Share of the draws over the nutrient's ceiling at the end of the as-of day. */
  double overNow(Nutrient nutrient) {
    long over =
        posterior.draws().stream()
            .filter(
                draw ->
                    (nutrient == Nutrient.NITRATE
                                ? draw.state().nitrateMg()
                                : draw.state().phosphorusMg())
                            / scenario.volumeL()
                        > ceiling[nutrient.ordinal()])
            .count();
    return over / (double) posterior.draws().size();
  }
}
