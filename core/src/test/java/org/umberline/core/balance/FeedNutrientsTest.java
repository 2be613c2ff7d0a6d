package org.umberline.core.balance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.Stage;

class FeedNutrientsTest {
  private static Food food(FoodForm form, boolean rinsed) {
    return new Food("f", "Food", form, 40, 1, 8, OptionalDouble.empty(), rinsed);
  }

  private static Retention of(Stage stage) {
    return new Retention(stage.nitrogenKept(), stage.phosphorusKept());
  }

  /**
   * Timmons and Ebeling, Recirculating Aquaculture: ammonia N = feed x protein share x 0.092, for
   * growing fish. Ours comes from other shares and must land within a twentieth.
   */
  @Test
  void ammoniaOfAGrowingAnimalAgreesWithTimmonsAndEbeling() {
    FeedNutrients nutrients =
        FeedNutrients.of(food(FoodForm.DRY, false), 100, 0, of(Stage.GROWING));
    double theirs = 100 * 1000 * 0.40 * 0.092;
    assertThat(nutrients.nitrogenDissolved()).isEqualTo(theirs, within(0.05 * theirs));
  }

  @Test
  void anAdultGivesOffAboutFourFifthsOfItsProteinNitrogenAsAmmonia() {
    FeedNutrients nutrients = FeedNutrients.of(food(FoodForm.DRY, false), 100, 0, of(Stage.ADULT));
    assertThat(nutrients.nitrogenDissolved() / (100 * 1000 * 0.40)).isEqualTo(0.115, within(5e-4));
  }

  @ParameterizedTest
  @EnumSource(Stage.class)
  void everyMilligramGoesSomewhere(Stage stage) {
    FeedNutrients nutrients = FeedNutrients.of(food(FoodForm.DRY, false), 3, 0.2, of(stage));
    assertThat(nutrients.nitrogen()).isEqualTo(3 * 1000 * 0.40 / 6.25, within(1e-9));
    assertThat(nutrients.phosphorus()).isEqualTo(3 * 1000 * 0.01, within(1e-9));
  }

  @Test
  void whatNothingEatsBecomesWaste() {
    FeedNutrients nutrients = FeedNutrients.of(food(FoodForm.DRY, false), 1, 1, of(Stage.ADULT));
    assertThat(nutrients.nitrogenSolid()).isEqualTo(nutrients.nitrogen(), within(1e-12));
    assertThat(nutrients.nitrogenKept()).isZero();
  }

  @Test
  void strainedFrozenFoodLosesPartWithTheJuiceAndRinsedDryFoodDoesNot() {
    double frozen =
        FeedNutrients.of(food(FoodForm.FROZEN, false), 1, 0, Retention.ADULT).nitrogen();
    double strained =
        FeedNutrients.of(food(FoodForm.FROZEN, true), 1, 0, Retention.ADULT).nitrogen();
    assertThat(strained).isEqualTo(0.8 * frozen, within(1e-9));
    assertThat(FeedNutrients.of(food(FoodForm.DRY, true), 1, 0, Retention.ADULT).nitrogen())
        .isEqualTo(frozen, within(1e-9));
  }

  @Test
  void animalsKeepNoMoreThanTheyCanGrow() {
    Livestock small = new Livestock("Fry", 10, 0.1, Stage.FRY, TankBuilder.always());
    assertThat(Retention.of(List.of(small), 1, 1).nitrogen()).isEqualTo(0.40);
    Retention overfed = Retention.of(List.of(small), 1000, 1000);
    assertThat(overfed.nitrogen() * 1000).isEqualTo(1.0 * 0.06 * 26, within(1e-9));
  }
}
