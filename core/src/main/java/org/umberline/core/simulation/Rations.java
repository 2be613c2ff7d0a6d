package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.umberline.core.balance.AnimalBody;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.Retention;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Livestock;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** What food and animals bring on each day, before any multiplier. */
final class Rations {
  /** What the ration of each day brings. */
  final FeedNutrients[] food;

  /** What each food of the tank brings, mg N, {@code [food][day]}, extra feeds included. */
  final double[][] nitrogenOfFood;

  /** The same in mg P. */
  final double[][] phosphorusOfFood;

  /** What fasting animals and corpses give off, mg N a day. */
  final double[] animalNitrogen;

  /** The same in mg P. */
  final double[] animalPhosphorus;

  private record Portion(Food food, double grams, double uneaten) {}

  private final Days days;
  private final TankModel tank;

  Rations(Days days, List<LogEntry> entries) {
    this.days = days;
    tank = days.tank;
    food = new FeedNutrients[days.count];
    nitrogenOfFood = new double[tank.foods().size()][days.count];
    phosphorusOfFood = new double[tank.foods().size()][days.count];
    animalNitrogen = new double[days.count];
    animalPhosphorus = new double[days.count];
    layOut(fastingDays(entries), extraFeedHabits());
  }

  private boolean[] fastingDays(List<LogEntry> entries) {
    boolean[] fasting = new boolean[days.count];
    for (LogEntry entry : entries) {
      if (entry instanceof LogEntry.Fast fast) {
        int first = (int) days.timeOf(fast);
        Arrays.fill(fasting, first, Math.min(days.count, first + fast.days()), true);
      }
    }
    return fasting;
  }

  private Map<String, Double> extraFeedHabits() {
    Map<String, Double> gramsPerDay = new HashMap<>();
    double habit = 1.0 / days.habitDays();
    for (LogEntry entry : days.habitEntries()) {
      if (entry instanceof LogEntry.Feed feed) {
        gramsPerDay.merge(feed.food(), feed.grams() * habit, Double::sum);
      }
    }
    return gramsPerDay;
  }

  private void layOut(boolean[] fasting, Map<String, Double> extraGramsPerDay) {
    double[] grown = new double[tank.livestock().size()];
    Arrays.fill(grown, 1);
    for (int day = 0; day < days.count; day++) {
      List<Livestock> animals = new ArrayList<>();
      for (int i = 0; i < grown.length; i++) {
        Livestock animal = tank.livestock().get(i);
        if (days.covers(animal.span(), day)) {
          animals.add(animal.grown(grown[i]));
        }
      }
      if (fasting[day]) {
        food[day] = FeedNutrients.NONE;
        animalNitrogen[day] +=
            AnimalBody.FASTING_NITROGEN_MG_PER_G_DAY
                * animals.stream().mapToDouble(Livestock::totalMassG).sum();
        continue;
      }
      List<Portion> portions = portions(day, extraGramsPerDay);
      food[day] = nutrients(portions, animals);
      for (Portion portion : portions) {
        addToFood(day, portion.food, portion.grams);
      }
      growAnimals(food[day], animals, grown, day);
    }
  }

  private List<Portion> portions(int day, Map<String, Double> extraGramsPerDay) {
    List<Portion> portions = new ArrayList<>();
    for (Feeding feeding : tank.feeding()) {
      if (days.covers(feeding.span(), day)) {
        portions.add(
            new Portion(
                tank.foodById(feeding.food()), feeding.gramsPerDay(), feeding.uneatenFraction()));
      }
    }
    if (day > days.asOf) {
      extraGramsPerDay.forEach(
          (id, grams) ->
              portions.add(
                  new Portion(tank.foodById(id), grams, Feeding.DEFAULT_UNEATEN_FRACTION)));
    }
    return portions;
  }

  private static FeedNutrients nutrients(List<Portion> portions, List<Livestock> animals) {
    Retention nothing = new Retention(0, 0);
    double nitrogenEaten = 0;
    double phosphorusEaten = 0;
    for (Portion portion : portions) {
      FeedNutrients whole = FeedNutrients.of(portion.food, portion.grams, 0, nothing);
      nitrogenEaten += whole.nitrogen() * (1 - portion.uneaten);
      phosphorusEaten += whole.phosphorus() * (1 - portion.uneaten);
    }
    Retention kept = Retention.of(animals, nitrogenEaten, phosphorusEaten);
    FeedNutrients sum = FeedNutrients.NONE;
    for (Portion portion : portions) {
      sum = sum.plus(FeedNutrients.of(portion.food, portion.grams, portion.uneaten, kept));
    }
    return sum;
  }

  private void addToFood(int day, Food of, double grams) {
    FeedNutrients whole = FeedNutrients.whole(of, grams);
    int index = tank.foods().indexOf(of);
    nitrogenOfFood[index][day] += whole.nitrogen();
    phosphorusOfFood[index][day] += whole.phosphorus();
  }

  /** What the animals keep is their growth, shared by what each could grow. */
  private void growAnimals(FeedNutrients eaten, List<Livestock> animals, double[] grown, int day) {
    double could =
        animals.stream().mapToDouble(a -> a.totalMassG() * a.stage().greatestGrowthPerDay()).sum();
    if (could == 0) {
      return;
    }
    double share = Math.min(1, eaten.nitrogenKept() / AnimalBody.NITROGEN_MG_PER_G / could);
    for (int i = 0; i < grown.length; i++) {
      Livestock animal = tank.livestock().get(i);
      if (days.covers(animal.span(), day)) {
        grown[i] *= 1 + share * animal.stage().greatestGrowthPerDay();
      }
    }
  }

  /** What a feed besides the ration brings. */
  FeedNutrients extra(LogEntry.Feed feed) {
    Food of = tank.foodById(feed.food());
    addToFood((int) days.timeOf(feed), of, feed.grams());
    return FeedNutrients.of(of, feed.grams(), Feeding.DEFAULT_UNEATEN_FRACTION, Retention.ADULT);
  }

  /** A corpse gives off its nitrogen and phosphorus day by day until it is taken out. */
  void add(LogEntry.Death death) {
    double time = days.timeOf(death);
    double removed = time + death.removedAfterHours() / 24;
    for (int day = (int) time; day < Math.min(days.count, removed); day++) {
      double share =
          AnimalBody.decayed(Math.max(day, time) - time, Math.min(day + 1, removed) - time);
      animalNitrogen[day] += share * death.massG() * AnimalBody.NITROGEN_MG_PER_G;
      animalPhosphorus[day] += share * death.massG() * AnimalBody.PHOSPHORUS_MG_PER_G;
    }
  }
}
