package org.umberline.server.answers;

import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Task;
import org.umberline.core.upkeep.Work;
import org.umberline.tankfile.Figures;

/** Recurring work in words. */
final class WorkWords {
  private WorkWords() {}

  /** What is to be done; a quantity stands in braces with its unit. */
  static String of(Work work, TankModel tank) {
    return switch (work.kind()) {
      case CHANGE ->
          tank.routine()
              .map(
                  (Routine r) ->
                      "Change "
                          + Math.round(100 * r.fraction())
                          + " % ({"
                          + Figures.plain(r.fraction() * tank.netVolumeL())
                          + " L})")
              .orElse("Change water");
      case TEST -> "Test " + work.subject();
      case CLEAN -> "Clean " + work.subject();
      case RENEW -> "Renew " + work.subject();
      case THIN ->
          "Thin "
              + tank.plants().stream()
                  .filter(plant -> plant.id().equals(work.subject()))
                  .map(PlantStand::name)
                  .findFirst()
                  .orElse(work.subject());
      case TASK -> Task.find(work.subject()).map(Task::toDo).orElse(work.subject());
    };
  }

  /** The line of shorthand that notes it as done; empty where more must be said. */
  static String doneAs(Work work) {
    return switch (work.kind()) {
      case CLEAN -> "cleaned \"" + work.subject() + "\"";
      case RENEW -> "renewed \"" + work.subject() + "\"";
      case TASK -> "did " + work.subject();
      case CHANGE, TEST, THIN -> "";
    };
  }
}
