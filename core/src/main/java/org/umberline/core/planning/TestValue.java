package org.umberline.core.planning;

import java.util.HashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Random;
import org.umberline.core.calibration.KitReading;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.Qualifier;

/**
 * What one more test would be worth for a decision that hangs on whether something will happen if
 * nothing is done. Doing something for nothing costs as much as the risk the keeper accepts; not
 * doing it costs 1 if it happens. The test's value is how much the expected cost falls when the
 * decision may wait for its reading: every draw is taken for the truth in turn, the kit reads it,
 * and the other draws are weighed by that reading.
 */
final class TestValue {
  /**
   * @param chance that it happens if nothing is done, as known now
   * @param value by how much the expected cost falls
   * @param settles chance that the reading turns the decision round
   */
  record Worth(double chance, double value, double settles) {}

  private TestValue() {}

  /**
   * @param level what the kit would see in each draw, in the analyte's standard unit
   * @param happens whether it happens in each draw if nothing is done
   * @param acceptedRisk 0..1
   */
  static Worth of(Kit kit, double[] level, boolean[] happens, double acceptedRisk, long seed) {
    Random random = new Random(seed);
    int draws = level.length;
    int happening = 0;
    for (boolean it : happens) {
      happening += it ? 1 : 0;
    }
    double chance = happening / (double) draws;
    double without = Math.min(acceptedRisk, chance);
    double with = 0;
    double settles = 0;
    // a card shows the same few steps again and again
    Map<Double, Double> riskByReading = new HashMap<>();
    for (int truth = 0; truth < draws; truth++) {
      double shown = KitReading.of(kit, level[truth], random::nextGaussian);
      double risk =
          riskByReading.computeIfAbsent(
              shown, reading -> risk(kit, reading, level, happens).orElse(chance));
      with += Math.min(acceptedRisk, risk) / draws;
      settles += (risk > acceptedRisk) != (chance > acceptedRisk) ? 1.0 / draws : 0;
    }
    return new Worth(chance, Math.max(0, without - with), settles);
  }

  /** The chance that it happens once the kit has shown {@code reading}. */
  private static OptionalDouble risk(Kit kit, double reading, double[] level, boolean[] happens) {
    TestLikelihood likelihood = TestLikelihood.of(reading, Qualifier.EQUAL, kit);
    double all = 0;
    double bad = 0;
    for (int i = 0; i < level.length; i++) {
      double weight = Math.exp(likelihood.logLikelihood(level[i]));
      all += weight;
      bad += happens[i] ? weight : 0;
    }
    return all > 0 ? OptionalDouble.of(bad / all) : OptionalDouble.empty();
  }
}
