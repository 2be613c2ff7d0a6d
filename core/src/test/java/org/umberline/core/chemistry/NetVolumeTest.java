package org.umberline.core.chemistry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class NetVolumeTest {
  /** By hand: 100 × 40 × 45 cm is 180 L; a tenth is stones; 20 L stand in the sump. */
  @Test
  void aBoxLessItsStonesWithItsSump() {
    assertThat(NetVolume.ofBox(100, 40, 45, 0.1, 20)).isCloseTo(182, within(1e-9));
  }

  /**
   * Dissolving 35 g a litre of salt in a litre gives about 34 ppt: 1 kg of water and 35 g make
   * 1.035 kg. A hundred litres raised from 0 to 5 ppt hold 100 × 5 × 1.0009 kg/L, EOS-80 at 25 °C.
   */
  @Test
  void saltThatWasWeighedTellsTheWater() {
    double grams = 100 * 5 * SeaWater.density(5, 25) / 1000;
    assertThat(NetVolume.ofSalt(grams, 0, 5, 25)).isCloseTo(100, within(1e-9));
  }

  @Test
  void aMarkerTellsItToo() {
    assertThat(NetVolume.ofMarker(900, 5, 10)).isCloseTo(180, within(1e-9));
  }

  @Test
  void whatCannotBeIsRefused() {
    assertThatThrownBy(() -> NetVolume.ofSalt(10, 5, 5, 25)).hasMessageContaining("5.0 ppt");
    assertThatThrownBy(() -> NetVolume.ofBox(0, 40, 45, 0, 0)).hasMessageContaining("length");
    assertThatThrownBy(() -> NetVolume.ofBox(10, 40, 45, 1, 0)).hasMessageContaining("share");
    assertThatThrownBy(() -> NetVolume.ofMarker(-1, 0, 1)).hasMessageContaining("amount");
  }
}
