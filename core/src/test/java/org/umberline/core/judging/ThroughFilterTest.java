package org.umberline.core.judging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.judging.ThroughFilter.Verdict;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.TankModel;

class ThroughFilterTest {
  private static final TankModel TANK =
      new TankBuilder().photometer("meter", Analyte.NITRATE, 0.5, 0.05).build();

  /** 10 mg/L NO3 are 2.259 mg/L N (IUPAC atomic weights); times 5 L an hour and 24 hours. */
  @Test
  void takesOutTheDifferenceTimesTheFlow() {
    ThroughFilter through = ThroughFilter.of(TANK, 20, 10, 5);
    assertThat(through.mgNPerDay()).isCloseTo(2.259 * 5 * 24, within(0.1));
    assertThat(through.verdict()).isEqualTo(Verdict.WORKS);
  }

  @Test
  void whatTheKitCantShowIsNotSaid() {
    ThroughFilter through = ThroughFilter.of(TANK, 20, 19, 5);
    assertThat(through.mgNPerDay()).isZero();
    assertThat(through.verdict()).isEqualTo(Verdict.NOT_SEEN);
    assertThat(ThroughFilter.of(TANK, 20, 26, 5).verdict()).isEqualTo(Verdict.GIVES_OFF);
  }

  @Test
  void nothingLeftMeansItCouldRunFaster() {
    assertThat(ThroughFilter.of(TANK, 20, 0.2, 5).verdict()).isEqualTo(Verdict.COULD_RUN_FASTER);
  }
}
