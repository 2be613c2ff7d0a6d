package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;

class ResamplingTest {
  @Test
  void whereEnoughCountNothingIsCutOff() {
    double[] log = {0, Math.log(3), 0};
    assertThat(Resampling.cutOff(log, 2))
        .containsExactly(new double[] {0.2, 0.6, 0.2}, within(1e-12));
  }

  /** Two carry all the weight; four are to count, and the other two hardly do. */
  @Test
  void theGreatestAreCutOffUntilEnoughCount() {
    double[] log = {10, 12, 3, 2, -40, Double.NEGATIVE_INFINITY};
    double[] weight = Resampling.cutOff(log, 3);
    assertThat(Arrays.stream(weight).sum()).isEqualTo(1, within(1e-12));
    assertThat(Resampling.effective(weight)).isEqualTo(3, within(0.2));
    assertThat(weight[0]).isEqualTo(weight[1], within(1e-9));
    assertThat(weight[2]).isGreaterThanOrEqualTo(weight[3]);
    assertThat(weight[4]).isLessThan(1e-15);
    assertThat(weight[5]).isZero();
  }

  @Test
  void fewerThanEnoughAreAllThatCount() {
    double[] weight = Resampling.cutOff(new double[] {0, -700, Double.NEGATIVE_INFINITY}, 3);
    assertThat(weight).containsExactly(new double[] {0.5, 0.5, 0}, within(1e-9));
  }
}
