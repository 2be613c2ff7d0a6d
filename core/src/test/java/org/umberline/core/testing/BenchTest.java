package org.umberline.core.testing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.judging.Surprise;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;

class BenchTest {
  private static final TankModel TANK =
      new TankBuilder()
          .card("card", Analyte.NITRATE, 0.0, 5.0, 10.0, 20.0, 40.0, 80.0)
          .photometer("meter", Analyte.PHOSPHATE, 0.02, 0.05)
          .build();

  @Test
  void theMedianIsTakenAndMadeUpForDilutionAndLowRange() {
    assertThat(BenchReading.of(List.of(20.0, 40.0, 20.0), Qualifier.EQUAL, 1, 1).value())
        .isEqualTo(20);
    assertThat(BenchReading.of(List.of(20.0, 40.0), Qualifier.EQUAL, 1, 1).value()).isEqualTo(30);
    assertThat(BenchReading.of(List.of(40.0), Qualifier.ABOVE, 4, 1).value()).isEqualTo(160);
    assertThat(BenchReading.of(List.of(10.0), Qualifier.EQUAL, 1, 5).value()).isEqualTo(2);
    assertThat(BenchReading.of(List.of(20.0, 40.0, 20.0), Qualifier.EQUAL, 2, 1).spread())
        .isEqualTo(20);
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> BenchReading.of(List.of(), Qualifier.EQUAL, 1, 1))
        .hasMessageContaining("1 to 9");
    assertThatThrownBy(() -> BenchReading.of(List.of(5.0), Qualifier.EQUAL, 0.5, 1))
        .hasMessageContaining("dilution");
    assertThatThrownBy(() -> BenchReading.of(List.of(-1.0), Qualifier.EQUAL, 1, 1))
        .hasMessageContaining("below 0");
  }

  private static Surprise surprise(double value) {
    Random random = new Random(3);
    double[] levels =
        IntStream.range(0, 500).mapToDouble(i -> 18 + random.nextGaussian()).toArray();
    Kit card = TANK.kitById("card");
    LogEntry.Test reading =
        new LogEntry.Test(
            TankBuilder.at(3),
            Analyte.NITRATE,
            value,
            TestUnit.NITRATE,
            Optional.of("card"),
            Qualifier.EQUAL,
            "");
    return Surprise.of(levels, reading, card);
  }

  @Test
  void aReadingThatContradictsWhatIsBelievedIsFlagged() {
    assertThat(surprise(20).surprising()).isFalse();
    assertThat(surprise(80).surprising()).isTrue();
    assertThat(surprise(5).surprising()).isTrue();
    assertThat(surprise(20).low()).isBetween(15.0, 17.0);
  }

  @Test
  void eachKindOfKitHasItsWait() {
    assertThat(KitSteps.of(TANK.kitById("card"), "", OptionalDouble.empty()))
        .anyMatch(step -> step.minutes().orElse(0) == 5);
    assertThat(KitSteps.of(TANK.kitById("meter"), "", OptionalDouble.of(7)))
        .anyMatch(step -> step.minutes().orElse(0) == 7);
  }

  @Test
  void aKitsOwnLeafletGoesBeforeWhatIsUsual() {
    List<KitSteps.Step> own =
        KitSteps.of(
            TANK.kitById("card"), "Shake bottle two hard\n\nWait (10 min)", OptionalDouble.of(3));
    assertThat(own)
        .extracting(KitSteps.Step::text)
        .containsExactly("Shake bottle two hard", "Wait (10 min)");
    assertThat(own.get(1).minutes()).hasValue(10);
  }
}
