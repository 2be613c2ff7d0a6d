package org.umberline.core.calibration;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;

/**
 * Draws from one stand-in after another, weighed together. Each stand-in knows its own density up
 * to a constant only, so a batch's weights tell its own draws apart and no more; between batches it
 * is the effective draws that share out the weight, which makes as many count as count in all of
 * them together.
 */
final class Batches {
  /** The first batch holds this share of the most a batch may hold: it is often enough. Chosen. */
  private static final double FIRST = 0.8;

  /** No batch holds less than this share of the most it may hold. Chosen. */
  private static final double LEAST = 0.25;

  private final List<double[]> points = new ArrayList<>();
  private final List<double[]> logWeights = new ArrayList<>();

  /** What the draws came to, as long as they are few. */
  private final List<Outcome> kept = new ArrayList<>();

  private final int mostKept;
  private double effective;

  /**
   * @param mostKept draws whose runs are kept: the runs of many would fill the memory
   */
  Batches(int mostKept) {
    this.mostKept = mostKept;
  }

  /**
   * Adds the draws of a stand-in.
   *
   * @param logWeight of each, up to a constant
   */
  void add(List<Outcome> batch, double[] logWeight) {
    double highest = Arrays.stream(logWeight).max().orElseThrow();
    double sum = Arrays.stream(logWeight).map(w -> Math.exp(w - highest)).sum();
    double counts = Resampling.effective(Resampling.normalised(logWeight));
    double shift = Math.log(counts) - highest - Math.log(sum);
    if (points.size() + batch.size() <= mostKept) {
      kept.addAll(batch);
    } else {
      kept.clear();
    }
    batch.forEach(outcome -> points.add(outcome.z()));
    logWeights.add(Arrays.stream(logWeight).map(w -> w + shift).toArray());
    effective += counts;
  }

  int count() {
    return logWeights.size();
  }

  /**
   * How many draws the next batch takes: as many as are missing if they count as much as those
   * before.
   *
   * @param most one that is to make up for hardly a draw that counts
   * @param wanted how many draws shall count
   */
  int next(int most, double wanted) {
    if (points.isEmpty()) {
      return (int) Math.ceil(FIRST * most);
    }
    double missing = (wanted - effective) * points.size() / effective;
    return (int) Math.ceil(Math.min(most, Math.max(LEAST * most, missing)));
  }

  /** How many of the draws count. */
  double effective() {
    return effective;
  }

  /**
   * What the chosen draws came to; where the runs were not kept those that are chosen are run
   * again.
   *
   * @param run gives the outcomes of points
   */
  List<Outcome> outcomes(int[] chosen, Function<double[][], List<Outcome>> run) {
    return kept.isEmpty()
        ? run.apply(Arrays.stream(chosen).mapToObj(points::get).toArray(double[][]::new))
        : Arrays.stream(chosen).mapToObj(kept::get).toList();
  }

  /** Of every draw of every batch, up to a constant. */
  double[] logWeights() {
    return logWeights.stream().flatMapToDouble(Arrays::stream).toArray();
  }
}
