package org.umberline.core.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.change.ChangeEffect.Excess;
import org.umberline.core.change.ChangeEffect.Levels;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;

class ChangeEffectTest {
  private static final TankModel TANK =
      new TankBuilder().water("tap", 8, 0.2).changeWater("tap").build();
  private static final Levels LEVELS = new Levels(40, 1, 8, 0.2);

  private static ChangeEffect effect(double fraction, Care care, Levels levels) {
    return ChangeEffect.of(TANK, care, fraction, TANK.changeWater(), levels);
  }

  private static List<Excess> excesses(double fraction, Levels levels) {
    return effect(fraction, Care.NONE, levels).warnings().stream()
        .map(ChangeEffect.Warning::excess)
        .toList();
  }

  /** A quarter of the way to the source: mass balance, worked by hand. */
  @Test
  void aChangeMovesTheTankTowardsItsSource() {
    ChangeEffect after = effect(0.25, Care.NONE, LEVELS);
    assertThat(after.nitrate()).isCloseTo(32, within(1e-9));
    assertThat(after.phosphate()).isCloseTo(0.8, within(1e-9));
  }

  /** 1 mg/L left by chloramine in the tap is 0.25 in the tank at 25 % (common practice). */
  @Test
  void chloramineLeavesItsShareOfAmmonia() {
    Care chloramine =
        new Care(
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.of(1),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            List.of(),
            3,
            List.of(),
            List.of(),
            List.of(),
            List.of());
    assertThat(effect(0.25, chloramine, LEVELS).ammonia()).isCloseTo(0.25, within(1e-9));
  }

  @Test
  void whatIsTooMuchIsWarnedOf() {
    assertThat(excesses(0.75, LEVELS)).contains(Excess.SHARE);
    assertThat(excesses(0.2, LEVELS)).isEmpty();
    assertThat(excesses(0.2, new Levels(5, 0.1, 40, 2)))
        .contains(Excess.RAISES_NITRATE, Excess.RAISES_PHOSPHATE);
  }

  /** A quarter hot is a quarter of the way from cold to hot. */
  @Test
  void hotAndColdAreMixedByTheirShares() {
    assertThat(ChangeWater.hotShare(20, 50, 10).getAsDouble()).isCloseTo(0.25, within(1e-12));
    assertThat(ChangeWater.hotShare(60, 50, 10)).isEmpty();
    assertThat(ChangeWater.hotShare(20, 10, 10)).isEmpty();
  }
}
