package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.TankModel;
import org.umberline.core.trial.TrialBeside;
import org.umberline.core.trial.TrialPlan;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

class TrialWordsTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 28);

  private static TrialWords words() throws TankFileException {
    TankModel tank =
        TankFileReader.read(
                """
                {"format": "umberline-tank", "version": 1,
                 "tank": {"name": "Pond", "water": "freshwater", "netVolumeL": 100}}
                """)
            .tank();
    return new TrialWords(tank);
  }

  private static TrialPlan plan(double low, double middle, double high) {
    return new TrialPlan(
        Nutrient.NITRATE,
        DAY,
        28,
        Optional.of(new TrialPlan.Effect(low, middle, high)),
        6,
        TrialPlan.Power.CANNOT,
        Optional.empty(),
        2,
        List.of(DAY));
  }

  @Test
  void whatNoKitCouldShowIsToldAsNextToNothing() throws Exception {
    assertThat(words().expected(plan(-0.22, -0.011, -0.0039)).plain())
        .isEqualTo("It does next to nothing to nitrate: less than 0.3 mg/L NO3 in 28 days.");
    assertThat(words().expected(plan(-6, -4, -2)).plain())
        .isEqualTo(
            "After 28 days nitrate should be about 4 mg/L NO3 lower than without it (likely 2 to"
                + " 6).");
  }

  @Test
  void anotherTankTellsWhatBothShare() throws Exception {
    TrialBeside apart = new TrialBeside(TrialBeside.Verdict.DIFFER, -9, -2, -10, -4, false, false);
    assertThat(words().beside(apart, Nutrient.NITRATE, "Brook").plain())
        .isEqualTo(
            "Brook read 2 mg/L NO3 lower than was foreseen. Less that, Pond is likely 4 to 10 mg/L"
                + " NO3 lower: it is more than what both tanks share. ");
    TrialBeside alike = new TrialBeside(TrialBeside.Verdict.ALIKE, -3, -2, -5, 3, true, false);
    assertThat(words().beside(alike, Nutrient.NITRATE, "Brook").plain())
        .contains("may have done it")
        .endsWith("another kind of water: take a tank that shares more with this one.");
  }
}
