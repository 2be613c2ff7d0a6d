package org.umberline.core.judging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.judging.ChangeExperiment.Explanation;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;

class JudgingTest {
  private static ChangeExperiment change(TankModel tank) {
    LogEntry.WaterChange change =
        tank.log().stream()
            .filter(LogEntry.WaterChange.class::isInstance)
            .map(LogEntry.WaterChange.class::cast)
            .findFirst()
            .orElseThrow();
    return ChangeExperiment.of(tank, change, 0).orElseThrow();
  }

  private static TankBuilder precise(double before, double after) {
    return new TankBuilder()
        .water("tap", 0, 0)
        .changeWater("tap")
        .photometer("no3", Analyte.NITRATE, 0.2, 0.01)
        .test(9.9, Analyte.NITRATE, before, "no3")
        .change(10, 50)
        .test(10.5, Analyte.NITRATE, after, "no3");
  }

  @Test
  void halfTheWaterHalvesTheNitrate() {
    ChangeExperiment change = change(precise(40, 20).build());
    assertThat(change.expectedDrop()).isEqualTo(20, within(1e-9));
    assertThat(change.asExpected()).isTrue();
    assertThat(change.explanations()).isEmpty();
    assertThat(change.impliedVolumeL().contains(100)).isTrue();
  }

  /** A drop of 10 where 20 was expected: a source of 20 mg/L, or 200 L instead of 100. */
  @Test
  void littleDropMeansNitrateInTheSourceOrAnotherVolume() {
    ChangeExperiment change = change(precise(40, 30).build());
    assertThat(change.asExpected()).isFalse();
    assertThat(change.explanations())
        .containsExactlyInAnyOrder(Explanation.SOURCE, Explanation.VOLUME);
    assertThat(change.impliedSource().contains(20)).isTrue();
    assertThat(change.impliedFraction().contains(0.25)).isTrue();
    assertThat(change.impliedVolumeL().contains(200)).isTrue();
  }

  @Test
  void aCardWithWideStepsCannotTellASmallChange() {
    TankModel tank =
        new TankBuilder()
            .water("tap", 0, 0)
            .changeWater("tap")
            .card("card", Analyte.NITRATE, 0.0, 10.0, 20.0, 40.0, 80.0)
            .test(9.9, Analyte.NITRATE, 40, "card")
            .change(10, 10)
            .test(10.5, Analyte.NITRATE, 40, "card")
            .build();
    ChangeExperiment change = change(tank);
    assertThat(change.asExpected()).isTrue();
    assertThat(change.explanations()).containsExactly(Explanation.KIT);
  }

  @Test
  void twoChangesCloseTogetherTeachNothing() {
    TankModel tank = precise(40, 20).change(10.2, 10).build();
    assertThat(ChangeExperiment.of(tank, (LogEntry.WaterChange) tank.log().get(1), 0)).isEmpty();
  }

  @Test
  void nothingBesidePlantsOrAlgaeIsAFalseZero() {
    TankBuilder bare = new TankBuilder().photometer("po4", Analyte.PHOSPHATE, 0.02, 0.05);
    bare.test(5, Analyte.PHOSPHATE, 0.0, "po4");
    bare.test(6, Analyte.PHOSPHATE, 0.5, "po4");
    bare.test(7, Analyte.PHOSPHATE, 0.1, "po4", Qualifier.BELOW);
    assertThat(FalseZero.of(bare.build())).isEmpty();
    bare.log(new LogEntry.Observation(TankBuilder.at(8), "hair-algae", 2, ""));
    assertThat(FalseZero.of(bare.build()))
        .hasSize(2)
        .allMatch(zero -> zero.because().contains("algae"));
    TankBuilder planted =
        new TankBuilder()
            .photometer("po4", Analyte.PHOSPHATE, 0.02, 0.05)
            .plant("fern", PlantKind.FLOATING, 50, 150, TankBuilder.always())
            .test(5, Analyte.PHOSPHATE, 0.0, "po4");
    assertThat(FalseZero.of(planted.build()))
        .singleElement()
        .matches(zero -> zero.because().contains("plants"));
  }

  @Test
  void aKitSaysHowLargeADifferenceItCouldHaveShown() {
    Kit card =
        TankBuilder.kit(
            "c", Analyte.NITRATE, KitMethod.COLOUR_CARD, List.of(0.0, 10.0, 20.0, 40.0), 0, 0.05);
    assertThat(KitPower.smallestDifference(card, 20)).isEqualTo(20);
    Kit meter = TankBuilder.kit("m", Analyte.NITRATE, KitMethod.PHOTOMETER, List.of(), 1, 0);
    assertThat(KitPower.smallestDifference(meter, 20))
        .isEqualTo(1.645 * Math.sqrt(2), within(1e-9));
  }

  @Test
  void aReadingOfNothingMeansAroundNothing() {
    TankModel tank = precise(2, 0).build();
    LogEntry.Test zero = (LogEntry.Test) tank.log().get(2);
    Range meaning =
        KitPower.meaning(org.umberline.core.calibration.TestLikelihood.of(zero, tank.kitOf(zero)));
    assertThat(meaning.low()).isZero();
    assertThat(meaning.high()).isEqualTo(1.645 * 0.2, within(1e-9));
  }
}
