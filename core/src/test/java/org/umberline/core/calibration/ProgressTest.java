package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import org.junit.jupiter.api.Test;

class ProgressTest {
  @Test
  void whatBeginsAnewIsNotToldAsLess() {
    List<Double> told = new ArrayList<>();
    Progress onwards = ((Progress) told::add).onwards();
    for (double share : new double[] {0.3, 0.7, 0.2, 0.9}) {
      onwards.done(share);
    }
    assertThat(told).containsExactly(0.3, 0.7, 0.7, 0.9);
  }

  @Test
  void whoeverStopsItIsHeard() {
    Progress stops =
        share -> {
          throw new CancellationException();
        };
    Progress onwards = stops.onwards();
    assertThatThrownBy(() -> onwards.done(0.1)).isInstanceOf(CancellationException.class);
  }
}
