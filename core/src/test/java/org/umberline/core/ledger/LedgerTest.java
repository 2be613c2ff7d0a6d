package org.umberline.core.ledger;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.synthetic.SyntheticTank;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

class LedgerTest {
  private static double sum(List<Ledger.Line> lines) {
    return lines.stream().mapToDouble(line -> line.perDay().mean()).sum();
  }

  /** In less out, and what nobody wrote down, is the change of what is held: for every tank. */
  @ParameterizedTest
  @EnumSource(SyntheticTank.Way.class)
  void itCloses(SyntheticTank.Way way) {
    TankModel tank = SyntheticTank.of(way, 2);
    Posterior posterior = Calibration.calibrate(tank, LocalDate.of(2025, 9, 1), 1, 60, 1, WORKERS);
    for (Ledger ledger : Ledger.of(posterior, 28)) {
      double through = sum(ledger.in()) + sum(ledger.out());
      assertThat(sum(ledger.in()) - sum(ledger.out()) + ledger.unexplained().mean())
          .as("%s of %s", ledger.nutrient(), way)
          .isEqualTo(sum(ledger.held()), within(1e-9 * through));
      for (Ledger.Line line : ledger.in()) {
        assertThat(line.perDay().low()).isLessThanOrEqualTo(line.perDay().high());
      }
    }
  }

  /** 0.5 g of potassium nitrate a day bring 69.3 mg N (IUPAC masses: 613.3 mg NO3 a g). */
  @Test
  void aSaltThatIsGivenDryHasItsLine() {
    TankBuilder builder =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusYears(1))
            .photometer("no3", Analyte.NITRATE, 0.2, 0.01);
    for (int day = 0; day < 60; day++) {
      builder.added(day + 0.3, Salt.POTASSIUM_NITRATE, 0.5);
      if (day % 3 == 0) {
        builder.test(day + 0.5, Analyte.NITRATE, 5 + 3.0665 * (day + 0.5), "no3");
      }
    }
    Posterior posterior =
        Calibration.calibrate(builder.build(), TankBuilder.START.plusDays(59), 1, 200, 1, WORKERS);
    Ledger nitrogen = Ledger.of(posterior, 28).get(Nutrient.NITRATE.ordinal());
    assertThat(nitrogen.in())
        .filteredOn(line -> line.name().equals("salts"))
        .singleElement()
        .satisfies(line -> assertThat(line.perDay().mean()).isEqualTo(69.27, within(0.01)));
    assertThat(sum(nitrogen.in()) - sum(nitrogen.out()) + nitrogen.unexplained().mean())
        .isEqualTo(sum(nitrogen.held()), within(1e-6));
  }

  /** 20 mL of 10 mg NO3 and 1 mg PO4 a day in 100 L and nothing else: 14 mg/L NO3 a week. */
  @Test
  void theNetInputOfABareTankIsItsDose() {
    TankBuilder builder =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusYears(1))
            .dosing(20)
            .photometer("no3", Analyte.NITRATE, 0.2, 0.01);
    for (int day = 0; day < 60; day += 3) {
      builder.test(day + 0.5, Analyte.NITRATE, 5 + 2 * (day + 0.5), "no3");
    }
    Posterior posterior =
        Calibration.calibrate(builder.build(), TankBuilder.START.plusDays(59), 1, 200, 1, WORKERS);
    Ledger nitrogen = Ledger.of(posterior, 28).get(Nutrient.NITRATE.ordinal());
    assertThat(nitrogen.netMgLPerWeek().mean()).isEqualTo(14, within(1.2));
    assertThat(nitrogen.netGramsPerMonth().mean()).isEqualTo(6, within(0.5));
    assertThat(nitrogen.in())
        .anySatisfy(
            line -> {
              assertThat(line.name()).isEqualTo("Mix");
              assertThat(line.perDay().mean()).isEqualTo(200 / 4.4268, within(0.01));
            });
  }
}
