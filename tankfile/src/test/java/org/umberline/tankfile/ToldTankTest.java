package org.umberline.tankfile;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.RoughMeasures.AnimalSize;
import org.umberline.core.tank.RoughMeasures.ChangeWater;
import org.umberline.core.tank.RoughMeasures.Cleaner;
import org.umberline.core.tank.RoughMeasures.PlantCover;
import org.umberline.core.tank.RoughMeasures.Portion;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.tank.WayOfKeeping;
import org.umberline.tankfile.ToldTank.Animals;
import org.umberline.tankfile.ToldTank.Changed;
import org.umberline.tankfile.ToldTank.Fed;
import org.umberline.tankfile.ToldTank.Grown;

class ToldTankTest {
  private static final Instant NOW = Instant.parse("2026-11-27T12:00:00Z");
  private static final LocalDate TODAY = LocalDate.parse("2026-11-27");

  private static ToldTank told(WayOfKeeping keeping, int ageDays, Optional<Changed> changed) {
    return new ToldTank(
        "Window tank",
        60,
        Optional.of(keeping),
        List.of(new Animals(AnimalSize.SMALL, 8), new Animals(AnimalSize.LARGE, 0)),
        Optional.of(new Fed(Portion.PINCH, 2, 14)),
        Optional.of(new Grown(PlantKind.SLOW_LEAVES, PlantCover.FEW)),
        List.of(Cleaner.SPONGE, Cleaner.ROCK),
        OptionalInt.of(ageDays),
        changed,
        ChangeWater.TAP,
        OptionalDouble.empty(),
        OptionalDouble.of(0.4),
        OptionalDouble.of(20),
        OptionalDouble.empty(),
        ZoneId.of("Europe/London"));
  }

  private static ToldTank weekly(int ageDays) {
    return told(WayOfKeeping.FISH_ONLY, ageDays, Optional.of(new Changed(0.25, 7)));
  }

  private static TankFile read(ToldTank told) throws TankFileException {
    return TankFileReader.read(told.file(NOW).toString());
  }

  private static List<LocalDate> changes(TankModel tank) {
    return tank.log().stream()
        .filter(LogEntry.WaterChange.class::isInstance)
        .map(entry -> tank.dayOf(entry.at().toInstant()))
        .toList();
  }

  @Test
  void whatWasToldIsInTheFileAndTheRestIsLeftToItsDefault() throws Exception {
    TankFile file = read(weekly(365));
    TankModel tank = file.tank();
    assertThat(tank.water()).isEqualTo(WaterKind.FRESHWATER);
    assertThat(tank.startedOn()).contains(TODAY.minusDays(365));
    assertThat(tank.feeding().get(0).gramsPerDay()).isEqualTo(0.6);
    assertThat(tank.livestock()).singleElement().matches(group -> group.count() == 8);
    assertThat(tank.plants().get(0).wetMassG()).isEqualTo(30);
    assertThat(tank.exports()).hasSize(2);
    assertThat(tank.waters().get(0).nitrate().orElseThrow().mgPerLitre()).isEqualTo(10);
    assertThat(tank.waters().get(0).phosphate().orElseThrow().mgPerLitre()).isEqualTo(0.4);
    assertThat(tank.lines()).isEqualTo(WayOfKeeping.FISH_ONLY.lines());
    assertThat(file.defaultsUsed()).contains("/effort");
  }

  @Test
  void theChangesUntilNowAreEnteredAndGoOn() throws Exception {
    TankModel tank = read(weekly(365)).tank();
    assertThat(changes(tank)).hasSize(13).endsWith(TODAY.minusDays(4));
    assertThat(tank.routine().orElseThrow().nextOn()).isEqualTo(TODAY.plusDays(3));
    assertThat(((LogEntry.WaterChange) tank.log().get(0)).litres()).isEqualTo(15);
  }

  @Test
  void noChangeIsOlderThanTheTank() throws Exception {
    assertThat(changes(read(weekly(21)).tank()))
        .containsExactly(TODAY.minusDays(18), TODAY.minusDays(11), TODAY.minusDays(4));
    assertThat(changes(read(weekly(2)).tank())).containsExactly(TODAY.minusDays(2));
  }

  @Test
  void aTankThatBeginsTodayHasARoutineAndNoPast() throws Exception {
    TankModel tank = read(weekly(0)).tank();
    assertThat(changes(tank)).isEmpty();
    assertThat(tank.routine()).isPresent();
  }

  @Test
  void neverIsNoRoutine() throws Exception {
    TankModel tank = read(told(WayOfKeeping.MIXED_REEF, 90, Optional.of(new Changed(0, 7)))).tank();
    assertThat(tank.routine()).isEmpty();
    assertThat(changes(tank)).isEmpty();
    assertThat(tank.water()).isEqualTo(WaterKind.MARINE);
  }

  @Test
  void nothingButTheVolumeIsATankToo() throws Exception {
    ToldTank bare =
        new ToldTank(
            " ",
            100,
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Optional.empty(),
            List.of(),
            OptionalInt.empty(),
            Optional.empty(),
            ChangeWater.TAP,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            ZoneId.of("UTC"));
    assertThat(read(bare).tank().name()).isEqualTo("New tank");
  }
}
