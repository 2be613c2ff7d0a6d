package org.umberline.core.planning;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.SideBySide;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.Lines;

/** Counts how many draws stay within the lines under a plan of changes. Not thread-safe. */
final class LineKeeping {
  /**
   * Shares of the draws.
   *
   * @param within that stay within every line
   * @param underCeilings that stay under both ceilings, whatever the floors
   * @param nitrateOver that pass the nitrate ceiling; the others likewise
   */
  record Kept(
      double within,
      double underCeilings,
      double nitrateOver,
      double phosphateOver,
      double nitrateUnder,
      double phosphateUnder) {}

  /** Medians over the draws of each draw's most and least, mg/L of the ion. */
  record Range(
      double nitratePeak, double nitrateTrough, double phosphatePeak, double phosphateTrough) {}

  /** A level on the line is within it, whatever the last binary digit says. */
  static final double ROUNDING = 1e-9;

  /** Days that are run before a question looks whether it is answered. */
  private static final int LOOK_EVERY = 15;

  /** Projections kept: a routine, the one beside it, none, and what is tried. */
  private static final int MOST_KEPT = 4;

  private record Asked(PlannedChanges planned, Projection projection) {}

  private final Deque<Asked> lately = new ArrayDeque<>();
  private final Posterior posterior;
  private final Scenario scenario;
  private final TankSimulator simulator;
  private final TankState state;
  private final Trace trace;
  private final int first;
  private final int days;
  private final double nitrogenCeiling;
  private final double nitrogenFloor;
  private final double phosphorusCeiling;
  private final double phosphorusFloor;
  private final Asker[] askers;

  LineKeeping(Posterior posterior, Lines lines, int days) {
    this.posterior = posterior;
    scenario = posterior.scenario();
    simulator = TankSimulator.quick(scenario);
    state = new TankState(scenario);
    trace = new Trace(scenario);
    first = scenario.asOfDay() + 1;
    this.days = days;
    nitrogenCeiling = ceiling(Nutrient.NITRATE, lines);
    phosphorusCeiling = ceiling(Nutrient.PHOSPHATE, lines);
    nitrogenFloor = floor(Nutrient.NITRATE, lines);
    phosphorusFloor = floor(Nutrient.PHOSPHATE, lines);
    askers = new Asker[SideBySide.parts(posterior.draws().size())];
    Arrays.setAll(askers, part -> new Asker(part, askers.length));
  }

  private static double ceiling(Nutrient nutrient, Lines lines) {
    OptionalDouble ceiling = nutrient.line(lines).ceilingMgL();
    return ceiling.isPresent()
        ? nutrient.element(ceiling.getAsDouble()) * (1 + ROUNDING)
        : Double.POSITIVE_INFINITY;
  }

  private static double floor(Nutrient nutrient, Lines lines) {
    return nutrient.element(nutrient.line(lines).floorMgL().orElse(0)) * (1 - ROUNDING);
  }

  int draws() {
    return posterior.draws().size();
  }

  /** Whether any ceiling is drawn; without one nothing is ever crossed. */
  boolean hasCeiling() {
    return Double.isFinite(nitrogenCeiling) || Double.isFinite(phosphorusCeiling);
  }

  /** Every draw run over the horizon; the last few are kept, since several questions ask them. */
  Projection projection(PlannedChanges planned) {
    for (Asked asked : lately) {
      if (Arrays.equals(asked.planned.time(), planned.time())
          && Arrays.equals(asked.planned.fraction(), planned.fraction())) {
        return asked.projection;
      }
    }
    if (lately.size() == MOST_KEPT) {
      lately.removeLast();
    }
    Projection projection = Projection.of(posterior, days, planned);
    lately.addFirst(new Asked(planned, projection));
    return projection;
  }

  /**
   * Counts over every draw.
   *
   * @param judgedFrom day ahead from which the lines are judged, 0 being the day after as-of
   */
  Kept kept(PlannedChanges planned, int judgedFrom) {
    Projection projection = projection(planned);
    int within = 0;
    int underCeilings = 0;
    int[] broken = new int[4];
    for (int i = 0; i < draws(); i++) {
      boolean nitrogenOver = false;
      boolean phosphorusOver = false;
      boolean nitrogenUnder = false;
      boolean phosphorusUnder = false;
      for (int day = judgedFrom; day < days; day++) {
        nitrogenOver |= projection.high(Nutrient.NITRATE, day, i) > nitrogenCeiling;
        phosphorusOver |= projection.high(Nutrient.PHOSPHATE, day, i) > phosphorusCeiling;
        nitrogenUnder |= projection.low(Nutrient.NITRATE, day, i) < nitrogenFloor;
        phosphorusUnder |= projection.low(Nutrient.PHOSPHATE, day, i) < phosphorusFloor;
      }
      broken[0] += nitrogenOver ? 1 : 0;
      broken[1] += phosphorusOver ? 1 : 0;
      broken[2] += nitrogenUnder ? 1 : 0;
      broken[3] += phosphorusUnder ? 1 : 0;
      boolean under = !nitrogenOver && !phosphorusOver;
      underCeilings += under ? 1 : 0;
      within += under && !nitrogenUnder && !phosphorusUnder ? 1 : 0;
    }
    double all = draws();
    return new Kept(
        within / all,
        underCeilings / all,
        broken[0] / all,
        broken[1] / all,
        broken[2] / all,
        broken[3] / all);
  }

  private static int allowed(int draws, double confidence) {
    return (int) Math.floor((1 - confidence) * draws + ROUNDING);
  }

  /**
   * Whether at least {@code confidence} of the first {@code draws} draws stay under both ceilings.
   * A draw is left as soon as it passes one, and those that passed one in an earlier question are
   * asked first: most questions of a search end early.
   */
  boolean holds(PlannedChanges planned, int judgedFrom, int draws, double confidence) {
    int allowed = allowed(draws, confidence);
    AtomicInteger over = new AtomicInteger();
    SideBySide.run(
        askers.length, part -> askers[part].count(planned, judgedFrom, draws, over, allowed));
    return over.get() <= allowed;
  }

  /** Asks its share of the draws one after the other. */
  private final class Asker {
    private final int[] order;
    private final TankSimulator own = TankSimulator.quick(scenario);
    private final TankState level = new TankState(scenario);
    private final Trace course = new Trace(scenario);

    Asker(int part, int parts) {
      order = IntStream.range(0, draws()).filter(draw -> draw % parts == part).toArray();
    }

    void count(PlannedChanges planned, int judgedFrom, int draws, AtomicInteger over, int allowed) {
      for (int place = 0; place < order.length && over.get() <= allowed; place++) {
        int draw = order[place];
        if (draw < draws && passes(draw, planned, judgedFrom)) {
          over.incrementAndGet();
          System.arraycopy(order, 0, order, 1, place);
          order[0] = draw;
        }
      }
    }

    private boolean passes(int draw, PlannedChanges planned, int judgedFrom) {
      Posterior.Draw drawn = posterior.draws().get(draw);
      level.set(drawn.state());
      for (int day = 0; day < days; day += LOOK_EVERY) {
        int until = Math.min(days, day + LOOK_EVERY);
        own.run(level, first + day, first + until, drawn.multipliers(), planned, course);
        for (int d = Math.max(day, judgedFrom); d < until; d++) {
          if (course.nitrateHigh[first + d] > nitrogenCeiling
              || course.phosphorusHigh[first + d] > phosphorusCeiling) {
            return true;
          }
        }
      }
      return false;
    }
  }

  /**
   * The nutrient whose peaks come nearer to their ceiling, or further over it, in the draw that
   * {@code confidence} of them do not exceed.
   */
  Nutrient nearerCeiling(PlannedChanges planned, int judgedFrom, double confidence) {
    Projection projection = projection(planned);
    double nitrate = peak(projection, Nutrient.NITRATE, judgedFrom, confidence) / nitrogenCeiling;
    double phosphate =
        peak(projection, Nutrient.PHOSPHATE, judgedFrom, confidence) / phosphorusCeiling;
    return nitrate >= phosphate ? Nutrient.NITRATE : Nutrient.PHOSPHATE;
  }

  private double peak(Projection projection, Nutrient nutrient, int judgedFrom, double confidence) {
    double[] peaks = new double[draws()];
    for (int i = 0; i < peaks.length; i++) {
      for (int day = judgedFrom; day < days; day++) {
        peaks[i] = Math.max(peaks[i], projection.high(nutrient, day, i));
      }
    }
    Quantiles.sort(peaks);
    return Quantiles.of(peaks, confidence);
  }

  /** Day ahead on which each draw first passes a ceiling, the horizon where it does not. */
  int[] firstOver(PlannedChanges planned) {
    Projection projection = projection(planned);
    int[] firstOver = new int[draws()];
    for (int i = 0; i < draws(); i++) {
      firstOver[i] = days;
      for (int day = 0; day < days; day++) {
        if (projection.high(Nutrient.NITRATE, day, i) > nitrogenCeiling
            || projection.high(Nutrient.PHOSPHATE, day, i) > phosphorusCeiling) {
          firstOver[i] = day;
          break;
        }
      }
    }
    return firstOver;
  }

  /**
   * Share of the draws in which ammonia or nitrite of a new tank pass what animals stand before the
   * day ahead is over, and the ammonia of each draw, mg N/L.
   */
  double[] ammoniaAhead(PlannedChanges planned, boolean[] over, double ammonia, double nitrite) {
    double[] level = new double[draws()];
    for (int i = 0; i < draws(); i++) {
      level[i] = posterior.draws().get(i).state().ammoniaMg() / scenario.volumeL();
      runShort(i, planned, 1);
      over[i] = trace.ammonia[first] > ammonia || trace.nitrite[first] > nitrite;
    }
    return level;
  }

  /** Share of the draws under both ceilings just after the last change of {@code planned}. */
  double underCeilingsAfter(PlannedChanges planned, int daysAhead, int draws) {
    int under = 0;
    for (int i = 0; i < draws; i++) {
      runShort(i, planned, daysAhead);
      under +=
          state.nitrateMg() / scenario.volumeL() <= nitrogenCeiling
                  && state.phosphorusMg() / scenario.volumeL() <= phosphorusCeiling
              ? 1
              : 0;
    }
    return under / (double) draws;
  }

  private void runShort(int draw, PlannedChanges planned, int daysAhead) {
    Posterior.Draw drawn = posterior.draws().get(draw);
    state.set(drawn.state());
    simulator.run(state, first, first + daysAhead, drawn.multipliers(), planned, trace);
  }

  /** Median nitrate and phosphate, mg/L of the ion, {@code daysAhead} days from the as-of day. */
  double[] mediansAfter(PlannedChanges planned, int daysAhead) {
    double[][] sample = new double[2][draws()];
    for (int i = 0; i < draws(); i++) {
      runShort(i, planned, daysAhead);
      sample[0][i] = state.nitrateMg() / scenario.volumeL();
      sample[1][i] = state.phosphorusMg() / scenario.volumeL();
    }
    return new double[] {
      median(Nutrient.NITRATE, sample[0]), median(Nutrient.PHOSPHATE, sample[1])
    };
  }

  /** Medians of the most and the least over the days judged. */
  Range range(PlannedChanges planned, int judgedFrom) {
    Projection projection = projection(planned);
    double[][] sample = new double[4][draws()];
    for (int i = 0; i < draws(); i++) {
      sample[1][i] = Double.POSITIVE_INFINITY;
      sample[3][i] = Double.POSITIVE_INFINITY;
      for (int day = judgedFrom; day < days; day++) {
        sample[0][i] = Math.max(sample[0][i], projection.high(Nutrient.NITRATE, day, i));
        sample[1][i] = Math.min(sample[1][i], projection.low(Nutrient.NITRATE, day, i));
        sample[2][i] = Math.max(sample[2][i], projection.high(Nutrient.PHOSPHATE, day, i));
        sample[3][i] = Math.min(sample[3][i], projection.low(Nutrient.PHOSPHATE, day, i));
      }
    }
    return new Range(
        median(Nutrient.NITRATE, sample[0]),
        median(Nutrient.NITRATE, sample[1]),
        median(Nutrient.PHOSPHATE, sample[2]),
        median(Nutrient.PHOSPHATE, sample[3]));
  }

  private static double median(Nutrient nutrient, double[] sample) {
    Quantiles.sort(sample);
    return nutrient.ion(Quantiles.of(sample, 0.5));
  }

  /**
   * How many days ahead both ceilings hold in at least {@code confidence} of the draws: 0 when not
   * even the day after as-of, the horizon when all of it.
   */
  int daysHeld(PlannedChanges planned, double confidence) {
    return daysHeld(firstOver(planned), confidence);
  }

  /** The same from {@link #firstOver}. */
  int daysHeld(int[] firstOverOfDraws, double confidence) {
    int[] firstOver = firstOverOfDraws.clone();
    Arrays.sort(firstOver);
    return firstOver[Math.min(allowed(draws(), confidence), draws() - 1)];
  }

  /** Share of the draws above a ceiling at the end of the as-of day. */
  double overNow() {
    List<Posterior.Draw> draws = posterior.draws();
    long over =
        draws.stream()
            .filter(
                d ->
                    d.state().nitrateMg() / scenario.volumeL() > nitrogenCeiling
                        || d.state().phosphorusMg() / scenario.volumeL() > phosphorusCeiling)
            .count();
    return over / (double) draws.size();
  }
}
