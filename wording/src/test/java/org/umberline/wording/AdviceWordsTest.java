package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advice.Kind;
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.planning.Advice.Reason;

class AdviceWordsTest {
  private final AdviceWords words = new AdviceWords(null);

  private static Reason whole(Kind kind) {
    return new Reason(
        kind,
        Optional.of(Nutrient.NITRATE),
        Optional.of(LocalDate.of(2026, 11, 29)),
        OptionalDouble.of(0.24),
        OptionalDouble.of(0.5));
  }

  @Test
  void everyReasonIsAWholeSentenceWithoutModelWords() {
    List<String> all = new ArrayList<>();
    for (Kind kind : Kind.values()) {
      all.add(words.reason(whole(kind)));
    }
    assertThat(all)
        .doesNotHaveDuplicates()
        .allSatisfy(
            text -> {
              assertThat(text).matches("[A-Z].*[.]");
              assertThat(text)
                  .doesNotContainIgnoringCase("draw")
                  .doesNotContainIgnoringCase("posterior")
                  .doesNotContainIgnoringCase("horizon")
                  .doesNotContainIgnoringCase("confidence")
                  .doesNotContain("maxChangeFraction");
            });
  }

  @Test
  void waitingIsToldAsAChance() {
    assertThat(words.reason(whole(Kind.IF_WAITING)))
        .isEqualTo("If you wait until 2026-11-29: 1 chance in 4 of going over with nitrate.");
  }

  @ParameterizedTest
  @CsvSource({
    "0.87, in nearly 9 of 10 cases",
    "0.89, in nearly 9 of 10 cases",
    "0.9, in 9 of 10 cases",
    "0.92, in 9 of 10 cases",
    "0.7, in 7 of 10 cases",
    "0.999, in 99 of 100 cases"
  })
  void chancesAreRoundedFairly(double chance, String said) {
    assertThat(AdviceWords.chances(chance)).isEqualTo(said);
  }

  @Test
  void aLeverSaysTheRoutineThatItLeaves() {
    Advice.Help less =
        new Advice.Help(
            Lever.FEED,
            -0.2,
            Advice.AmountUnit.SHARE,
            Optional.empty(),
            Nutrient.NITRATE,
            OptionalDouble.of(0.1),
            7,
            40);
    assertThat(words.help(less)).isEqualTo("Feed a fifth less: 10 % every 7 days is enough.");
    Advice.Help none =
        new Advice.Help(
            Lever.FEED,
            -1.0 / 3,
            Advice.AmountUnit.SHARE,
            Optional.empty(),
            Nutrient.NITRATE,
            OptionalDouble.of(0),
            7,
            0);
    assertThat(words.help(none)).isEqualTo("Feed a third less: no change is needed then.");
  }
}
