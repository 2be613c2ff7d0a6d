package org.umberline.core.upkeep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.junit.jupiter.api.Test;
import org.umberline.core.TankBuilder;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.tank.AdsorberPlacement;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.PlantKind;
import org.umberline.core.tank.TankModel;

/** What the model sees coming of adsorbers and plants, and what is left of a kit. */
class GearOutlookTest {
  private static final LocalDate TODAY = TankBuilder.START.plusDays(40);

  private static GearOutlook outlook(TankModel tank) {
    return GearOutlook.of(tank, Calibration.calibrate(tank, TODAY, 28, 60, 1, WORKERS), TODAY);
  }

  private static TankBuilder fed() {
    return new TankBuilder().ration(1.5);
  }

  private static GearOutlook.Wear wear(double grams, LogEntry... log) {
    TankBuilder builder =
        fed()
            .export(
                new ExportMethod.PhosphateAdsorber(
                    "ads", grams, 6, AdsorberPlacement.REACTOR, TankBuilder.always()));
    for (LogEntry entry : log) {
      builder.log(entry);
    }
    return outlook(builder.build()).wear().get(0);
  }

  @Test
  void aSmallerAdsorberIsSpentSooner() {
    GearOutlook.Wear small = wear(15);
    GearOutlook.Wear large = wear(150);
    assertThat(small.used()).isGreaterThan(large.used()).isBetween(0.0, 1.0);
    assertThat(small.spentOn()).isBefore(large.spentOn());
    assertThat(large.spentOn()).isAfter(TODAY);
  }

  @Test
  void aRenewedOneBeginsAnew() {
    LogEntry renewed =
        new LogEntry.Renew(
            TODAY.minusDays(2).atTime(LocalTime.NOON).atOffset(ZoneOffset.UTC), "ads", 40, "");
    assertThat(wear(40, renewed).used()).isLessThan(wear(40).used());
  }

  private static GearOutlook.Growth growth(double wetG, double mostG) {
    TankModel tank =
        fed().plant("fern", PlantKind.FLOATING, wetG, mostG, TankBuilder.always()).build();
    return outlook(tank).growth().get(0);
  }

  @Test
  void aFullStandIsCrowdedNowAndAYoungOneLater() {
    assertThat(growth(500, 500).crowdedOn()).isEqualTo(TODAY);
    GearOutlook.Growth young = growth(5, 5000);
    assertThat(young.crowdedOn()).isAfter(TODAY.plusDays(3));
  }

  /** From a tenth of its room to four fifths, by hand: ln(4) + ln(9) over ln(2) doublings. */
  @Test
  void growthIsLogistic() {
    TankModel tank =
        fed().plant("fern", PlantKind.FLOATING, 40, 4000, TankBuilder.always()).build();
    GearOutlook.Growth growth = outlook(tank).growth().get(0);
    double rise = Math.log(4) - Math.log(growth.wetMassG() / (4000 - growth.wetMassG()));
    double days = rise * tank.plants().get(0).doublingDays() / Math.log(2);
    assertThat((double) ChronoUnit.DAYS.between(TODAY, growth.crowdedOn()))
        .isCloseTo(Math.min(365, days), within(1.0));
  }

  @Test
  void whatIsForeseenIsKnownByItsWork() {
    TankModel tank =
        fed()
            .plant("fern", PlantKind.FLOATING, 40, 400, TankBuilder.always())
            .export(
                new ExportMethod.PhosphateAdsorber(
                    "ads", 40, 6, AdsorberPlacement.BAG, TankBuilder.always()))
            .build();
    assertThat(outlook(tank).foreseen()).containsOnlyKeys("renew:ads", "thin:fern");
  }

  @Test
  void testsLeftAreThoseCountedLessThoseSince() {
    Care.Shelf shelf =
        new Care.Shelf(
            "card",
            Optional.empty(),
            Optional.empty(),
            OptionalInt.of(3),
            Optional.of(TankBuilder.START.plusDays(10)),
            OptionalDouble.empty(),
            Optional.empty(),
            "");
    TankBuilder builder = new TankBuilder().card("card", Analyte.NITRATE, 0.0, 10.0, 20.0, 40.0);
    assertThat(shelf.left(builder.build())).hasValue(3);
    builder.test(5, Analyte.NITRATE, 20, "card").test(12, Analyte.NITRATE, 20, "card");
    assertThat(shelf.left(builder.build())).hasValue(2);
    for (int day = 13; day < 20; day++) {
      builder.test(day, Analyte.NITRATE, 20, "card");
    }
    assertThat(shelf.left(builder.build())).as("never below none").hasValue(0);
  }

  @Test
  void careKeepsOneHabitAPieceOfWork() {
    Care care =
        Care.NONE
            .with(new Care.Habit("a", OptionalInt.of(3), Optional.empty()))
            .with(new Care.Habit("b", OptionalInt.of(4), Optional.empty()))
            .with(new Care.Habit("a", OptionalInt.of(5), Optional.empty()));
    assertThat(care.habits()).hasSize(2);
    assertThat(care.habit("a").orElseThrow().everyDays()).hasValue(5);
    assertThat(List.of(Task.values()))
        .allSatisfy(task -> assertThat(Task.noted(task.sign()).flatMap(Task::find)).contains(task));
  }
}
