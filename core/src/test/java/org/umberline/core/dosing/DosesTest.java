package org.umberline.core.dosing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.chemistry.OxygenSaturation;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;

class DosesTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 27);

  // IUPAC standard atomic weights, 2007
  private static final double H = 1.00794;
  private static final double C = 12.0107;
  private static final double N = 14.0067;
  private static final double O = 15.9994;
  private static final double NA = 22.98977;
  private static final double MG = 24.305;
  private static final double P = 30.973762;
  private static final double S = 32.065;
  private static final double CL = 35.453;
  private static final double K = 39.0983;
  private static final double CA = 40.078;
  private static final double WATER = 2 * H + O;
  private static final double NO3 = N + 3 * O;
  private static final double PO4 = P + 4 * O;

  private static TankModel tank(double litres) {
    return new TankBuilder().volumeL(litres).build();
  }

  private static DoseSource salt(Salt salt) {
    return DoseSource.of(tank(100), salt.raises()).stream()
        .filter(source -> source.id().equals(salt.term()))
        .findFirst()
        .orElseThrow();
  }

  private static Raise nitrate(TankModel tank, double from, double to) {
    return Raise.of(tank, Analyte.NITRATE, from, to, salt(Salt.POTASSIUM_NITRATE), TODAY);
  }

  private static void holds(Salt salt, double formula, double ion, double companion) {
    assertThat(salt.perGram()).isEqualTo(1000 * ion / formula, within(0.1));
    assertThat(salt.companionMgPerGram()).isEqualTo(1000 * companion / formula, within(0.1));
  }

  /** Shares by mass from the formulas (IUPAC standard atomic weights). */
  @Test
  void saltsHoldTheSharesOfTheirFormulas() {
    holds(Salt.POTASSIUM_NITRATE, K + NO3, NO3, K);
    holds(Salt.CALCIUM_NITRATE, CA + 2 * NO3 + 4 * WATER, 2 * NO3, CA);
    holds(Salt.POTASSIUM_PHOSPHATE, K + 2 * H + PO4, PO4, K);
    holds(Salt.CALCIUM_CHLORIDE, CA + 2 * CL + 2 * WATER, CA, 2 * CL);
    holds(Salt.MAGNESIUM_CHLORIDE, MG + 2 * CL + 6 * WATER, MG, 2 * CL);
    holds(Salt.MAGNESIUM_SULFATE, MG + S + 4 * O + 7 * WATER, MG, S + 4 * O);
    // a mole of bicarbonate is an equivalent; 1 dKH is 10 mg of CaO in a litre, two equivalents
    // each
    double dkhPerMeq = (CA + O) / 2 / 10;
    holds(Salt.SODIUM_BICARBONATE, NA + H + C + 3 * O, dkhPerMeq, NA);
  }

  /** Potassium nitrate brings 0.63 mg of potassium with a mg of nitrate (common practice). */
  @Test
  void nitrateIsRaisedInDailySteps() {
    Raise raise = nitrate(tank(200), 2, 14);
    assertThat(raise.refusal()).isEmpty();
    // 12 mg/L at most 5 a day: three days; 2400 mg in all are 3.913 g
    assertThat(raise.steps()).hasSize(3);
    assertThat(raise.steps().get(0).on()).isEqualTo(TODAY);
    assertThat(raise.steps().get(0).amount()).isEqualTo(2400 / 613.3 / 3, within(0.001));
    assertThat(raise.steps().get(2).reaches()).isEqualTo(14, within(1e-9));
    assertThat(raise.companionMgL() / 12).isEqualTo(0.63, within(0.005));
    assertThat(nitrate(tank(200), 2, 7).steps()).hasSize(1);
    assertThat(nitrate(tank(30), 2, 7).steps()).as("small tanks are raised slower").hasSize(3);
  }

  @Test
  void whatIsOverAnyLimitIsRefusedWithTheMost() {
    assertThat(nitrate(tank(200), 5, 5).refusal())
        .contains(Refusal.of(Refusal.Why.NOTHING_TO_RAISE));
    TankModel lined =
        new TankBuilder()
            .volumeL(200)
            .lines(new Lines(new Line(OptionalDouble.empty(), OptionalDouble.of(10)), Line.NONE))
            .build();
    assertThat(nitrate(lined, 5, 12).refusal())
        .contains(Refusal.of(Refusal.Why.OVER_YOUR_LIMIT, 10));
    assertThat(nitrate(tank(200), 5, 60).refusal())
        .contains(Refusal.of(Refusal.Why.OVER_HIGHEST, 40));
    Raise far = Raise.of(tank(200), Analyte.CALCIUM, 1, 119, salt(Salt.CALCIUM_CHLORIDE), TODAY);
    assertThat(far.refusal()).isEmpty();
    assertThat(nitrate(tank(20), 0, 40).steps()).hasSize(20);
  }

  /** A weekly dose D with a weekly fraction f stacks to D / f (mass balance). */
  @Test
  void aWeeklyDoseStacksToWhatChangesTakeOut() {
    TankModel weekly = tank(100).withRoutine(Optional.of(new Routine(0.25, 7, TODAY.plusDays(1))));
    assertThat(nitrate(weekly, 0, 4).stacksTo().orElseThrow()).isEqualTo(16, within(1e-9));
    double level = 0;
    for (int week = 0; week < 200; week++) {
      level = (level + 4) * 0.75;
    }
    assertThat(level + 4).isEqualTo(16, within(1e-6));
    assertThat(nitrate(tank(100), 0, 4).stacksTo()).isEmpty();
  }

  @Test
  void theTanksOwnSolutionsComeFirst() {
    TankModel tank = new TankBuilder().volumeL(100).fertiliser("mix", 20, 1).build();
    List<DoseSource> sources = DoseSource.of(tank, Analyte.NITRATE);
    assertThat(sources).extracting(DoseSource::id).startsWith("mix");
    Raise raise = Raise.of(tank, Analyte.NITRATE, 0, 4, sources.get(0), TODAY);
    assertThat(raise.steps().get(0).amount()).isEqualTo(20, within(1e-9));
    assertThat(raise.companionMgL()).isEqualTo(0.2, within(1e-9));
  }

  /**
   * The ladder of `common practice, no source`: 0.1 then 0.2 mL for 100 L, then half again a week.
   */
  @Test
  void carbonClimbsToItsCeilingAndNoFurther() {
    CarbonLadder ladder = CarbonLadder.of(tank(400), CarbonSource.ETHANOL_40, TODAY, false);
    assertThat(ladder.rungs().get(0))
        .isEqualTo(new CarbonLadder.Rung(TODAY, TODAY.plusDays(2), 0.4));
    assertThat(ladder.rungs().get(1).amountPerDay()).isEqualTo(0.8, within(1e-9));
    assertThat(ladder.rungs().get(1).to()).isEqualTo(TODAY.plusDays(6));
    assertThat(ladder.mostPerDay()).isEqualTo(10, within(1e-9));
    for (int i = 2; i < ladder.rungs().size(); i++) {
      CarbonLadder.Rung before = ladder.rungs().get(i - 1);
      assertThat(ladder.rungs().get(i).amountPerDay())
          .isGreaterThan(before.amountPerDay())
          .isLessThanOrEqualTo(Math.min(10, before.amountPerDay() * 1.5 + 1e-9));
      assertThat(ladder.rungs().get(i).from()).isEqualTo(before.to().plusDays(1));
    }
    assertThat(ladder.oxygenTakenG()).isEqualTo(6.6, within(1e-9));
    assertThat(CarbonLadder.of(tank(400), CarbonSource.ETHANOL_40, TODAY, true).refusal())
        .contains(Refusal.of(Refusal.Why.GASPING));
    TankModel dosed =
        new TankBuilder()
            .volumeL(400)
            .export(new ExportMethod.CarbonDose("c", CarbonSource.SUGAR, 1, TankBuilder.always()))
            .build();
    assertThat(CarbonLadder.of(dosed, CarbonSource.ETHANOL_40, TODAY, false).refusal())
        .contains(Refusal.of(Refusal.Why.CARBON_DOSED));
  }

  /** Who notes what was given finds the ladder where it was left. */
  @Test
  void aLadderThatIsNotedGoesOn() {
    LocalDate begun = TankBuilder.START.plusDays(10);
    TankBuilder noted = new TankBuilder().volumeL(400);
    for (int day = 10; day < 18; day++) {
      noted.added(day + 0.4, CarbonSource.ETHANOL_40, 0.4);
    }
    CarbonLadder ladder =
        CarbonLadder.of(noted.build(), CarbonSource.ETHANOL_40, begun.plusDays(9), false);
    assertThat(ladder.begunOn()).contains(begun);
    assertThat(ladder.rungs().subList(0, 3))
        .as("the first step is over, and none is left out")
        .containsExactly(
            new CarbonLadder.Rung(begun.plusDays(9), begun.plusDays(9), 0.4),
            new CarbonLadder.Rung(begun.plusDays(10), begun.plusDays(13), 0.8),
            new CarbonLadder.Rung(begun.plusDays(14), begun.plusDays(20), 0.8 * 1.5));
    TankBuilder held = new TankBuilder().volumeL(400);
    for (int day = 10; day < 13; day++) {
      held.added(day + 0.4, CarbonSource.ETHANOL_40, 3)
          .added(day + 0.8, CarbonSource.ETHANOL_40, 3);
    }
    held.added(13.4, CarbonSource.ETHANOL_40, 3);
    assertThat(
            CarbonLadder.of(held.build(), CarbonSource.ETHANOL_40, begun.plusDays(3), false)
                .rungs()
                .get(0))
        .as("two doses a day of which one is still to come; four days of the week are left")
        .isEqualTo(new CarbonLadder.Rung(begun.plusDays(3), begun.plusDays(6), 6));
    assertThat(CarbonLadder.of(noted.build(), CarbonSource.SUGAR, begun, false).begunOn())
        .isEmpty();
    assertThat(
            CarbonLadder.of(noted.build(), CarbonSource.ETHANOL_40, begun.plusDays(20), false)
                .begunOn())
        .as("after a break it is begun anew")
        .isEmpty();
  }

  /**
   * A dGH is 10 mg/L of CaO, so 7.147 mg/L of calcium or 4.334 of magnesium (IUPAC masses): in 100
   * L that is 2.62 g of calcium chloride with two waters, 4.40 g of magnesium sulfate with seven.
   */
  @Test
  void hardnessIsRaisedByCalciumAndByMagnesium() {
    List<DoseSource> sources = DoseSource.of(tank(100), Analyte.HARDNESS);
    assertThat(sources)
        .extracting(DoseSource::id)
        .containsExactly("calcium-chloride", "magnesium-chloride", "magnesium-sulfate");
    Raise calcium = Raise.of(tank(100), Analyte.HARDNESS, 3, 4, sources.get(0), TODAY);
    assertThat(calcium.steps()).hasSize(1);
    assertThat(calcium.steps().get(0).amount()).isEqualTo(2.62, within(0.005));
    Raise magnesium = Raise.of(tank(100), Analyte.HARDNESS, 3, 6, sources.get(2), TODAY);
    assertThat(magnesium.steps()).as("a dGH a day").hasSize(3);
    assertThat(magnesium.steps().get(0).amount()).isEqualTo(4.40, within(0.005));
    HardnessPair pair = HardnessPair.of(1, 100);
    double calciumMg = pair.calciumChlorideG() * Salt.CALCIUM_CHLORIDE.perGram();
    double magnesiumMg = pair.magnesiumSulfateG() * Salt.MAGNESIUM_SULFATE.perGram();
    assertThat(calciumMg / magnesiumMg).as("three to one by mass").isEqualTo(3, within(1e-9));
    assertThat(calciumMg / 100 / 7.147 + magnesiumMg / 100 / 4.334)
        .as("dGH")
        .isEqualTo(1, within(1e-3));
    assertThat(Raise.of(tank(100), Analyte.HARDNESS, 3, 25, sources.get(0), TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.OVER_HIGHEST, 20));
  }

  /**
   * Saturation by the standard table: 9.09 mg/L at 20 °C, 8.26 at 25 °C; 6.728 there at a
   * chlorinity of 20 (Standard Methods 4500-O).
   */
  @ParameterizedTest
  @CsvSource({"20, 0, 9.092", "25, 0, 8.263", "0, 0, 14.621", "25, 36.131, 6.728"})
  void oxygenSaturationFollowsTheTable(double celsius, double ppt, double mgL) {
    assertThat(OxygenSaturation.mgPerLitre(celsius, ppt)).isEqualTo(mgL, within(0.001));
  }

  @Test
  void peroxideGoesByTheWaterThatIsThere() {
    Peroxide usual = Peroxide.of(tank(100), 60, 3, TODAY);
    assertThat(usual.leastMl()).isEqualTo(12, within(1e-9));
    assertThat(usual.mostMl()).isEqualTo(24, within(1e-9));
    assertThat(Peroxide.of(tank(100), 60, 6, TODAY).mostMl()).isEqualTo(12, within(1e-9));
    assertThat(Peroxide.of(tank(100), 60, 12, TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.TOO_STRONG, 6));
    assertThat(Peroxide.of(tank(100), 120, 3, TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.MORE_THAN_THE_TANK, 100));
    List<LogEntry> log = new ArrayList<>();
    log.add(
        new LogEntry.Observation(
            TODAY.minusDays(3).atTime(9, 0).atOffset(ZoneOffset.UTC), Peroxide.DONE, 0, ""));
    TankModel treated = tank(100).withLog(log);
    assertThat(Peroxide.of(treated, 60, 3, TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.DONE_LATELY));
    assertThat(Peroxide.of(treated, 60, 3, TODAY.plusDays(4)).refusal()).isEmpty();
  }

  @Test
  void anAdsorberHoldsWhatWaterAndRockGiveUpAndWhatComesIn() {
    TankModel tank = new TankBuilder().volumeL(100).substrate(SubstrateKind.GRAVEL).build();
    // gravel holds as much again as the water; 6 mg a g, renewed at eight tenths
    double water = 0.7 * P / PO4 * 100;
    PhosphateLowering.Medium medium = PhosphateLowering.adsorber(tank, 1, 0.3, 6, 2, TODAY);
    assertThat(medium.takes().waterMg()).isEqualTo(water, within(0.01));
    assertThat(medium.takes().rockMg()).isEqualTo(water, within(0.01));
    assertThat(medium.grams()).isEqualTo((2 * water + 60) / 4.8, within(0.01));
    assertThat(medium.atFirstG()).isEqualTo(medium.grams() / 3, within(0.01));
    assertThat(medium.renewOn()).isEqualTo(TODAY.plusDays(30));
    assertThat(PhosphateLowering.adsorber(tank, 1, 0.01, 6, 2, TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.BELOW_LOWEST, 0.05));
    assertThat(PhosphateLowering.adsorber(tank, 0.3, 0.3, 6, 2, TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.NOTHING_TO_LOWER));
  }

  /** Lanthanum and phosphate bind one for one: 138.905 / 94.971 by mass (IUPAC masses). */
  @Test
  void aPrecipitantGoesOverDaysAndNeverToNothing() {
    PhosphateLowering.Precipitant dose =
        PhosphateLowering.precipitant(tank(100), 1.5, 0.3, 20, TODAY);
    // 1.2 mg/L in steps of half a mg/L: three days of 40 mg PO4, 2 mL each
    assertThat(dose.steps()).hasSize(3);
    assertThat(dose.steps().get(0).ml()).isEqualTo(2, within(1e-9));
    assertThat(dose.steps().get(2).reaches()).isEqualTo(0.3, within(1e-9));
    assertThat(dose.lanthanumMg()).isEqualTo(120 * 138.90547 / PO4, within(0.02));
    assertThat(PhosphateLowering.precipitant(tank(100), 1.5, 0, 20, TODAY).steps()).isEmpty();
    assertThat(PhosphateLowering.precipitant(tank(100), 60, 0.3, 20, TODAY).refusal())
        .contains(Refusal.of(Refusal.Why.TOO_MANY_DAYS, 46));
  }

  /** 1 mg/L in the tap is 0.25 in the tank at 25 % (common practice, no source). */
  @Test
  void conditionerGoesByItsLabelAndChloramineLeavesAmmonia() {
    Conditioning conditioning = Conditioning.of(tank(100), 25, 30, 1);
    assertThat(conditioning.ml()).isEqualTo(7.5, within(1e-9));
    assertThat(conditioning.ammoniaMgL()).isEqualTo(0.25, within(1e-9));
  }

  @Test
  void aPumpRunsAsLongAsItsTimedRunSays() {
    PumpCalibration pump = PumpCalibration.of(22, 60, 11);
    assertThat(pump.secondsPerDay()).isEqualTo(30, within(1e-9));
    assertThat(pump.mlPerMinute()).isEqualTo(22, within(1e-9));
    assertThat(pump.shortRun()).isFalse();
    assertThat(PumpCalibration.of(2, 10, 11).shortRun()).isTrue();
    assertThat(PumpCalibration.of(0.0625, 60, 1100).refusal())
        .contains(Refusal.of(Refusal.Why.PUMP_TOO_SLOW, 90));
  }
}
