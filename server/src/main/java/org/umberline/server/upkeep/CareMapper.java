package org.umberline.server.upkeep;

import static org.umberline.server.http.Absent.orNull;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.StandardCheck;
import org.umberline.core.upkeep.Task;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.TankRecords.Stored;

/** How a tank is cared for, as it travels. */
public final class CareMapper {
  private CareMapper() {}

  public static UpkeepViews.Care of(Stored stored) {
    Care care = stored.care();
    return new UpkeepViews.Care(
        stored.careVersion(),
        orNull(care.bucketLitres()),
        orNull(care.conditionerMlPer100L()),
        orNull(care.chloramineMgL()),
        orNull(care.hotC()),
        orNull(care.coldC()),
        care.devices(),
        care.filterDaysFromChange(),
        care.tasks().stream().map(Task::term).toList(),
        Stream.of(Task.values())
            .map(task -> new UpkeepViews.CareTask(task.term(), task.toDo(), task.everyDays()))
            .toList(),
        care.ownTasks().stream()
            .map(own -> new UpkeepViews.OwnTask(own.name(), own.everyDays()))
            .toList(),
        care.shelf().stream()
            .map(
                shelf ->
                    new UpkeepViews.Shelf(
                        shelf.kit(),
                        shelf.openedOn().orElse(null),
                        shelf.expiresOn().orElse(null),
                        shelf.left(stored.tank()).isPresent()
                            ? shelf.left(stored.tank()).getAsInt()
                            : null,
                        orNull(shelf.minutes()),
                        shelf
                            .check()
                            .map(
                                check ->
                                    new UpkeepViews.Checked(
                                        check.on(), check.standard(), check.read(), check.dueOn()))
                            .orElse(null),
                        shelf.steps()))
            .toList());
  }

  /** What was asked for; the habits of single pieces of work stay. */
  public static Care changed(Care before, UpkeepRequests.CareChange request, LocalDate today) {
    List<Task> tasks =
        request.tasks().stream()
            .map(
                term ->
                    Task.find(term)
                        .orElseThrow(
                            () ->
                                Refused.field(
                                    "tasks", term, "any of " + String.join(", ", Task.terms()))))
            .distinct()
            .toList();
    return new Care(
        optional(request.bucketLitres()),
        optional(request.conditionerMlPer100L()),
        optional(request.chloramineMgL()),
        optional(request.hotC()),
        optional(request.coldC()),
        request.devices().stream().map(String::strip).filter(d -> !d.isEmpty()).toList(),
        request.filterDaysFromChange(),
        tasks,
        request.ownTasks() == null ? before.ownTasks() : ownTasks(request.ownTasks()),
        before.habits(),
        request.shelf().stream()
            .map(
                shelf ->
                    new Care.Shelf(
                        shelf.kit(),
                        Optional.ofNullable(shelf.openedOn()),
                        Optional.ofNullable(shelf.expiresOn()),
                        shelf.testsLeft() == null
                            ? OptionalInt.empty()
                            : OptionalInt.of(shelf.testsLeft()),
                        shelf.testsLeft() == null ? Optional.empty() : Optional.of(today),
                        optional(shelf.minutes()),
                        Optional.ofNullable(shelf.check())
                            .map(
                                check ->
                                    new StandardCheck(check.on(), check.standard(), check.read())),
                        shelf.steps() == null ? "" : shelf.steps()))
            .toList());
  }

  /** A name stands once, and is none of the terms that have a meaning already. */
  private static List<Care.OwnTask> ownTasks(List<UpkeepRequests.OwnTask> asked) {
    List<Care.OwnTask> own = new ArrayList<>();
    for (UpkeepRequests.OwnTask one : asked) {
      String name = one.name().strip();
      boolean known =
          Task.find(name).isPresent() || own.stream().anyMatch(o -> o.name().equals(name));
      if (name.isEmpty() || known) {
        throw Refused.field("ownTasks", name, "work with a name of its own");
      }
      own.add(new Care.OwnTask(name, one.everyDays()));
    }
    return own;
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
