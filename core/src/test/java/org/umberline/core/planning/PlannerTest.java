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
import org.umberline.core.tank.Limits;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
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
}
