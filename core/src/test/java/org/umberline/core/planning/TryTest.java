package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

class TryTest {
  private static final LocalDate AS_OF = TankBuilder.START.plusDays(30);
  private static final int DAYS = 60;

  private static TankModel tank() {
    return new TankBuilder()
        .water("tap", 10, 0.2)
        .water("pure", 0, 0)
        .changeWater("tap")
        .dosing(20)
        .build();
  }

  private static double nitrateAfter(List<Try> tries, PlannedChanges changes) {
    Posterior posterior = Calibration.calibrate(tank(), AS_OF, DAYS, 400, 1, WORKERS);
    Posterior otherwise =
        posterior.goingOnAs(Try.apply(posterior.scenario().tank(), AS_OF, DAYS, tries));
    Forecast forecast =
        Forecast.of(Projection.of(otherwise, DAYS, changes), Nutrient.NITRATE, Lines.NONE);
    return forecast.days().get(DAYS - 1).p50();
  }

  @Test
  void halfTheDoseGainsHalfAsMuch() {
    double none = nitrateAfter(List.of(dose(0)), PlannedChanges.NONE);
    double half = nitrateAfter(List.of(dose(0.5)), PlannedChanges.NONE);
    double whole = nitrateAfter(List.of(), PlannedChanges.NONE);
    assertThat(nitrateAfter(List.of(dose(1)), PlannedChanges.NONE)).isCloseTo(whole, within(1e-9));
    assertThat(half - none).isCloseTo((whole - none) / 2, within((whole - none) * 0.03));
  }

  @Test
  void purerWaterLeavesLessAndOnlyWhereItIsChanged() {
    Try pure = new Try(Try.Kind.CHANGE_WATER, "pure", 1);
    Posterior posterior = Calibration.calibrate(tank(), AS_OF, DAYS, 10, 1, WORKERS);
    PlannedChanges weekly =
        PlannedChanges.of(new Routine(0.3, 7, AS_OF.plusDays(1)), posterior.scenario());
    assertThat(nitrateAfter(List.of(pure), weekly)).isLessThan(nitrateAfter(List.of(), weekly) - 5);
    assertThat(nitrateAfter(List.of(pure), PlannedChanges.NONE))
        .isCloseTo(nitrateAfter(List.of(), PlannedChanges.NONE), within(1e-9));
  }

  @Test
  void thePastIsLeftAlone() {
    Posterior posterior = Calibration.calibrate(tank(), AS_OF, DAYS, 10, 1, WORKERS);
    Posterior otherwise = posterior.goingOnAs(Try.apply(tank(), AS_OF, DAYS, List.of(dose(2))));
    for (int i = 0; i < posterior.draws().size(); i++) {
      assertThat(otherwise.draws().get(i).state().nitrateMg())
          .isEqualTo(posterior.draws().get(i).state().nitrateMg());
    }
    assertThat(otherwise.readings()).isEqualTo(posterior.readings());
  }

  @Test
  void whatTheTankDoesNotHaveAndAmountsOutOfRangeAreRefused() {
    assertThatThrownBy(
            () -> Try.apply(tank(), AS_OF, DAYS, List.of(new Try(Try.Kind.FEED, "krill", 1))))
        .hasMessageContaining("krill");
    assertThatThrownBy(() -> new Try(Try.Kind.SKIM, "s", 1.2)).hasMessageContaining("0 to 0.9");
    assertThatThrownBy(() -> new Try(Try.Kind.FEED, "s", Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void aRoutineIsMeasuredInWaterTimeAndSalt() {
    Posterior posterior = Calibration.calibrate(tank(), AS_OF, DAYS, 400, 1, WORKERS);
    Advisor advisor = new Advisor(tank(), posterior, AS_OF.atTime(18, 0).toInstant(ZoneOffset.UTC));
    RoutineOutlook planner = advisor.outlook(List.of());
    RoutineOutlook.Measures weekly =
        planner.measures(Optional.of(new Routine(0.2, 7, AS_OF.plusDays(1))));
    assertThat(weekly.litresPer28Days()).isCloseTo(80, within(1e-9));
    assertThat(weekly.saltGramsPer28Days()).isZero();
    assertThat(weekly.nitratePeakMgL()).isGreaterThan(weekly.nitrateTroughMgL());
    RoutineOutlook.Measures none = planner.measures(Optional.empty());
    assertThat(none.litresPer28Days()).isZero();
    assertThat(none.minutesPer28Days()).isZero();
    assertThat(none.nitratePeakMgL()).isGreaterThan(weekly.nitratePeakMgL());
  }

  private static Try dose(double share) {
    return new Try(Try.Kind.DOSE, tank().fertilisers().get(0).id(), share);
  }
}
