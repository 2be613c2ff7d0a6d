package org.umberline.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.TankFileWriter;

class StillwaterTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 25);

  @Test
  void theSameDayGivesTheSameTankAndAnotherTheSameStoryMoved() {
    assertThat(Stillwater.tank(TODAY)).isEqualTo(Stillwater.tank(TODAY));
    TankModel moved = Stillwater.tank(TODAY.plusDays(100));
    assertThat(moved.log()).hasSameSizeAs(Stillwater.tank(TODAY).log());
  }

  @Test
  void nineMonthsOfLogEndBeforeToday() {
    List<LogEntry> log = Stillwater.tank(TODAY).log();
    assertThat(log).hasSizeGreaterThan(60);
    LocalDate first = log.get(0).at().toLocalDate();
    LocalDate last = log.get(log.size() - 1).at().toLocalDate();
    assertThat(first).isBefore(TODAY.minusMonths(8));
    assertThat(last).isBefore(TODAY).isAfter(TODAY.minusDays(10));
    assertThat(log).anyMatch(LogEntry.Fast.class::isInstance);
    assertThat(log)
        .anyMatch(e -> e instanceof LogEntry.Observation o && o.sign().equals("power-cut"));
  }

  @Test
  void itsTestsAreStepsOfItsCards() {
    TankModel tank = Stillwater.tank(TODAY);
    assertThat(tank.kits()).allMatch(kit -> kit.method() == KitMethod.COLOUR_CARD);
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Test test) {
        assertThat(tank.kitOf(test).steps()).contains(test.value());
      }
    }
  }

  @Test
  void itIsAGoodTankFile() throws Exception {
    TankModel tank = Stillwater.tank(TODAY);
    assertThat(TankFileReader.read(TankFileWriter.write(tank)).tank()).isEqualTo(tank);
  }
}
