package org.umberline.tankfile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.WaterKind;

class MeantTest {
  /** Salinities at 25 °C by EOS-80 (UNESCO 1983): 35 is 1023.343 over 997.048 kg/m³, 1.02637. */
  @ParameterizedTest
  @CsvSource({
    "SALINITY, 1.02637, MARINE, 35",
    "SALINITY, 34, MARINE, 34",
    "SALINITY, 1.2, BRACKISH, 1.2",
    "SALINITY, 1.025, FRESHWATER, 1.025",
    "TEMPERATURE, 77, FRESHWATER, 25",
    "TEMPERATURE, 25, FRESHWATER, 25",
    "TEMPERATURE, 200, FRESHWATER, 200",
    "NITRATE, 77, FRESHWATER, 77"
  })
  void whatCannotBeMeantOtherwiseIsConverted(
      Analyte analyte, double read, WaterKind water, double meant) {
    assertThat(Meant.standard(analyte, read, water)).isCloseTo(meant, within(1e-9));
  }
}
