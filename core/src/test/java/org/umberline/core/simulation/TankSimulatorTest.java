package org.umberline.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.SubstrateKind;
import org.umberline.core.tank.TankModel;

class TankSimulatorTest {
  private static final LocalDate START = TankBuilder.START;

  private record Run(Scenario scenario, TankState state, Trace trace) {}

  private static Run run(
      TankModel tank, int days, double nitrogenMgL, double phosphorusMgL, PlannedChanges planned) {
    Scenario scenario = Scenario.of(tank, START, START.plusDays(days - 1), 0);
    Multipliers multipliers = scenario.multipliers();
    multipliers.unseenDenitrification = 0;
    TankState state = new TankState(scenario);
    scenario.start(state, multipliers, nitrogenMgL, phosphorusMgL);
    Trace trace = new Trace(scenario);
    new TankSimulator(scenario).run(state, 0, days, multipliers, planned, trace);
    return new Run(scenario, state, trace);
  }

  // ------------------------------------------------------------------ conservation

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20})
  void whatEntersLeavesByANamedWayOrIsStillThere(long seed) {
    Random random = new Random(seed);
    TankModel tank = randomTank(random);
    Scenario scenario = Scenario.of(tank, START, START.plusDays(59), 30);
    Multipliers multipliers = scenario.multipliers();
    multipliers.uptake = 0.3 + 3 * random.nextDouble();
    multipliers.exchange = 0.3 + 3 * random.nextDouble();
    multipliers.denitrification = 3 * random.nextDouble();
    multipliers.nitrifierGrowth = 0.5 + random.nextDouble();
    for (int day = 0; day < scenario.days(); day++) {
      multipliers.nitrogenLoad[day] = 0.5 + random.nextDouble();
      multipliers.phosphorusLoad[day] = 0.5 + random.nextDouble();
    }
    TankState state = new TankState(scenario);
    scenario.start(state, multipliers, 5 * random.nextDouble(), random.nextDouble());
    TankState before = state.copy();
    PlannedChanges planned =
        PlannedChanges.atNoon(List.of(62, 65, 80), 0.1 + 0.8 * random.nextDouble());
    TankSimulator simulator = new TankSimulator(scenario);
    Trace trace = new Trace(scenario);
    for (int day = 0; day < scenario.days(); day++) {
      simulator.run(state, day, day + 1, multipliers, planned, trace);
      assertThat(state.ammoniaMg()).isNotNegative();
      assertThat(state.nitriteMg()).isNotNegative();
      assertThat(state.nitrateMg()).isNotNegative();
      assertThat(state.phosphorusMg()).isNotNegative();
      assertThat(state.wasteNitrogenMg()).isNotNegative();
      assertThat(state.wastePhosphorusMg()).isNotNegative();
      assertThat(state.boundPhosphorusMg()).isNotNegative();
      assertThat(state.caughtNitrogenMg()).isNotNegative();
      assertThat(state.adsorbedPhosphorusMg()).isNotNegative();
      for (int j = 0; j < scenario.plants(); j++) {
        assertThat(state.plantDryG(j)).isNotNegative();
      }
    }
    assertNothingIsLost(scenario, before, state);
    TankState quick = before.copy();
    TankSimulator.quick(scenario).run(quick, 0, scenario.days(), multipliers, planned, trace);
    assertNothingIsLost(scenario, before, quick);
  }

  private static void assertNothingIsLost(Scenario scenario, TankState before, TankState state) {
    double nitrogenBefore = scenario.nitrogenMg(before);
    double phosphorusBefore = scenario.phosphorusMg(before);
    double nitrogenNet = 0;
    double phosphorusNet = 0;
    double nitrogenThrough = nitrogenBefore;
    double phosphorusThrough = phosphorusBefore;
    for (Flow flow : Flow.values()) {
      int sign = flow.in() ? 1 : -1;
      nitrogenNet += sign * state.nitrogenMg(flow);
      phosphorusNet += sign * state.phosphorusMg(flow);
      nitrogenThrough += state.nitrogenMg(flow);
      phosphorusThrough += state.phosphorusMg(flow);
    }
    assertThat(scenario.nitrogenMg(state))
        .isEqualTo(nitrogenBefore + nitrogenNet, within(1e-9 * nitrogenThrough));
    assertThat(scenario.phosphorusMg(state))
        .isEqualTo(phosphorusBefore + phosphorusNet, within(1e-9 * phosphorusThrough));
  }

  private static TankModel randomTank(Random random) {
    TankBuilder builder =
        new TankBuilder()
            .volumeL(10 + 300 * random.nextDouble())
            .water("tap", 20 * random.nextDouble(), random.nextDouble())
            .changeWater("tap")
            .topOff("tap", 2 * random.nextDouble())
            .ration(random.nextDouble())
            .animals(1 + 50 * random.nextDouble(), Stage.values()[random.nextInt(3)])
            .dosing(random.nextInt(3));
    PlantKind[] kinds = PlantKind.values();
    for (int j = 0; j < 1 + random.nextInt(3); j++) {
      LocalDate from = START.plusDays(random.nextInt(60) - 30);
      Optional<LocalDate> to =
          random.nextBoolean() ? Optional.empty() : Optional.of(from.plusDays(random.nextInt(60)));
      double wet = 1 + 200 * random.nextDouble();
      builder.plant("p" + j, kinds[random.nextInt(kinds.length)], wet, 2 * wet, new Span(from, to));
    }
    SubstrateKind[] bottoms = SubstrateKind.values();
    Span always = TankBuilder.always();
    builder
        .substrate(bottoms[random.nextInt(bottoms.length)])
        .export(new ExportMethod.Mechanical("floss", random.nextDouble(), always))
        .export(new ExportMethod.Mechanical("sponge", 0.2, always))
        .export(new ExportMethod.Skimmer("skim", 0.6 * random.nextDouble(), always))
        .export(
            new ExportMethod.PhosphateAdsorber(
                "ads", 20 * random.nextDouble(), 6, AdsorberPlacement.REACTOR, always))
        .export(new ExportMethod.PhosphateAdsorber("bag", 5, 0.5, AdsorberPlacement.BAG, always))
        .export(new ExportMethod.DeepBed("bed", 2000, 15 * random.nextDouble(), always))
        .export(new ExportMethod.SlowFilter("slow", 5, 10 * random.nextDouble(), always))
        .export(new ExportMethod.PorousRock("rock", 10, always))
        .export(
            new ExportMethod.CarbonDose("carbon", CarbonSource.VINEGAR, random.nextInt(9), always))
        .startedOn(random.nextBoolean() ? START : START.minusDays(200));
    for (int i = 0; i < 40; i++) {
      double day = 60 * random.nextDouble();
      switch (random.nextInt(12)) {
        case 10 -> builder.added(day, Salt.POTASSIUM_PHOSPHATE, 0.1);
        case 11 -> builder.added(day, CarbonSource.SUGAR, 0.3);
        case 8 ->
            builder.log(
                new LogEntry.Observation(TankBuilder.at(day), "hair-algae", random.nextInt(4), ""));
        case 9 -> builder.test(day, Analyte.TEMPERATURE, 10 + 18 * random.nextDouble(), "");
        case 6 -> builder.log(new LogEntry.Clean(TankBuilder.at(day), "floss", ""));
        case 7 -> builder.log(new LogEntry.Renew(TankBuilder.at(day), "ads", 15, ""));
        case 0 -> builder.change(day, 10 * random.nextDouble());
        case 1 -> builder.log(new LogEntry.Harvest(TankBuilder.at(day), "p0", 30, ""));
        case 2 -> builder.log(new LogEntry.Feed(TankBuilder.at(day), "dry", 1, ""));
        case 3 -> builder.log(new LogEntry.Death(TankBuilder.at(day), 3, 30, ""));
        case 4 -> builder.log(new LogEntry.Fast(TankBuilder.at(day), 3, ""));
        default -> builder.log(new LogEntry.Dose(TankBuilder.at(day), "mix", 2, ""));
      }
    }
    return builder.build();
  }

  // ------------------------------------------------------------------ dilution

  /** n changes of f leave (1 - f)^n: mass balance; three thirds renew 70 %, two quarters 44 %. */
  @ParameterizedTest
  @CsvSource({"3, 0.333333333333, 0.70", "2, 0.25, 0.44", "10, 0.1, 0.65", "1, 1, 1"})
  void repeatedChangesDiluteByThePower(int changes, double fraction, double renewed) {
    TankBuilder builder = new TankBuilder().startedOn(START);
    for (int i = 0; i < changes; i++) {
      builder.change(i + 0.5, 100 * fraction);
    }
    Run run = run(builder.build(), changes, 10, 2, PlannedChanges.NONE);
    assertThat(run.state.nitrateMg() / 1000)
        .isEqualTo(Math.pow(1 - fraction, changes), within(1e-12));
    assertThat(1 - run.state.nitrateMg() / 1000).isEqualTo(renewed, within(0.006));
  }

  /** Three doses within days raise a level once; three over a fortnight go on. */
  @Test
  void whatWasGivenOnceIsNoHabit() {
    TankBuilder once = new TankBuilder();
    TankBuilder often = new TankBuilder();
    for (int dose = 0; dose < 3; dose++) {
      once.added(40 + dose, Salt.POTASSIUM_NITRATE, 1);
      often.added(30 + 8 * dose, Salt.POTASSIUM_NITRATE, 1);
    }
    LocalDate asOf = START.plusDays(50);
    Scenario raised = Scenario.of(once.build(), START, asOf, 10);
    assertThat(raised.saltNitrogen(41)).isEqualTo(138.5, within(0.1));
    assertThat(raised.saltNitrogen(55)).isZero();
    assertThat(Scenario.of(often.build(), START, asOf, 10).saltNitrogen(55)).isPositive();
  }

  // ------------------------------------------------------------------ steady state

  /** Closed forms of a periodic mass balance: peak c + rT/f, trough c + rT(1 - f)/f. */
  @ParameterizedTest
  @CsvSource({"0.1, 7", "0.25, 7", "0.5, 14", "0.3, 3"})
  void steadyPeakAndTroughAgreeWithTheClosedForms(double fraction, int every) {
    double sourceNitrogen = 8 / 4.4268;
    TankModel tank = new TankBuilder().water("tap", 8, 0).changeWater("tap").dosing(20).build();
    double netPerDay = 20 * 10 / 4.4268 / 100;
    int days = 140 * every;
    List<Integer> changeDays = new ArrayList<>();
    for (int day = 0; day < days; day += every) {
      changeDays.add(day);
    }
    Run run = run(tank, days, 5, 1, PlannedChanges.atNoon(changeDays, fraction));
    int last = changeDays.get(changeDays.size() - 1);
    assertThat(run.trace.nitrateHigh[last])
        .isEqualTo(sourceNitrogen + netPerDay * every / fraction, within(1e-3));
    assertThat(run.trace.nitrateLow[last])
        .isEqualTo(sourceNitrogen + netPerDay * every * (1 - fraction) / fraction, within(1e-3));
  }

  // ------------------------------------------------------------------ against an integrator

  /**
   * The same rates, integrated by Hipparchus' Dormand-Prince 8(5,3) to 1e-12: the error must stay
   * under 0.1 % of each state's range, in a rich tank, in one where plants live from hand to mouth,
   * and over rock with every kind of gear.
   */
  @ParameterizedTest
  @CsvSource({
    "1.0, 5, 100, BARE, false, false",
    "0.02, 60, 100, GRAVEL, false, false",
    "0.3, 300, 40, BARE, false, false",
    "1.0, 20, 100, MARINE_ROCK_AND_SAND, true, false",
    "0.3, 100, 60, SOIL, true, false",
    "1.0, 5, 100, BARE, false, true",
    "0.02, 60, 100, GRAVEL, false, true",
    "0.3, 150, 60, BARE, false, true",
    "1.0, 20, 100, MARINE_ROCK_AND_SAND, true, true",
    "0.3, 100, 60, SOIL, true, true"
  })
  void steppingAgreesWithDormandPrince(
      double grams,
      double plantWetG,
      double volume,
      SubstrateKind bottom,
      boolean gear,
      boolean settled) {
    TankBuilder builder =
        new TankBuilder()
            .volumeL(volume)
            .startedOn(settled ? START.minusYears(1) : START)
            .ration(grams)
            .substrate(bottom)
            .plant("fern", PlantKind.FLOATING, plantWetG, 3 * plantWetG, TankBuilder.always())
            .plant("moss", PlantKind.MOSS, 20, 80, TankBuilder.always());
    if (gear) {
      Span always = TankBuilder.always();
      builder
          .export(new ExportMethod.Mechanical("floss", 0.3, always))
          .export(new ExportMethod.Skimmer("skim", 0.2, always))
          .export(
              new ExportMethod.PhosphateAdsorber("ads", 4, 6, AdsorberPlacement.REACTOR, always))
          .export(new ExportMethod.DeepBed("bed", 2400, 8, always))
          .export(new ExportMethod.CarbonDose("carbon", CarbonSource.ETHANOL_40, 0.5, always));
    }
    int days = 60;
    Scenario scenario = Scenario.of(builder.build(), START, START.plusDays(days - 1), 0);
    TankState state = new TankState(scenario);
    scenario.start(state, scenario.multipliers(), 4, 0.5);
    Rates rates = new Rates(scenario, gear);
    double[] y = pools(state);
    TankSimulator simulator = new TankSimulator(scenario);
    Trace trace = new Trace(scenario);
    DormandPrince853Integrator integrator = new DormandPrince853Integrator(1e-9, 0.5, 1e-12, 1e-12);
    double[] least = y.clone();
    double[] most = y.clone();
    double[][] apart = new double[days][y.length];
    for (int day = 0; day < days; day++) {
      simulator.run(state, day, day + 1, scenario.multipliers(), PlannedChanges.NONE, trace);
      y = integrator.integrate(rates, new ODEState(day, y), day + 1).getPrimaryState();
      double[] ours = pools(state);
      for (int i = 0; i < y.length; i++) {
        least[i] = Math.min(least[i], y[i]);
        most[i] = Math.max(most[i], y[i]);
        apart[day][i] = Math.abs(ours[i] - y[i]);
      }
    }
    for (int day = 0; day < days; day++) {
      for (int i = 0; i < y.length; i++) {
        // In a settled tank ammonia, nitrite and their oxidisers rest: their range is next to
        // nothing, and what counts is what a kit could show, 0.01 mg/L. Where little moves, a
        // five-thousandth of what is there is added.
        boolean rests = settled && i >= AMMONIA;
        double range = most[i] - least[i];
        double allowed = rests ? 0.01 * volume : 0.001 * range + 2e-4 * most[i] + 1e-12;
        assertThat(apart[day][i]).as("pool %d on day %d", i, day).isLessThan(allowed);
      }
    }
  }

  private static final int AMMONIA = 10;

  private static double[] pools(TankState state) {
    return new double[] {
      state.nitrateMg(),
      state.phosphorusMg(),
      state.wasteNitrogenMg(),
      state.wastePhosphorusMg(),
      state.plantDryG(0),
      state.plantDryG(1),
      state.boundPhosphorusMg(),
      state.caughtNitrogenMg(),
      state.caughtPhosphorusMg(),
      state.adsorbedPhosphorusMg(),
      state.ammoniaMg(),
      state.nitriteMg(),
      state.ammoniaOxidisersMgPerDay(),
      state.nitriteOxidisersMgPerDay()
    };
  }

  /** The model's equations as docs/model.md states them, written again without the stepping. */
  private static final class Rates implements OrdinaryDifferentialEquation {
    private final Scenario scenario;
    private final FeedNutrients food;
    private final boolean gear;

    Rates(Scenario scenario, boolean gear) {
      this.scenario = scenario;
      this.gear = gear;
      food = scenario.foodOf(0);
    }

    @Override
    public int getDimension() {
      return 14;
    }

    /** 140 mg N a m² and day of new soil, by halves every 14 days, the same over each day. */
    private double soil(double t) {
      boolean soil = scenario.tank().substrate().kind() == SubstrateKind.SOIL;
      double squareMetres = scenario.volumeL() * 1000 / 35 / 10_000;
      double age = scenario.isNew() ? 0 : 365;
      return soil ? 140 * squareMetres * Math.pow(0.5, (age + Math.floor(t)) / 14) : 0;
    }

    @Override
    public double[] computeDerivatives(double t, double[] y) {
      double volume = scenario.volumeL();
      double k = 0.12;
      double capture = gear ? -Math.log(0.7) : 0;
      double skim = gear ? -Math.log(0.8) : 0;
      double ratio =
          switch (scenario.tank().substrate().kind()) {
            case BARE -> 0.2;
            case GRAVEL, SAND -> 1;
            case MARINE_ROCK_AND_SAND -> 4;
            case SOIL -> 8;
          };
      double binds = 0.7 * (ratio * y[1] - y[6]) / (1 + ratio);
      double adsorbs = gear ? 4 * 2.5 / volume * Math.max(0, 1 - y[9] / 24) * y[1] : 0;
      // 0.24 m² of bed, 8 cm deep: three fifths of 60 mg N a m² and day
      double nitrate = y[0] / volume;
      double gas = (gear ? 0.24 * 60 * 0.6 * nitrate / (1 + nitrate) : 0) + 0.004 * y[0];
      double nitrogen = nitrate + y[10] / volume;
      double ammoniaOxidised = y[12] * y[10] / (0.3 * volume + y[10]);
      double nitriteOxidised = y[13] * y[11] / (0.2 * volume + y[11]);
      double warmth = Math.pow(2, (20 - 25) / 10.0);
      double limit =
          Math.min(nitrogen / (0.1 + nitrogen), (y[1] / volume) / (0.01 + y[1] / volume));
      // 0.5 mL of ethanol, 82.5 mg C: bacteria of 45 % of it at C:N:P 41:7.2:1, and a tenth of the
      // rest denitrifies in the bed, 1.07 mg C a mg N
      double bacteria = gear ? 0.45 * 82.5 / 41 * limit : 0;
      gas += gear ? 0.55 * 82.5 * 0.1 / 1.07 * nitrate / (1 + nitrate) : 0;
      double fromAmmonia = 100 * y[10] / (100 * y[10] + y[0]);
      double[] d = {
        nitriteOxidised - gas,
        food.phosphorusDissolved() + k * (y[3] + y[8]) - binds - adsorbs,
        food.nitrogenSolid() - (k + capture + skim) * y[2],
        food.phosphorusSolid() - (k + capture + skim) * y[3],
        0,
        0,
        binds,
        capture * y[2] - k * y[7],
        capture * y[3] - k * y[8],
        adsorbs,
        food.nitrogenDissolved() + soil(t) + k * (y[2] + y[7]) - ammoniaOxidised,
        ammoniaOxidised - nitriteOxidised,
        0.5 * warmth * ammoniaOxidised - 0.03 * y[12],
        0.4 * warmth * nitriteOxidised - 0.03 * y[13]
      };
      d[0] -= (1 - fromAmmonia) * 7.2 * bacteria;
      d[10] -= fromAmmonia * 7.2 * bacteria;
      d[1] -= bacteria;
      d[2] += 7.2 * bacteria;
      d[3] += bacteria;
      for (int j = 0; j < 2; j++) {
        PlantKind kind = j == 0 ? PlantKind.FLOATING : PlantKind.MOSS;
        double most = scenario.tank().plants().get(j).maxWetMassG() * kind.dryMatterPercent() / 100;
        double growth =
            Math.log(2) / kind.doublingDays() * limit * Math.max(0, 1 - y[4 + j] / most) * y[4 + j];
        double decay = 0.005 * y[4 + j];
        double nitrogenTaken = growth * kind.nitrogenPercentDry() * 10;
        d[0] -= (1 - fromAmmonia) * nitrogenTaken;
        d[10] -= fromAmmonia * nitrogenTaken;
        d[1] -= growth * kind.phosphorusPercentDry() * 10;
        d[2] += decay * kind.nitrogenPercentDry() * 10;
        d[3] += decay * kind.phosphorusPercentDry() * 10;
        d[4 + j] = growth - decay;
      }
      return d;
    }
  }

  // ------------------------------------------------------------------ rock, media, adsorbers

  /** Phosphate is back within one to three days of a change (trade: 24 to 72 h). */
  @Test
  void phosphateSpringsBackOverRockAndNotOverABareBottom() {
    for (SubstrateKind bottom :
        new SubstrateKind[] {SubstrateKind.MARINE_ROCK_AND_SAND, SubstrateKind.BARE}) {
      TankModel tank = new TankBuilder().substrate(bottom).startedOn(START.minusYears(1)).build();
      Scenario scenario = Scenario.of(tank, START, START.plusDays(9), 0);
      TankState state = new TankState(scenario);
      scenario.start(state, scenario.multipliers(), 1, 0.1);
      Trace trace = new Trace(scenario);
      PlannedChanges half = new PlannedChanges(new double[] {2}, new double[] {0.5});
      new TankSimulator(scenario).run(state, 0, 10, scenario.multipliers(), half, trace);
      assertThat(trace.phosphorusLow[2]).isEqualTo(0.05, within(0.001));
      double back = (trace.phosphorus[4] - 0.05) / 0.05;
      if (bottom == SubstrateKind.BARE) {
        assertThat(back).isLessThan(0.2);
      } else {
        assertThat(back).as("after three days").isGreaterThan(0.65);
      }
    }
  }

  @Test
  void cleaningIsTheExportAndThePadItselfIsNot() {
    TankBuilder dirty =
        new TankBuilder()
            .ration(1)
            .export(new ExportMethod.Mechanical("floss", 0.5, TankBuilder.always()));
    Run never = run(dirty.build(), 60, 0, 0, PlannedChanges.NONE);
    assertThat(never.state.nitrogenMg(Flow.MEDIA_CLEANED)).isZero();
    for (int day = 3; day < 60; day += 3) {
      dirty.log(new LogEntry.Clean(TankBuilder.at(day), "floss", ""));
    }
    Run often = run(dirty.build(), 60, 0, 0, PlannedChanges.NONE);
    assertThat(often.state.nitrogenMg(Flow.MEDIA_CLEANED)).isPositive();
    assertThat(often.state.nitrateMg()).isLessThan(never.state.nitrateMg());
  }

  @Test
  void anAdsorberWearsOutAndARenewedOneWorksAgain() {
    TankBuilder builder =
        new TankBuilder()
            .dosing(20)
            .export(
                new ExportMethod.PhosphateAdsorber(
                    "ads", 10, 6, AdsorberPlacement.REACTOR, TankBuilder.always()));
    Run worn = run(builder.build(), 60, 0, 0, PlannedChanges.NONE);
    assertThat(worn.state.adsorbedPhosphorusMg())
        .isEqualTo(60, within(1.0))
        .isLessThanOrEqualTo(60);
    builder.log(new LogEntry.Renew(TankBuilder.at(30), "ads", 10, ""));
    Run renewed = run(builder.build(), 60, 0, 0, PlannedChanges.NONE);
    assertThat(renewed.state.phosphorusMg(Flow.ADSORBER_RENEWED)).isBetween(30.0, 60.0);
    assertThat(renewed.state.phosphorusMg()).isLessThan(worn.state.phosphorusMg() - 20);
  }

  @Test
  void aFastSlowFilterStaysAerobicAndAShallowBedDoesNothing() {
    Span always = TankBuilder.always();
    assertThat(Denitrification.greatestMgPerDay(new ExportMethod.SlowFilter("f", 20, 15, always)))
        .isEqualTo(100);
    assertThat(Denitrification.greatestMgPerDay(new ExportMethod.SlowFilter("f", 2, 100, always)))
        .isZero();
    assertThat(Denitrification.greatestMgPerDay(new ExportMethod.DeepBed("b", 10_000, 5, always)))
        .isZero();
    assertThat(Denitrification.greatestMgPerDay(new ExportMethod.DeepBed("b", 10_000, 12, always)))
        .isEqualTo(60);
  }

  // ------------------------------------------------------------------ events and habits

  @Test
  void aDayIsOneDayLongAlsoWhenTheClocksChange() {
    TankModel tank = new TankBuilder().zone("Europe/Lisbon").build();
    Scenario scenario = Scenario.of(tank, LocalDate.of(2026, 3, 28), LocalDate.of(2026, 4, 1), 0);
    // Summer time began on 29 March 2026 at 1:00 UTC; noon stays noon.
    assertThat(scenario.timeOf(java.time.Instant.parse("2026-03-28T12:00:00Z")))
        .isEqualTo(0.5, within(1e-9));
    assertThat(scenario.timeOf(java.time.Instant.parse("2026-03-29T11:00:00Z")))
        .isEqualTo(1.5, within(1e-9));
  }

  @Test
  void harvestGoesOnAtTheRateOfTheLastEightWeeks() {
    TankBuilder builder =
        new TankBuilder()
            .dosing(50)
            .plant("fern", PlantKind.FLOATING, 100, 1000, TankBuilder.always());
    for (int week = 0; week < 8; week++) {
      builder.log(new LogEntry.Harvest(TankBuilder.at(week * 7 + 3), "fern", 14, ""));
    }
    TankModel tank = builder.build();
    // 8 x 14 g over 53 logged days (day 3 to day 55), and so in the next 53
    assertThat(cutWetG(tank, 55, 109) - cutWetG(tank, 55, 56)).isEqualTo(8 * 14, within(1e-6));
  }

  /** Wet mass taken out by the start of day {@code until}, g, of a plant with 6 % dry, 4 % N. */
  private static double cutWetG(TankModel tank, int asOf, int until) {
    Scenario scenario = Scenario.of(tank, START, START.plusDays(asOf), 60);
    TankState state = new TankState(scenario);
    scenario.start(state, scenario.multipliers(), 10, 1);
    new TankSimulator(scenario)
        .run(state, 0, until, scenario.multipliers(), PlannedChanges.NONE, new Trace(scenario));
    return state.nitrogenMg(Flow.PLANTS_TAKEN_OUT) / (0.06 * 0.04 * 1000);
  }

  /** "Cut about 0 g" was told of a stand that hardly anything had been cut from. */
  @Test
  void aCutOfNextToNothingIsNotToldAsWork() {
    assertThat(WorkAhead.of(cutBefore(20))).hasSize(1);
    assertThat(WorkAhead.of(cutBefore(0.4))).isEmpty();
  }

  private static Scenario cutBefore(double wetG) {
    TankModel tank =
        new TankBuilder()
            .dosing(50)
            .plant("fern", PlantKind.FLOATING, 100, 1000, TankBuilder.always())
            .log(new LogEntry.Harvest(TankBuilder.at(3), "fern", wetG, ""))
            .log(new LogEntry.Harvest(TankBuilder.at(33), "fern", wetG, ""))
            .build();
    return Scenario.of(tank, START, START.plusDays(40), 60);
  }

  @Test
  void whatIsDoneMonthlyIsDoneAgainAMonthAfterTheLast() {
    TankModel tank =
        new TankBuilder()
            .dosing(50)
            .plant("fern", PlantKind.FLOATING, 100, 1000, TankBuilder.always())
            .log(new LogEntry.Harvest(TankBuilder.at(3), "fern", 20, ""))
            .log(new LogEntry.Harvest(TankBuilder.at(33), "fern", 30, ""))
            .build();
    assertThat(cutWetG(tank, 40, 63)).isEqualTo(50, within(1e-6));
    // the mean of both
    assertThat(cutWetG(tank, 40, 64)).isEqualTo(75, within(1e-6));
  }

  /** What is tried is cut besides what habit cuts. */
  @Test
  void habitGoesOnBesideWhatIsLaidDownAhead() {
    TankBuilder builder =
        new TankBuilder()
            .dosing(50)
            .plant("fern", PlantKind.FLOATING, 100, 1000, TankBuilder.always());
    for (int week = 0; week < 11; week++) {
      builder.log(new LogEntry.Harvest(TankBuilder.at(week * 7 + 3), "fern", 14, ""));
    }
    // 8 done, 3 laid down, and 8 by habit
    assertThat(cutWetG(builder.build(), 55, 109)).isEqualTo((8 + 3 + 8) * 14, within(1e-6));
  }

  @Test
  void aFastStopsTheRationAndTheAnimalsStillGiveOffAmmonia() {
    TankModel tank =
        new TankBuilder()
            .ration(1)
            .animals(100, Stage.ADULT)
            .log(new LogEntry.Fast(TankBuilder.at(0.1), 3, ""))
            .build();
    Run run = run(tank, 3, 0, 0, PlannedChanges.NONE);
    assertThat(run.state.nitrogenMg(Flow.FOOD)).isZero();
    // 60 mg N per kg and day (from memory)
    assertThat(run.state.nitrogenMg(Flow.ANIMALS)).isEqualTo(3 * 0.1 * 60, within(1e-9));
  }

  @Test
  void halfDayRhythmsAlternate() {
    var routine = new Routine(0.1, 3.5, START);
    assertThat(routine.daysAfter(START.minusDays(1), START.plusDays(14)))
        .containsExactly(
            START, START.plusDays(3), START.plusDays(7), START.plusDays(10), START.plusDays(14));
  }

  @Test
  void aChangeDoneMovesTheRhythmOnAndAMissedOneStaysDue() {
    var weekly = new Routine(0.1, 7, START);
    assertThat(weekly.after(START.minusDays(7)).nextOn()).isEqualTo(START);
    assertThat(weekly.after(START.minusDays(2)).nextOn())
        .as("done early")
        .isEqualTo(START.plusDays(7));
    assertThat(weekly.after(START.plusDays(1)).nextOn())
        .as("done late")
        .isEqualTo(START.plusDays(7));
    assertThat(weekly.after(START.plusDays(20)).nextOn()).isEqualTo(START.plusDays(28));
  }

  /**
   * Periodic mass balance with a first-order loss k: peak = [f c e^(-kT) + (r/k)(1 - e^(-kT))] / [1
   * - (1 - f) e^(-kT)].
   */
  @ParameterizedTest
  @CsvSource({"0.25, 7, 5", "0.5, 14, 10", "0.1, 3, 2"})
  void aLossLowersThePeakAsTheClosedFormSays(double fraction, int every, double multiplier) {
    TankModel tank =
        new TankBuilder()
            .startedOn(START.minusYears(1))
            .water("tap", 8, 0)
            .changeWater("tap")
            .dosing(20)
            .build();
    int days = 60 * every;
    List<Integer> changeDays = new ArrayList<>();
    for (int day = 0; day < days; day += every) {
      changeDays.add(day);
    }
    Scenario scenario = Scenario.of(tank, START, START.plusDays(days - 1), 0);
    Multipliers multipliers = scenario.multipliers();
    multipliers.unseenDenitrification = multiplier;
    TankState state = new TankState(scenario);
    scenario.start(state, multipliers, 5, 1);
    Trace trace = new Trace(scenario);
    PlannedChanges planned = PlannedChanges.atNoon(changeDays, fraction);
    new TankSimulator(scenario).run(state, 0, days, multipliers, planned, trace);
    double k = 0.004 * multiplier;
    double r = 20 * 10 / 4.4268 / 100;
    double stays = Math.exp(-k * every);
    double peak =
        (fraction * 8 / 4.4268 * stays + r / k * (1 - stays)) / (1 - (1 - fraction) * stays);
    int last = changeDays.get(changeDays.size() - 1);
    assertThat(trace.nitrateHigh[last]).isEqualTo(peak, within(2e-3 * peak));
  }

  // ------------------------------------------------------------------ a new tank's cycle

  /** Ammonia peaks, then nitrite, then both are gone within three to six weeks (textbook). */
  @Test
  void aNewTankCyclesInThreeToSixWeeks() {
    TankBuilder warm = new TankBuilder().startedOn(START).ration(0.4);
    for (int day = 0; day < 70; day += 10) {
      warm.test(day + 0.1, Analyte.TEMPERATURE, 25, "");
    }
    Run run = run(warm.build(), 70, 0.2, 0.01, PlannedChanges.NONE);
    int ammoniaPeak = peak(run.trace.ammonia);
    int nitritePeak = peak(run.trace.nitrite);
    assertThat(ammoniaPeak).isBetween(5, 25);
    assertThat(nitritePeak).isBetween(ammoniaPeak + 3, 45);
    assertThat(run.trace.ammonia[ammoniaPeak]).isGreaterThan(0.5);
    assertThat(run.trace.nitrite[nitritePeak]).isGreaterThan(0.5);
    int done = nitritePeak;
    while (run.trace.nitrite[done] > 0.1 || run.trace.ammonia[done] > 0.1) {
      done++;
    }
    assertThat(done).isBetween(21, 56);
    assertThat(run.trace.nitrate[69]).isGreaterThan(run.trace.nitrate[done] * 0.99);
  }

  private static int peak(double[] values) {
    int peak = 0;
    for (int i = 1; i < values.length; i++) {
      if (values[i] > values[peak]) {
        peak = i;
      }
    }
    return peak;
  }

  @Test
  void newSoilGivesOffAmmoniaAndDosedCarbonWithoutASkimmerComesBack() {
    TankModel soil = new TankBuilder().startedOn(START).substrate(SubstrateKind.SOIL).build();
    assertThat(run(soil, 30, 0, 0, PlannedChanges.NONE).state.nitrogenMg(Flow.SOIL)).isPositive();
    Span always = TankBuilder.always();
    TankBuilder dosed =
        new TankBuilder()
            .startedOn(START.minusYears(1))
            .export(new ExportMethod.CarbonDose("c", CarbonSource.ETHANOL_40, 1, always));
    Run back = run(dosed.build(), 60, 5, 0.5, PlannedChanges.NONE);
    TankState start = new TankState(back.scenario);
    back.scenario.start(start, back.scenario.multipliers(), 5, 0.5);
    assertThat(back.scenario.nitrogenMg(back.state))
        .isEqualTo(back.scenario.nitrogenMg(start), within(1e-6));
    dosed.export(new ExportMethod.Skimmer("s", 0.4, always));
    Run skimmed = run(dosed.build(), 60, 5, 0.5, PlannedChanges.NONE);
    assertThat(skimmed.state.nitrogenMg(Flow.SKIMMED)).isGreaterThan(50);
    assertThat(skimmed.state.nitrateMg()).isLessThan(back.state.nitrateMg() - 30);
  }

  @Test
  void growingAnimalsKeepMoreTheHeavierTheyGet() {
    TankModel tank =
        new TankBuilder().startedOn(START.minusYears(1)).ration(2).animals(20, Stage.FRY).build();
    Scenario scenario = Scenario.of(tank, START, START.plusDays(59), 0);
    assertThat(scenario.foodOf(40).nitrogenKept())
        .isGreaterThan(1.5 * scenario.foodOf(0).nitrogenKept());
  }
}
