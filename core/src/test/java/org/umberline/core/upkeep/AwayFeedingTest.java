package org.umberline.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;

/** What is fed while nobody is there, before anybody says otherwise. */
class AwayFeedingTest {
  private static TankModel fish(Stage stage) {
    return new TankBuilder().ration(1).animals(20, stage).build();
  }

  @Test
  void grownFishDoWithoutForAWeekAndNoLonger() {
    assertThat(AwayFeeding.of(fish(Stage.ADULT), 7).shareOfRation()).isZero();
    assertThat(AwayFeeding.of(fish(Stage.ADULT), 8).shareOfRation()).isBetween(0.3, 0.4);
  }

  @Test
  void fryAndGrowingAnimalsNever() {
    assertThat(AwayFeeding.of(fish(Stage.FRY), 3))
        .isEqualTo(new AwayFeeding(1, AwayFeeding.Why.FRY));
    assertThat(AwayFeeding.of(fish(Stage.GROWING), 3).shareOfRation()).isEqualTo(0.5);
  }
}
