package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.umberline.core.tank.Analyte;

/**
 * What tests show as a function of a tank's unknowns, near the point at which its slopes were
 * taken: a concentration is the sum of what each input brought, divided by the sum of the rates at
 * which it goes; and what runs show that to miss is learned from them ({@link #learn}).
 */
final class ResponseSurface {
  /** A concentration this small is taken for none, in the standard unit. */
  private static final double NOTHING = 1e-6;

  /** Under this share of where the slopes were taken a concentration's logarithm goes straight. */
  static final double LOW = 0.1;

  /** A run that is further off, as a logarithm, teaches no more than this. */
  private static final double FARTHEST_MISS = 1;

  private final Parameters parameters;
  final double[] at;
  final int structural;
  final double[] sd;
  final double[] logBase;

  /** Chains of inputs, laid end to end: their coordinates, and where each chain ends. */
  final int[] links;

  final int[] chainEnds;

  /** Coordinates that are no inputs: mostly rates at which something goes. */
  final int[] rates;

  final List<SurfaceGroup> groups;
  double[] middle;

  /**
   * @param at where {@code base} was found
   * @param base concentrations at the tests
   * @param truths the same with one coordinate after the other moved by {@link StandIn#DELTA}
   */
  ResponseSurface(Parameters parameters, double[] at, double[] base, double[][] truths) {
    this.parameters = parameters;
    this.at = at.clone();
    structural = truths.length;
    middle = this.at;
    sd = IntStream.range(0, structural).mapToDouble(parameters.coordinates()::sd).toArray();
    List<int[]> chains = parameters.inputs();
    links = chains.stream().flatMapToInt(Arrays::stream).toArray();
    chainEnds = new int[chains.size()];
    for (int c = 0; c < chainEnds.length; c++) {
      chainEnds[c] = chains.get(c).length + (c == 0 ? 0 : chainEnds[c - 1]);
    }
    rates =
        IntStream.range(0, structural)
            .filter(j -> Arrays.stream(links).noneMatch(link -> link == j))
            .toArray();
    int tests = base.length;
    logBase = new double[tests];
    double[][] brought = new double[links.length][tests];
    double[][] goes = new double[rates.length][tests];
    for (int i = 0; i < tests; i++) {
      double level = Math.max(NOTHING, base[i]);
      logBase[i] = Math.log(level);
      // moving a link moves those after it as well
      double later = 0;
      for (int l = links.length - 1, c = chainEnds.length - 1; l >= 0; l--) {
        if (c >= 0 && l == chainEnds[c] - 1) {
          later = 0;
          c--;
        }
        double all = (truths[links[l]][i] - level) / level / step(links[l]);
        brought[l][i] = all - later;
        later = all;
      }
      for (int r = 0; r < rates.length; r++) {
        double slope = Math.log(Math.max(NOTHING, truths[rates[r]][i]) / level);
        goes[r][i] = -slope / step(rates[r]);
      }
    }
    groups =
        Stream.of(false, true)
            .map(this::ofElement)
            .filter(of -> of.length > 0)
            .map(
                of ->
                    new SurfaceGroup(
                        of,
                        brought,
                        goes,
                        parameters.reads(),
                        structural,
                        l -> links[l],
                        r -> rates[r]))
            .toList();
  }

  private int[] ofElement(boolean phosphorus) {
    return IntStream.range(0, logBase.length)
        .filter(i -> (parameters.analyte(i) == Analyte.PHOSPHATE) == phosphorus)
        .toArray();
  }

  /** By what share the moved coordinate changed what it stands for. */
  private double step(int coordinate) {
    return Math.expm1(sd[coordinate] * StandIn.DELTA);
  }

  int tests() {
    return logBase.length;
  }

  /** Goes on straight below {@link #LOW}. */
  static double logarithm(double share) {
    return share > LOW ? Math.log(share) : Math.log(LOW) + share / LOW - 1;
  }

  /**
   * Learns what it misses from runs, by least squares on the coordinates a run depends on and on
   * those products of two that tell most.
   *
   * @param zs where the tank was run
   * @param truths what it held at the tests
   * @param middle among those runs
   * @param likelihoods of the tests: what matters more to them is learned first
   */
  void learn(
      List<double[]> zs, List<double[]> truths, double[] middle, TestLikelihood[] likelihoods) {
    int runs = zs.size();
    SurfacePoint point = new SurfacePoint(this);
    double[] shown = new double[logBase.length];
    double[][] misses = new double[runs][logBase.length];
    double[] sharpness = new double[shown.length];
    double[] slope = new double[1];
    groups.forEach(SurfaceGroup::forget);
    for (int r = 0; r < runs; r++) {
      point.lookAt(zs.get(r));
      point.logShown(shown);
      double[] reads = parameters.logReads(zs.get(r));
      for (int i = 0; i < shown.length; i++) {
        double read = Math.log(Math.max(NOTHING, truths.get(r)[i])) + reads[i];
        likelihoods[i].quickLogLikelihood(read, slope);
        sharpness[i] += slope[0] * slope[0] / runs;
        double missed = read - shown[i];
        misses[r][i] = Math.max(-FARTHEST_MISS, Math.min(FARTHEST_MISS, missed));
      }
    }
    this.middle = middle.clone();
    for (SurfaceGroup group : groups) {
      group.learn(zs, misses, this.middle, sharpness);
    }
  }
}
