package org.umberline.core.testing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.testing.KitChoice.Verdict;

/** Waiting times are common practice, no source. */
class KitChoiceTest {
  private static KitChoice nitrate(TankBuilder tank) {
    return KitChoice.of(tank.lines(40, 2).build()).get(0);
  }

  @Test
  void withoutAKitItSaysWhatHasToBeToldApart() {
    KitChoice choice = nitrate(new TankBuilder());
    assertThat(choice.verdict()).isEqualTo(Verdict.NONE);
    assertThat(choice.needed()).isEqualTo(10);
    assertThat(KitChoice.of(new TankBuilder().build())).isEmpty();
  }

  @Test
  void theQuickestThatIsGoodEnoughIsTaken() {
    KitChoice choice =
        nitrate(
            new TankBuilder()
                .photometer("slow", Analyte.NITRATE, 0.5, 0.05)
                .card("quick", Analyte.NITRATE, 0.0, 10.0, 20.0, 30.0, 40.0, 50.0, 60.0));
    // the card errs by 15 % of 40, which is more than its steps: 14 mg/L
    assertThat(choice.kit().orElseThrow().id()).isEqualTo("slow");
    assertThat(choice.verdict()).isEqualTo(Verdict.ENOUGH);
    assertThat(choice.minutes()).isEqualTo(15);
  }

  @Test
  void aCardThatEndsAtTheLimitAndOneWithWideSteps() {
    assertThat(nitrate(new TankBuilder().card("a", Analyte.NITRATE, 0.0, 20.0, 40.0)).verdict())
        .isEqualTo(Verdict.ENDS_TOO_LOW);
    KitChoice wide =
        nitrate(new TankBuilder().card("b", Analyte.NITRATE, 0.0, 20.0, 40.0, 80.0, 160.0));
    assertThat(wide.verdict()).isEqualTo(Verdict.TOO_COARSE);
    assertThat(wide.smallest()).isEqualTo(40);
  }

  @Test
  void aLowerLimitHasToBeToldFromNothing() {
    TankBuilder tank =
        new TankBuilder()
            .card("c", Analyte.PHOSPHATE, 0.0, 0.25, 0.5, 1.0)
            .lines(new Lines(Line.NONE, new Line(OptionalDouble.of(0.03), OptionalDouble.of(0.5))));
    assertThat(KitChoice.of(tank.build()).get(0).verdict()).isEqualTo(Verdict.BEGINS_TOO_HIGH);
  }
}
