package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.planning.Advice.Verdict;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.TankModel;

class LeastChangeTest {
  private static final LocalDate DAY = TankBuilder.START.plusDays(120);

  /** A tenth within four weeks. */
  private static Limits wanting(double fraction) {
    Limits usual = Limits.DEFAULT;
    return new Limits(
        usual.maxChangeFraction(),
        usual.intervalsDays(),
        usual.confidence(),
        usual.horizonDays(),
        usual.maxNitrateStepMgL(),
        usual.maxSalinityStepPpt(),
        usual.maxAlkalinityStepDkh(),
        OptionalDouble.of(fraction),
        28);
  }

  /** A tank at rest, far under its lines. */
  private static TankBuilder atRest() {
    TankBuilder tank =
        new TankBuilder()
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .lines(40, 2)
            .photometer("n", Analyte.NITRATE, 0.5, 0.05)
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05)
            .limits(wanting(0.1));
    for (int day = 60; day <= 116; day += 14) {
      tank.test(day, Analyte.NITRATE, 6, "n").test(day, Analyte.PHOSPHATE, 0.2, "p");
    }
    return tank;
  }

  private static Advice advice(TankModel tank) {
    return new Advisor(
            tank,
            Calibration.calibrate(tank, DAY, 90, 100, 1, TankBuilder.WORKERS),
            DAY.atTime(12, 0).atZone(tank.timeZone()).toInstant())
        .advise();
  }

  @Test
  void aTankThatNeedsNoneIsStillGivenTheLeast() {
    Advice advice = advice(atRest().build());
    assertThat(advice.today().verdict()).isEqualTo(Verdict.CHANGE);
    assertThat(advice.today().fraction()).hasValue(0.1);
    assertThat(advice.today().why().get(0).kind()).isEqualTo(Reason.Kind.LEAST_CHANGE);
    assertThat(advice.recommended().orElseThrow().fraction()).isEqualTo(0.1);
    assertThat(advice.recommended().orElseThrow().everyDays()).isEqualTo(28);
  }

  /** 10 L of 100 on day 110 are enough until day 138. */
  @Test
  void whatWasChangedCounts() {
    Advice advice = advice(atRest().change(110, 10).build());
    assertThat(advice.today().verdict()).isEqualTo(Verdict.SKIP);
    assertThat(advice.today().skipUntil()).contains(TankBuilder.START.plusDays(138));
    assertThat(advice(atRest().change(110, 4).build()).today().verdict()).isEqualTo(Verdict.CHANGE);
  }

  /** 1 - 0.9 to the quarter is 2.6 % a week. */
  @Test
  void atAnotherIntervalAsMuchIsRenewed() {
    LeastChange least = LeastChange.of(atRest().build(), DAY).orElseThrow();
    assertThat(least.atEvery(7)).isCloseTo(0.026, within(0.0005));
    assertThat(1 - Math.pow(1 - least.atEvery(7), 4)).isCloseTo(0.1, within(1e-9));
    assertThat(LeastChange.of(atRest().limits(Limits.DEFAULT).build(), DAY)).isEmpty();
  }
}
