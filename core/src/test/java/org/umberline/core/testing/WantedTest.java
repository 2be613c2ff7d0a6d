package org.umberline.core.testing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.Work;

/** The fewest tests that matter. */
class WantedTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(30);

  private static List<Wanted> wanted(TankModel tank, boolean young) {
    return wanted(tank, young, Set.of());
  }

  private static List<Wanted> wanted(TankModel tank, boolean young, Set<Analyte> forTrials) {
    Advice plan =
        new Advisor(
                tank,
                Calibration.calibrate(tank, TODAY, 90, 100, 1, WORKERS),
                TODAY.atTime(18, 0).toInstant(ZoneOffset.UTC))
            .advise();
    List<Work> works = Work.of(tank, Care.NONE, Optional.empty(), TODAY, Map.of());
    return Wanted.of(tank, plan, works, young, forTrials, TODAY);
  }

  private static TankBuilder tank() {
    return new TankBuilder()
        .water("tap", 5, 0.1)
        .changeWater("tap")
        .ration(0.2)
        .lines(60, 5)
        .photometer("n", Analyte.NITRATE, 1, 0.05)
        .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05);
  }

  @Test
  void whatWasTestedLatelyIsNotAskedForAgain() {
    TankModel tested =
        tank().test(29, Analyte.NITRATE, 10, "n").test(29, Analyte.PHOSPHATE, 0.2, "p").build();
    assertThat(wanted(tested, false)).isEmpty();
    TankModel half = tank().test(29, Analyte.NITRATE, 10, "n").build();
    assertThat(wanted(half, false))
        .extracting(Wanted::analyte)
        .doesNotContain(Analyte.NITRATE)
        .contains(Analyte.PHOSPHATE);
  }

  @Test
  void theReasonIsSaid() {
    TankModel old = tank().test(2, Analyte.NITRATE, 10, "n").build();
    assertThat(wanted(old, false))
        .anyMatch(w -> w.analyte() == Analyte.NITRATE && w.why().contains("28 days"))
        .anyMatch(w -> w.analyte() == Analyte.PHOSPHATE && w.why().contains("Never"));
  }

  @Test
  void aFilterThatGrowsInWantsAmmoniaAndNitrite() {
    assertThat(wanted(tank().build(), true))
        .extracting(Wanted::analyte)
        .contains(Analyte.AMMONIA, Analyte.NITRITE);
  }

  @Test
  void noAnalyteIsAskedForTwice() {
    assertThat(wanted(tank().build(), true)).extracting(Wanted::analyte).doesNotHaveDuplicates();
  }

  @Test
  void aTrialAsksForItsTestThoughItWasReadLately() {
    TankModel tested =
        tank().test(29, Analyte.NITRATE, 10, "n").test(29, Analyte.PHOSPHATE, 0.2, "p").build();
    assertThat(wanted(tested, false, Set.of(Analyte.NITRATE)))
        .extracting(Wanted::why)
        .containsExactly("A trial asks for it today.");
  }

  /** A quarantine tank's filter is small: ammonia is read every other day. */
  @Test
  void animalsInQuarantineAskForAmmoniaEveryOtherDay() {
    double today = ChronoUnit.DAYS.between(TankBuilder.START, TODAY);
    TankBuilder apart =
        new TankBuilder()
            .photometer("n", Analyte.NITRATE, 1, 0.1)
            .photometer("a", Analyte.AMMONIA, 0.05, 0.1)
            .ration(0.3)
            .lines(40, 1)
            .log(new LogEntry.Quarantine(TankBuilder.at(today - 5), "six tetras", 28, ""))
            .test(today - 1.5, Analyte.NITRATE, 10, "n");
    assertThat(wanted(apart.build(), false)).extracting(Wanted::analyte).contains(Analyte.AMMONIA);
    apart.test(today - 0.5, Analyte.AMMONIA, 0, "a");
    assertThat(wanted(apart.build(), false))
        .extracting(Wanted::analyte)
        .doesNotContain(Analyte.AMMONIA);
  }
}
