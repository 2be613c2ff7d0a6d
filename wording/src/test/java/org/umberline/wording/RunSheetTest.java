package org.umberline.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberline.core.change.ChangeEffect;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;

class RunSheetTest {
  private static final TankModel TANK =
      tank(
          """
              {"format": "umberline-tank", "version": 1,
               "tank": {"name": "Test", "water": "freshwater", "netVolumeL": 100,
                        "temperatureC": 20, "startedOn": "2026-01-01", "timeZone": "UTC"},
               "waters": [{"id": "tap", "name": "Tap", "nitrateMgL": 8, "phosphateMgL": 0.2}],
               "changeWater": [{"water": "tap", "share": 1}]}
              """);
  private static final LocalDate DAY = LocalDate.of(2026, 3, 1);
  private static final ChangeEffect.Levels LEVELS = new ChangeEffect.Levels(40, 1, 8, 0.2);

  private static TankModel tank(String file) {
    try {
      return TankFileReader.read(file).tank();
    } catch (TankFileException e) {
      throw new IllegalStateException(e);
    }
  }

  private static RunSheet sheet(TankModel tank, double fraction, Care care) {
    return RunSheets.of(tank, care, fraction, tank.changeWater(), LEVELS, DAY);
  }

  @Test
  void oldWaterWithMedicineGoesOntoNoPlants() {
    LogEntry course =
        new LogEntry.Medicine(
            DAY.minusDays(6).atTime(9, 0).atOffset(ZoneOffset.UTC), "Against spots", 5, "");
    assertThat(sheet(TANK, 0.25, Care.NONE).cautions()).anyMatch(c -> c.contains("suits house"));
    LogEntry apart = new LogEntry.Quarantine(course.at(), "two loaches", 28, "");
    assertThat(sheet(TANK.withLog(List.of(apart)), 0.25, Care.NONE).cautions())
        .anyMatch(c -> c.contains("bucket and net of their own"));
    assertThat(sheet(TANK.withLog(List.of(course)), 0.25, Care.NONE).cautions())
        .anyMatch(c -> c.contains("never onto plants"))
        .noneMatch(c -> c.contains("suits house"));
  }

  private static Care care(double bucket) {
    return new Care(
        OptionalDouble.of(bucket),
        OptionalDouble.of(20),
        OptionalDouble.of(1),
        OptionalDouble.of(50),
        OptionalDouble.of(10),
        List.of("heater", "return pump"),
        3,
        List.of(),
        List.of(),
        List.of(),
        List.of());
  }

  private static List<String> texts(RunSheet sheet) {
    return sheet.steps().stream().map(step -> step.text().plain()).toList();
  }

  @Test
  void whatIsSwitchedOffIsSwitchedOnInTurn() {
    List<String> keys =
        sheet(TANK, 0.25, care(10)).steps().stream()
            .map(RunSheet.Step::key)
            .filter(key -> key.matches("(off|on)-\\d"))
            .toList();
    assertThat(keys).containsExactly("off-0", "off-1", "on-1", "on-0");
  }

  @Test
  void bucketsAndHotAndColdAreToldInTheirUnits() {
    assertThat(texts(sheet(TANK, 0.25, care(10))))
        .contains(
            "Have 25 L of Tap ready: 2 full buckets and one of 5 L.",
            "Mix 6.25 L hot with 18.8 L cold for 20 °C, and measure it.");
  }

  @Test
  void moreThanTheKeeperAllowsIsWarnedOf() {
    assertThat(sheet(TANK, 0.75, Care.NONE).warnings())
        .anyMatch(warning -> warning.plain().contains("largest single change you allow, 50 %"));
    assertThat(sheet(TANK, 0.2, Care.NONE).warnings()).isEmpty();
  }

  @Test
  void aDeepBedIsNeverStirred() {
    Span always = new Span(LocalDate.of(2026, 1, 1), Optional.empty());
    TankModel deep = TANK.withExports(List.of(new ExportMethod.DeepBed("bed", 2400, 12, always)));
    RunSheet sheet = sheet(deep, 0.2, Care.NONE);
    assertThat(sheet.bed()).isEmpty();
    assertThat(sheet.steps()).anyMatch(step -> step.key().equals("deep-bed"));
  }

  @Test
  void cautionsAreThereForWaterAndMains() {
    assertThat(sheet(TANK, 0.2, Care.NONE).cautions())
        .anyMatch(c -> c.contains("unplug"))
        .anyMatch(c -> c.contains("by mouth"))
        .anyMatch(c -> c.contains("natural water"));
  }
}
