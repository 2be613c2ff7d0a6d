package org.umberline.core.tank;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.dosing.CarbonLadder;
import org.umberline.core.dosing.PhosphateLowering;
import org.umberline.core.dosing.Refusal;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.Reason;

/** Common practice, no source: nothing takes a medicine out while its course runs. */
class MedicineCourseTest {
  private static final LocalDate BEGUN = TankBuilder.START.plusDays(20);

  /** A course of 5 days. */
  private static TankModel tank() {
    return new TankBuilder()
        .ration(0.3)
        .lines(40, 1)
        .log(new LogEntry.Medicine(TankBuilder.at(20.4), "Against spots", 5, ""))
        .build();
  }

  @Test
  void runsItsDaysAndMattersForTwoWeeksMore() {
    TankModel tank = tank();
    assertThat(MedicineCourse.inWater(tank, BEGUN.minusDays(1))).isFalse();
    assertThat(MedicineCourse.running(tank, BEGUN)).isPresent();
    assertThat(MedicineCourse.running(tank, BEGUN.plusDays(4)).orElseThrow().name())
        .isEqualTo("Against spots");
    assertThat(MedicineCourse.running(tank, BEGUN.plusDays(5))).isEmpty();
    assertThat(MedicineCourse.over(tank, BEGUN.plusDays(5))).isPresent();
    assertThat(MedicineCourse.over(tank, BEGUN.plusDays(18))).isPresent();
    assertThat(MedicineCourse.inWater(tank, BEGUN.plusDays(19))).isFalse();
  }

  @Test
  void carbonAdsorberAndPrecipitantAreRefusedMeanwhile() {
    TankModel tank = tank();
    Refusal medicine = new Refusal(Refusal.Why.MEDICINE, OptionalDouble.empty());
    assertThat(CarbonLadder.of(tank, CarbonSource.VINEGAR, BEGUN, false).refusal())
        .contains(medicine);
    assertThat(PhosphateLowering.adsorber(tank, 1, 0.5, 6, 1, BEGUN).refusal()).contains(medicine);
    assertThat(PhosphateLowering.precipitant(tank, 1, 0.5, 20, BEGUN).refusal()).contains(medicine);
    assertThat(PhosphateLowering.adsorber(tank, 1, 0.5, 6, 1, BEGUN.plusDays(5)).refusal())
        .isEmpty();
  }

  @Test
  void theAdviceTellsOfItWithItsLastDay() {
    TankModel tank = tank();
    Optional<LocalDate> lastDay = Optional.of(BEGUN.plusDays(4));
    assertThat(advice(tank, BEGUN.plusDays(2)).remarks())
        .anyMatch(r -> r.kind() == Reason.Kind.MEDICINE_RUNS && r.day().equals(lastDay));
    assertThat(advice(tank, BEGUN.plusDays(9)).remarks())
        .anyMatch(r -> r.kind() == Reason.Kind.MEDICINE_OVER && r.day().equals(lastDay));
  }

  @Test
  void aQuarantineIsToldWhileItLastsAndAWeekMore() {
    TankModel tank =
        new TankBuilder()
            .ration(0.3)
            .lines(40, 1)
            .log(new LogEntry.Quarantine(TankBuilder.at(20.4), "six tetras", 28, ""))
            .build();
    Optional<LocalDate> lastDay = Optional.of(BEGUN.plusDays(27));
    assertThat(Quarantine.running(tank, BEGUN.plusDays(27)).orElseThrow().who())
        .isEqualTo("six tetras");
    assertThat(Quarantine.over(tank, BEGUN.plusDays(35))).isEmpty();
    assertThat(advice(tank, BEGUN.plusDays(9)).remarks())
        .anyMatch(r -> r.kind() == Reason.Kind.QUARANTINE_RUNS && r.day().equals(lastDay));
    assertThat(advice(tank, BEGUN.plusDays(30)).remarks())
        .anyMatch(r -> r.kind() == Reason.Kind.QUARANTINE_OVER && r.day().equals(lastDay));
  }

  private static Advice advice(TankModel tank, LocalDate day) {
    return new Advisor(
            tank,
            Calibration.calibrate(tank, day, 90, 60, 1, TankBuilder.WORKERS),
            day.atTime(12, 0).atZone(tank.timeZone()).toInstant())
        .advise();
  }
}
