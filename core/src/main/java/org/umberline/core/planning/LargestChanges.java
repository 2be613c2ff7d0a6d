package org.umberline.core.planning;

import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.PlannedChanges;

/** What the largest change comes to, made once or every week. */
final class LargestChanges {
  /** With this chance of holding, the largest change every week is worth making. Chosen. */
  private static final double MAY_HOLD = 0.25;

  /**
   * A change is worth making when it takes out such a share of what would be there a week later.
   * Chosen.
   */
  private static final double WORTH_CHANGING = 0.1;

  /** The same of phosphate in time: for less nobody changes water for weeks. Chosen. */
  private static final double WORTH_CHANGING_ROCK = 1.0 / 3;

  private final Promise promise;
  private final PlanDays days;
  private final double share;
  private final boolean possible;

  /**
   * @param possible false where no change can bring a level down, or none may be made
   */
  LargestChanges(Promise promise, PlanDays days, double share, boolean possible) {
    this.promise = promise;
    this.days = days;
    this.share = share;
    this.possible = possible;
  }

  /**
   * Whether the largest change every week has a fair chance of bringing it under the ceilings,
   * though it can't be promised.
   */
  boolean mayHold() {
    return possible && heldLater(PlanDays.NEXT_LOOK) >= MAY_HOLD;
  }

  /** The least share of the draws under the ceilings on a day, once some weeks have passed. */
  double heldLater(double everyDays) {
    return promise.underOnAll(every(everyDays), promise.days() / 2);
  }

  /**
   * Whether the largest change on a day leaves less of a nutrient a week later than none, by a
   * share that counts.
   */
  boolean helpsFrom(int day, Nutrient nutrient) {
    int weekLater = Math.min(day + PlanDays.NEXT_LOOK, promise.days() - 1);
    double without = promise.median(PlannedChanges.NONE, nutrient, weekLater);
    double with = promise.median(days.once(day, share), nutrient, weekLater);
    return with < (1 - WORTH_CHANGING) * without;
  }

  /**
   * Whether the largest change every week comes to less in time than none, by a share that counts:
   * nitrate stays in the water, and a little less each week adds up; of phosphate rock and sand
   * give back the most.
   */
  boolean helpsInTime(Nutrient nutrient) {
    int last = promise.days() - 1;
    double without = promise.median(PlannedChanges.NONE, nutrient, last);
    double less = nutrient == Nutrient.NITRATE ? WORTH_CHANGING : WORTH_CHANGING_ROCK;
    return promise.median(weekly(), nutrient, last) < (1 - less) * without;
  }

  private PlannedChanges every(double everyDays) {
    return days.changes(0, 0, PlanDays.TODAY, share, everyDays);
  }

  private PlannedChanges weekly() {
    return every(PlanDays.NEXT_LOOK);
  }

  /**
   * The nutrient whose ceiling is passed most often though the largest change is made every week.
   */
  Nutrient hardest() {
    return promise.nearer(weekly(), promise.days() / 2);
  }

  /** The most a nutrient comes to once the largest change is made every week, mg/L, a median. */
  double weeklyPeak(Nutrient nutrient) {
    LineRange settled = LineRange.of(promise.projection(weekly()), promise.days() / 2);
    return nutrient == Nutrient.NITRATE ? settled.nitratePeak() : settled.phosphatePeak();
  }
}
