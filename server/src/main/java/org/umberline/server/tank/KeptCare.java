package org.umberline.server.tank;

import static org.umberline.server.http.Absent.orNull;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.StandardCheck;
import org.umberline.core.upkeep.Task;

/** How a tank is cared for, as it is kept; what nobody said is null. */
record KeptCare(
    Double bucketLitres,
    Double conditionerMlPer100L,
    Double chloramineMgL,
    Double hotC,
    Double coldC,
    List<String> devices,
    int filterDaysFromChange,
    List<Task> tasks,
    List<Care.OwnTask> ownTasks,
    List<Habit> habits,
    List<Shelf> shelf) {
  record Habit(String work, Integer everyDays, LocalDate nextOn) {}

  record Shelf(
      String kit,
      LocalDate openedOn,
      LocalDate expiresOn,
      Integer testsLeft,
      LocalDate countedOn,
      Double minutes,
      StandardCheck check,
      String steps) {}

  static KeptCare of(Care care) {
    return new KeptCare(
        orNull(care.bucketLitres()),
        orNull(care.conditionerMlPer100L()),
        orNull(care.chloramineMgL()),
        orNull(care.hotC()),
        orNull(care.coldC()),
        care.devices(),
        care.filterDaysFromChange(),
        care.tasks(),
        care.ownTasks(),
        care.habits().stream()
            .map(h -> new Habit(h.work(), orNull(h.everyDays()), h.nextOn().orElse(null)))
            .toList(),
        care.shelf().stream()
            .map(
                s ->
                    new Shelf(
                        s.kit(),
                        s.openedOn().orElse(null),
                        s.expiresOn().orElse(null),
                        orNull(s.testsLeft()),
                        s.countedOn().orElse(null),
                        orNull(s.minutes()),
                        s.check().orElse(null),
                        s.steps()))
            .toList());
  }

  Care asCare() {
    return new Care(
        optional(bucketLitres),
        optional(conditionerMlPer100L),
        optional(chloramineMgL),
        optional(hotC),
        optional(coldC),
        devices,
        filterDaysFromChange,
        tasks,
        // what was kept before there was such work has none
        ownTasks == null ? List.of() : ownTasks,
        habits.stream()
            .map(
                h ->
                    new Care.Habit(
                        h.work(), optional(h.everyDays()), Optional.ofNullable(h.nextOn())))
            .toList(),
        shelf.stream()
            .map(
                s ->
                    new Care.Shelf(
                        s.kit(),
                        Optional.ofNullable(s.openedOn()),
                        Optional.ofNullable(s.expiresOn()),
                        optional(s.testsLeft()),
                        Optional.ofNullable(s.countedOn()),
                        optional(s.minutes()),
                        Optional.ofNullable(s.check()),
                        s.steps()))
            .toList());
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }

  private static OptionalInt optional(Integer value) {
    return value == null ? OptionalInt.empty() : OptionalInt.of(value);
  }
}
