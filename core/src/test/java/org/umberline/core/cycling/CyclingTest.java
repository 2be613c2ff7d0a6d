package org.umberline.core.cycling;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.cycling.Cycling.Stage;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.TankModel;

class CyclingTest {
  private static final Instant LATER = TankBuilder.at(60).toInstant();

  private static TankBuilder tank() {
    return new TankBuilder()
        .photometer("nh", Analyte.AMMONIA, 0.05, 0.1)
        .photometer("no", Analyte.NITRITE, 0.02, 0.1);
  }

  private static Stage stage(TankBuilder tank) {
    return Cycling.of(tank.build(), LATER).stage();
  }

  @Test
  void theStageFollowsTheReadings() {
    TankBuilder tank = tank();
    assertThat(stage(tank)).isEqualTo(Stage.UNTESTED);
    tank.test(2, Analyte.AMMONIA, 0.05, "nh").test(2, Analyte.NITRITE, 0, "no");
    assertThat(stage(tank)).isEqualTo(Stage.NOT_BEGUN);
    tank.test(8, Analyte.AMMONIA, 1.5, "nh").test(8, Analyte.NITRITE, 0.05, "no");
    assertThat(stage(tank)).isEqualTo(Stage.AMMONIA);
    tank.test(16, Analyte.AMMONIA, 0.5, "nh").test(16, Analyte.NITRITE, 2, "no");
    assertThat(stage(tank)).isEqualTo(Stage.NITRITE);
    tank.test(30, Analyte.AMMONIA, 0, "nh").test(30, Analyte.NITRITE, 0.05, "no");
    assertThat(stage(tank)).isEqualTo(Stage.FALLEN);
  }

  @Test
  void pastTheTimeAFilterTakesOnlyATestedOneIsWatched() {
    TankBuilder tank = tank().startedOn(TankBuilder.START);
    LocalDate threeMonths = TankBuilder.START.plusDays(90);
    assertThat(Cycling.isWatched(tank.build(), TankBuilder.START.plusDays(40))).isTrue();
    assertThat(Cycling.isWatched(tank.build(), threeMonths)).isFalse();
    TankModel tested = tank.test(50, Analyte.NITRITE, 0.5, "no").build();
    assertThat(Cycling.isWatched(tested, threeMonths)).isTrue();
    assertThat(Cycling.isWatched(tested, threeMonths.plusDays(60))).isFalse();
  }

  @Test
  void readingsAreTheLastOfEachDayNewestFirst() {
    TankModel tank =
        tank()
            .test(8.2, Analyte.AMMONIA, 1.5, "nh")
            .test(8.8, Analyte.AMMONIA, 1.2, "nh")
            .test(12, Analyte.NITRITE, 0.4, "no")
            .build();
    Cycling cycling = Cycling.of(tank, LATER);
    assertThat(cycling.readings()).hasSize(2);
    assertThat(cycling.readings().get(1).ammonia()).hasValue(1.2);
    assertThat(cycling.last(Analyte.AMMONIA)).hasValue(1.2);
    assertThat(cycling.last(Analyte.NITRITE)).hasValue(0.4);
  }

  /** 2 mg/L NH3 in 100 L are 0.2 g NH3, which 0.628 g NH4Cl hold; 40 % protein is 6.4 % N. */
  @Test
  void aFilterWithoutAnimalsIsFedByWeight() {
    TankModel tank = tank().ration(0).build();
    FishlessDose dose = FishlessDose.of(tank, OptionalDouble.empty()).orElseThrow();
    assertThat(dose.ammoniumChlorideG()).isCloseTo(0.628, within(0.001));
    assertThat(dose.foodG().getAsDouble()).isCloseTo(0.2 * 14.007 / 17.031 / 0.064, within(0.01));
    assertThat(FishlessDose.of(tank, OptionalDouble.of(1))).isEmpty();
  }

  private static Posterior learned(TankBuilder tank, LocalDate asOf) {
    return Calibration.calibrate(tank.build(), asOf, 90, 100, 1, TankBuilder.WORKERS);
  }

  @Test
  void aNewTankThatIsFedIsReadyWithinWeeksAndNotAtOnce() {
    TankBuilder tank = tank().startedOn(TankBuilder.START).ration(0.3);
    FilterReady ready = FilterReady.of(learned(tank, TankBuilder.START.plusDays(4)), 80);
    assertThat(ready.chanceToday()).isLessThan(0.5);
    assertThat(ready.likely().orElseThrow())
        .isBetween(TankBuilder.START.plusDays(10), TankBuilder.START.plusDays(80));
    assertThat(ready.early().orElseThrow()).isBeforeOrEqualTo(ready.likely().orElseThrow());
  }

  /** Fed for 55 days, ammonia and nitrite read nothing since day 38. */
  private static Posterior grownIn(double ration) {
    return learned(
        tank()
            .ration(ration)
            .test(20, Analyte.AMMONIA, 1.5, "nh")
            .test(28, Analyte.NITRITE, 2, "no")
            .test(36, Analyte.AMMONIA, 0, "nh")
            .test(38, Analyte.NITRITE, 0, "no"),
        TankBuilder.START.plusDays(55));
  }

  @Test
  void animalsComeInStagesAndFewerHeavyOnes() {
    Stocking light = Stocking.of(grownIn(0.3), 1);
    // half a gram a litre is what 100 L hold, a third of it at once
    assertThat(light.arrivals().stream().map(Stocking.Arrival::more)).containsExactly(17, 17, 16);
    assertThat(light.arrivals().get(1).on()).isEqualTo(light.arrivals().get(0).on().plusDays(14));
    assertThat(light.arrivals().get(2).total()).isEqualTo(50);
    assertThat(Stocking.of(grownIn(0.3), 10).arrivals().get(0).total()).isEqualTo(2);
  }

  @Test
  void aFilterThatWasFedLittleAsksForFewerOrLater() {
    LocalDate fed = Stocking.of(grownIn(0.3), 1).arrivals().get(0).on();
    Stocking hungry = Stocking.of(grownIn(0.1), 1);
    assertThat(hungry.arrivals().get(0).on()).isAfter(fed);
    assertThat(Stocking.of(learned(tank(), TankBuilder.START.plusDays(4)), 1).arrivals()).isEmpty();
  }
}
