package org.umberline.core.change;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;

class RunSheetTest {
  private static final TankModel TANK =
      new TankBuilder().water("tap", 8, 0.2).changeWater("tap").build();
  private static final Blend TAP = TANK.changeWater();
  private static final RunSheets.Levels LEVELS = new RunSheets.Levels(40, 1, 8, 0.2);

  private static RunSheet sheet(double fraction, Care care) {
    return RunSheets.of(TANK, care, fraction, TAP, LEVELS);
  }

  private static Care care(double bucket, double hot, double cold) {
    return new Care(
        OptionalDouble.of(bucket),
        OptionalDouble.of(20),
        OptionalDouble.of(1),
        OptionalDouble.of(hot),
        OptionalDouble.of(cold),
        List.of("heater", "return pump"),
        3,
        List.of(),
        List.of(),
        List.of());
  }

  /** A quarter of the way to the source: mass balance, worked by hand. */
  @Test
  void aChangeMovesTheTankTowardsItsSource() {
    RunSheet.After after = sheet(0.25, Care.NONE).after();
    assertThat(after.nitrate()).isCloseTo(32, within(1e-9));
    assertThat(after.phosphate()).isCloseTo(0.8, within(1e-9));
  }

  /** 1 mg/L left by chloramine in the tap is 0.25 in the tank at 25 % (common practice). */
  @Test
  void chloramineLeavesItsShareOfAmmonia() {
    assertThat(sheet(0.25, care(10, 60, 10)).after().ammonia()).isCloseTo(0.25, within(1e-9));
  }

  @Test
  void whatIsSwitchedOffIsSwitchedOnInTurn() {
    List<String> keys =
        sheet(0.25, care(10, 60, 10)).steps().stream()
            .map(RunSheet.Step::key)
            .filter(key -> key.matches("(off|on)-\\d"))
            .toList();
    assertThat(keys).containsExactly("off-0", "off-1", "on-1", "on-0");
  }

  @Test
  void bucketsAndHotAndColdAddUp() {
    double litres = 0.25 * TANK.netVolumeL();
    RunSheet sheet =
        sheet(0.25, care(litres / 2.5, TANK.temperatureC() + 30, TANK.temperatureC() - 10));
    assertThat(sheet.steps())
        .anyMatch(step -> step.text().contains("2 full buckets and one of"))
        .anyMatch(
            step ->
                step.key().equals("temperature")
                    && step.text().contains("hot with")
                    && step.text().contains("cold"));
    // a quarter of the way from cold to hot is a quarter hot
    assertThat(ChangeWater.hotShare(20, 50, 10).getAsDouble()).isCloseTo(0.25, within(1e-12));
    assertThat(ChangeWater.hotShare(60, 50, 10)).isEmpty();
    assertThat(ChangeWater.hotShare(20, 10, 10)).isEmpty();
  }

  @Test
  void moreThanTheKeeperAllowsIsWarnedOf() {
    assertThat(sheet(0.75, Care.NONE).warnings())
        .anyMatch(w -> w.contains("largest single change"));
    assertThat(sheet(0.2, Care.NONE).warnings()).isEmpty();
    RunSheets.Levels rich = new RunSheets.Levels(5, 0.1, 40, 2);
    assertThat(RunSheets.of(TANK, Care.NONE, 0.2, TAP, rich).warnings())
        .anyMatch(w -> w.contains("more nitrate"))
        .anyMatch(w -> w.contains("more phosphate"));
  }

  @Test
  void aDeepBedIsNeverStirred() {
    TankModel deep =
        TANK.withExports(List.of(new ExportMethod.DeepBed("bed", 2400, 12, TankBuilder.always())));
    RunSheet sheet = RunSheets.of(deep, Care.NONE, 0.2, TAP, LEVELS);
    assertThat(sheet.bed()).isEmpty();
    assertThat(sheet.steps()).anyMatch(step -> step.key().equals("deep-bed"));
  }

  @Test
  void cautionsAreThereForWaterAndMains() {
    assertThat(sheet(0.2, Care.NONE).cautions())
        .anyMatch(c -> c.contains("unplug"))
        .anyMatch(c -> c.contains("by mouth"))
        .anyMatch(c -> c.contains("natural water"));
  }
}
