package org.umberline.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

class ForecastTest {
  private static final LocalDate AS_OF = TankBuilder.START.plusDays(59);

  private static TankModel tank() {
    TankBuilder builder =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusYears(1))
            .ration(0.3)
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .lines(30, 2)
            .photometer("no3", Analyte.NITRATE, 1, 0.05);
    for (int day = 0; day < 60; day += 10) {
      builder.test(day + 0.5, Analyte.NITRATE, 12 + day / 4.0, "no3");
    }
    return builder.build();
  }

  private static Forecast nitrate(Posterior posterior, PlannedChanges planned, Lines lines) {
    return Forecast.of(Projection.of(posterior, 60, planned), Nutrient.NITRATE, lines);
  }

  @Test
  void bandsAreOrderedNestedAndWidenWithTime() {
    Posterior posterior = Calibration.calibrate(tank(), AS_OF, 60, 200, 1, WORKERS);
    Forecast forecast = nitrate(posterior, PlannedChanges.NONE, tank().lines());
    for (Forecast.Day day : forecast.days()) {
      assertThat(
              new double[] {
                day.p05(), day.p10(), day.p25(), day.p50(), day.p75(), day.p90(), day.p95()
              })
          .isSorted();
    }
    Forecast.Day first = forecast.days().get(0);
    Forecast.Day last = forecast.days().get(59);
    assertThat(last.p90() - last.p10()).isGreaterThan(first.p90() - first.p10());
    assertThat(first.on()).isEqualTo(AS_OF.plusDays(1));
  }

  @Test
  void crossingsComeEarlyLikelyLateAndAreOpenWhereTheHorizonEnds() {
    TankModel tank = tank();
    Posterior posterior = Calibration.calibrate(tank, AS_OF, 60, 200, 1, WORKERS);
    Forecast.Ceiling ceiling =
        nitrate(posterior, PlannedChanges.NONE, tank.lines()).ceiling().orElseThrow();
    assertThat(ceiling.early().orElseThrow()).isBeforeOrEqualTo(ceiling.likely().orElseThrow());
    PlannedChanges often =
        PlannedChanges.of(new Routine(0.5, 3, AS_OF.plusDays(1)), posterior.scenario());
    assertThat(nitrate(posterior, often, tank.lines()).ceiling().orElseThrow().likely()).isEmpty();
    assertThat(nitrate(posterior, often, Lines.NONE).ceiling()).isEmpty();
  }

  @Test
  void moreDaysThanAreLaidOutAreRefused() {
    Posterior posterior = Calibration.calibrate(tank(), AS_OF, 30, 20, 1, WORKERS);
    assertThatThrownBy(() -> Projection.of(posterior, 31, PlannedChanges.NONE))
        .hasMessageContaining("31 days ahead asked, 30 laid out");
  }
}
