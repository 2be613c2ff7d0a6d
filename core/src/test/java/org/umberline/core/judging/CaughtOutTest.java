package org.umberline.core.judging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

class CaughtOutTest {
  private static TankBuilder skimmed() {
    return new TankBuilder()
        .export(new ExportMethod.Skimmer("skimmer", 0.2, TankBuilder.always()))
        .export(new ExportMethod.Mechanical("sock", 0.3, TankBuilder.always()));
  }

  private static LogEntry emptied(String what, double day, double grams) {
    return new LogEntry.Clean(TankBuilder.at(day), what, OptionalDouble.of(grams), "");
  }

  private static Optional<CaughtOut> of(TankModel tank, CaughtOut.Gear gear) {
    return CaughtOut.of(tank, gear, TankBuilder.at(40).toInstant());
  }

  /** 600 mL in ten days after the first emptying are 60 a day: 3 to 24 mg N at 0.05 to 0.4 a mL. */
  @Test
  void theFirstEmptyingOnlyStartsTheCount() {
    TankModel tank =
        skimmed()
            .log(emptied("skimmer", 20, 900))
            .log(emptied("skimmer", 25, 400))
            .log(emptied("skimmer", 30, 200))
            .log(new LogEntry.Clean(TankBuilder.at(31), "skimmer", ""))
            .log(emptied("sock", 31, 80))
            .build();
    CaughtOut cup = of(tank, CaughtOut.Gear.SKIMMER).orElseThrow();
    assertThat(cup.grams()).isEqualTo(600);
    assertThat(cup.days()).isEqualTo(10, within(1e-9));
    assertThat(cup.nitrogen().low()).isEqualTo(3, within(1e-9));
    assertThat(cup.nitrogen().high()).isEqualTo(24, within(1e-9));
    assertThat(of(tank, CaughtOut.Gear.MEDIA)).as("one sock tells no rate").isEmpty();
  }

  @Test
  void twoEmptyingsOfOneWeekendAndOldOnesTellNothing() {
    assertThat(
            of(
                skimmed().log(emptied("sock", 30, 50)).log(emptied("sock", 31, 50)).build(),
                CaughtOut.Gear.MEDIA))
        .isEmpty();
    assertThat(
            of(
                skimmed().log(emptied("sock", 2, 50)).log(emptied("sock", 9, 50)).build(),
                CaughtOut.Gear.MEDIA))
        .isEmpty();
  }
}
