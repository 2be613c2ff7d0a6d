package org.umberline.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Analyte;

class TemperaturesTest {
  /** NIST StRD, Norris (linear regression): certified intercept and slope. */
  @Test
  void regressionAgreesWithNistNorris() {
    double[] x = {
      0.2, 337.4, 118.2, 884.6, 10.1, 226.5, 666.3, 996.3, 448.6, 777.0, 558.2, 0.4, 0.6, 775.5,
      666.9, 338.0, 447.5, 11.6, 556.0, 228.1, 995.8, 887.6, 120.2, 0.3, 0.3, 556.8, 339.1, 887.2,
      999.0, 779.0, 11.1, 118.3, 229.2, 669.1, 448.9, 0.5
    };
    double[] y = {
      0.1, 338.8, 118.1, 888.0, 9.2, 228.1, 668.5, 998.5, 449.1, 778.9, 559.2, 0.3, 0.1, 778.1,
      668.8, 339.3, 448.9, 10.8, 557.7, 228.3, 998.0, 888.8, 119.6, 0.3, 0.6, 557.6, 339.3, 888.0,
      998.5, 778.9, 10.2, 117.6, 228.9, 668.4, 449.2, 0.2
    };
    double[][] rows = new double[x.length][];
    for (int i = 0; i < x.length; i++) {
      rows[i] = new double[] {1, x[i]};
    }
    double[] fitted = LeastSquares.fit(rows, y);
    assertThat(fitted[0]).isEqualTo(-0.262323073774029, within(1e-11));
    assertThat(fitted[1]).isEqualTo(1.00211681802045, within(1e-13));
  }

  @Test
  void theSeasonOfAYearOfTestsGoesOn() {
    TankBuilder builder = new TankBuilder();
    for (int day = 0; day < 330; day += 14) {
      builder.test(day + 0.5, Analyte.TEMPERATURE, season(day), "");
    }
    Temperatures temperatures = Temperatures.of(builder.build(), TankBuilder.START, 330);
    assertThat(temperatures.at(100)).isEqualTo(season(100), within(0.1));
    assertThat(temperatures.at(450)).isEqualTo(season(450), within(0.1));
  }

  private static double season(int day) {
    return 20 + 5 * Math.sin(2 * Math.PI * day / 365.25);
  }

  @Test
  void withoutTestsTheStatedTemperatureHolds() {
    Temperatures temperatures = Temperatures.of(new TankBuilder().build(), TankBuilder.START, 10);
    assertThat(temperatures.at(5)).isEqualTo(20);
  }
}
