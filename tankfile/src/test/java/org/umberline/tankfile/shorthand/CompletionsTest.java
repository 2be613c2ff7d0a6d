package org.umberline.tankfile.shorthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileReader;

class CompletionsTest {
  private static TankModel tank;

  @BeforeAll
  static void stillwater() throws Exception {
    try (InputStream in =
        TankFileReader.class.getResourceAsStream("stillwater-example.umberline.json")) {
      tank = TankFileReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8)).tank();
    }
  }

  @ParameterizedTest
  @CsvSource({
    "fed wo, fed worms",
    "cut mo, cut moss",
    "cleaned s, cleaned sponge",
    "renewed a, renewed ads",
    "dosed k, dosed kno3",
    "dead ax, dead axolotl",
    "did imp, did impeller",
    "saw film, saw film-algae",
    "saw weak, saw weak-flow",
    "cha, change",
    "nitr, nitrate",
    "no3 20 ca, no3 20 card",
    "change 40 L ro, change 40 L ro",
    "change 25% si, change 25% siphon",
    "change 25% siphon h, change 25% siphon half"
  })
  void theLastWordIsCompletedFromWhatFits(String begun, String whole) {
    List<String> found = Completions.of(begun, tank);
    if (begun.equals(whole)) {
      assertThat(found).as("it is whole").doesNotContain(whole + " ");
    } else {
      assertThat(found).contains(whole + " ");
    }
  }

  @Test
  void everyCompletionBeginsWithWhatWasTyped() {
    for (String begun : List.of("", "f", "fed ", "no3 20 ", "change 25% ", "saw ", "did ")) {
      assertThat(Completions.of(begun, tank))
          .as(begun)
          .hasSizeLessThanOrEqualTo(6)
          .allMatch(whole -> whole.startsWith(begun));
    }
  }

  @Test
  void proseIsNotCompleted() {
    assertThat(Completions.of("note fed wo", tank)).isEmpty();
    assertThat(Completions.of("no3 20 # fed wo", tank)).isEmpty();
  }

  @Test
  void aLineIsAddressedByTheLongestNameItBeginsWith() {
    List<String> names = List.of("Paddy", "Paddy field", "Still");
    assertThat(Addressing.of("paddy: no3 5", names)).contains(new Addressing("Paddy", "no3 5"));
    assertThat(Addressing.of("Paddy field no3 5", names))
        .contains(new Addressing("Paddy field", "no3 5"));
    assertThat(Addressing.of("stillwater no3 5", names))
        .as("only the beginning of a word")
        .isEmpty();
    assertThat(Addressing.of("no3 5", names)).isEmpty();
  }
}
