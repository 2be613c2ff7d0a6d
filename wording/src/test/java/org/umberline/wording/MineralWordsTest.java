package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.minerals.AlkalinityUse;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.TankFileReader;

class MineralWordsTest {
  private static final Instant NOW = Instant.parse("2026-11-20T12:00:00Z");

  private static TankModel reef(double lastCalcium, double lastAlkalinity) throws Exception {
    return TankFileReader.read(
            """
            {"format": "umberline-tank", "version": 1,
             "tank": {"name": "Reef", "water": "marine", "netVolumeL": 200, "timeZone": "UTC"},
             "log": [
              {"at": "2026-10-20T09:00:00Z", "type": "test", "analyte": "calcium", "value": 430},
              {"at": "2026-11-19T09:00:00Z", "type": "test", "analyte": "calcium", "value": %s},
              {"at": "2026-10-20T09:00:00Z", "type": "test", "analyte": "alkalinity", "value": 9},
              {"at": "2026-11-19T09:00:00Z", "type": "test", "analyte": "alkalinity", "value": %s}]}
            """
                .formatted(lastCalcium, lastAlkalinity))
        .tank();
  }

  private static Mineral of(TankModel tank, Analyte analyte) {
    return Mineral.of(tank, analyte, OptionalDouble.empty(), OptionalDouble.empty(), NOW);
  }

  private static String calcium(TankModel tank) {
    return new MineralWords(tank)
        .calcium(of(tank, Analyte.CALCIUM), of(tank, Analyte.ALKALINITY)).notes().stream()
            .map(Phrase::plain)
            .reduce("", (a, b) -> a + b + "\n");
  }

  /** CaCO3 of 100.087 g/mol: 50.04 mg of it to the meq, 17.85 mg/L to the dKH, 40.04 % calcium. */
  @Test
  void aDegreeOfAlkalinityIsBuiltInWithSevenMilligramsOfCalcium() {
    assertThat(AlkalinityUse.CALCIUM_MG_L_PER_DKH).isCloseTo(17.85 * 0.4004, within(0.01));
  }

  /** 60 parts of 400 mg/L and 40 of 10 hold 244: what is wanted of 240 is met to a twentieth. */
  @Test
  void dissolvedSolidsAreMixedOfTwoWatersAndTopOffIsNamed() throws Exception {
    TankModel tank =
        TankFileReader.read(
                """
                {"format": "umberline-tank", "version": 1,
                 "tank": {"name": "Pond", "water": "freshwater", "netVolumeL": 100},
                 "waters": [{"id": "tap", "name": "Tap", "dissolvedSolidsMgL": 400},
                            {"id": "ro", "name": "Pure water", "dissolvedSolidsMgL": 10}],
                 "topOff": {"water": "tap", "litresPerDay": 1},
                 "log": [{"at": "2026-11-19T09:00:00Z", "type": "test", "kit": "pen",
                          "analyte": "dissolved-solids", "value": 1000, "unit": "uS/cm"}],
                 "kits": [{"id": "pen", "analyte": "dissolved-solids", "method": "photometer"}]}
                """)
            .tank();
    Mineral solids =
        Mineral.of(
            tank, Analyte.DISSOLVED_SOLIDS, OptionalDouble.of(240), OptionalDouble.empty(), NOW);
    WaterPanel panel = new MineralWords(tank).dissolvedSolids(solids);
    assertThat(panel.sentence().plain()).contains("It was 500 mg/L on").contains("you want 240");
    assertThat(panel.notes())
        .extracting(Phrase::plain)
        .anyMatch(
            note -> note.startsWith("Change water of 60 % Tap and 40 % Pure water holds 244 mg/L:"))
        .anyMatch(note -> note.startsWith("Top-off water adds 28 mg/L a week"));
  }

  @Test
  void whatCalciumLosesIsSaidBesideWhatCoralsCanTake() throws Exception {
    // 90 mg/L in 30 days, and 5 dKH
    String said = calcium(reef(340, 4));
    assertThat(said).contains("take at most 8.3 mg/L of calcium a week");
    // 3 mg/L a day in 200 L, at 272.6 mg a gram
    assertThat(said).contains("To hold it takes 2.2 g of calcium chloride a day.");
    assertThat(calcium(reef(429, 8.9))).doesNotContain("To hold it");
  }
}
