package org.umberline.core.simulation;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.PlantStand;

/**
 * Work after the as-of day that a scenario counts on, because habit or the log brings it.
 *
 * @param on the day; of harvests the first of those on which they go on
 * @param of id of the adsorber or plant
 * @param grams of medium, or of wet mass cut a week
 */
public record WorkAhead(Kind kind, LocalDate on, String of, double grams) {
  private static final double DAYS_PER_WEEK = 7;

  /** What is done. */
  public enum Kind {
    RENEW,
    HARVEST
  }

  /** What is renewed and cut, renewals in order of their days first. */
  public static List<WorkAhead> of(Scenario scenario) {
    List<ExportMethod.PhosphateAdsorber> adsorbers = scenario.adsorbing();
    int first = scenario.asOfDay() + 1;
    List<WorkAhead> ahead = new ArrayList<>();
    double[] cutDryG = new double[scenario.plants()];
    for (Event event : scenario.events) {
      if (event.time() < first) {
        continue;
      }
      if (event.kind() == Event.Kind.RENEW) {
        ahead.add(
            new WorkAhead(
                Kind.RENEW,
                scenario.date((int) event.time()),
                adsorbers.get(event.index()).id(),
                event.amount()));
      } else if (event.kind() == Event.Kind.HARVEST) {
        cutDryG[event.index()] += event.amount();
      }
    }
    List<PlantStand> plants = scenario.tank().plants();
    for (int j = 0; j < plants.size(); j++) {
      if (cutDryG[j] > 0) {
        double wet = cutDryG[j] * 100 / plants.get(j).dryMatterPercent();
        ahead.add(
            new WorkAhead(
                Kind.HARVEST,
                scenario.date(first),
                plants.get(j).id(),
                wet * DAYS_PER_WEEK / (scenario.days() - first)));
      }
    }
    return List.copyOf(ahead);
  }
}
