package org.umberline.core.balance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.PlantKind;

/** Constants of the balance against what is published about them. */
class OutsideChecksTest {
  private static final double CARBON = 12.011;
  private static final double NITROGEN = 14.007;
  private static final double OXYGEN = 15.999;
  private static final double PHOSPHORUS = 30.974;
  private static final double HYDROGEN = 1.008;

  /** Redfield's ratio 106 : 16 : 1 by atoms is 41 : 7.2 : 1 by mass (IUPAC masses). */
  @Test
  void bacteriaOnDosedCarbonAreMadeAsRedfieldSays() {
    double carbon = 1000;
    double perPhosphorus = CarbonDosing.nitrogenMg(carbon) / CarbonDosing.phosphorusMg(carbon);
    assertThat(perPhosphorus).isEqualTo(16 * NITROGEN / PHOSPHORUS, within(0.05));
    assertThat(0.45 * carbon / CarbonDosing.phosphorusMg(carbon))
        .isEqualTo(106 * CARBON / PHOSPHORUS, within(0.2));
  }

  /** Carbon by formula: ethanol C2H6O at 0.789 g/mL, sucrose C12H22O11, acetic acid C2H4O2. */
  @Test
  void carbonSourcesHoldTheCarbonOfTheirFormulas() {
    double ethanol = 2 * CARBON / (2 * CARBON + 6 * HYDROGEN + OXYGEN);
    double sucrose = 12 * CARBON / (12 * CARBON + 22 * HYDROGEN + 11 * OXYGEN);
    double acetic = 2 * CARBON / (2 * CARBON + 4 * HYDROGEN + 2 * OXYGEN);
    assertThat(CarbonDosing.carbonMg(CarbonSource.ETHANOL_40, 1))
        .isEqualTo(400 * 0.789 * ethanol, within(2.0));
    assertThat(CarbonDosing.carbonMg(CarbonSource.SUGAR, 1)).isEqualTo(1000 * sucrose, within(1.0));
    assertThat(CarbonDosing.carbonMg(CarbonSource.VINEGAR, 1)).isEqualTo(50 * acetic, within(0.5));
  }

  /**
   * US EPA, Nitrogen Control, 1993: 7.14 mg CaCO3 and 4.57 mg O2 a mg of ammonia N; by the equation
   * NH4+ + 2 O2 -> NO3- + 2 H+ + H2O, two equivalents of 50.04 mg CaCO3 and two of O2.
   */
  @Test
  void nitrificationCostsWhatItsEquationSays() {
    assertThat(Nitrification.ALKALINITY_MG_PER_MG).isEqualTo(2 * 50.04 / NITROGEN, within(0.01));
    assertThat(Nitrification.ALKALINITY_OF_FOOD_MG_PER_MG)
        .isEqualTo(50.04 / NITROGEN, within(0.01));
    assertThat(Nitrification.OXYGEN_MG_PER_MG).isEqualTo(4 * OXYGEN / NITROGEN, within(0.01));
  }

  /** Denitrification with organic carbon: 5 C for 4 N. */
  @Test
  void denitrifiersNeedTheCarbonOfTheirEquation() {
    double carbon = 1000;
    double reaches = 0.55 * 0.1 * carbon;
    assertThat(reaches / CarbonDosing.denitrifiesMg(carbon))
        .isEqualTo(5 * CARBON / (4 * NITROGEN), within(0.01));
  }

  /**
   * Reddy & DeBusk 1985 (Journal of Environmental Quality 14) found floating plants in
   * nutrient-rich water to take up, in summer, from 292 (duckweed) to 1278 (water hyacinth) mg N a
   * m² and day (values from memory). A full mat of 2 kg a m² of our floating plants lies among
   * them.
   */
  @Test
  void aFullMatOfFloatingPlantsTakesUpWhatWasMeasured() {
    double dry = 2000 * PlantKind.FLOATING.dryMatterPercent() / 100;
    double perDay =
        dry
            * PlantGrowth.ratePerDay(PlantKind.FLOATING.doublingDays())
            * PlantKind.FLOATING.nitrogenPercentDry()
            * 10;
    assertThat(perDay).isBetween(292.0, 1278.0);
  }

  /** Warmth: 10 °C more doubles the pace of mineralising and of nitrifiers (common practice). */
  @ParameterizedTest
  @CsvSource({"10, 20", "18, 28"})
  void tenDegreesDoubleThePace(double cold, double warm) {
    assertThat(WasteSolids.mineralisationPerDay(warm) / WasteSolids.mineralisationPerDay(cold))
        .isEqualTo(2, within(1e-9));
    assertThat(Nitrification.ammoniaGrowthPerDay(warm) / Nitrification.ammoniaGrowthPerDay(cold))
        .isEqualTo(2, within(1e-9));
  }
}
