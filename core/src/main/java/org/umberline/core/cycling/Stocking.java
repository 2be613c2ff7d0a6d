package org.umberline.core.cycling;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.Span;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;

/**
 * How many animals may come when, so that ammonia and nitrite ask for no care in nine draws of ten
 * over the six weeks after each arrival. What came before has let the filter grow meanwhile.
 *
 * @param massG wet mass of one
 * @param arrivals two weeks apart; none where the first isn't in sight
 */
public record Stocking(double massG, List<Arrival> arrivals) {
  /** Animals usually come this far apart, days. Common practice, no source. */
  private static final int APART_DAYS = 14;

  /** However good the filter, no more than one part of the room is filled at once. Chosen. */
  private static final int PARTS = 3;

  private static final int LOOKED_AHEAD_DAYS = 42;
  private static final int LOOKED_AT_EVERY_DAYS = 7;
  private static final int MOST_ARRIVALS = 4;
  private static final int MOST_ANIMALS = 10_000;
  private static final int MOST_DRAWS = 60;
  private static final double SURE = 0.9;

  /** Grown small fish get about this share of their mass a day, as dry food. From memory. */
  private static final double RATION = 0.015;

  /** Animals a litre holds, g, where ammonia is no question any more. From memory. */
  private static final double ROOM_G_PER_L = 0.5;

  private static final String EXTRA = "stocking";

  /**
   * One arrival.
   *
   * @param more how many may come
   * @param total how many that makes with those before
   * @param byRoom whether room, and not ammonia, sets the number: a third of it at once
   */
  public record Arrival(LocalDate on, int more, int total, boolean byRoom) {}

  public Stocking {
    arrivals = List.copyOf(arrivals);
  }

  /**
   * @param massG wet mass of one animal
   */
  public static Stocking of(Posterior posterior, double massG) {
    Run run = new Run(posterior, massG);
    Scenario scenario = posterior.scenario();
    double living =
        scenario.tank().livestock().stream()
            .filter(animal -> animal.span().contains(scenario.date(scenario.asOfDay())))
            .mapToDouble(Livestock::totalMassG)
            .sum();
    double fits = (ROOM_G_PER_L * scenario.tank().netVolumeL() - living) / massG;
    int room = (int) Math.max(0, Math.min(MOST_ANIMALS, fits));
    List<Arrival> arrivals = new ArrayList<>();
    int total = 0;
    int day = scenario.asOfDay() + 1;
    int atOnce = (room + PARTS - 1) / PARTS;
    while (arrivals.size() < MOST_ARRIVALS
        && total < room
        && day + LOOKED_AHEAD_DAYS <= scenario.days()) {
      int most = Math.min(atOnce, room - total);
      int more = run.most(total, most, day);
      total += more;
      if (more > 0) {
        arrivals.add(new Arrival(scenario.date(day), more, total, more == most));
      }
      int next = day + (more > 0 ? APART_DAYS : LOOKED_AT_EVERY_DAYS);
      run.goOn(total, day, next);
      day = next;
    }
    return new Stocking(massG, arrivals);
  }

  /** The draws as they stand on a day. */
  private static final class Run {
    private final Posterior posterior;
    private final Scenario scenario;
    private final SafeLevels safe;
    private final double massG;
    private final List<TankState> states = new ArrayList<>();

    Run(Posterior posterior, double massG) {
      this.posterior = posterior;
      this.massG = massG;
      scenario = posterior.scenario();
      safe = SafeLevels.of(scenario.tank());
      for (int i = 0; i < Math.min(MOST_DRAWS, posterior.draws().size()); i++) {
        states.add(posterior.draws().get(i).state().copy());
      }
    }

    /** The most that may come, by halving. */
    int most(int total, int atMost, int day) {
      int low = 0;
      int high = Math.max(0, atMost);
      while (low < high) {
        int middle = (low + high + 1) / 2;
        if (isSafe(total + middle, day)) {
          low = middle;
        } else {
          high = middle - 1;
        }
      }
      return low;
    }

    private boolean isSafe(int animals, int day) {
      Scenario stocked = scenario.with(stocked(animals));
      TankSimulator simulator = TankSimulator.quick(stocked);
      Trace trace = new Trace(stocked);
      int over = 0;
      for (int i = 0; i < states.size(); i++) {
        TankState state = states.get(i).copy();
        simulator.run(
            state,
            day,
            day + LOOKED_AHEAD_DAYS,
            posterior.draws().get(i).multipliers(),
            PlannedChanges.NONE,
            trace);
        for (int d = day; d < day + LOOKED_AHEAD_DAYS; d++) {
          if (!FilterReady.isSafe(safe, trace, d)) {
            over++;
            break;
          }
        }
      }
      return over <= (1 - SURE) * states.size();
    }

    void goOn(int animals, int from, int to) {
      Scenario stocked = scenario.with(stocked(animals));
      TankSimulator simulator = TankSimulator.quick(stocked);
      Trace trace = new Trace(stocked);
      for (int i = 0; i < states.size(); i++) {
        simulator.run(
            states.get(i),
            from,
            to,
            posterior.draws().get(i).multipliers(),
            PlannedChanges.NONE,
            trace);
      }
    }

    /** The tank with so many animals more, fed on dry food, from the as-of day on. */
    private TankModel stocked(int animals) {
      TankModel tank = scenario.tank();
      if (animals == 0) {
        return tank;
      }
      Span span = new Span(scenario.date(scenario.asOfDay()), Optional.empty());
      List<Livestock> livestock = new ArrayList<>(tank.livestock());
      livestock.add(new Livestock(EXTRA, animals, massG, Stage.ADULT, span));
      List<Food> foods = new ArrayList<>(tank.foods());
      foods.add(Food.of(EXTRA, FoodForm.DRY));
      List<Feeding> feeding = new ArrayList<>(tank.feeding());
      feeding.add(
          new Feeding(EXTRA, RATION * animals * massG, 7, Feeding.DEFAULT_UNEATEN_FRACTION, span));
      return tank.withFoods(foods).withLivestock(livestock).withFeeding(feeding);
    }
  }
}
