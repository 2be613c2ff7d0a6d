package org.umberline.core.trouble;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.balance.CarbonDosing;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Levels;
import org.umberline.core.quantity.Nitrate;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.quantity.Phosphate;
import org.umberline.core.quantity.Phosphorus;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.Food;
import org.umberline.core.tank.Stage;
import org.umberline.core.tank.TankModel;

/**
 * Nitrate and phosphate read together: which of them is short or much beside the other. Common
 * practice, no source.
 *
 * @param reading the likeliest
 * @param chance that it is so
 * @param nitrateMgL median of the draws; phosphate likewise
 * @param perPhosphate mg/L of nitrate for each mg/L of phosphate; what plants and algae take is
 *     about {@link #REDFIELD}; empty where there is hardly any phosphate
 * @param matters whether anything grows here that needs them; where nothing does only too much
 *     counts
 * @param plan how to feed then
 */
public record NutrientPair(
    Reading reading,
    double chance,
    double nitrateMgL,
    double phosphateMgL,
    OptionalDouble perPhosphate,
    boolean matters,
    Optional<FeedingPlan> plan) {
  /** mg NO3 for each mg PO4 where there are 16 atoms of N for one of P. */
  public static final double REDFIELD =
      Nitrate.of(new Nitrogen(CarbonDosing.NITROGEN_PER_PHOSPHORUS)).mgPerLitre()
          / Phosphate.of(new Phosphorus(1)).mgPerLitre();

  /** Of less phosphate a ratio says nothing, mg/L. Chosen. */
  private static final double LEAST_MG_L = 0.01;

  /** What the two say. */
  public enum Reading {
    BALANCED,
    BOTH_LOW,
    /** Nitrate near nothing beside phosphate. */
    NITROGEN_SHORT,
    /** Phosphate near nothing beside nitrate. */
    PHOSPHORUS_SHORT,
    BOTH_HIGH
  }

  /** Feeding a fifth less, or a quarter more. Common practice, no source. */
  private static final double LESS = 0.8;

  private static final double MORE = 1.25;

  /** Days on which adult animals are fed where less should come in. */
  private static final List<DayOfWeek> EVERY_OTHER =
      List.of(DayOfWeek.MONDAY, DayOfWeek.WEDNESDAY, DayOfWeek.FRIDAY, DayOfWeek.SUNDAY);

  /**
   * How to feed in a week.
   *
   * @param days on which is fed
   * @param times of the ration of a day as it is now
   * @param food that is fed more than the others; empty where the mixture stays
   */
  public record FeedingPlan(List<DayOfWeek> days, double times, Optional<Food> food) {}

  /** The reading of a tank as of the end of its as-of day. */
  public static NutrientPair of(TankModel tank, Levels levels, LocalDate today) {
    double lowN = Clues.low(tank, Nutrient.NITRATE);
    double lowP = Clues.low(tank, Nutrient.PHOSPHATE);
    double highN = Clues.high(tank, Nutrient.NITRATE);
    double highP = Clues.high(tank, Nutrient.PHOSPHATE);
    Map<Reading, Double> chances = new EnumMap<>(Reading.class);
    chances.put(Reading.BOTH_LOW, levels.chance((n, p) -> n < lowN && p < lowP));
    chances.put(Reading.NITROGEN_SHORT, levels.chance((n, p) -> n < lowN && p >= lowP));
    chances.put(Reading.PHOSPHORUS_SHORT, levels.chance((n, p) -> n >= lowN && p < lowP));
    chances.put(Reading.BOTH_HIGH, levels.chance((n, p) -> n > highN && p > highP));
    chances.put(
        Reading.BALANCED, 1 - chances.values().stream().mapToDouble(Double::doubleValue).sum());
    Map.Entry<Reading, Double> likeliest =
        chances.entrySet().stream().max(Map.Entry.comparingByValue()).orElseThrow();
    double nitrate = levels.now(Nutrient.NITRATE);
    double phosphate = levels.now(Nutrient.PHOSPHATE);
    boolean grows =
        !tank.plants().isEmpty()
            || tank.lines().nitrate().floorMgL().orElse(0) > 0
            || tank.lines().phosphate().floorMgL().orElse(0) > 0;
    boolean matters = grows || likeliest.getKey() == Reading.BOTH_HIGH;
    return new NutrientPair(
        likeliest.getKey(),
        likeliest.getValue(),
        nitrate,
        phosphate,
        phosphate < LEAST_MG_L ? OptionalDouble.empty() : OptionalDouble.of(nitrate / phosphate),
        matters,
        matters ? plan(likeliest.getKey(), tank, today) : Optional.empty());
  }

  private static Optional<FeedingPlan> plan(Reading reading, TankModel tank, LocalDate today) {
    List<Food> foods =
        tank.feeding().stream()
            .filter(feeding -> feeding.gramsPerDay() > 0 && feeding.span().contains(today))
            .map(Feeding::food)
            .distinct()
            .map(tank::foodById)
            .toList();
    if (foods.isEmpty()) {
      return Optional.empty();
    }
    boolean young =
        tank.livestock().stream()
            .anyMatch(animals -> animals.stage() != Stage.ADULT && animals.span().contains(today));
    List<DayOfWeek> daily = List.of(DayOfWeek.values());
    Comparator<Food> byNitrogen = Comparator.comparingDouble(NutrientPair::nitrogenPerPhosphorus);
    return switch (reading) {
      case BALANCED -> Optional.empty();
      case BOTH_HIGH ->
          Optional.of(
              young
                  ? new FeedingPlan(daily, LESS, Optional.empty())
                  : new FeedingPlan(EVERY_OTHER, 1, Optional.empty()));
      case BOTH_LOW -> Optional.of(new FeedingPlan(daily, MORE, Optional.empty()));
      case NITROGEN_SHORT -> better(foods.stream().max(byNitrogen), foods, daily);
      case PHOSPHORUS_SHORT -> better(foods.stream().min(byNitrogen), foods, daily);
    };
  }

  /** Nothing is better where only one food is fed. */
  private static Optional<FeedingPlan> better(
      Optional<Food> food, List<Food> foods, List<DayOfWeek> days) {
    return foods.size() < 2 ? Optional.empty() : Optional.of(new FeedingPlan(days, 1, food));
  }

  private static double nitrogenPerPhosphorus(Food food) {
    FeedNutrients whole = FeedNutrients.whole(food, 1);
    return whole.nitrogen() / whole.phosphorus();
  }
}
