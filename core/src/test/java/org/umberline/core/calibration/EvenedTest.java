package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class EvenedTest {
  private static final double[] MIDDLE = {0.5, -0.3, 1};

  /** A small part of a sum of which tests tell, a coordinate as it is, and a large part. */
  private static final Evened EVENED =
      new Evened(
          MIDDLE,
          new double[] {1.2, 0.6, 0.5},
          new double[] {2, 0, 5},
          new double[] {0.07, 1, 0.8});

  private static double[] even(double... z) {
    double[] even = new double[z.length];
    EVENED.fromUnknowns(z, even);
    return even;
  }

  @ParameterizedTest
  @ValueSource(doubles = {-6, -2, -0.4, 0, 0.1, 2, 6})
  void unknownsAreFoundAgainFromAnywhere(double away) {
    double[] z = {0.5 + away, -0.3 - away, 1 + away};
    double[] found = MIDDLE.clone();
    EVENED.toUnknowns(even(z), found);
    assertThat(found).containsExactly(z, within(1e-6));
  }

  @Test
  void aroundTheMiddleBothRunAlike() {
    assertThat(even(MIDDLE)).containsExactly(MIDDLE, within(1e-12));
    double[] near = even(0.501, -0.299, 1.001);
    assertThat(near).containsExactly(new double[] {0.501, -0.299, 1.001}, within(1e-5));
    assertThat(EVENED.logRoom(MIDDLE)).isEqualTo(0, within(1e-12));
  }

  /** Two standard deviations up a small part is a large one: there is more room between points. */
  @Test
  void thereIsMoreRoomWhereTestsTellMore() {
    double[] high = even(2.5, 0, 1);
    double[] higher = even(2.6, 0, 1);
    double[] low = even(-2.5, 0, 1);
    double[] lower = even(-2.6, 0, 1);
    assertThat(higher[0] - high[0]).isGreaterThan(5 * (low[0] - lower[0]));
  }

  /** The density of a standard normal among unknowns, told and sloped in even coordinates. */
  @Test
  void slopesAreThoseOfTheDensityAmongEvenCoordinates() {
    double[] z = {1.7, 0.2, -0.6};
    double[] gradient = {-z[0], -z[1], -z[2]};
    EVENED.turn(z, gradient);
    double h = 1e-4;
    for (int j = 0; j < z.length; j++) {
      double[] above = even(z);
      above[j] += h;
      double[] below = even(z);
      below[j] -= h;
      assertThat(gradient[j])
          .isEqualTo((logDensity(above) - logDensity(below)) / (2 * h), within(1e-3));
    }
  }

  private static double logDensity(double[] even) {
    double[] z = MIDDLE.clone();
    EVENED.toUnknowns(even, z);
    return -0.5 * Resampling.sumOfSquares(z) - EVENED.logRoom(z);
  }
}
