package org.umberline.core.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What would have been enough, known afterwards: the same change each week with one of another size
 * in the week in which it can be known, the usual ration and the checks that tell. Of all such
 * plans the one that comes cheapest in water and days over the line.
 *
 * @param litres each week
 * @param once litres in that one week
 * @param onceIn that week, counted from 0
 * @param adsorbers how often fresh adsorber is put in
 */
public record BetterPlan(
    double litres, double once, int onceIn, Filling filling, int adsorbers, PracticeRun run) {
  private static final int STEPS = 10;

  /** A day over the line is worth this share of the water. Chosen. */
  private static final double DAY_OVER = 0.1;

  /** A change that is hard on animals is worse than any number of days over. Chosen. */
  private static final int HARD_CHANGE_DAYS = PracticeRun.DAYS;

  private static final int ADSORBER_IN_WEEK = 1;
  private static final int RENEWED_IN_WEEK = 4;

  public static BetterPlan of(PracticeCase which, long seed) {
    PracticeTank tank = PracticeTank.of(which, seed);
    double most = PracticeRun.LARGEST_CHANGE * tank.stated().netVolumeL();
    List<BetterPlan> plans = new ArrayList<>();
    List<Filling> fillings =
        which == PracticeCase.RICH_TAP ? which.fillings() : List.of(Filling.USUAL);
    for (Filling filling : fillings) {
      for (int adsorbers = 0; adsorbers <= (which.hasPhosphateLine() ? 2 : 0); adsorbers++) {
        for (int step = 0; step <= STEPS; step++) {
          for (int once = step; once <= STEPS; once++) {
            plans.add(of(tank, seed, most * step / STEPS, most * once / STEPS, filling, adsorbers));
          }
        }
      }
    }
    double volume = tank.truth().netVolumeL();
    return plans.stream()
        .min(
            Comparator.<BetterPlan>comparingDouble(plan -> plan.worth(volume))
                .thenComparingInt(BetterPlan::adsorbers))
        .orElseThrow();
  }

  private double worth(double volumeL) {
    PracticeRun.Score score = run.score();
    return score.litres()
        + DAY_OVER * volumeL * (score.daysOver() + HARD_CHANGE_DAYS * score.hardChanges());
  }

  private static BetterPlan of(
      PracticeTank tank, long seed, double litres, double once, Filling filling, int adsorbers) {
    int onceIn = PracticeRun.couldKnow(tank);
    List<PracticeWeek> weeks = new ArrayList<>();
    for (int week = 0; week < PracticeRun.WEEKS; week++) {
      boolean fresh =
          adsorbers > 0 && week == ADSORBER_IN_WEEK || adsorbers > 1 && week == RENEWED_IN_WEEK;
      weeks.add(
          new PracticeWeek(
              checks(tank.which(), week),
              week == onceIn ? once : litres,
              filling,
              1,
              fresh,
              false));
    }
    return new BetterPlan(
        litres, once, onceIn, filling, adsorbers, new PracticeRun(tank, seed, weeks));
  }

  private static List<Check> checks(PracticeCase which, int week) {
    List<Check> checks = new ArrayList<>();
    checks.add(which.watchedBy());
    if (week == 0 || which.tells() == Check.ANIMALS) {
      checks.add(which.tells());
    }
    return checks.stream().distinct().toList();
  }
}
