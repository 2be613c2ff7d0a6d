package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class DistinctTest {
  @Test
  void aPointDrawnSeveralTimesIsRunOnce() {
    double[][] draws = {{1, 2}, {1, 2}, {3, 4}, {1, 2}, {1, -2}};
    Distinct distinct = Distinct.of(draws);
    assertThat(distinct.points()).isDeepEqualTo(new double[][] {{1, 2}, {3, 4}, {1, -2}});
    assertThat(distinct.byDraw(List.of("a", "b", "c"))).containsExactly("a", "a", "b", "a", "c");
  }

  @Test
  void whereNoneIsDrawnTwiceAllAreRun() {
    double[][] draws = {{0.5}, {0.25}};
    assertThat(Distinct.of(draws).points()).isDeepEqualTo(draws);
    assertThat(Distinct.of(draws).which()).containsExactly(0, 1);
  }
}
