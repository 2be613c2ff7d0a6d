package org.umberline.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;

class StandardCheckTest {
  private static final LocalDate DAY = LocalDate.of(2026, 11, 2);
  private static final Kit METER = meter(Analyte.NITRATE, 0.5, 0.05);

  private static Kit meter(Analyte analyte, double absolute, double relative) {
    return new TankBuilder().photometer("m", analyte, absolute, relative).build().kitById("m");
  }

  private static StandardCheck check(double standard, double read) {
    return new StandardCheck(DAY, standard, read);
  }

  /** Two deviations of 0.5 and 5 % of 10 are 1.41. */
  @Test
  void aKitMayBeAsFarOffAsItsOwnError() {
    assertThat(check(10, 11.4).isWithin(METER)).isTrue();
    assertThat(check(10, 11.5).isWithin(METER)).isFalse();
    assertThat(check(10, 8.5).corrects(METER)).isTrue();
    assertThat(check(10, 11.4).corrects(METER)).isFalse();
    assertThat(check(10, 12).dueOn()).isEqualTo(DAY.plusDays(30));
  }

  @Test
  void aPhotometerIsOffByAPartAndASalinityMeterByAsMuch() {
    assertThat(check(10, 12.5).corrected(METER, 25)).isEqualTo(20, within(1e-9));
    Kit salinity = meter(Analyte.SALINITY, 0.3, 0);
    assertThat(check(35, 36.5).corrected(salinity, 33.5)).isEqualTo(32, within(1e-9));
  }

  /** Nobody knows how a meter reads that was calibrated since, or a kit with a new bottle. */
  @Test
  void aCheckStandsUntilTheKitIsAnother() {
    TankBuilder tank = new TankBuilder();
    StandardCheck old = new StandardCheck(TankBuilder.START.plusDays(10), 10, 12.5);
    assertThat(shelf(old, 5).standing(tank.build())).contains(old);
    assertThat(shelf(old, 11).standing(tank.build())).isEmpty();
    tank.log(calibrated(10.5));
    assertThat(shelf(old, 5).standing(tank.build())).as("calibrated, then checked").contains(old);
    tank.log(calibrated(20));
    assertThat(shelf(old, 5).standing(tank.build())).isEmpty();
  }

  private static LogEntry calibrated(double day) {
    return new LogEntry.Observation(TankBuilder.at(day), Task.CALIBRATION.sign(), 0, "");
  }

  private static Care.Shelf shelf(StandardCheck check, int openedAfterDays) {
    return new Care.Shelf(
        "m",
        Optional.of(TankBuilder.START.plusDays(openedAfterDays)),
        Optional.empty(),
        OptionalInt.empty(),
        Optional.empty(),
        OptionalDouble.empty(),
        Optional.of(check),
        "");
  }

  @Test
  void whatReadsHalfIsBrokenAndACardIsReadAsItIs() {
    assertThat(check(10, 4).isBroken()).isTrue();
    assertThat(check(10, 21).isBroken()).isTrue();
    assertThat(check(10, 4).corrects(METER)).isFalse();
    Kit card = new TankBuilder().card("c", Analyte.NITRATE, 0.0, 10.0, 20.0).build().kitById("c");
    assertThat(card.method()).isEqualTo(KitMethod.COLOUR_CARD);
    assertThat(List.of(check(10, 20).isWithin(card), check(10, 20).corrects(card)))
        .containsOnly(false);
  }
}
