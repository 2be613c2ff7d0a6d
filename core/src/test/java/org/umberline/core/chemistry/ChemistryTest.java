package org.umberline.core.chemistry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChemistryTest {
  /** Emerson et al. 1975, table at 25 °C: 0.57 %, 5.4 %, 36 %. */
  @ParameterizedTest
  @CsvSource({"7, 0.0057, 0.0001", "8, 0.054, 0.0005", "9, 0.36, 0.005"})
  void freeAmmoniaAgreesWithEmerson(double pH, double share, double tolerance) {
    assertThat(AmmoniaSpeciation.freeShare(pH, 25)).isEqualTo(share, within(tolerance));
  }

  @Test
  void aPHUnitMoreIsAboutTenTimesTheFreeAmmonia() {
    double ratio = AmmoniaSpeciation.freeShare(7.5, 20) / AmmoniaSpeciation.freeShare(6.5, 20);
    assertThat(ratio).isBetween(9.7, 10.0);
  }

  /** US EPA 2013: 17 acute and 1.9 chronic mg total ammonia N/L at pH 7 and 20 °C. */
  @Test
  void ammoniaCriteriaAgreeWithTheirPublishedValues() {
    assertThat(AmmoniaSpeciation.acuteCriterionMgL(7, 20)).isEqualTo(17, within(0.5));
    assertThat(AmmoniaSpeciation.chronicCriterionMgL(7, 20)).isEqualTo(1.9, within(0.05));
  }

  /** Check values of EOS-80 (UNESCO 1983), one atmosphere. */
  @ParameterizedTest
  @CsvSource({"35, 25, 1023.343", "35, 5, 1027.675", "0, 25, 997.048", "0, 5, 999.967"})
  void seaWaterIsAsDenseAsUnescoSays(double salinity, double celsius, double density) {
    assertThat(SeaWater.density(salinity, celsius)).isEqualTo(density, within(0.001));
  }

  /** Mass balance; common practice says: 3 % low reads 3 % high. */
  @Test
  void evaporatedWaterReadsHigh() {
    assertThat(Normalised.toLevel(10.3, 0.03)).isEqualTo(10, within(0.01));
    assertThat(Normalised.toSalinity(10.3, 36.05, 35)).isEqualTo(10, within(1e-9));
    assertThatThrownBy(() -> Normalised.toLevel(10, 1)).hasMessageContaining("shareLow is 1");
    assertThatThrownBy(() -> Normalised.toSalinity(10, 0, 35)).hasMessageContaining("over 0");
  }
}
