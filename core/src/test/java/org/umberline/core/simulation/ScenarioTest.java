package org.umberline.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;

class ScenarioTest {
  private static final LocalDate START = TankBuilder.START;

  private static TankState run(Scenario scenario, int days) {
    TankState state = new TankState(scenario);
    Multipliers multipliers = scenario.multipliers();
    multipliers.unseenDenitrification = 0;
    scenario.start(state, multipliers, 1, 0.1);
    new TankSimulator(scenario)
        .run(state, 0, days, multipliers, PlannedChanges.NONE, new Trace(scenario));
    return state;
  }

  @Test
  void evaporationTakesNothingOutAndTapTopOffBringsItsNitrateIn() {
    TankModel tank = new TankBuilder().water("tap", 8, 0.3).topOff("tap", 1.5).build();
    Scenario scenario = Scenario.of(tank, START, START.plusDays(9), 0);
    TankState state = run(scenario, 10);
    // 10 days x 1.5 L x 8 mg/L NO3 and 0.3 mg/L PO4
    assertThat(state.nitrogenMg(Flow.TOP_OFF_WATER)).isEqualTo(120 / 4.4268, within(1e-3));
    assertThat(state.phosphorusMg(Flow.TOP_OFF_WATER)).isEqualTo(4.5 / 3.0662, within(1e-3));
    assertThat(state.nitrateMg()).isEqualTo(100 + 120 / 4.4268, within(1e-3));
  }

  /** 2.6 % N and 0.45 % P of wet mass, half of what is left dissolving a day (from memory). */
  @Test
  void aDeathGivesOffUntilTheBodyIsTakenOut() {
    TankModel dayLater =
        new TankBuilder().log(new LogEntry.Death(TankBuilder.at(1.25), 10, 24, "")).build();
    TankModel neverFound =
        new TankBuilder().log(new LogEntry.Death(TankBuilder.at(1.25), 10, 2400, "")).build();
    double afterADay =
        run(Scenario.of(dayLater, START, START.plusDays(29), 0), 30).nitrogenMg(Flow.ANIMALS);
    double all =
        run(Scenario.of(neverFound, START, START.plusDays(29), 0), 30).nitrogenMg(Flow.ANIMALS);
    assertThat(afterADay).isEqualTo(260 * (1 - Math.exp(-0.5)), within(1e-6));
    assertThat(all).isEqualTo(260, within(1e-3));
  }

  /** Both steps are fast beside a day in a mature filter, whether its food is listed or not. */
  @Test
  void aMatureFilterTakesADeathWithoutListedFood() {
    TankModel unfed =
        new TankBuilder()
            .startedOn(START.minusYears(1))
            .log(new LogEntry.Death(TankBuilder.at(1.25), 10, 2400, ""))
            .build();
    Scenario scenario = Scenario.of(unfed, START, START.plusDays(29), 0);
    Trace trace = new Trace(scenario);
    TankState state = new TankState(scenario);
    scenario.start(state, scenario.multipliers(), 1, 0.1);
    double most = 0;
    for (int day = 0; day < 30; day++) {
      new TankSimulator(scenario)
          .run(state, day, day + 1, scenario.multipliers(), PlannedChanges.NONE, trace);
      most = Math.max(most, state.ammoniaMg() + state.nitriteMg());
    }
    // of 260 mg N in 100 L, half of what is left a day
    assertThat(most).isLessThan(0.25 * 260);
    assertThat(state.ammoniaMg() + state.nitriteMg()).isLessThan(10);
  }

  @Test
  void whatBeginsOrEndsAfterTheAsOfDayIsAsHiddenAsTheLog() {
    TankModel tank = new TankBuilder().ration(1).build();
    Feeding known = tank.feeding().get(0);
    LocalDate asOf = START.plusDays(10);
    Span ending = new Span(START, Optional.of(asOf.plusDays(3)));
    Span beginning = new Span(asOf.plusDays(1), Optional.empty());
    Scenario plain = Scenario.of(tank, START, asOf, 20);
    Scenario hidden = Scenario.of(withFeeding(tank, known, ending, beginning), START, asOf, 20);
    for (int day = 0; day < plain.days(); day++) {
      assertThat(hidden.foodOf(day)).isEqualTo(plain.foodOf(day));
    }
    Scenario later =
        Scenario.of(withFeeding(tank, known, ending, beginning), START, asOf.plusDays(10), 20);
    assertThat(later.foodOf(12).nitrogen())
        .as("known by then, both at once")
        .isEqualTo(2 * plain.foodOf(0).nitrogen(), within(1e-9));
    assertThat(later.foodOf(14)).isEqualTo(plain.foodOf(0));
  }

  private static TankModel withFeeding(TankModel tank, Feeding known, Span first, Span second) {
    TankBuilder builder = new TankBuilder().ration(1);
    TankModel base = builder.build();
    return new TankModel(
        base.name(),
        base.water(),
        base.netVolumeL(),
        base.surfaceAreaCm2(),
        base.temperatureC(),
        base.pH(),
        base.alkalinityDkh(),
        base.salinityPpt(),
        base.startedOn(),
        base.timeZone(),
        base.substrate(),
        base.keeping(),
        base.stance(),
        base.lines(),
        base.limits(),
        base.effort(),
        base.waters(),
        base.changeWater(),
        base.topOff(),
        base.foods(),
        java.util.List.of(
            new Feeding(known.food(), known.gramsPerFeed(), 7, known.uneatenFraction(), first),
            new Feeding(known.food(), known.gramsPerFeed(), 7, known.uneatenFraction(), second)),
        base.livestock(),
        base.plants(),
        base.exports(),
        base.fertilisers(),
        base.dosing(),
        base.kits(),
        base.routine(),
        tank.log());
  }

  @Test
  void aStandPlantedBeforeTheFirstDayHasGrownSince() {
    Span early = new Span(START.minusDays(28), Optional.empty());
    TankModel tank = new TankBuilder().plant("fern", PlantKind.FLOATING, 10, 10_000, early).build();
    Scenario scenario = Scenario.of(tank, START, START, 0);
    TankState state = new TankState(scenario);
    scenario.start(state, scenario.multipliers(), 1, 1);
    // Doubling each 7 days less 0.5 % die-off a day, 6 % dry, far from its most.
    double free = 10 * 0.06 * Math.exp((Math.log(2) / 7 - 0.005) * 28);
    assertThat(state.plantDryG(0)).isEqualTo(free, within(0.02 * free));
  }

  @Test
  void unlimitedGrowthEndsWhereGrowthAndDecayMeet() {
    double rate = PlantGrowth.ratePerDay(14);
    assertThat(PlantGrowth.grown(5, 100, rate, 10_000))
        .isEqualTo(100 * (1 - 0.005 / rate), within(1e-6));
    assertThat(PlantGrowth.grown(5, 100, 0.001, 100)).as("more decay than growth").isLessThan(5);
  }

  @Test
  void plantsPutInAndTakenOutAreBooked() {
    Span stay = new Span(START.plusDays(2), Optional.of(START.plusDays(4)));
    TankModel tank = new TankBuilder().plant("fern", PlantKind.MOSS, 10, 30, stay).build();
    Scenario scenario = Scenario.of(tank, START, START.plusDays(9), 0);
    TankState state = run(scenario, 10);
    // 10 g wet, 10 % dry, 3 % N
    assertThat(state.nitrogenMg(Flow.PLANTS_PUT_IN)).isEqualTo(30, within(1e-9));
    assertThat(state.nitrogenMg(Flow.PLANTS_TAKEN_OUT)).isGreaterThan(29);
    assertThat(state.plantDryG(0)).isZero();
  }

  @Test
  void wasteOfASteadyRationIsThereFromTheFirstDayOfASettledTank() {
    TankModel settled =
        new TankBuilder().startedOn(START.minusYears(1)).ration(1).animals(50, Stage.ADULT).build();
    TankModel fresh = new TankBuilder().startedOn(START).ration(1).animals(50, Stage.ADULT).build();
    Scenario scenario = Scenario.of(settled, START, START, 0);
    TankState state = new TankState(scenario);
    scenario.start(state, scenario.multipliers(), 1, 1);
    // at rest: in = k W, k = 0.12 a day at 20 °C
    assertThat(state.wasteNitrogenMg())
        .isEqualTo(scenario.foodOf(0).nitrogenSolid() / 0.12, within(1e-6));
    Scenario begun = Scenario.of(fresh, START, START, 0);
    begun.start(state, begun.multipliers(), 1, 1);
    assertThat(state.wasteNitrogenMg()).isZero();
  }

  @Test
  void plannedChangesComeAtNoonOfTheRhythmsDaysAfterTheAsOfDay() {
    TankModel tank = new TankBuilder().build();
    Scenario scenario = Scenario.of(tank, START, START.plusDays(9), 21);
    PlannedChanges planned = PlannedChanges.of(new Routine(0.2, 7, START.plusDays(5)), scenario);
    assertThat(planned.time()).containsExactly(12.5, 19.5, 26.5);
    assertThat(planned.fraction()).containsOnly(0.2);
  }

  @Test
  void anAsOfDayBeforeTheFirstIsRefused() {
    TankModel tank = new TankBuilder().build();
    assertThatThrownBy(() -> Scenario.of(tank, START, START.minusDays(1), 10))
        .hasMessageContaining("2025-12-31 is before the first day 2026-01-01");
  }
}
