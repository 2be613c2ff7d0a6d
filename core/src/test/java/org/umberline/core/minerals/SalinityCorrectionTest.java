package org.umberline.core.minerals;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.TankModel;

/** Steps of 1 ppt a day at most: common practice, no source. */
class SalinityCorrectionTest {
  private static final TankModel TANK = new TankBuilder().build();

  @Test
  void nearEnoughIsLeftAlone() {
    assertThat(SalinityCorrection.of(TANK, 35.4, 35)).isEmpty();
  }

  /** 1.5 of 36.5 ppt goes with two halves of it: 100 L times 0.75 / 36.5 a day. */
  @Test
  void isLoweredByPureWaterOverDays() {
    SalinityCorrection steps = SalinityCorrection.of(TANK, 36.5, 35).orElseThrow();
    assertThat(steps.days()).isEqualTo(2);
    assertThat(steps.stepPpt()).isEqualTo(-0.75);
    assertThat(steps.litresADay()).isCloseTo(2.055, within(0.001));
    assertThat(steps.topOffDays()).isEmpty();
  }

  /** A litre of 35 ppt at 20 °C is 1.02476 kg (EOS-80): a ppt more is about 1.05 g a litre. */
  @Test
  void isRaisedBySaltOrByToppingOffWithSaltWater() {
    TankModel tank = new TankBuilder().water("mix", 0, 0).topOff("mix", 2).build();
    SalinityCorrection steps = SalinityCorrection.of(tank, 33, 35).orElseThrow();
    assertThat(steps.days()).isEqualTo(2);
    assertThat(steps.saltGADay()).isCloseTo(105, within(1.5));
    // 2 L a day of 35 ppt into 100 L raise 0.7 a day
    assertThat(steps.topOffDays()).hasValue(3);
  }
}
