package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Collections;
import org.junit.jupiter.api.Test;

class BatchesTest {
  private static void add(Batches batches, double... logWeight) {
    batches.add(Collections.nCopies(logWeight.length, null), logWeight);
  }

  @Test
  void asManyDrawsCountAsCountInAllBatchesTogether() {
    Batches batches = new Batches();
    add(batches, -3, -3, -3, -3);
    // another stand-in's constant tells nothing between batches
    add(batches, 900, 900, 900 + Math.log(2));
    double[] weight = Resampling.normalised(batches.logWeights());
    assertThat(batches.count()).isEqualTo(2);
    assertThat(batches.effective()).isEqualTo(4 + 16 / 6.0, within(1e-9));
    assertThat(Resampling.effective(weight)).isEqualTo(batches.effective(), within(1e-9));
    assertThat(Arrays.stream(weight, 0, 4).sum()).isEqualTo(4 / batches.effective(), within(1e-9));
    assertThat(weight[6]).isEqualTo(2 * weight[4], within(1e-9));
  }

  /** Where one draw carries all the weight of a batch it counts as one. */
  @Test
  void aBatchThatMissedTheTankCountsForOneDraw() {
    Batches batches = new Batches();
    add(batches, 0, -5000, -5000);
    add(batches, 0, 0, 0, 0, 0, 0, 0, 0, 0);
    assertThat(batches.effective()).isEqualTo(10, within(1e-9));
    assertThat(Resampling.normalised(batches.logWeights())[0]).isEqualTo(0.1, within(1e-9));
  }
}
