package org.umberline.core.calibration;

import java.util.Arrays;

/** What the surface says of one point of the unknowns. Not to be shared between threads. */
final class SurfacePoint {
  /** An exponential of less than this needs a few terms of its series. */
  private static final double SMALL = 0.2;

  private final ResponseSurface on;
  private final double[] link;
  private final double[] rate;
  private final Work[] works;
  private final double[] ofLink;
  private double[] z;

  /** What a group's tests are summed up in. */
  private static final class Work {
    final double[] inputs;
    final double[] outputs;
    final double[] straight;
    final double[] by;

    /** By how much links, then rates, are other than where the slopes were taken. */
    final double[] moved;

    /** Sums over the tests, by rate; the others by link and by column. */
    final double[] ofRates;

    final double[] ofLinks;
    double[] column = {};
    double[] ofColumn = {};

    Work(SurfaceGroup group) {
      int count = group.tests.length;
      inputs = new double[count];
      outputs = new double[count];
      straight = new double[count];
      by = new double[count];
      ofRates = new double[group.goes.which.length];
      ofLinks = new double[group.brought.which.length];
      moved = new double[Math.max(ofRates.length, ofLinks.length)];
    }
  }

  SurfacePoint(ResponseSurface on) {
    this.on = on;
    link = new double[on.links.length];
    rate = new double[on.rates.length];
    works = on.groups.stream().map(Work::new).toArray(Work[]::new);
    ofLink = new double[on.links.length];
  }

  /** Makes {@code z} the point that is told of; it is not to change meanwhile. */
  void lookAt(double[] z) {
    this.z = z;
    int l = 0;
    for (int end : on.chainEnds) {
      double times = 1;
      for (; l < end; l++) {
        int j = on.links[l];
        times *= exp(on.sd[j] * (z[j] - on.at[j]));
        link[l] = times;
      }
    }
    for (int r = 0; r < on.rates.length; r++) {
      int j = on.rates[r];
      rate[r] = exp(on.sd[j] * (z[j] - on.at[j]));
    }
    for (int g = 0; g < works.length; g++) {
      SurfaceGroup group = on.groups.get(g);
      if (works[g].column.length != group.straight.columns()) {
        works[g].column = new double[group.straight.columns()];
        works[g].ofColumn = new double[group.straight.columns()];
      }
      group.fillStraight(z, on.middle, works[g].column);
      sum(group, works[g]);
    }
  }

  /** The exponential; a small one, as most are here, by its series to a few parts in 10^9. */
  private static double exp(double x) {
    return Math.abs(x) < SMALL
        ? 1 + x * (1 + x / 2 * (1 + x / 3 * (1 + x / 4 * (1 + x / 5 * (1 + x / 6)))))
        : Math.exp(x);
  }

  private void sum(SurfaceGroup group, Work work) {
    double[] moved = work.moved;
    Arrays.fill(work.inputs, 1);
    for (int k = 0; k < work.ofLinks.length; k++) {
      moved[k] = link[group.brought.which[k]] - 1;
    }
    group.brought.values.addColumns(moved, work.inputs);
    Arrays.fill(work.outputs, 1);
    for (int k = 0; k < work.ofRates.length; k++) {
      moved[k] = rate[group.goes.which[k]] - 1;
    }
    group.goes.values.addColumns(moved, work.outputs);
    System.arraycopy(group.constant, 0, work.straight, 0, work.straight.length);
    group.straight.addColumns(work.column, work.straight);
  }

  /** Fills {@code target} with the logarithm of what each test shows. */
  void logShown(double[] target) {
    for (int g = 0; g < works.length; g++) {
      Work work = works[g];
      int[] tests = on.groups.get(g).tests;
      for (int i = 0; i < tests.length; i++) {
        double inputs = work.inputs[i];
        double outputs = work.outputs[i];
        target[tests[i]] =
            on.logBase[tests[i]]
                + work.straight[i]
                + (inputs > ResponseSurface.LOW && outputs > ResponseSurface.LOW
                    ? Math.log(inputs / outputs)
                    : ResponseSurface.logarithm(inputs) - ResponseSurface.logarithm(outputs));
      }
    }
  }

  /**
   * Adds to {@code slopes}, by coordinate, the slopes of the logarithms of what the tests show,
   * each times its weight.
   */
  void addSlopes(double[] weights, double[] slopes) {
    for (int g = 0; g < works.length; g++) {
      addSlopes(on.groups.get(g), works[g], 0, works[g].by.length, weights, slopes);
    }
  }

  /** The same for one test alone, as it is. */
  void addSlopes(int test, double[] slopes) {
    double[] only = new double[on.logBase.length];
    only[test] = 1;
    for (int g = 0; g < works.length; g++) {
      int place = Arrays.binarySearch(on.groups.get(g).tests, test);
      if (place >= 0) {
        addSlopes(on.groups.get(g), works[g], place, place + 1, only, slopes);
      }
    }
  }

  private void addSlopes(
      SurfaceGroup group, Work work, int from, int to, double[] weights, double[] slopes) {
    double[] by = work.by;
    for (int i = from; i < to; i++) {
      by[i] = weights[group.tests[i]];
    }
    group.straight.sumTests(by, from, to, work.ofColumn);
    int reads = group.reads.which.length;
    for (int k = 0; k < reads; k++) {
      slopes[on.structural + group.reads.which[k]] += work.ofColumn[k];
    }
    for (int f = 0; f < group.first.length; f++) {
      double slope = work.ofColumn[reads + f];
      int a = group.first[f];
      int b = group.second[f];
      if (b < 0) {
        slopes[a] += slope;
      } else {
        slopes[a] += slope * (z[b] - on.middle[b]);
        slopes[b] += slope * (z[a] - on.middle[a]);
      }
    }
    for (int i = from; i < to; i++) {
      by[i] = weights[group.tests[i]] / Math.max(ResponseSurface.LOW, work.outputs[i]);
    }
    group.goes.values.sumTests(by, from, to, work.ofRates);
    for (int k = 0; k < work.ofRates.length; k++) {
      int r = group.goes.which[k];
      slopes[on.rates[r]] -= work.ofRates[k] * rate[r] * on.sd[on.rates[r]];
    }
    for (int i = from; i < to; i++) {
      by[i] = weights[group.tests[i]] / Math.max(ResponseSurface.LOW, work.inputs[i]);
    }
    Arrays.fill(ofLink, 0);
    group.brought.values.sumTests(by, from, to, work.ofLinks);
    for (int k = 0; k < work.ofLinks.length; k++) {
      int l = group.brought.which[k];
      ofLink[l] = work.ofLinks[k] * link[l];
    }
    int l = 0;
    for (int end : on.chainEnds) {
      double later = 0;
      for (int k = end - 1; k >= l; k--) {
        later += ofLink[k];
        slopes[on.links[k]] += later * on.sd[on.links[k]];
      }
      l = end;
    }
  }
}
