package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/** What an absence does. A loaded tank, well fed, a quarter changed every week. */
class AbsenceTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(60);
  private static TankModel tank;
  private static Posterior posterior;

  @BeforeAll
  static void learn() {
    TankBuilder builder =
        new TankBuilder()
            .volumeL(100)
            .startedOn(TankBuilder.START.minusDays(400))
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .ration(1)
            .lines(60, 30)
            .photometer("meter", Analyte.NITRATE, 1, 0.05)
            .routine(new Routine(0.25, 7, TODAY.plusDays(3)));
    for (int week = 1; week < 8; week++) {
      builder.change(7 * week, 25).test(7 * week - 0.5, Analyte.NITRATE, 30, "meter");
    }
    tank = builder.build();
    posterior = Calibration.calibrate(tank, TODAY, 90, Calibration.DRAWS, 1, WORKERS);
  }

  private static Absence away(int from, int to, double share) {
    return Absence.of(tank, posterior, TODAY.plusDays(from), TODAY.plusDays(to), share);
  }

  @Test
  void whatIsFedMeanwhileDecides() {
    double nothing = away(4, 20, 0).without().nitratePeakMgL();
    double usual = away(4, 20, 1).without().nitratePeakMgL();
    double twice = away(4, 20, 2).without().nitratePeakMgL();
    assertThat(nothing).isLessThan(usual);
    assertThat(usual).isLessThan(twice);
  }

  @Test
  void aLongerAbsenceIsNoSafer() {
    assertThat(away(4, 30, 1).without().probabilityWithinLines())
        .isLessThanOrEqualTo(away(4, 10, 1).without().probabilityWithinLines());
  }

  @Test
  void theSmallestChangeBeforeIsFoundAndHoldsWhatItPromises() {
    Absence absence = away(4, 18, 1.2);
    assertThat(absence.without().probabilityWithinLines()).isLessThan(0.9);
    assertThat(absence.with()).isPresent();
    Absence.Outcome with = absence.with().orElseThrow();
    assertThat(with.probabilityWithinLines()).isGreaterThanOrEqualTo(0.9);
    assertThat(with.changeBefore()).isBetween(0.01, tank.limits().maxChangeFraction());
    assertThat(with.nitratePeakMgL()).isLessThan(absence.without().nitratePeakMgL());
    assertThat(absence.changeOn()).isEqualTo(TODAY.plusDays(3));
    assertThat(absence.testOn()).isEqualTo(TODAY.plusDays(19));
  }

  @Test
  void whereNothingIsEnoughNoneIsPromised() {
    assertThat(away(4, 80, 3).with()).isEmpty();
  }

  @Test
  void whereNothingIsNeededNoneIsAskedFor() {
    Absence absence = away(2, 4, 0);
    assertThat(absence.without().probabilityWithinLines()).isGreaterThanOrEqualTo(0.9);
    assertThat(absence.with()).isEmpty();
    assertThat(absence.without().changeBefore()).isZero();
  }

  @Test
  void leavingTomorrowTheChangeIsToday() {
    assertThat(away(1, 14, 1).changeOn()).isEqualTo(TODAY);
  }

  @Test
  void daysOutOfOrderAreRefused() {
    assertThatThrownBy(() -> away(0, 5, 1)).hasMessageContaining("allowed");
    assertThatThrownBy(() -> away(9, 5, 1)).hasMessageContaining("allowed");
    assertThatThrownBy(() -> away(9, 500, 1)).hasMessageContaining("allowed");
  }
}
