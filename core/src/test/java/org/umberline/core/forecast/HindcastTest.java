package org.umberline.core.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.forecast.Hindcast.Score;
import org.umberline.core.synthetic.HindcastReport;
import org.umberline.core.tank.Analyte;

/**
 * Forecasts of tanks with another truth (see {@code SyntheticTank}): one tank of each of the twelve
 * ways here; 72 tanks in docs/model.md.
 */
@Tag("long")
class HindcastTest {
  @Test
  void bandsHoldWhatTheyPromiseAndCarefulRulesAreBeaten() {
    List<HindcastReport.Result> results = HindcastReport.run(2, 1, 60);
    for (Nutrient nutrient : Nutrient.values()) {
      for (int horizon : Hindcast.HORIZONS) {
        Score score = HindcastReport.score(results, null, nutrient, horizon);
        String which = nutrient + " " + horizon + " days: " + score;
        assertThat(score.tests()).as(which).isGreaterThan(200);
        // 0.75 to 0.86 over many tanks; twelve tanks and sixty draws leave it this much room
        assertThat(score.inside80()).as(which).isBetween(0.68, 0.95);
        assertThat(score.medianAbsoluteError()).as(which).isLessThanOrEqualTo(score.hold());
        assertThat(score.medianAbsoluteError()).as(which).isLessThan(score.line());
        assertThat(score.medianAbsoluteError()).as(which).isLessThan(0.85 * score.slope());
      }
    }
  }

  /** 20 L of 100 L changed for pure water half-way, and 1 mg/L a day: worked out by hand. */
  @Test
  void plainRulesAreWhatKeepersDo() {
    TankBuilder builder =
        new TankBuilder()
            .water("ro", 0, 0)
            .changeWater("ro")
            .photometer("no3", Analyte.NITRATE, 1, 0.05)
            .test(0, Analyte.NITRATE, 10, "no3")
            .test(10, Analyte.NITRATE, 20, "no3")
            .change(15, 20);
    var tank = builder.build();
    var tests =
        tank.log().stream()
            .filter(org.umberline.core.tank.LogEntry.Test.class::isInstance)
            .map(org.umberline.core.tank.LogEntry.Test.class::cast)
            .toList();
    var changes =
        tank.log().stream()
            .filter(org.umberline.core.tank.LogEntry.WaterChange.class::isInstance)
            .map(org.umberline.core.tank.LogEntry.WaterChange.class::cast)
            .toList();
    var at = TankBuilder.at(20).toInstant();
    assertThat(PlainRules.hold(tests)).isEqualTo(20);
    assertThat(PlainRules.line(tests, at)).isEqualTo(30);
    // (20 + 5) x 0.8 + 5
    assertThat(PlainRules.slope(tank, Nutrient.NITRATE, tests, changes, at)).isEqualTo(25);
  }
}
