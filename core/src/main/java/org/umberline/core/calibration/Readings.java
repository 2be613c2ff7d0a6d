package org.umberline.core.calibration;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;

/** The tests that are learned from, and how far each is believed. */
final class Readings {
  /** Such readings tell together as much as so many that scatter as they do. Chosen. */
  private static final int COUNT_FOR = 4;

  /** A run that is so far off, as a logarithm, is near enough to begin from. Chosen. */
  private static final double NEAR_ENOUGH = 0.3;

  /** More readings than this that agree leave no room for all of them to be blunders. Chosen. */
  private static final int FEW = 7;

  /** How each test is believed now. */
  final TestLikelihood[] believed;

  /** The same as the kits say; what is believed may scatter more. */
  final TestLikelihood[] asKitsSay;

  private final Parameters parameters;
  private final List<LogEntry.Test> tests;

  Readings(Scenario scenario, Parameters parameters) {
    this.parameters = parameters;
    tests = scenario.probesKnown();
    believed = new TestLikelihood[tests.size()];
    Map<List<Object>, TestLikelihood> alike = new HashMap<>();
    for (int i = 0; i < believed.length; i++) {
      LogEntry.Test test = tests.get(i);
      believed[i] =
          alike.computeIfAbsent(
              List.of(test.analyte(), test.standardValue(), test.kit(), test.qualifier()),
              any -> TestLikelihood.of(test, scenario.tank().kitOf(test)));
    }
    asKitsSay = believed.clone();
  }

  int count() {
    return believed.length;
  }

  boolean isOfPhosphate(int test) {
    return tests.get(test).analyte() == Analyte.PHOSPHATE;
  }

  double logLikelihood(double[] z, double[] atTests) {
    double[] reads = parameters.logReads(z);
    double sum = 0;
    for (int i = 0; i < atTests.length; i++) {
      sum += believed[i].quickLogLikelihood(Math.log(atTests[i]) + reads[i]);
    }
    return sum;
  }

  double logPosterior(double[] z, double[] atTests) {
    return logLikelihood(z, atTests) - 0.5 * Resampling.sumOfSquares(z);
  }

  /** How far the readings lie from a run, none of them counting without end. */
  double misfit(Outcome outcome) {
    double sum = 0.5 * Resampling.sumOfSquares(outcome.z());
    for (int i = 0; i < believed.length; i++) {
      double off = believed[i].logDistance(outcome.atTests()[i]) / NEAR_ENOUGH;
      sum += Math.log1p(off * off);
    }
    return sum;
  }

  /**
   * Analytes of which more readings would be taken for blunders than happen.
   *
   * @param most share of an analyte's readings that may be
   */
  Set<Analyte> writtenOff(double[] z, double[] atTests, double most) {
    Map<Analyte, Integer> all = new EnumMap<>(Analyte.class);
    Map<Analyte, Integer> blunders = new EnumMap<>(Analyte.class);
    double[] reads = parameters.logReads(z);
    for (int i = 0; i < atTests.length; i++) {
      Analyte analyte = tests.get(i).analyte();
      all.merge(analyte, 1, Integer::sum);
      if (isBlunder(i, reads, atTests)) {
        blunders.merge(analyte, 1, Integer::sum);
      }
    }
    return blunders.keySet().stream()
        .filter(
            analyte -> blunders.get(analyte) > 1 && blunders.get(analyte) > most * all.get(analyte))
        .collect(Collectors.toSet());
  }

  private boolean isBlunder(int test, double[] reads, double[] atTests) {
    return believed[test].isBlunder(atTests[test] * Math.exp(reads[test]));
  }

  /**
   * Where the course at {@code z} goes through all of an analyte's few readings none of them is a
   * blunder from now on: another reading may show that, what the make-up lets expect alone may not.
   *
   * @return whether there are such readings
   */
  boolean trustAgreeing(double[] z, double[] atTests) {
    double[] reads = parameters.logReads(z);
    boolean any = false;
    for (Analyte analyte : Analyte.values()) {
      int[] own =
          IntStream.range(0, believed.length)
              .filter(i -> tests.get(i).analyte() == analyte)
              .toArray();
      if (own.length <= FEW && Arrays.stream(own).noneMatch(i -> isBlunder(i, reads, atTests))) {
        for (int i : own) {
          believed[i] = believed[i].agreeing();
          any = true;
        }
      }
    }
    return any;
  }

  /** From now on the readings of these analytes tell together as much as a few of them. */
  void scatter(Set<Analyte> analytes) {
    for (int t = 0; t < believed.length; t++) {
      Analyte analyte = tests.get(t).analyte();
      if (analytes.contains(analyte)) {
        believed[t] = asKitsSay[t].scattered(scatterOf(analyte));
      }
    }
  }

  private double scatterOf(Analyte analyte) {
    double[] values =
        tests.stream()
            .filter(test -> test.analyte() == analyte)
            .mapToDouble(LogEntry.Test::standardValue)
            .toArray();
    return Quantiles.standardDeviation(values)
        * Math.sqrt(Math.max(1, values.length / (double) COUNT_FOR));
  }
}
