package org.umberline.core.judging;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;

class ImpliedVolumeTest {
  private static ChangeExperiment allowing(double low, double high) {
    Range any = new Range(0, 1);
    return new ChangeExperiment(
        TankBuilder.at(1), 0.2, 5, 5, any, any, new Range(low, high), true, Set.of());
  }

  @Test
  void theRangeIsTakenThatTheMostChangesAllow() {
    ImpliedVolume implied =
        ImpliedVolume.of(
                List.of(
                    allowing(80, 140),
                    allowing(100, Double.POSITIVE_INFINITY),
                    allowing(90, 130),
                    allowing(10, 20)))
            .orElseThrow();
    assertThat(implied.range()).isEqualTo(new Range(100, 130));
    assertThat(implied.agreeing()).isEqualTo(3);
    assertThat(implied.changes()).isEqualTo(4);
    assertThat(ImpliedVolume.of(List.of())).isEmpty();
  }
}
