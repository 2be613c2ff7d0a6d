package org.umberline.core.simulation;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.PlantStand;

/**
 * Work after the as-of day that a scenario counts on, because habit or the log brings it.
 *
 * @param on the day; of harvests that of the first
 * @param of id of the adsorber or plant
 * @param grams of medium, or of wet mass of one harvest
 * @param everyDays the rhythm of harvests; empty where one alone lies ahead, and for renewals
 */
public record WorkAhead(
    Kind kind, LocalDate on, String of, double grams, OptionalDouble everyDays) {
  /** What is done. */
  public enum Kind {
    RENEW,
    HARVEST
  }

  /** Nobody is told to cut less, g: it would be told as nothing. */
  private static final double LEAST_CUT_G = 0.5;

  /** What is renewed and cut, renewals in order of their days first. */
  public static List<WorkAhead> of(Scenario scenario) {
    List<ExportMethod.PhosphateAdsorber> adsorbers = scenario.adsorbing();
    int first = scenario.asOfDay() + 1;
    List<WorkAhead> ahead = new ArrayList<>();
    List<List<Event>> cuts = new ArrayList<>();
    for (int j = 0; j < scenario.plants(); j++) {
      cuts.add(new ArrayList<>());
    }
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
                event.amount(),
                OptionalDouble.empty()));
      } else if (event.kind() == Event.Kind.HARVEST) {
        cuts.get(event.index()).add(event);
      }
    }
    List<PlantStand> plants = scenario.tank().plants();
    for (int j = 0; j < plants.size(); j++) {
      if (!cuts.get(j).isEmpty()) {
        WorkAhead harvests = harvests(scenario, plants.get(j), cuts.get(j));
        if (harvests.grams() >= LEAST_CUT_G) {
          ahead.add(harvests);
        }
      }
    }
    return List.copyOf(ahead);
  }

  private static WorkAhead harvests(Scenario scenario, PlantStand plant, List<Event> cuts) {
    double first = cuts.get(0).time();
    double last = cuts.get(cuts.size() - 1).time();
    double dryG = cuts.stream().mapToDouble(Event::amount).sum() / cuts.size();
    return new WorkAhead(
        Kind.HARVEST,
        scenario.date((int) first),
        plant.id(),
        dryG * 100 / plant.dryMatterPercent(),
        cuts.size() > 1
            ? OptionalDouble.of((last - first) / (cuts.size() - 1))
            : OptionalDouble.empty());
  }
}
