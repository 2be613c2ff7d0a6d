package org.umberline.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.TestUnit;

/** Molar masses: IUPAC standard atomic weights. */
class ConversionTest {
  @Test
  void ionsPerElementAgreeWithIupacMolarMasses() {
    assertThat(Nitrate.of(new Nitrogen(1)).mgPerLitre()).isEqualTo(4.4268, within(5e-5));
    assertThat(Nitrite.of(new Nitrogen(1)).mgPerLitre()).isEqualTo(3.2845, within(5e-5));
    assertThat(Ammonia.of(new Nitrogen(1)).mgPerLitre()).isEqualTo(1.2159, within(5e-5));
    assertThat(Phosphate.of(new Phosphorus(1)).mgPerLitre()).isEqualTo(3.0662, within(5e-5));
  }

  /** WHO drinking water guideline 50 mg/L nitrate; EPA limit 10 mg/L as N: about the same water. */
  @Test
  void drinkingWaterLimitsOfWhoAndEpaAreNearlyTheSame() {
    assertThat(new Nitrate(50).asNitrogen().mgPerLitre()).isEqualTo(11.3, within(0.05));
    assertThat(Nitrate.of(new Nitrogen(10)).mgPerLitre()).isEqualTo(44.3, within(0.05));
  }

  @Test
  void aPhotometersPhosphorusInPpbBecomesPhosphateByThreePointZeroSixSix() {
    TestUnit ppb = TestUnit.find(Analyte.PHOSPHATE, "µg/L P").orElseThrow();
    assertThat(100 * ppb.standardPerUnit()).isEqualTo(0.3066, within(5e-5));
  }

  @Test
  void ppmMeansTheIon() {
    assertThat(TestUnit.find(Analyte.NITRATE, "ppm")).contains(TestUnit.NITRATE);
    assertThat(TestUnit.find(Analyte.PHOSPHATE, "ppm")).contains(TestUnit.PHOSPHATE);
  }

  @Test
  void aUnitOfAnotherAnalyteIsNotFound() {
    assertThat(TestUnit.find(Analyte.NITRATE, "mg/L PO4")).isEmpty();
  }

  @Test
  void thereIsNoNegativeConcentration() {
    assertThatThrownBy(() -> new Nitrate(-1)).hasMessageContaining("nitrate mg/L is -1.0");
    assertThatThrownBy(() -> new Phosphate(Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
