package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;
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
  private static final double LOW = 0.1;

  /** What is learned is held back as by so many runs that miss nothing. */
  private static final double HELD_BACK = 1;

  /** A run that is further off, as a logarithm, teaches no more than this. */
  private static final double FARTHEST_MISS = 1;

  private final Parameters parameters;
  private final double[] at;
  private final int structural;
  private final double[] sd;
  private final double[] logBase;

  /** Chains of inputs, laid end to end: their coordinates, and where each chain ends. */
  private final int[] links;

  private final int[] chainEnds;

  /** Coordinates that are no inputs: mostly rates at which something goes. */
  private final int[] rates;

  private final List<Group> groups;
  private double[] middle;

  /** Tests of one element. Their tables are by what acts on them, then by test. */
  private final class Group {
    final int[] tests;
    final Columns brought;
    final Columns goes;
    final Columns reads;

    // Pairs of coordinates whose product was learned from; the second is -1 for the first alone
    int[] first = {};
    int[] second = {};
    double[][] learned = {};
    double[] constant;

    Group(int[] tests, double[][] brought, double[][] goes, double[][] reads) {
      this.tests = tests;
      this.brought = new Columns(brought, tests);
      this.goes = new Columns(goes, tests);
      this.reads = new Columns(reads, tests);
      constant = new double[tests.length];
    }

    /** Those that a run depends on and that its slopes tell of. */
    int[] coordinates() {
      return IntStream.concat(
              Arrays.stream(brought.which).map(l -> links[l]),
              Arrays.stream(goes.which).map(r -> rates[r]))
          .toArray();
    }
  }

  /** The columns of a table that are not all 0, each by test. */
  private static final class Columns {
    final int[] which;
    final double[][] values;

    Columns(double[][] all, int[] tests) {
      which =
          IntStream.range(0, all.length)
              .filter(k -> Arrays.stream(tests).anyMatch(i -> all[k][i] != 0))
              .toArray();
      values = new double[which.length][];
      for (int k = 0; k < which.length; k++) {
        values[k] = of(all[which[k]], tests);
      }
    }
  }

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
    sd = IntStream.range(0, structural).mapToDouble(parameters::sd).toArray();
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
    double[][] reads = new double[at.length - structural][tests];
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
      double[] row = parameters.reads(i);
      for (int j = 0; j < row.length; j++) {
        reads[j][i] = row[j];
      }
    }
    groups =
        Stream.of(false, true)
            .map(this::ofElement)
            .filter(of -> of.length > 0)
            .map(of -> new Group(of, brought, goes, reads))
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
  private static double logarithm(double share) {
    return share > LOW ? Math.log(share) : Math.log(LOW) + share / LOW - 1;
  }

  /**
   * Learns what it misses from runs, by least squares on the coordinates a run depends on, their
   * squares and, where there are runs enough, their products.
   *
   * @param zs where the tank was run
   * @param truths what it held at the tests
   * @param middle among those runs
   */
  void learn(List<double[]> zs, List<double[]> truths, double[] middle) {
    int runs = zs.size();
    Point point = new Point();
    double[] shown = new double[logBase.length];
    double[][] misses = new double[runs][logBase.length];
    for (Group group : groups) {
      group.first = new int[0];
      group.second = group.first;
      group.learned = new double[0][];
      group.constant = new double[group.tests.length];
    }
    for (int r = 0; r < runs; r++) {
      point.lookAt(zs.get(r));
      point.logShown(shown);
      for (int i = 0; i < shown.length; i++) {
        double missed =
            Math.log(Math.max(NOTHING, truths.get(r)[i]))
                + Math.log(parameters.read(zs.get(r), i))
                - shown[i];
        misses[r][i] = Math.max(-FARTHEST_MISS, Math.min(FARTHEST_MISS, missed));
      }
    }
    this.middle = middle.clone();
    for (Group group : groups) {
      learn(group, zs, misses);
    }
  }

  private void learn(Group group, List<double[]> zs, double[][] misses) {
    chooseFeatures(group, zs.size());
    int features = group.first.length;
    double[][] normal = new double[features + 1][features + 1];
    double[][] right = new double[features + 1][group.tests.length];
    double[] x = new double[features + 1];
    x[features] = 1;
    for (int r = 0; r < zs.size(); r++) {
      fillFeatures(group, zs.get(r), x);
      double[] missed = of(misses[r], group.tests);
      for (int a = 0; a <= features; a++) {
        add(x[a], x, normal[a], a + 1);
        add(x[a], missed, right[a], missed.length);
      }
    }
    for (int a = 0; a <= features; a++) {
      normal[a][a] += HELD_BACK;
      for (int b = 0; b < a; b++) {
        normal[b][a] = normal[a][b];
      }
    }
    double[][] solved =
        new CholeskyDecomposition(new Array2DRowRealMatrix(normal, false), 1e-9, 1e-14)
            .getSolver()
            .solve(new Array2DRowRealMatrix(right, false))
            .getData();
    group.learned = Arrays.copyOf(solved, features);
    group.constant = solved[features];
  }

  private void chooseFeatures(Group group, int runs) {
    int[] own = group.coordinates();
    int products = own.length * (own.length - 1) / 2;
    boolean squares = runs > 3 * structural;
    boolean all = runs > 2 * (structural + own.length + products);
    IntStream.Builder first = IntStream.builder();
    IntStream.Builder second = IntStream.builder();
    for (int j = 0; j < structural; j++) {
      first.add(j);
      second.add(-1);
    }
    for (int j = 0; squares && j < own.length; j++) {
      for (int l = all ? 0 : j; l <= j; l++) {
        first.add(own[j]);
        second.add(own[l]);
      }
    }
    group.first = first.build().toArray();
    group.second = second.build().toArray();
  }

  private void fillFeatures(Group group, double[] z, double[] x) {
    for (int f = 0; f < group.first.length; f++) {
      int a = group.first[f];
      int b = group.second[f];
      double away = z[a] - middle[a];
      x[f] = b < 0 ? away : away * (z[b] - middle[b]);
    }
  }

  private static double[] of(double[] all, int[] which) {
    double[] result = new double[which.length];
    for (int i = 0; i < which.length; i++) {
      result[i] = all[which[i]];
    }
    return result;
  }

  /** Adds {@code factor} times the first {@code count} of {@code what} to {@code to}. */
  private static void add(double factor, double[] what, double[] to, int count) {
    for (int i = 0; i < count; i++) {
      to[i] += factor * what[i];
    }
  }

  /** In four sums, which a processor works out side by side. */
  private static double dot(double[] a, double[] b, int from, int to) {
    double s0 = 0;
    double s1 = 0;
    double s2 = 0;
    double s3 = 0;
    int i = from;
    for (; i + 3 < to; i += 4) {
      s0 += a[i] * b[i];
      s1 += a[i + 1] * b[i + 1];
      s2 += a[i + 2] * b[i + 2];
      s3 += a[i + 3] * b[i + 3];
    }
    for (; i < to; i++) {
      s0 += a[i] * b[i];
    }
    return s0 + s1 + (s2 + s3);
  }

  /** What the surface says of one point of the unknowns. Not to be shared between threads. */
  final class Point {
    private final double[] link = new double[links.length];
    private final double[] rate = new double[rates.length];
    private final Work[] works = groups.stream().map(Work::new).toArray(Work[]::new);
    private final double[] ofLink = new double[links.length];
    private double[] z;

    /** What a group's tests are summed up in. */
    private static final class Work {
      final double[] inputs;
      final double[] outputs;
      final double[] straight;
      final double[] by;
      double[] feature = {};

      Work(Group group) {
        int count = group.tests.length;
        inputs = new double[count];
        outputs = new double[count];
        straight = new double[count];
        by = new double[count];
      }
    }

    /** Makes {@code z} the point that is told of; it is not to change meanwhile. */
    void lookAt(double[] z) {
      this.z = z;
      int l = 0;
      for (int end : chainEnds) {
        double sum = 0;
        for (; l < end; l++) {
          int j = links[l];
          sum += sd[j] * (z[j] - at[j]);
          link[l] = Math.exp(sum);
        }
      }
      for (int r = 0; r < rates.length; r++) {
        int j = rates[r];
        rate[r] = Math.exp(sd[j] * (z[j] - at[j]));
      }
      for (int g = 0; g < works.length; g++) {
        Group group = groups.get(g);
        if (works[g].feature.length != group.first.length) {
          works[g].feature = new double[group.first.length];
        }
        fillFeatures(group, z, works[g].feature);
        sum(group, works[g]);
      }
    }

    private void sum(Group group, Work work) {
      int count = group.tests.length;
      Arrays.fill(work.inputs, 1);
      for (int k = 0; k < group.brought.which.length; k++) {
        add(link[group.brought.which[k]] - 1, group.brought.values[k], work.inputs, count);
      }
      Arrays.fill(work.outputs, 1);
      for (int k = 0; k < group.goes.which.length; k++) {
        add(rate[group.goes.which[k]] - 1, group.goes.values[k], work.outputs, count);
      }
      System.arraycopy(group.constant, 0, work.straight, 0, count);
      for (int k = 0; k < group.reads.which.length; k++) {
        add(z[structural + group.reads.which[k]], group.reads.values[k], work.straight, count);
      }
      for (int f = 0; f < group.first.length; f++) {
        add(work.feature[f], group.learned[f], work.straight, count);
      }
    }

    /** Fills {@code target} with the logarithm of what each test shows. */
    void logShown(double[] target) {
      for (int g = 0; g < works.length; g++) {
        Work work = works[g];
        int[] tests = groups.get(g).tests;
        for (int i = 0; i < tests.length; i++) {
          double inputs = work.inputs[i];
          double outputs = work.outputs[i];
          target[tests[i]] =
              logBase[tests[i]]
                  + work.straight[i]
                  + (inputs > LOW && outputs > LOW
                      ? Math.log(inputs / outputs)
                      : logarithm(inputs) - logarithm(outputs));
        }
      }
    }

    /**
     * Adds to {@code slopes}, by coordinate, the slopes of the logarithms of what the tests show,
     * each times its weight.
     */
    void addSlopes(double[] weights, double[] slopes) {
      for (int g = 0; g < works.length; g++) {
        addSlopes(groups.get(g), works[g], 0, works[g].by.length, weights, slopes);
      }
    }

    /** The same for one test alone, as it is. */
    void addSlopes(int test, double[] slopes) {
      double[] only = new double[logBase.length];
      only[test] = 1;
      for (int g = 0; g < works.length; g++) {
        int place = Arrays.binarySearch(groups.get(g).tests, test);
        if (place >= 0) {
          addSlopes(groups.get(g), works[g], place, place + 1, only, slopes);
        }
      }
    }

    private void addSlopes(
        Group group, Work work, int from, int to, double[] weights, double[] slopes) {
      double[] by = work.by;
      for (int i = from; i < to; i++) {
        by[i] = weights[group.tests[i]];
      }
      for (int k = 0; k < group.reads.which.length; k++) {
        slopes[structural + group.reads.which[k]] += dot(group.reads.values[k], by, from, to);
      }
      for (int f = 0; f < group.first.length; f++) {
        double slope = dot(group.learned[f], by, from, to);
        int a = group.first[f];
        int b = group.second[f];
        if (b < 0) {
          slopes[a] += slope;
        } else {
          slopes[a] += slope * (z[b] - middle[b]);
          slopes[b] += slope * (z[a] - middle[a]);
        }
      }
      for (int i = from; i < to; i++) {
        by[i] = weights[group.tests[i]] / Math.max(LOW, work.outputs[i]);
      }
      for (int k = 0; k < group.goes.which.length; k++) {
        int r = group.goes.which[k];
        slopes[rates[r]] -= dot(group.goes.values[k], by, from, to) * rate[r] * sd[rates[r]];
      }
      for (int i = from; i < to; i++) {
        by[i] = weights[group.tests[i]] / Math.max(LOW, work.inputs[i]);
      }
      Arrays.fill(ofLink, 0);
      for (int k = 0; k < group.brought.which.length; k++) {
        int l = group.brought.which[k];
        ofLink[l] = dot(group.brought.values[k], by, from, to) * link[l];
      }
      int l = 0;
      for (int end : chainEnds) {
        double later = 0;
        for (int k = end - 1; k >= l; k--) {
          later += ofLink[k];
          slopes[links[k]] += later * sd[links[k]];
        }
        l = end;
      }
    }
  }
}
