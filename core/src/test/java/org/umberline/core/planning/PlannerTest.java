package org.umberline.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankState;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

class PlannerTest {
  private static final LocalDate AS_OF = TankBuilder.START.plusDays(30);
  private static final LocalDate TOMORROW = AS_OF.plusDays(1);

  /** mg/L NO3 a day that {@link #tank} gains: 20 mL of 10 mg/mL in 100 L. */
  private static final double NET = 2.0;

  private static TankBuilder tank(double sourceNitrate) {
    return new TankBuilder()
        .water("tap", sourceNitrate, 0)
        .changeWater("tap")
        .dosing(20)
        .lines(new Lines(ceiling(40), Line.NONE))
        .limits(limits(0.9, 365));
  }

  private static Line ceiling(double mgL) {
    return new Line(OptionalDouble.empty(), OptionalDouble.of(mgL));
  }

  private static Limits limits(double maxFraction, int horizon) {
    return new Limits(
        maxFraction,
        List.of(1.0, 3.5, 7.0, 14.0, 28.0),
        0.9,
        horizon,
        OptionalDouble.empty(),
        OptionalDouble.of(1),
        OptionalDouble.of(1));
  }

  /** A posterior that knows everything: one draw with the entries' own figures. */
  private static Posterior certain(TankModel tank, double nitrateMgL, int horizon) {
    Scenario scenario = Scenario.of(tank, AS_OF, AS_OF, horizon);
    Multipliers multipliers = scenario.multipliers();
    multipliers.unseenDenitrification = 0;
    TankState state = new TankState(scenario);
    scenario.start(state, multipliers, nitrateMgL / 4.4268, 0.01);
    return new Posterior(
        scenario,
        List.of(new Posterior.Draw(state, state, multipliers, new double[0])),
        new Posterior.Fit(
            new double[1],
            new double[1],
            new double[1],
            new double[1],
            new double[1],
            new double[1]),
        List.of(),
        List.of(),
        1);
  }

  private static Planner planner(TankModel tank, double nitrateMgL) {
    return new Planner(tank, certain(tank, nitrateMgL, tank.limits().horizonDays()));
  }

  /** Closed form of a periodic mass balance: peak = c + r T / f, so f = r T / (ceiling - c). */
  @ParameterizedTest
  @CsvSource({"0, 7", "8, 7", "8, 3.5", "0, 14", "20, 7"})
  void theSmallestFractionAgreesWithTheClosedForm(double source, double every) {
    TankModel tank = tank(source).build();
    Plan.Option option = planner(tank, 25).optionFor(every, TOMORROW);
    assertThat(option.feasible()).isTrue();
    // A rhythm of 3 and 4 days peaks with the longer of its two.
    double longest = Math.ceil(every);
    double exact = NET * longest / (40 - source);
    assertThat(option.fraction().getAsDouble())
        .isBetween(NET * every / (40 - source) - 0.002, Math.ceil(exact * 100) / 100 + 1e-9);
    assertThat(option.bindingLimit()).isEqualTo(BindingLimit.NITRATE_CEILING);
  }

  @Test
  void twoOfAQuarterRenewFortyFourPercentInTwentyEightDays() {
    TankModel tank = tank(0).build();
    Plan.Option option = planner(tank, 10).optionFor(14, TOMORROW);
    double f = option.fraction().getAsDouble();
    assertThat(option.turnoverPer28Days().getAsDouble())
        .isEqualTo(1 - (1 - f) * (1 - f), within(1e-12));
    assertThat(option.litresPer28Days().getAsDouble()).isEqualTo(2 * f * 100, within(1e-9));
  }

  @ParameterizedTest
  @CsvSource({"40", "41", "80"})
  void aSourceAtOrAboveTheCeilingIsInfeasibleAtAnySize(double source) {
    TankModel tank = tank(source).build();
    Plan plan = planner(tank, 30).plan();
    assertThat(plan.recommended()).isEmpty();
    assertThat(plan.options())
        .isNotEmpty()
        .allMatch(o -> !o.feasible() && o.bindingLimit() == BindingLimit.SOURCE);
    assertThat(plan.today().why().toString()).contains("source");
  }

  @Test
  void whereTheLargestChangeIsTooSmallThatLimitIsNamed() {
    TankModel tank = tank(8).limits(limits(0.3, 120)).build();
    Plan.Option option = planner(tank, 20).optionFor(28, TOMORROW);
    assertThat(option.feasible()).isFalse();
    assertThat(option.fraction()).isEmpty();
    assertThat(option.bindingLimit()).isEqualTo(BindingLimit.MAX_CHANGE_FRACTION);
  }

  @Test
  void aStepOfAlkalinityCapsTheChange() {
    TankModel tank =
        new TankBuilder()
            .water("tap", Optional.of(8.0), Optional.of(0.0), OptionalDouble.of(11))
            .changeWater("tap")
            .alkalinity(5)
            .dosing(20)
            .lines(new Lines(ceiling(40), Line.NONE))
            .build();
    SingleChange largest = planner(tank, 20).largestChange();
    assertThat(largest.largestFraction()).isEqualTo(1.0 / 6, within(1e-12));
    assertThat(largest.limit()).isEqualTo(BindingLimit.ALKALINITY_STEP);
  }

  @Test
  void aFloorThatChangingWouldBreakIsNamed() {
    Lines narrow = new Lines(new Line(OptionalDouble.of(35), OptionalDouble.of(40)), Line.NONE);
    Plan.Option option = planner(tank(0).lines(narrow).build(), 36).optionFor(14, TOMORROW);
    assertThat(option.feasible()).isFalse();
    assertThat(option.bindingLimit()).isEqualTo(BindingLimit.NITRATE_FLOOR);
  }

  @Test
  void aBalancedTankNeedsNoChange() {
    TankModel tank = new TankBuilder().lines(40, 2).build();
    Plan plan = planner(tank, 10).plan();
    assertThat(plan.today().verdict()).isEqualTo(Plan.Verdict.SKIP);
    assertThat(plan.today().holdsThroughHorizon()).isTrue();
    assertThat(plan.recommended()).isEmpty();
  }

  @Test
  void farAboveTheLineASeriesOfModerateChangesComesFirst() {
    TankModel tank = tank(8).limits(limits(0.5, 90)).build();
    Plan plan = planner(tank, 120).plan();
    assertThat(plan.recovery()).hasSizeGreaterThan(1);
    assertThat(plan.recovery()).allMatch(step -> step.fraction() <= 1.0 / 3 + 1e-9);
    assertThat(plan.recovery().get(0).on()).isEqualTo(AS_OF);
    Plan.RecoveryStep last = plan.recovery().get(plan.recovery().size() - 1);
    assertThat(last.nitrateAfterMgL()).isLessThan(40 + NET);
    assertThat(plan.today().verdict()).isEqualTo(Plan.Verdict.CHANGE);
    assertThat(plan.recommended()).isPresent();
    assertThat(plan.recommended().get().nextOn()).isAfter(last.on());
  }

  @Test
  void theRoutinesOwnDayIsKeptWhereTheLinesAllowIt() {
    LocalDate saturday = AS_OF.plusDays(4);
    TankModel tank = tank(8).routine(new Routine(0.1, 7, saturday)).build();
    Plan.Recommended recommended = planner(tank, 20).plan().recommended().orElseThrow();
    assertThat(recommended.nextOn()).isEqualTo(saturday);
    assertThat(recommended.everyDays()).isEqualTo(7);
    assertThat(recommended.nitratePeakMgL()).isLessThanOrEqualTo(40);
  }

  @Test
  void aGivenFractionGetsTheLongestIntervalThatHolds() {
    Planner planner = planner(tank(8).build(), 20);
    // f = rT/(40 - 8): 0.5 holds 7 days (0.4375) but not 14
    assertThat(planner.intervalFor(0.5, TOMORROW)).hasValue(7);
    assertThat(planner.intervalFor(0.02, TOMORROW)).isEmpty();
  }

  @Test
  void aForecastCrossesItsCeilingWhenTheArithmeticSaysSo() {
    TankModel tank = tank(0).build();
    Projection projection = Projection.of(certain(tank, 19.9, 60), 60, PlannedChanges.NONE);
    Forecast forecast = Forecast.of(projection, Nutrient.NITRATE, tank.lines());
    // The state is that of the start of the as-of day; day 1 ahead is the day after it.
    assertThat(forecast.now().p50()).isEqualTo(19.9, within(1e-3));
    assertThat(forecast.days().get(0).p50()).isEqualTo(21.9, within(1e-3));
    assertThat(forecast.ceiling().orElseThrow().likely()).contains(AS_OF.plusDays(11));
    assertThat(forecast.days()).hasSize(60);
  }

  @Test
  void anUncertainTankIsChangedMoreThanACertainOne() {
    TankModel tank =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusYears(1))
            .water("tap", 8, 0)
            .changeWater("tap")
            .ration(0.5)
            .photometer("no3", Analyte.NITRATE, 1, 0.05)
            .test(29, Analyte.NITRATE, 20, "no3")
            .lines(new Lines(ceiling(40), Line.NONE))
            .limits(limits(0.9, 60))
            .build();
    Posterior posterior = Calibration.calibrate(tank, AS_OF, 60, 200, 1);
    double uncertain = new Planner(tank, posterior).optionFor(7, TOMORROW).fraction().getAsDouble();
    double certain = planner(tank, 20).optionFor(7, TOMORROW).fraction().getAsDouble();
    assertThat(uncertain).isGreaterThan(certain + 0.05);
  }

  // ------------------------------------------------------------------ what would unbind

  @Test
  void aSourceOverTheCeilingIsUnboundByTheShareOfPurerWaterThatArithmeticSays() {
    TankModel tank =
        tank(60).water("ro", 0, 0).limits(limits(0.5, 120)).routine(weekly(0.25)).build();
    Plan plan = planner(tank, 30).plan();
    assertThat(plan.recommended()).isEmpty();
    Plan.BlendAdvice blend =
        plan.blends().stream().filter(b -> b.water().equals("ro")).findFirst().orElseThrow();
    // peak = c + r T / f at f = 1/2: c may be 40 - 7 NET / 0.5, so the share is 1 - c / 60
    double least = 1 - (40 - NET * 7 / 0.5) / 60;
    assertThat(blend.share()).isBetween(least - 1e-9, least + 0.06);
  }

  private static Routine weekly(double fraction) {
    return new Routine(fraction, 7, TOMORROW);
  }

  @Test
  void leversSayWhatTheyDoToTheClimb() {
    TankModel tank =
        new TankBuilder()
            .startedOn(TankBuilder.START.minusYears(1))
            .ration(0.5)
            .lines(40, 2)
            .plant("fern", PlantKind.FLOATING, 100, 300, TankBuilder.always())
            .export(new ExportMethod.Mechanical("floss", 0.4, TankBuilder.always()))
            .build();
    List<Plan.Lever> levers = planner(tank, 20).plan().otherLevers();
    double tenth = lever(levers, "feed", -0.1).effectNitrateMgLPerWeek();
    double half = lever(levers, "feed", -0.5).effectNitrateMgLPerWeek();
    assertThat(tenth).isNegative();
    assertThat(half / tenth).as("five times the cut").isEqualTo(5, within(0.6));
    assertThat(levers)
        .filteredOn(l -> l.lever().equals("media cleaned weekly"))
        .allMatch(l -> l.effectNitrateMgLPerWeek() < 0)
        .hasSize(1);
    assertThat(levers)
        .filteredOn(l -> l.lever().equals("phosphate adsorber g"))
        .allMatch(l -> l.effectPhosphateMgLPerWeek() < 0 && l.change() == 20)
        .hasSize(1);
  }

  private static Plan.Lever lever(List<Plan.Lever> levers, String name, double change) {
    return levers.stream()
        .filter(l -> l.lever().equals(name) && l.change() == change)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void aStepInNitrateCapsARoutineByItsPeak() {
    Limits careful =
        new Limits(
            0.5,
            List.of(7.0),
            0.9,
            90,
            OptionalDouble.of(2),
            OptionalDouble.empty(),
            OptionalDouble.empty());
    Plan.Option option = planner(tank(8).limits(careful).build(), 8.5).optionFor(7, TOMORROW);
    assertThat(option.feasible()).isFalse();
    assertThat(option.bindingLimit()).isEqualTo(BindingLimit.NITRATE_STEP);
  }

  @Test
  void aDripRenewsAsTheExponentialSays() {
    Plan plan = planner(tank(8).build(), 39).plan();
    Plan.Drip drip = plan.drip().orElseThrow();
    assertThat(drip.renewedPerWeek())
        .isEqualTo(1 - Math.exp(-7 * drip.litresPerDay() / 100), within(1e-12));
  }

  @Test
  void theNotesStateTheHonestArithmeticOfASeries() {
    TankModel tank = tank(8).limits(limits(0.5, 90)).build();
    Plan plan = planner(tank, 120).plan();
    double left =
        plan.recovery().stream().mapToDouble(s -> 1 - s.fraction()).reduce(1, (a, b) -> a * b);
    assertThat(plan.notes())
        .anyMatch(
            note -> note.contains("renew " + Math.round(100 * (1 - left)) + " % of the water"));
  }

  @Test
  void thePlantsThatWouldCloseTheBalanceHoldWhatComesIn() {
    Plan.NoChange noChange = planner(tank(0).build(), 20).plan().noChange();
    assertThat(noChange.feasible()).isFalse();
    assertThat(noChange.netNitrogenMgPerDay()).isEqualTo(NET / 4.4268 * 100, within(0.5));
    // floating plants: 6 % dry, 4 % N of it: 2.4 mg N a gram wet
    assertThat(noChange.floatingPlantsGPerWeek())
        .isEqualTo(7 * noChange.netNitrogenMgPerDay() / 2.4, within(1e-6));
  }

  @Test
  void oldWaterIsWhatTheChangesLeft() {
    TankBuilder builder = tank(0).startedOn(TankBuilder.START.minusYears(1));
    assertThat(WaterAge.underRoutine(0.25, 7).over30Days())
        .isEqualTo(Math.pow(0.75, 30 / 7.0), within(1e-12));
    TankModel tank = builder.change(20, 50).change(-10, 50).build();
    WaterAge age = planner(tank, 10).plan().upkeep().now();
    assertThat(age.over30Days()).isEqualTo(0.5, within(1e-12));
    assertThat(age.over90Days()).isEqualTo(0.25, within(1e-12));
  }

  // ------------------------------------------------------------------ value of a test

  @Test
  void aTestIsWorthMostWhereItTellsTheTwoCasesApart() {
    int draws = 200;
    double[] level = new double[draws];
    boolean[] crosses = new boolean[draws];
    for (int i = 0; i < draws; i++) {
      crosses[i] = i % 5 == 0;
      level[i] = crosses[i] ? 38 : 20;
    }
    Kit sharp = TankBuilder.kit("m", Analyte.NITRATE, KitMethod.PHOTOMETER, List.of(), 1, 0.03);
    Kit blunt =
        TankBuilder.kit("c", Analyte.NITRATE, KitMethod.COLOUR_CARD, List.of(0.0, 80.0), 0, 0.5);
    TestValue.Worth told = TestValue.of(sharp, level, crosses, 0.1, 1);
    TestValue.Worth untold = TestValue.of(blunt, level, crosses, 0.1, 1);
    // without: 0.1 for changing all the same; with: 0.1 only in the fifth that crosses
    assertThat(told.chance()).isEqualTo(0.2, within(1e-12));
    assertThat(told.value()).isEqualTo(0.1 - 0.2 * 0.1, within(0.012));
    assertThat(told.settles()).isEqualTo(0.8, within(0.05));
    assertThat(untold.value()).isLessThan(0.02);
  }

  @Test
  void aTestThatCannotTurnTheDecisionIsWorthNothing() {
    double[] level = {10, 11, 12, 10};
    Kit kit = TankBuilder.kit("m", Analyte.NITRATE, KitMethod.PHOTOMETER, List.of(), 1, 0.03);
    assertThat(TestValue.of(kit, level, new boolean[4], 0.1, 1).value()).isZero();
  }

  /** Common practice: in a new tank ammonia over 0.5 mg/L calls for a change whatever holds. */
  @Test
  void ammoniaOfANewTankCallsForAChangeAtOnce() {
    TankBuilder young =
        new TankBuilder()
            .ration(0.4)
            .lines(40, 5)
            .photometer("nh", Analyte.AMMONIA, 0.05, 0.05)
            .test(8, Analyte.AMMONIA, 1.5, "nh")
            .test(9.5, Analyte.AMMONIA, 2, "nh");
    TankModel tank = young.build();
    LocalDate asOf = TankBuilder.START.plusDays(9);
    Plan plan = new Planner(tank, Calibration.calibrate(tank, asOf, 30, 100, 1)).plan();
    assertThat(plan.today().atOnce()).isTrue();
    assertThat(plan.today().verdict()).isEqualTo(Plan.Verdict.CHANGE);
    assertThat(plan.today().why().get(0)).contains("at once");
  }
}
