package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;

/**
 * Simulation-based calibration (Talts, Betancourt, Simpson, Vehtari, Gelman, arXiv 1804.06788,
 * 2018): tanks are drawn from the prior, their tests from the likelihood; if the posterior is
 * right, the truth's rank among its draws is uniform.
 */
@Tag("long")
class SimulationBasedCalibrationTest {
  private static final int DAYS = 120;
  private static final int BINS = 10;

  /** One chance in a thousand of chi-square with 9 degrees of freedom: seven are looked at. */
  private static final double CHI_SQUARE_LIMIT = 27.88;

  private static final double BLUNDER = 0.03;

  private static TankModel tank(List<LogEntry> tests) {
    TankBuilder builder =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusYears(1))
            .substrate(SubstrateKind.GRAVEL)
            .water("tap", 10, 0.3)
            .changeWater("tap")
            .ration(0.4)
            .plant("moss", PlantKind.MOSS, 60, 180, TankBuilder.always())
            .photometer("no3", Analyte.NITRATE, 1, 0.05)
            .photometer("po4", Analyte.PHOSPHATE, 0.03, 0.05);
    for (int day = 6; day < DAYS; day += 7) {
      builder.change(day + 0.8, 25);
    }
    tests.forEach(builder::log);
    if (tests.isEmpty()) {
      for (int day = 5; day < DAYS; day += 8) {
        builder.test(day + 0.5, Analyte.NITRATE, 0, "no3");
        builder.test(day + 0.5, Analyte.PHOSPHATE, 0, "po4");
      }
    }
    return builder.build();
  }

  /** Ranks of the truth among {@code draws}, from 0 to {@code draws}, one list a quantity. */
  static Map<String, int[]> ranks(int replicates, int draws, long firstSeed) {
    List<Map<String, Integer>> all =
        IntStream.range(0, replicates)
            .parallel()
            .mapToObj(i -> replicate(draws, firstSeed + i))
            .toList();
    Map<String, int[]> ranks = new LinkedHashMap<>();
    for (String quantity : all.get(0).keySet()) {
      ranks.put(quantity, all.stream().mapToInt(r -> r.get(quantity)).toArray());
    }
    return ranks;
  }

  private static Map<String, Integer> replicate(int draws, long seed) {
    Random random = new Random(new java.util.SplittableRandom(seed).nextLong());
    LocalDate asOf = TankBuilder.START.plusDays(DAYS - 1);
    TankModel empty = tank(List.of());
    Scenario scenario = Scenario.of(empty, Calibration.firstDay(empty, asOf), asOf, 0);
    Parameters parameters = new Parameters(scenario);
    double[] z = random.doubles(parameters.size()).map(u -> random.nextGaussian()).toArray();
    Multipliers truth = parameters.fresh();
    TankState state = new TankState(scenario);
    parameters.apply(z, truth, state);
    Trace trace = new Trace(scenario);
    new TankSimulator(scenario).run(state, 0, scenario.days(), truth, PlannedChanges.NONE, trace);
    state.jump(
        left(parameters.nitrateDepartures().atDayEnds(z)),
        left(parameters.phosphorusDepartures().atDayEnds(z)));
    List<LogEntry> tests = new ArrayList<>();
    double[] reads = parameters.logReads(z);
    for (int i = 0; i < scenario.probes().size(); i++) {
      LogEntry.Test test = scenario.probes().get(i);
      boolean nitrate = test.analyte() == Analyte.NITRATE;
      double level = nitrate ? trace.probeNitrate[i] * 4.4268 : trace.probePhosphorus[i] * 3.0662;
      double shown = level * Math.exp(reads[i]);
      Kit kit = empty.kitOf(test);
      double error = Math.hypot(kit.absoluteError(), kit.relativeError() * shown);
      double value = shown + error * random.nextGaussian();
      if (random.nextDouble() < BLUNDER) {
        value = random.nextDouble() * (nitrate ? 100 : 3);
      }
      tests.add(
          new LogEntry.Test(
              test.at(),
              test.analyte(),
              Math.max(0, value),
              test.unit(),
              test.kit(),
              test.qualifier(),
              ""));
    }
    Posterior posterior = Calibration.calibrate(tank(tests), asOf, 0, draws, seed, WORKERS);
    Map<String, Integer> ranks = new LinkedHashMap<>();
    rank(
        ranks,
        "nitrogen load",
        posterior,
        truth.nitrogenLoad[DAYS - 30],
        d -> d.multipliers().nitrogenLoad[DAYS - 30]);
    rank(
        ranks,
        "phosphorus load",
        posterior,
        truth.phosphorusLoad[DAYS - 30],
        d -> d.multipliers().phosphorusLoad[DAYS - 30]);
    rank(ranks, "plant uptake", posterior, truth.uptake, d -> d.multipliers().uptake);
    rank(ranks, "phosphate exchange", posterior, truth.exchange, d -> d.multipliers().exchange);
    rank(
        ranks,
        "unseen denitrification",
        posterior,
        truth.unseenDenitrification,
        d -> d.multipliers().unseenDenitrification);
    rank(ranks, "nitrate now", posterior, state.nitrateMg(), d -> d.state().nitrateMg());
    rank(ranks, "phosphate now", posterior, state.phosphorusMg(), d -> d.state().phosphorusMg());
    return ranks;
  }

  /** What is left of departures on the last day. */
  private static double left(double[] departures) {
    double days = DAYS - departures.length;
    return departures[departures.length - 1] * Math.exp(-days / Priors.DEPARTURE_FADES_DAYS);
  }

  private static void rank(
      Map<String, Integer> ranks,
      String name,
      Posterior posterior,
      double truth,
      ToDoubleFunction<Posterior.Draw> of) {
    ranks.put(
        name, (int) posterior.draws().stream().filter(d -> of.applyAsDouble(d) < truth).count());
  }

  static double chiSquare(int[] ranks, int draws) {
    int[] bins = new int[BINS];
    for (int rank : ranks) {
      bins[Math.min(BINS - 1, rank * BINS / (draws + 1))]++;
    }
    double expected = ranks.length / (double) BINS;
    double sum = 0;
    for (int bin : bins) {
      sum += (bin - expected) * (bin - expected) / expected;
    }
    return sum;
  }

  @Test
  void ranksOfTheTruthAreUniform() {
    int draws = 499;
    ranks(60, draws, 1)
        .forEach(
            (quantity, ranks) ->
                assertThat(chiSquare(ranks, draws)).as(quantity).isLessThan(CHI_SQUARE_LIMIT));
  }

  /** The figures of docs/model.md: {@code replicates draws}. */
  public static void main(String[] arguments) {
    int draws = Integer.parseInt(arguments[1]);
    ranks(Integer.parseInt(arguments[0]), draws, 10_000)
        .forEach(
            (quantity, ranks) -> {
              int[] bins = new int[BINS];
              for (int rank : ranks) {
                bins[Math.min(BINS - 1, rank * BINS / (draws + 1))]++;
              }
              System.out.printf(
                  Locale.ROOT,
                  "%-24s chi-square %5.1f  %s%n",
                  quantity,
                  chiSquare(ranks, draws),
                  java.util.Arrays.toString(bins));
            });
  }
}
