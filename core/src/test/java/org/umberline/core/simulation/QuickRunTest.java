package org.umberline.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.SubstrateKind;

/** Days that go on alike are run at once, and nobody sees it. */
class QuickRunTest {
  private static final LocalDate START = TankBuilder.START;
  private static final int DAYS = 70;

  /** A tank that is fed daily, with a change every tenth day and a test in between. */
  private static TankBuilder tank() {
    TankBuilder builder =
        new TankBuilder()
            .volumeL(120)
            .water("tap", 5, 0.2)
            .changeWater("tap")
            .ration(0.6)
            .animals(40, Stage.GROWING)
            .plant("fern", PlantKind.SLOW_LEAVES, 40, 80, TankBuilder.always())
            .substrate(SubstrateKind.MARINE_ROCK_AND_SAND)
            .startedOn(START.minusYears(1))
            .photometer("n", Analyte.NITRATE, 0.5, 0.05)
            .photometer("p", Analyte.PHOSPHATE, 0.02, 0.05);
    for (int day = 3; day < DAYS; day += 10) {
      builder.change(day + 0.7, 40);
      builder.test(day + 3.4, Analyte.NITRATE, 10, "n");
      builder.test(day + 4.8, Analyte.PHOSPHATE, 0.5, "p");
    }
    return builder;
  }

  private static Scenario scenario(TankBuilder builder) {
    return Scenario.of(builder.build(), START, START.plusDays(DAYS - 1), 0);
  }

  private static Trace run(TankSimulator simulator, Scenario scenario, PlannedChanges planned) {
    Multipliers multipliers = scenario.multipliers();
    for (int day = 0; day < DAYS; day++) {
      multipliers.nitrogenLoad[day] = 1 + 0.005 * day;
    }
    multipliers.nitrateJump[25] = 0.3;
    TankState state = new TankState(scenario);
    scenario.start(state, multipliers, 3, 0.3);
    Trace trace = new Trace(scenario);
    simulator.run(state, 0, DAYS, multipliers, planned, trace);
    return trace;
  }

  @Test
  void daysThatAreRunAtOnceLeadWhereSingleDaysLead() {
    Scenario scenario = scenario(tank());
    PlannedChanges planned = PlannedChanges.atNoon(List.of(48), 0.2);
    Trace one = run(new TankSimulator(scenario), scenario, planned);
    Trace several = run(TankSimulator.quick(scenario), scenario, planned);
    assertNear(several.nitrate, one.nitrate);
    assertNear(several.nitrateHigh, one.nitrateHigh);
    assertNear(several.nitrateLow, one.nitrateLow);
    assertNear(several.phosphorus, one.phosphorus);
    assertNear(several.phosphorusHigh, one.phosphorusHigh);
    assertNear(several.phosphorusLow, one.phosphorusLow);
    assertNear(several.probeNitrate, one.probeNitrate);
    assertNear(several.probePhosphorus, one.probePhosphorus);
  }

  private static void assertNear(double[] several, double[] one) {
    assertThat(several).hasSameSizeAs(one);
    for (int i = 0; i < one.length; i++) {
      assertThat(several[i]).as("at %d", i).isEqualTo(one[i], within(0.004 * one[i]));
    }
  }

  @Test
  void aDayOnWhichSomethingHappensIsRunByItself() {
    int[] until = scenario(tank()).rates.alikeUntil;
    // the change is on day 13
    assertThat(Arrays.copyOfRange(until, 4, 15))
        .containsExactly(10, 11, 12, 13, 13, 13, 13, 13, 13, 14, 20);
  }

  @Test
  void aDayWithoutFoodIsRunByItself() {
    TankBuilder fasting = tank().log(new LogEntry.Fast(TankBuilder.at(16.2), 1, ""));
    int[] until = scenario(fasting).rates.alikeUntil;
    assertThat(Arrays.copyOfRange(until, 14, 18)).containsExactly(16, 16, 17, 23);
  }

  /** What a filter that grows in does within a day is lost over several. */
  @Test
  void aNewTankIsRunDayByDay() {
    int[] until = scenario(tank().startedOn(START)).rates.alikeUntil;
    assertThat(until[5]).isEqualTo(6);
  }
}
