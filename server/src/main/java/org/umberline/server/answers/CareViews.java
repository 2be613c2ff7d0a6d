package org.umberline.server.answers;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.Task;
import org.umberline.server.answers.TankRecords.Stored;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.failure.Refused;

/** How a tank is cared for, as it travels. */
public final class CareViews {
  private CareViews() {}

  public static Views.CareView of(Stored stored) {
    Care care = stored.care();
    return new Views.CareView(
        stored.careVersion(),
        number(care.bucketLitres()),
        number(care.conditionerMlPer100L()),
        number(care.chloramineMgL()),
        number(care.hotC()),
        number(care.coldC()),
        care.devices(),
        care.filterDaysFromChange(),
        care.tasks().stream().map(Task::term).toList(),
        Stream.of(Task.values())
            .map(task -> new Views.TaskView(task.term(), task.toDo(), task.everyDays()))
            .toList(),
        care.shelf().stream()
            .map(
                shelf ->
                    new Views.ShelfView(
                        shelf.kit(),
                        shelf.openedOn().orElse(null),
                        shelf.expiresOn().orElse(null),
                        shelf.left(stored.tank()).isPresent()
                            ? shelf.left(stored.tank()).getAsInt()
                            : null,
                        number(shelf.minutes()),
                        shelf.steps()))
            .toList());
  }

  private static Double number(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }

  /** What was asked for; the habits of single pieces of work stay. */
  public static Care changed(Care before, Requests.CareChange request, LocalDate today) {
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
                        shelf.steps() == null ? "" : shelf.steps()))
            .toList());
  }

  private static OptionalDouble optional(Double value) {
    return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
  }
}
