package org.umberline.wording;

import java.time.LocalDate;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.GearOutlook;
import org.umberline.core.upkeep.Schedule;
import org.umberline.core.upkeep.Task;
import org.umberline.core.upkeep.Work;

/** Recurring work in words. */
public final class WorkWords {
  private WorkWords() {}

  /** What is to be done. */
  public static Phrase of(Work work, TankModel tank) {
    return switch (work.kind()) {
      case CHANGE ->
          tank.routine()
              .map(
                  (Routine r) ->
                      Phrase.of(
                          "Change " + SmallWords.percent(r.fraction()) + " (",
                          Phrase.amount(r.fraction() * tank.netVolumeL(), "L"),
                          ")"))
              .orElse(Phrase.of("Change water"));
      case TEST -> Phrase.of("Test " + work.subject());
      case CLEAN -> Phrase.of("Clean " + work.subject());
      case RENEW -> Phrase.of("Renew " + work.subject());
      case THIN ->
          Phrase.of(
              "Thin "
                  + tank.plants().stream()
                      .filter(plant -> plant.id().equals(work.subject()))
                      .map(PlantStand::name)
                      .findFirst()
                      .orElse(work.subject()));
      case TASK -> Phrase.of(Task.find(work.subject()).map(Task::toDo).orElse(work.subject()));
    };
  }

  /** Why a piece of work stands on its day and no other. */
  public static Phrase moved(Schedule.Moved moved, Care care) {
    return Phrase.of(
        switch (moved) {
          case NOT_FAR_ENOUGH -> "No day is far enough from the changes: they come too often.";
          case KEPT_FROM_CHANGE -> "Kept " + care.filterDaysFromChange() + " days from a change.";
          case AFTER_CHANGE -> "The day after a change.";
          case CATCHING_UP -> "Catching up, a little each day.";
        });
  }

  /** Why a piece of work may not be done on a day. */
  public static Phrase objection(Schedule.Objection objection, Care care) {
    if (objection.past()) {
      return Phrase.of(objection.day(), " is past.");
    }
    int apart = care.filterDaysFromChange();
    return objection
        .nearest()
        .map(
            nearest ->
                Phrase.of(
                    "A filter is cleaned at least "
                        + apart
                        + " days from a change; the nearest such day is ",
                    nearest,
                    "."))
        .orElseGet(
            () ->
                Phrase.of(
                    "No day near ", objection.day(), " is " + apart + " days from every change."));
  }

  /** How far gone an adsorber is. */
  public static Phrase wear(GearOutlook.Wear wear) {
    return Phrase.of(
        "About " + SmallWords.percent(wear.used()) + " of what it can hold is taken; renew it by ",
        wear.spentOn(),
        ".");
  }

  /** How crowded a stand is. */
  public static Phrase growth(GearOutlook.Growth growth) {
    return Phrase.of(
        "About ",
        Phrase.amount(growth.wetMassG(), "g"),
        " now; crowded about ",
        growth.crowdedOn(),
        " at the earliest.");
  }

  /** Why work stands where it does that a keeper's look asks for. */
  public static Phrase seen(Work work) {
    return Phrase.of("Weak flow was seen on ", work.due(), ".");
  }

  /** What whoever looks after a tank meanwhile was worried by. */
  public static Phrase worried(LocalDate on, String remark) {
    return Phrase.of(
        "Whoever looks after it saw something wrong on ",
        on,
        remark.isEmpty() ? "." : ": " + remark);
  }

  /** The line of shorthand that notes it as done; empty where more must be said. */
  public static String doneAs(Work work) {
    return switch (work.kind()) {
      case CLEAN -> "cleaned \"" + work.subject() + "\"";
      case RENEW -> "renewed \"" + work.subject() + "\"";
      case TASK ->
          Task.find(work.subject()).isPresent()
              ? "did " + work.subject()
              : "did \"" + work.subject() + "\"";
      case CHANGE, TEST, THIN -> "";
    };
  }
}
