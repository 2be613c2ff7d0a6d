package org.umberline.core.upkeep;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * How a keeper looks after a tank, besides what its make-up says.
 *
 * @param bucketLitres what one bucket carries
 * @param conditionerMlPer100L by the label; empty when none is used
 * @param chloramineMgL in the tap water, by the supplier
 * @param hotC temperature of the hot tap, °C
 * @param coldC temperature of the cold tap, °C
 * @param devices to be switched off for a change, in the order they are listed
 * @param filterDaysFromChange days that filter cleaning keeps away from a change
 * @param tasks work besides the make-up's gear that this tank has
 * @param ownTasks work that the keeper named
 * @param habits what the keeper set for a piece of work
 * @param shelf the kits' reagents
 */
public record Care(
    OptionalDouble bucketLitres,
    OptionalDouble conditionerMlPer100L,
    OptionalDouble chloramineMgL,
    OptionalDouble hotC,
    OptionalDouble coldC,
    List<String> devices,
    int filterDaysFromChange,
    List<Task> tasks,
    List<OwnTask> ownTasks,
    List<Habit> habits,
    List<Shelf> shelf) {
  /**
   * Days between filter cleaning and a change unless the keeper says otherwise. Common practice.
   */
  public static final int FILTER_DAYS = 3;

  /** What is switched off unless the keeper lists other devices. Common practice, no source. */
  public static final List<String> USUAL_DEVICES = List.of("heater", "filter");

  /** Nothing said yet. */
  public static final Care NONE =
      new Care(
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          USUAL_DEVICES,
          FILTER_DAYS,
          List.of(),
          List.of(),
          List.of(),
          List.of());

  /**
   * Recurring work of a keeper's own, such as a new lamp.
   *
   * @param name in the keeper's words; at most {@link #LONGEST_NAME} characters
   */
  public record OwnTask(String name, int everyDays) {
    public static final int LONGEST_NAME = 60;
  }

  /**
   * What the keeper set for one piece of work.
   *
   * @param work its key
   * @param everyDays the interval; 0 when it is not wanted; empty for the usual one
   * @param nextOn the day its next time was moved to
   */
  public record Habit(String work, OptionalInt everyDays, Optional<LocalDate> nextOn) {}

  /**
   * A kit as it stands on the shelf.
   *
   * @param openedOn the day its reagent was opened
   * @param expiresOn by its label
   * @param testsLeft as last counted
   * @param countedOn the day they were counted
   * @param minutes the kit's own waiting time, where it is not the usual one
   * @param check what it last read on a known solution
   * @param steps what its leaflet says, a line a step; empty for what is usual
   */
  public record Shelf(
      String kit,
      Optional<LocalDate> openedOn,
      Optional<LocalDate> expiresOn,
      OptionalInt testsLeft,
      Optional<LocalDate> countedOn,
      OptionalDouble minutes,
      Optional<StandardCheck> check,
      String steps) {
    /**
     * What it read on its standard, unless it was calibrated or a new reagent was opened since:
     * then nobody knows how it reads now.
     */
    public Optional<StandardCheck> standing(TankModel tank) {
      return check.filter(
          one ->
              openedOn.filter(day -> day.isAfter(one.on())).isEmpty()
                  && tank.log().stream()
                      .noneMatch(
                          entry ->
                              entry instanceof LogEntry.Observation seen
                                  && seen.sign().equals(Task.CALIBRATION.sign())
                                  && tank.dayOf(seen.at().toInstant()).isAfter(one.on())));
    }

    /** What is left after the tests in the log since they were counted, at least 0. */
    public OptionalInt left(TankModel tank) {
      if (testsLeft.isEmpty() || countedOn.isEmpty()) {
        return testsLeft;
      }
      long since =
          tank.log().stream()
              .filter(
                  e ->
                      e instanceof LogEntry.Test test
                          && test.kit().isPresent()
                          && test.kit().get().equals(kit)
                          && !tank.dayOf(test.at().toInstant()).isBefore(countedOn.get()))
              .count();
      return OptionalInt.of((int) Math.max(0, testsLeft.getAsInt() - since));
    }
  }

  public Care {
    devices = List.copyOf(devices);
    tasks = List.copyOf(tasks);
    ownTasks = List.copyOf(ownTasks);
    habits = List.copyOf(habits);
    shelf = List.copyOf(shelf);
  }

  /** What was set for the work of {@code key}, if anything. */
  public Optional<Habit> habit(String key) {
    return habits.stream().filter(habit -> habit.work().equals(key)).findFirst();
  }

  /** The same with another habit for its work. */
  public Care with(Habit changed) {
    List<Habit> all =
        new ArrayList<>(
            habits.stream().filter(habit -> !habit.work().equals(changed.work())).toList());
    all.add(changed);
    return withHabits(all);
  }

  /** The same with other habits. */
  public Care withHabits(List<Habit> changed) {
    return new Care(
        bucketLitres,
        conditionerMlPer100L,
        chloramineMgL,
        hotC,
        coldC,
        devices,
        filterDaysFromChange,
        tasks,
        ownTasks,
        changed,
        shelf);
  }
}
