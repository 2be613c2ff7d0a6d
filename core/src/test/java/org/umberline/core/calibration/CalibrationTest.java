package org.umberline.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.synthetic.SyntheticTank;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;

class CalibrationTest {
  private static final LocalDate START = TankBuilder.START;
  private static final int DAYS = 120;

  /** A tank of known load whose tests are what its own simulation says, read by two good kits. */
  private static TankBuilder tested(double load, int everyDays, double missWeigh) {
    TankBuilder builder = plain();
    double[][] truth = simulate(plain().build(), load);
    for (int day = everyDays; day < DAYS; day += everyDays) {
      builder.test(day, Analyte.NITRATE, truth[0][day - 1] * missWeigh, "no3");
      builder.test(day, Analyte.PHOSPHATE, truth[1][day - 1] * missWeigh, "po4");
    }
    return builder;
  }

  /**
   * Phosphate that stays at nothing though food brings it and nothing listed takes it, and nitrate
   * that stands far above what little food could make: each reading alone could be a blunder, all
   * of them are none.
   */
  @ParameterizedTest
  @CsvSource({"PHOSPHATE, 0.01, 0.3, 0.1", "PHOSPHATE, 0.03, 0.5, 0.15", "NITRATE, 120, 0.02, 180"})
  void aSeriesIsNeverWrittenOff(Analyte analyte, double value, double ration, double most) {
    TankBuilder builder =
        new TankBuilder()
            .ration(ration)
            .water("tap", 2, 0.05)
            .changeWater("tap")
            .photometer("no3", Analyte.NITRATE, 0.5, 0.05)
            .photometer("po4", Analyte.PHOSPHATE, 0.01, 0.05);
    for (int day = 7; day < DAYS; day += 7) {
      builder.change(day, 25);
      builder.test(day + 4, analyte, value, analyte == Analyte.NITRATE ? "no3" : "po4");
    }
    TankModel tank = builder.build();
    Posterior posterior = Calibration.calibrate(tank, START.plusDays(DAYS), 30, 150, 2, WORKERS);
    assertThat(posterior.readings().stream().filter(Posterior.Reading::contradicts).count())
        .as("written off, of %d", posterior.readings().size())
        .isLessThan(posterior.readings().size() / 2);
    double now =
        analyte == Analyte.NITRATE
            ? 4.4268 * posterior.fit().nitrogenP50()[DAYS]
            : 3.0662 * posterior.fit().phosphorusP50()[DAYS];
    assertThat(now).isBetween(analyte == Analyte.NITRATE ? 60.0 : 0.0, most);
  }

  /**
   * What grows takes nearly all the phosphate that food brings, at a place that the search hardly
   * finds: whatever the seed, tests of a hundredth leave no draw with many times as much.
   */
  @ParameterizedTest
  @ValueSource(longs = {1, 3, 4, 5, 6, 8})
  void lowPhosphateIsBelievedWithAnySeed(long seed) {
    TankBuilder builder =
        new TankBuilder()
            .ration(0.3)
            .plant("fern", PlantKind.SLOW_LEAVES, 40, 200, TankBuilder.always())
            .photometer("no3", Analyte.NITRATE, 0.1, 0.03)
            .photometer("po4", Analyte.PHOSPHATE, 0.005, 0.03);
    for (int day = 12; day <= 40; day += 7) {
      builder.test(day, Analyte.NITRATE, 20, "no3");
      builder.test(day, Analyte.PHOSPHATE, 0.01, "po4");
    }
    Posterior posterior =
        Calibration.calibrate(
            builder.build(), START.plusDays(40), 0, Calibration.DRAWS, seed, WORKERS);
    assertThat(Quantiles.of(phosphateNow(posterior), 0.9)).isBetween(0.01, 0.025);
  }

  private static double[] phosphateNow(Posterior posterior) {
    double litres = posterior.scenario().volumeL();
    return posterior.draws().stream()
        .mapToDouble(draw -> 3.0662 * draw.state().phosphorusMg() / litres)
        .sorted()
        .toArray();
  }

  /**
   * Two good readings agree with each other, and the make-up lets expect ten times as much: another
   * reading may show one of them to be a blunder, the make-up may not, whatever the seed.
   */
  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 7, 8})
  void fewReadingsThatAgreeAreNotWrittenOffForTheMakeUp(long seed) {
    TankBuilder builder =
        new TankBuilder()
            .water("tap", 0, 0)
            .ration(0.6)
            .startedOn(START.minusDays(370))
            .photometer("po4", Analyte.PHOSPHATE, 0.02, 0.05)
            .export(
                new ExportMethod.PhosphateAdsorber(
                    "ads",
                    20,
                    1.5,
                    AdsorberPlacement.REACTOR,
                    new Span(START.minusDays(30), Optional.empty())))
            .test(1, Analyte.PHOSPHATE, 0.1, "po4")
            .test(30, Analyte.PHOSPHATE, 0.4, "po4");
    Posterior posterior =
        Calibration.calibrate(
            builder.build(), START.plusDays(30), 0, Calibration.DRAWS, seed, WORKERS);
    assertThat(Quantiles.of(phosphateNow(posterior), 0.1)).isBetween(0.3, 0.45);
    assertThat(Quantiles.of(phosphateNow(posterior), 0.9)).isBetween(0.4, 0.55);
  }

  @Test
  void whatWasLearnedGivesItsPosteriorAgain() {
    for (TankModel tank : List.of(plain().build(), tested(1.4, 30, 1).build())) {
      LocalDate day = START.plusDays(DAYS);
      Posterior first = Calibration.calibrate(tank, day, 30, 60, 5, WORKERS);
      Posterior again = Calibration.again(tank, day, 30, first.learned(), WORKERS);
      assertThat(again.unknowns().all()).isEqualTo(first.unknowns().all());
      assertThat(again.readings()).usingRecursiveComparison().isEqualTo(first.readings());
      for (int i = 0; i < first.draws().size(); i++) {
        assertThat(again.draws().get(i)).usingRecursiveComparison().isEqualTo(first.draws().get(i));
      }
    }
  }

  private static TankBuilder plain() {
    TankBuilder builder =
        new TankBuilder()
            .ration(0.4)
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .plant("fern", PlantKind.MOSS, 40, 120, TankBuilder.always())
            .photometer("no3", Analyte.NITRATE, 0.3, 0.03)
            .photometer("po4", Analyte.PHOSPHATE, 0.02, 0.03);
    for (int day = 14; day < DAYS; day += 14) {
      builder.change(day + 0.5, 25);
    }
    return builder;
  }

  private static double[][] simulate(TankModel tank, double load) {
    Scenario scenario = Scenario.of(tank, START, START.plusDays(DAYS - 1), 0);
    Multipliers multipliers = scenario.multipliers();
    java.util.Arrays.fill(multipliers.nitrogenLoad, load);
    java.util.Arrays.fill(multipliers.phosphorusLoad, load);
    TankState state = new TankState(scenario);
    scenario.start(state, multipliers, 2, 0.1);
    Trace trace = new Trace(scenario);
    new TankSimulator(scenario).run(state, 0, DAYS, multipliers, PlannedChanges.NONE, trace);
    double[][] ions = new double[2][DAYS];
    for (int day = 0; day < DAYS; day++) {
      ions[0][day] = trace.nitrate[day] * 4.4268;
      ions[1][day] = trace.phosphorus[day] * 3.0662;
    }
    return ions;
  }

  private static Posterior calibrate(TankModel tank) {
    return Calibration.calibrate(tank, START.plusDays(DAYS - 1), 30, 300, 1, WORKERS);
  }

  private static double[] sorted(Posterior posterior, ToDoubleFunction<Posterior.Draw> of) {
    double[] sample = posterior.draws().stream().mapToDouble(of).toArray();
    Quantiles.sort(sample);
    return sample;
  }

  private static double[] nitrogenLoadNow(Posterior posterior) {
    return sorted(posterior, d -> d.multipliers().nitrogenLoad[DAYS - 1]);
  }

  private static double[] nitrateNow(Posterior posterior) {
    double volume = posterior.scenario().volumeL();
    return sorted(posterior, d -> d.state().nitrateMg() / volume * 4.4268);
  }

  @Test
  void goodTestsTellTheLoadAndTheStateApart() {
    for (double load : new double[] {0.6, 1.0, 1.5}) {
      double[] learned = nitrogenLoadNow(calibrate(tested(load, 7, 1).build()));
      assertThat(Quantiles.of(learned, 0.05)).isLessThan(load);
      assertThat(Quantiles.of(learned, 0.95)).isGreaterThan(load);
      assertThat(Quantiles.of(learned, 0.9) / Quantiles.of(learned, 0.1))
          .as("80 %% range of the load, prior 2.5")
          .isLessThan(1.6);
    }
  }

  @Test
  void moreTestsNarrowWhatIsBelieved() {
    double few = width(nitrogenLoadNow(calibrate(tested(1, 60, 1).build())));
    double many = width(nitrogenLoadNow(calibrate(tested(1, 7, 1).build())));
    double none = width(nitrogenLoadNow(calibrate(plain().build())));
    assertThat(many).isLessThan(0.9 * few);
    assertThat(few).isLessThan(none);
  }

  private static double width(double[] sorted) {
    return Math.log(Quantiles.of(sorted, 0.9) / Quantiles.of(sorted, 0.1));
  }

  @Test
  void withNoTestThePriorAloneAnswersAndIsWide() {
    double[] now = nitrateNow(calibrate(plain().build()));
    assertThat(Quantiles.of(now, 0.9) / Quantiles.of(now, 0.1)).isGreaterThan(1.5);
    assertThat(java.util.Arrays.stream(now).boxed()).allMatch(v -> v > 0 && Double.isFinite(v));
  }

  @Test
  void anEmptyTankFileStillGetsAnAnswer() {
    Posterior posterior =
        Calibration.calibrate(new TankBuilder().build(), START.plusDays(10), 90, 100, 1, WORKERS);
    assertThat(posterior.draws()).hasSize(100);
    assertThat(posterior.draws()).allMatch(d -> Double.isFinite(d.state().nitrateMg()));
  }

  @Test
  void oneContradictoryTestDoesNotSwingIt() {
    TankBuilder builder = tested(1, 7, 1);
    double before = Quantiles.of(nitrateNow(calibrate(builder.build())), 0.5);
    builder.test(DAYS - 0.3, Analyte.NITRATE, before * 4, "no3");
    Posterior posterior = calibrate(builder.build());
    assertThat(Quantiles.of(nitrateNow(posterior), 0.5)).isEqualTo(before, within(0.2 * before));
    Posterior.Reading contradictory =
        posterior.readings().stream()
            .filter(r -> posterior.scenario().probes().get(r.test()).value() > before * 3)
            .findFirst()
            .orElseThrow();
    assertThat(contradictory.modelled()).isLessThan(before * 1.5);
  }

  @Test
  void aLineOfTestsFarFromThePriorIsFollowedAllTheSame() {
    double[] learned = nitrogenLoadNow(calibrate(tested(2.5, 7, 1).build()));
    assertThat(Quantiles.of(learned, 0.5)).isEqualTo(2.5, within(0.5));
  }

  @Test
  void readingsBelowRangePullDownWhatIsBelieved() {
    TankBuilder builder = plain();
    for (int day = 60; day < DAYS; day += 10) {
      builder.test(day, Analyte.NITRATE, 8, "no3", Qualifier.BELOW);
    }
    double[] now = nitrateNow(calibrate(builder.build()));
    double[] without = nitrateNow(calibrate(plain().build()));
    assertThat(Quantiles.of(now, 0.5)).isLessThan(0.8 * Quantiles.of(without, 0.5));
    assertThat(Quantiles.of(now, 0.5)).isLessThan(10);
  }

  @Test
  void aWaterNobodyMeasuredIsLearnedFromTheTests() {
    TankBuilder unknown =
        new TankBuilder()
            .water("tap", Optional.empty(), Optional.empty(), OptionalDouble.empty())
            .changeWater("tap")
            .ration(0.001)
            .photometer("no3", Analyte.NITRATE, 0.3, 0.03);
    // Next to nothing is fed: after many half changes the tank is its source, 20 mg/L.
    for (int day = 0; day < DAYS; day += 2) {
      unknown.change(day + 0.5, 50);
      if (day > 60 && day % 10 == 0) {
        unknown.test(day + 0.9, Analyte.NITRATE, 20, "no3");
      }
    }
    double[] source =
        sorted(calibrate(unknown.build()), d -> d.multipliers().waterNitrateMgL[0] * 4.4268);
    assertThat(Quantiles.of(source, 0.5)).isEqualTo(20, within(2.5));
  }

  @Test
  void theSameSeedGivesTheSameDraws() {
    TankModel tank = tested(1, 14, 1).build();
    double[] first = nitrateNow(calibrate(tank));
    assertThat(nitrateNow(calibrate(tank))).containsExactly(first);
  }

  @Test
  void tenYearsOfLogAreCutToTheWindowThatStillTeaches() {
    TankBuilder builder = plain().startedOn(START.minusYears(10));
    for (int day = -3650; day < 0; day += 7) {
      builder.test(day, Analyte.NITRATE, 20, "no3");
    }
    assertThat(Calibration.firstDay(builder.build(), START.plusDays(DAYS)))
        .isEqualTo(START.plusDays(DAYS - 400));
  }

  /**
   * Thirteen weekly tests of 33 under a quarter changed a week and no food listed: the tank is fed
   * all the same. By hand: (33 - 5) / 4 = 7 mg/L are taken out a week, so as much comes in.
   */
  @Test
  void whatNobodyListedIsLearnedAndGoesOn() {
    TankBuilder silent =
        new TankBuilder()
            .startedOn(START.minusDays(400))
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .photometer("no3", Analyte.NITRATE, 0.5, 0.05);
    for (int day = 6; day < DAYS; day += 7) {
      silent.test(day, Analyte.NITRATE, 33, "no3").change(day + 0.5, 25);
    }
    double[] perWeek =
        sorted(calibrate(silent.build()), d -> d.multipliers().unlistedNitrogen * 4.4268 * 7);
    assertThat(Quantiles.of(perWeek, 0.5)).isBetween(4.5, 9.0);
  }

  /** Seven phosphate tests of about 0.64 are believed, whatever the ration says should come in. */
  @Test
  void aSteadySeriesIsBelievedAgainstTheRation() {
    TankBuilder steady =
        new TankBuilder()
            .startedOn(START.minusDays(400))
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .ration(0.5)
            .photometer("po4", Analyte.PHOSPHATE, 0.03, 0.05);
    double[] read = {0.59, 0.62, 0.65, 0.69, 0.61, 0.66, 0.64};
    for (int i = 0; i < read.length; i++) {
      steady.test(DAYS - 43 + 7 * i, Analyte.PHOSPHATE, read[i], "po4");
    }
    double[] now =
        sorted(calibrate(steady.build()), d -> d.state().phosphorusMg() / 100 * 94.971 / 30.974);
    assertThat(Quantiles.of(now, 0.5)).isBetween(0.55, 0.75);
  }

  /** Half the readings 10 and half 80: nobody knows, and the answer is as wide as that. */
  @Test
  void readingsThatNoCourseBringsTogetherWidenTheAnswer() {
    TankBuilder builder =
        new TankBuilder()
            .startedOn(START.minusDays(400))
            .ration(0.4)
            .water("tap", 5, 0.1)
            .changeWater("tap")
            .photometer("no3", Analyte.NITRATE, 0.5, 0.05);
    for (int day = 6; day < DAYS; day += 4) {
      builder.test(day, Analyte.NITRATE, day % 8 == 2 ? 10 : 80, "no3");
    }
    Posterior posterior = calibrate(builder.build());
    double[] now = nitrateNow(posterior);
    assertThat(Quantiles.of(now, 0.1)).isLessThan(60);
    assertThat(Quantiles.of(now, 0.9)).isGreaterThan(80);
    assertThat(posterior.readings()).anyMatch(Posterior.Reading::contradicts);
  }

  @Test
  void carbonThatDoesLittleIsLearnedFromTheTests() {
    TankBuilder dosed = plain();
    dosed.export(
        new ExportMethod.CarbonDose("carbon", CarbonSource.ETHANOL_40, 3, TankBuilder.always()));
    // read as a tank without any
    double[][] truth = simulate(plain().build(), 1);
    for (int day = 7; day < DAYS; day += 7) {
      dosed.test(day, Analyte.NITRATE, truth[0][day - 1], "no3");
      dosed.test(day, Analyte.PHOSPHATE, truth[1][day - 1], "po4");
    }
    Posterior posterior = calibrate(dosed.build());
    double[] carbon = sorted(posterior, draw -> draw.multipliers().carbon);
    assertThat(Quantiles.of(carbon, 0.5)).isLessThan(0.4);
    assertThat(posterior.readings()).noneMatch(Posterior.Reading::contradicts);
  }

  /** One of 500 was after two batches; a few would say more of the search than of the tank. */
  @Test
  void aSearchGoesOnWhereHardlyAnyDrawCounts() {
    TankModel tank = SyntheticTank.messy(SyntheticTank.Way.PLANTED_HIGH_LIGHT, 9602);
    LocalDate day = tank.dayOf(tank.log().get(0).at().toInstant()).plusDays(180);
    Posterior posterior =
        Calibration.calibrate(SyntheticTank.upTo(day, tank), day, 28, 500, 1, WORKERS);
    assertThat(posterior.effectiveSamples()).isGreaterThan(140);
  }

  @Test
  void whatIsNotLookedAtTeachesNothing() {
    TankModel tank = tested(1.4, 14, 1).build();
    List<LogEntry> noted = new ArrayList<>(tank.log());
    for (int day = 20; day < DAYS; day += 20) {
      noted.add(
          new LogEntry.Observation(
              START.plusDays(day).atTime(9, 0).atOffset(ZoneOffset.UTC), "all well", 0, ""));
    }
    OffsetDateTime at = START.plusDays(50).atTime(9, 0).atOffset(ZoneOffset.UTC);
    noted.add(new LogEntry.Medicine(at, "against spots", 5, ""));
    noted.add(new LogEntry.Quarantine(at, "six tetras", 28, ""));
    noted.add(new LogEntry.Addition(at, Salt.SODIUM_BICARBONATE, 3, ""));
    TankModel withNotes = tank.withLog(noted);
    assertThat(Calibration.lookedAt(withNotes)).isEqualTo(Calibration.lookedAt(tank));
    assertThat(nitrateNow(calibrate(withNotes)))
        .containsExactly(nitrateNow(calibrate(Calibration.lookedAt(withNotes))));

    noted.add(
        new LogEntry.Observation(
            START.plusDays(50).atTime(9, 0).atOffset(ZoneOffset.UTC), "green algae", 2, ""));
    assertThat(Calibration.lookedAt(tank.withLog(noted))).isNotEqualTo(Calibration.lookedAt(tank));
    List<LogEntry> fed = new ArrayList<>(tank.log());
    fed.add(new LogEntry.Addition(at, Salt.POTASSIUM_NITRATE, 3, ""));
    assertThat(Calibration.lookedAt(tank.withLog(fed))).isNotEqualTo(Calibration.lookedAt(tank));
  }
}
