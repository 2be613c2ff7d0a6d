package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.planning.Advice.Lever;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/**
 * What else would help: each lever is pulled in the same draws and the changes are looked for anew.
 * What helps the line that binds comes first.
 */
final class HelpSearch {
  /** A blend's share is worked out in steps of a twentieth. */
  private static final int BLEND_STEPS = 20;

  private static final double USUAL_INTERVAL_DAYS = 7;
  private static final int DAYS_PER_WEEK = 7;

  /** A lever that lowers the level by such a share is worth naming though it isn't enough. */
  private static final double LOWERS = 0.1;

  private static final int MOST_OF_THEM = 3;
  private static final double ROUNDING = 1e-9;

  /** Pulled together these would be the same thing twice. */
  private static final Set<Lever> BY_FOOD = Set.of(Lever.FEED, Lever.ANIMALS);

  private final TankModel tank;
  private final Posterior posterior;
  private final Lines lines;
  private final int daysAhead;
  private final Optional<Found> chosen;
  private final double everyDays;
  private final PlanDays days;

  /**
   * @param lines that are judged
   * @param chosen the advised routine; empty where none is
   * @param days on which changes fall
   */
  HelpSearch(
      TankModel tank, Posterior posterior, Lines lines, Optional<Found> chosen, PlanDays days) {
    this.days = days;
    this.tank = tank;
    this.posterior = posterior;
    this.lines = lines;
    this.chosen = chosen;
    daysAhead =
        Math.min(
            Advisor.DAYS_JUDGED, posterior.scenario().days() - posterior.scenario().asOfDay() - 1);
    this.everyDays =
        chosen
            .map(Found::everyDays)
            .or(() -> tank.routine().map(Routine::everyDays))
            .orElse(USUAL_INTERVAL_DAYS);
  }

  /**
   * What is enough in a tank that goes on otherwise.
   *
   * @param fraction 0 for no change, empty where none is enough
   * @param ahead the draws in that tank
   */
  private record Enough(OptionalDouble fraction, double everyDays, Posterior ahead) {}

  private Enough enough(TankModel changed) {
    Posterior ahead = posterior.goingOnAs(changed);
    TankModel judged = changed.withLines(lines);
    Levels levels = new Levels(judged, ahead);
    Promise promise = new Promise(ahead, lines, tank.limits().confidence(), daysAhead);
    SingleChange single =
        SingleChange.largest(
            judged, levels.now(Nutrient.NITRATE), levels.ofChangeWater(Nutrient.NITRATE));
    boolean tooRich =
        levels.sourceTooRich(Nutrient.NITRATE) || levels.sourceTooRich(Nutrient.PHOSPHATE);
    ChangeSearch search =
        new ChangeSearch(
            judged,
            promise,
            days,
            single,
            tooRich,
            levels.changesDownTo(lines, single.largestFraction()),
            Optional.empty());
    if (search.noneNeeded()) {
      return new Enough(OptionalDouble.of(0), everyDays, ahead);
    }
    search.askShareAlone(chosen);
    Found own = search.find(everyDays);
    // with all changes on the days that are advised a lever never leaves more than without it
    Found found = chosen.flatMap(plan -> search.lessOnTheDaysOf(plan, own)).orElse(own);
    if (!found.feasible()) {
      return new Enough(OptionalDouble.empty(), everyDays, ahead);
    }
    // less would do than anybody changes: more of it, less often
    if (found.fraction() <= search.leastShare() && everyDays != Advisor.WEEKS_4) {
      Found seldom = search.find(Advisor.WEEKS_4);
      found = seldom.feasible() ? seldom : found;
    }
    return new Enough(OptionalDouble.of(found.fraction()), found.everyDays(), ahead);
  }

  /** Median level of a nutrient after four weeks, or at the end of the days, without a change. */
  private double later(Posterior ahead, Nutrient nutrient) {
    int days = Math.min((int) Advisor.WEEKS_4, daysAhead);
    return Projection.of(ahead, days, PlannedChanges.NONE).medianHigh(nutrient, days - 1);
  }

  private record Tried(Advice.Help help, Posterior ahead) {}

  /** One that is not enough, and the level to which it brings its nutrient all the same. */
  private record Lowered(Advice.Help help, double levelMgL) {}

  private Tried pulled(Levers.Pull pull, Optional<Advice.Pulled> and, List<Try> tries) {
    Enough enough =
        enough(
            Try.apply(
                tank, posterior.scenario().date(posterior.scenario().asOfDay()), daysAhead, tries));
    double fraction = enough.fraction.orElse(0);
    Advice.Help help =
        new Advice.Help(
            pull.pulled(),
            and,
            pull.nutrient(),
            enough.fraction,
            enough.everyDays,
            fraction <= 0
                ? 0
                : Advisor.WEEKS_4
                    / enough.everyDays
                    * tank.effort().minutes(fraction * tank.netVolumeL()),
            tries);
    return new Tried(help, enough.ahead);
  }

  /**
   * @param nutrient whose ceiling binds
   * @param today the changes without any lever
   * @param renewalPlanned whether the plan renews the adsorber already
   */
  List<Advice.Help> all(Nutrient nutrient, Optional<Found> today, boolean renewalPlanned) {
    if (daysAhead < DAYS_PER_WEEK) {
      return List.of();
    }
    double without =
        today.map(f -> f.fraction() / f.everyDays()).orElse(Double.POSITIVE_INFINITY) - ROUNDING;
    boolean phosphate = Nutrient.PHOSPHATE.line(lines).ceilingMgL().isPresent();
    List<Levers.Pull> pulls = Levers.of(tank, posterior, nutrient, phosphate, renewalPlanned);
    List<Advice.Help> helps = new ArrayList<>();
    List<Tried> notEnough = new ArrayList<>();
    for (Tried tried : tried(pulls, without)) {
      if (tried.help.fraction().isEmpty()) {
        notEnough.add(tried);
      } else if (perDay(tried.help) < without) {
        helps.add(tried.help);
      }
    }
    // a harder pull that leaves as much as a gentler one is none
    List<Advice.Help> all = List.copyOf(helps);
    helps.removeIf(help -> all.stream().anyMatch(other -> isGentler(other, help)));
    helps.sort(
        Comparator.comparing((Advice.Help help) -> help.forNutrient() != nutrient)
            .thenComparing(HelpSearch::perDay)
            .thenComparing(help -> Math.abs(help.first().amount())));
    if (!helps.isEmpty()) {
      pair(helps, pulls).ifPresent(helps::add);
    } else if (today.isEmpty()) {
      helps.addAll(mostOf(notEnough, nutrient));
    }
    return List.copyOf(helps);
  }

  /**
   * Each lever by itself, side by side; less food as long as the more of it did something.
   *
   * @param without what is changed a day without any lever: one that leaves as much helps nothing
   */
  private List<Tried> tried(List<Levers.Pull> pulls, double without) {
    Predicate<Levers.Pull> isFood = pull -> pull.pulled().lever() == Lever.FEED;
    List<List<Levers.Pull>> pieces = new ArrayList<>();
    pieces.add(pulls.stream().filter(isFood).toList());
    pulls.stream().filter(isFood.negate()).map(List::of).forEach(pieces::add);
    List<List<Tried>> tried =
        pieces.stream().map(piece -> (List<Tried>) new ArrayList<Tried>()).toList();
    posterior
        .workers()
        .each(pieces.size(), i -> tryUntilNoneHelps(pieces.get(i), without, tried.get(i)));
    return tried.stream().flatMap(List::stream).toList();
  }

  private void tryUntilNoneHelps(List<Levers.Pull> pulls, double without, List<Tried> tried) {
    for (Levers.Pull pull : pulls) {
      Tried one = pulled(pull, Optional.empty(), pull.tries());
      tried.add(one);
      if (one.help.fraction().isEmpty() || perDay(one.help) >= without) {
        return;
      }
    }
  }

  /** Where nothing alone is enough: what lowers the level most, and the two best together. */
  private List<Advice.Help> mostOf(List<Tried> notEnough, Nutrient nutrient) {
    double alone = later(posterior, nutrient);
    return notEnough.stream()
        .map(tried -> new Lowered(tried.help, later(tried.ahead, tried.help.forNutrient())))
        .filter(
            lowered ->
                lowered.help.forNutrient() != nutrient || lowered.levelMgL < (1 - LOWERS) * alone)
        .sorted(
            Comparator.comparing((Lowered lowered) -> lowered.help.forNutrient() != nutrient)
                .thenComparingDouble(Lowered::levelMgL))
        .limit(MOST_OF_THEM)
        .map(Lowered::help)
        .toList();
  }

  private static double perDay(Advice.Help help) {
    return help.fraction().getAsDouble() / help.everyDays();
  }

  private static boolean isGentler(Advice.Help one, Advice.Help other) {
    return one.first().lever() == other.first().lever()
        && one.first().of().equals(other.first().of())
        && Math.abs(one.first().amount()) < Math.abs(other.first().amount())
        && perDay(one) <= perDay(other) + ROUNDING;
  }

  /** The two best together, where that leaves less than the better of them. */
  private Optional<Advice.Help> pair(List<Advice.Help> helps, List<Levers.Pull> pulls) {
    Advice.Help one = helps.get(0);
    if (perDay(one) <= 0) {
      return Optional.empty();
    }
    Optional<Advice.Help> other =
        helps.stream()
            .filter(help -> !alike(help.first().lever(), one.first().lever()))
            .findFirst();
    return other.flatMap(
        two -> {
          List<Try> both = new ArrayList<>(one.tries());
          both.addAll(two.tries());
          Levers.Pull pull =
              pulls.stream().filter(p -> p.pulled().equals(one.first())).findFirst().orElseThrow();
          Advice.Help pair = pulled(pull, Optional.of(two.first()), both).help;
          return pair.fraction().isPresent() && perDay(pair) < perDay(one) - ROUNDING
              ? Optional.of(pair)
              : Optional.empty();
        });
  }

  private static boolean alike(Lever one, Lever other) {
    return one == other || BY_FOOD.contains(one) && BY_FOOD.contains(other);
  }

  // ---------------------------------------------------------------- other water

  /** For each other water, the least share of it that makes a routine possible. */
  List<Advice.Blended> blends() {
    List<Advice.Blended> blends = new ArrayList<>();
    for (SourceWater water : Levers.otherWaters(tank)) {
      if (fractionWith(water, BLEND_STEPS).isEmpty()) {
        continue;
      }
      int low = 0;
      int high = BLEND_STEPS;
      while (high - low > 1) {
        int middle = (low + high) / 2;
        if (fractionWith(water, middle).isPresent()) {
          high = middle;
        } else {
          low = middle;
        }
      }
      blends.add(
          new Advice.Blended(
              water.id(),
              high / (double) BLEND_STEPS,
              fractionWith(water, high).getAsDouble(),
              everyDays));
    }
    return List.copyOf(blends);
  }

  private OptionalDouble fractionWith(SourceWater water, int steps) {
    double share = steps / (double) BLEND_STEPS;
    List<Blend.Part> parts = new ArrayList<>();
    double others = 0;
    for (Blend.Part part : tank.changeWater().parts()) {
      if (!part.water().equals(water.id()) && share < 1) {
        parts.add(new Blend.Part(part.water(), part.share() * (1 - share)));
        others += part.share() * (1 - share);
      }
    }
    parts.add(new Blend.Part(water.id(), 1 - others));
    return enough(tank.withChangeWater(new Blend(parts))).fraction;
  }
}
