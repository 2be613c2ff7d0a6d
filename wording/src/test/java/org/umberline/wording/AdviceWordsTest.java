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
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.planning.Reason;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

class AdviceWordsTest {
  private final AdviceWords words = new AdviceWords(tank());

  private static TankModel tank() {
    try {
      return TankFileReader.read(
              """
              {"format": "umberline-tank", "version": 1,
               "tank": {"name": "A", "water": "freshwater", "netVolumeL": 76},
               "exports": [{"id": "spirit", "kind": "carbon-dose", "source": "ethanol-40",
                 "mlPerDay": 20, "from": "2026-01-01"}]}
              """)
          .tank();
    } catch (TankFileException refused) {
      throw new AssertionError(refused);
    }
  }

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
      all.add(words.reason(whole(kind)).plain());
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
  void tooMuchCarbonNamesWhatIsDosedAndTheMost() {
    Reason over =
        new Reason(
            Kind.CARBON_OVER_CEILING,
            Optional.empty(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.of(1.9));
    assertThat(words.reason(over).plain())
        .isEqualTo(
            "More carbon is dosed than this tank can stand, 20 mL of 40 % spirit a day; the most is"
                + " 1.9 mL of 40 % spirit, in several doses. Bacteria grown on it can take all the"
                + " oxygen: stop, aerate, and begin again with a tenth of that.");
  }

  @Test
  void waitingIsToldAsAChance() {
    assertThat(words.reason(whole(Kind.IF_WAITING)).plain())
        .isEqualTo("If you wait until 2026-11-29: 1 chance in 4 of going over with nitrate.");
  }

  @ParameterizedTest
  @CsvSource({
    "0.87, in nearly 9 of 10 cases",
    "0.89, in nearly 9 of 10 cases",
    "0.9, in 9 of 10 cases",
    "0.92, in 9 of 10 cases",
    "0.7, in 7 of 10 cases",
    "0.96, in 19 of 20 cases",
    "0.999, in 99 of 100 cases"
  })
  void chancesAreRoundedFairly(double chance, String said) {
    assertThat(SmallWords.chances(chance)).isEqualTo(said);
  }

  @Test
  void aLeverSaysTheRoutineThatItLeaves() {
    assertThat(words.help(help(-0.2, OptionalDouble.of(0.1), Optional.empty())).plain())
        .isEqualTo("Feed a fifth less: 10 % every 7 days is enough.");
    assertThat(words.help(help(-1.0 / 3, OptionalDouble.of(0), Optional.empty())).plain())
        .isEqualTo("Feed a third less: no change is needed then.");
  }

  private static Advice.Help help(
      double amount, OptionalDouble fraction, Optional<Advice.Pulled> and) {
    return new Advice.Help(
        new Advice.Pulled(Lever.FEED, amount, Advice.AmountUnit.SHARE, Optional.empty()),
        and,
        Nutrient.NITRATE,
        fraction,
        7,
        40,
        List.of());
  }

  @Test
  void aPairIsOneSentence() {
    Advice.Pulled siphon =
        new Advice.Pulled(Lever.SIPHON, 0.25, Advice.AmountUnit.SHARE, Optional.empty());
    assertThat(words.help(help(-0.2, OptionalDouble.of(0.05), Optional.of(siphon))).plain())
        .isEqualTo(
            "Feed a fifth less and siphon a quarter of the bed every week: 5 % every 7 days is"
                + " enough.");
  }

  @Test
  void harvestsAreToldByTheWeekOnlyWhereTheyComeSo() {
    assertThat(harvest(20, OptionalDouble.of(3.5))).isEqualTo("Cut about 40 g of fern a week");
    assertThat(harvest(20, OptionalDouble.of(30)))
        .isEqualTo("Cut about 20 g of fern about 2026-12-04");
    assertThat(harvest(20, OptionalDouble.empty()))
        .isEqualTo("Cut about 20 g of fern about 2026-12-04");
  }

  private String harvest(double grams, OptionalDouble everyDays) {
    Advice.DueWork cut =
        new Advice.DueWork(
            LocalDate.of(2026, 12, 4), Advice.WorkKind.HARVEST, "fern", grams, everyDays, false);
    return words.work(cut).plain();
  }

  @Test
  void aQuantityKeepsItsUnitSoThatItCanBeToldInAnother() {
    assertThat(words.reason(whole(Kind.OVER_NOW)).parts())
        .contains(new Phrase.Amount(0.5, "mg/L NO3"));
    assertThat(words.reason(whole(Kind.HOLDS_UNTIL)).parts())
        .contains(new Phrase.Day(LocalDate.of(2026, 11, 29)));
  }
}
