package org.umberline.core.trouble;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.Levels;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;
import org.umberline.core.trouble.NutrientPair.FeedingPlan;
import org.umberline.core.trouble.NutrientPair.Reading;

/** What lopsided nutrients mean is common practice, no source. */
class NutrientPairTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(40);

  private static TankBuilder tested(double nitrate, double phosphate) {
    TankBuilder builder =
        new TankBuilder()
            .ration(0.3)
            .photometer("no3", Analyte.NITRATE, 0.1, 0.03)
            .photometer("po4", Analyte.PHOSPHATE, 0.005, 0.03);
    for (int day = 12; day <= 40; day += 7) {
      builder.test(day, Analyte.NITRATE, nitrate, "no3");
      builder.test(day, Analyte.PHOSPHATE, phosphate, "po4");
    }
    return builder;
  }

  private static NutrientPair read(TankBuilder builder) {
    TankModel tank = builder.build();
    Posterior posterior =
        Calibration.calibrate(
            tank, TODAY, Advisor.daysAhead(tank), Calibration.DRAWS, 1, TankBuilder.WORKERS);
    return NutrientPair.of(tank, new Levels(tank, posterior), TODAY);
  }

  private static TankBuilder planted(TankBuilder tank) {
    return tank.plant("fern", PlantKind.SLOW_LEAVES, 40, 200, TankBuilder.always());
  }

  @ParameterizedTest
  @CsvSource({
    "15, 0.4, BALANCED",
    "0.3, 0.01, BOTH_LOW",
    "0.3, 1.5, NITROGEN_SHORT",
    "20, 0.01, PHOSPHORUS_SHORT",
    "70, 3, BOTH_HIGH"
  })
  void theTwoAreReadTogether(double nitrate, double phosphate, Reading reading) {
    NutrientPair pair = read(planted(tested(nitrate, phosphate)));
    assertThat(pair.reading()).as("%s", pair).isEqualTo(reading);
    assertThat(pair.chance()).isBetween(0.5, 1.0);
    assertThat(pair.matters()).isTrue();
  }

  @Test
  void shortageMattersOnlyWhereSomethingGrows() {
    assertThat(read(tested(0.3, 1.5)).matters()).isFalse();
    assertThat(read(tested(0.3, 1.5)).plan()).isEmpty();
    assertThat(read(tested(70, 3)).matters()).isTrue();
  }

  @Test
  void adultsAreFedEveryOtherDayAndTheYoungDailyButLess() {
    FeedingPlan adults = read(tested(70, 3).animals(20, Stage.ADULT)).plan().orElseThrow();
    assertThat(adults.days()).hasSize(4);
    assertThat(adults.times()).isEqualTo(1);
    FeedingPlan young = read(tested(70, 3).animals(20, Stage.FRY)).plan().orElseThrow();
    assertThat(young.days()).isEqualTo(List.of(DayOfWeek.values()));
    assertThat(young.times()).isLessThan(1);
  }

  /** 16 atoms of N for one of P (Redfield, 1958) by IUPAC masses: 16 x 62.005 / 94.971. */
  @Test
  void whatGrowsTakesNitrateAndPhosphateAsRedfieldSays() {
    assertThat(NutrientPair.REDFIELD).isCloseTo(16 * 62.005 / 94.971, within(0.06));
  }
}
