package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TestUnit;

class TestLikelihoodTest {
  private static final Kit CARD =
      TankBuilder.kit(
          "card",
          Analyte.NITRATE,
          KitMethod.COLOUR_CARD,
          List.of(0.0, 5.0, 10.0, 20.0, 40.0, 80.0, 160.0),
          0,
          0.15);
  private static final Kit METER =
      TankBuilder.kit("meter", Analyte.PHOSPHATE, KitMethod.PHOTOMETER, List.of(), 0.02, 0.05);

  private static TestLikelihood nitrate(double value, Qualifier qualifier, TestUnit unit) {
    return TestLikelihood.of(
        new LogEntry.Test(
            TankBuilder.at(1), Analyte.NITRATE, value, unit, Optional.of("card"), qualifier, ""),
        CARD);
  }

  @Test
  void aCardReadingLiesBetweenTheNeighbouringMidpoints() {
    TestLikelihood twenty = nitrate(20, Qualifier.EQUAL, TestUnit.NITRATE);
    assertThat(twenty.use()).isEqualTo(TestLikelihood.Use.BETWEEN);
    assertThat(twenty.lowest()).isEqualTo(15);
    assertThat(twenty.highest()).isEqualTo(30);
    assertThat(twenty.logLikelihood(16) - twenty.logLikelihood(28))
        .as("anywhere inside is nearly as good")
        .isEqualTo(0, within(0.6));
    assertThat(twenty.logLikelihood(22) - twenty.logLikelihood(50)).isGreaterThan(2);
  }

  @Test
  void theLowestStepMeansBetweenZeroAndItsMidpointAndTheHighestHasNoEnd() {
    TestLikelihood zero = nitrate(0, Qualifier.EQUAL, TestUnit.NITRATE);
    assertThat(zero.lowest()).isZero();
    assertThat(zero.highest()).isEqualTo(2.5);
    TestLikelihood most = nitrate(160, Qualifier.EQUAL, TestUnit.NITRATE);
    assertThat(most.highest()).isInfinite();
    assertThat(most.logLikelihood(400)).isEqualTo(most.logLikelihood(200), within(0.01));
  }

  @Test
  void everyTruthIsReadAsSomeStep() {
    for (double truth : new double[] {0, 1, 3, 9, 14.9, 33, 120, 500}) {
      double sum = 0;
      for (double step : CARD.steps()) {
        sum += Math.exp(nitrate(step, Qualifier.EQUAL, TestUnit.NITRATE).logLikelihood(truth));
      }
      assertThat(sum).as("truth %s", truth).isEqualTo(1, within(1e-9));
    }
  }

  @Test
  void anOffCardValueCountsAsTheNearestStepAndATestsOwnUnitWins() {
    TestLikelihood offCard = nitrate(22, Qualifier.EQUAL, TestUnit.NITRATE);
    assertThat(offCard.lowest()).isEqualTo(15);
    TestLikelihood asNitrogen = nitrate(4.5, Qualifier.EQUAL, TestUnit.NITRATE_NITROGEN);
    assertThat(asNitrogen.lowest()).as("4.5 mg/L N is 19.9 mg/L NO3").isEqualTo(15);
  }

  @Test
  void belowAndAboveRangeAreOneSided() {
    TestLikelihood below = nitrate(5, Qualifier.BELOW, TestUnit.NITRATE);
    assertThat(below.logLikelihood(0.1)).isEqualTo(below.logLikelihood(3), within(0.01));
    assertThat(below.logLikelihood(3) - below.logLikelihood(10)).isGreaterThan(2);
    TestLikelihood above = nitrate(160, Qualifier.ABOVE, TestUnit.NITRATE);
    assertThat(above.logLikelihood(400) - above.logLikelihood(50)).isGreaterThan(2);
  }

  @Test
  void aPhotometerReadingIsNormalWithItsErrorsAddedInSquares() {
    assertThat(TestLikelihood.error(METER, 0.4)).isEqualTo(Math.hypot(0.02, 0.02), within(1e-12));
    assertThat(TestLikelihood.error(METER, 0)).isEqualTo(0.02, within(1e-12));
  }

  @Test
  void noReadingIsImpossibleSinceAnyMayBeABlunder() {
    TestLikelihood twenty = nitrate(20, Qualifier.EQUAL, TestUnit.NITRATE);
    assertThat(twenty.logLikelihood(1000)).isGreaterThan(-6);
    assertThat(twenty.roughLogLikelihood(1000)).as("leads back").isLessThan(-1000);
    assertThat(twenty.agreeing().logLikelihood(1000)).as("hardly one").isLessThan(-10);
    assertThat(twenty.agreeing().logLikelihood(20))
        .isCloseTo(twenty.logLikelihood(20), within(0.05));
  }

  /** The normal distribution of the likelihoods against Hipparchus' error function. */
  @Test
  void theNormalDistributionAgreesWithHipparchus() {
    for (double z = -8; z <= 8; z += 0.37) {
      double theirs = 0.5 * org.hipparchus.special.Erf.erfc(-z / Math.sqrt(2));
      assertThat(TestLikelihood.cumulative(z)).isEqualTo(theirs, within(1e-12));
    }
  }
}
