package org.umberline.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

class DueWorkTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(100);

  private static TankModel tank(int cleanedDaysAgo) {
    LocalDate day = TODAY.minusDays(cleanedDaysAgo);
    return new TankBuilder()
        .build()
        .withExports(
            List.of(
                new ExportMethod.Mechanical(
                    "sponge", 0.3, new Span(TankBuilder.START, Optional.empty()))))
        .withLog(
            List.of(
                new LogEntry.Clean(
                    day.atTime(LocalTime.NOON).atOffset(ZoneOffset.UTC), "sponge", "")));
  }

  @Test
  void aSpongeIsDueAMonthAfterItWasCleaned() {
    assertThat(of(tank(DueWork.SPONGE_DAYS))).noneMatch(d -> d.id().equals("sponge"));
    assertThat(of(tank(DueWork.SPONGE_DAYS + 3)))
        .anySatisfy(
            due -> {
              assertThat(due.id()).isEqualTo("sponge");
              assertThat(due.lateDays()).isEqualTo(3);
              assertThat(due.lastDone()).contains(TODAY.minusDays(DueWork.SPONGE_DAYS + 3));
            });
  }

  @Test
  void aTankNeverTestedIsDueSinceItsStart() {
    assertThat(of(tank(1)))
        .anySatisfy(
            due -> {
              assertThat(due.what()).isEqualTo(DueWork.What.TEST);
              assertThat(due.lastDone()).isEmpty();
            });
  }

  @Test
  void whatIsLatestComesFirst() {
    List<Integer> late = of(tank(90)).stream().map(DueWork::lateDays).toList();
    assertThat(late).isSortedAccordingTo((a, b) -> b - a).hasSizeGreaterThan(1);
  }

  private static List<DueWork> of(TankModel tank) {
    return DueWork.of(tank, TODAY);
  }
}
