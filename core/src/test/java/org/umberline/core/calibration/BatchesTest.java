package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;

class BatchesTest {
  private static void add(Batches batches, double... logWeight) {
    batches.add(Collections.nCopies(logWeight.length, at(logWeight.length)), logWeight);
  }

  /** A run at a point that is told by one number. */
  private static Outcome at(double z) {
    return new Outcome(new double[] {z}, null, null, null, null, null, null);
  }

  @Test
  void asManyDrawsCountAsCountInAllBatchesTogether() {
    Batches batches = new Batches(4);
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
    Batches batches = new Batches(4);
    add(batches, 0, -5000, -5000);
    add(batches, 0, 0, 0, 0, 0, 0, 0, 0, 0);
    assertThat(batches.effective()).isEqualTo(10, within(1e-9));
    assertThat(Resampling.normalised(batches.logWeights())[0]).isEqualTo(0.1, within(1e-9));
  }

  /** The runs of few draws are at hand; of many, what was chosen is run again. */
  @Test
  void whatWasChosenIsRunAgainWhereThereWereManyDraws() {
    Batches batches = new Batches(4);
    add(batches, 0, 0);
    int[] chosen = {1, 1, 0};
    assertThat(
            batches.outcomes(
                chosen,
                points -> {
                  throw new AssertionError("run again");
                }))
        .hasSize(3)
        .allSatisfy(outcome -> assertThat(outcome.z()).containsExactly(2));
    add(batches, 0, 0, 0);
    assertThat(
            batches.outcomes(
                new int[] {0, 4}, points -> List.of(at(points[0][0] * 10), at(points[1][0] * 10))))
        .extracting(outcome -> outcome.z()[0])
        .containsExactly(20.0, 30.0);
  }

  @Test
  void theNextBatchIsAsLargeAsWhatIsMissing() {
    Batches batches = new Batches(4);
    assertThat(batches.next(100, 30)).isEqualTo(80);
    add(batches, 0, 0, -5000, -5000);
    // half of the draws count
    assertThat(batches.next(100, 30)).isEqualTo(56);
    assertThat(batches.next(100, 5)).isEqualTo(25);
    assertThat(batches.next(100, 300)).isEqualTo(100);
  }
}
