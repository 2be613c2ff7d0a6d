package org.umberline.core.planning;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.Lever;
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
  private static final double WEEKS_4 = 28;

  /** Pulled together these would be the same thing twice. */
  private static final Set<Lever> BY_FOOD = Set.of(Lever.FEED, Lever.ANIMALS);

  private final TankModel tank;
  private final Posterior posterior;
  private final Lines lines;
  private final int daysAhead;
  private final double everyDays;

  /**
   * @param lines that are judged
   * @param everyDays interval of the advised routine; empty where none is
   */
  HelpSearch(TankModel tank, Posterior posterior, Lines lines, Optional<Double> everyDays) {
    this.tank = tank;
    this.posterior = posterior;
    this.lines = lines;
    daysAhead =
        Math.min(
            Advisor.DAYS_JUDGED, posterior.scenario().days() - posterior.scenario().asOfDay() - 1);
    this.everyDays =
        everyDays.orElse(tank.routine().map(Routine::everyDays).orElse(USUAL_INTERVAL_DAYS));
  }

  /** The share that is enough in a tank that goes on otherwise; 0 for none, empty where none is. */
  private OptionalDouble enough(TankModel changed) {
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
            judged, promise, posterior.scenario().asOfDay() + 1, single, tooRich, Optional.empty());
    if (search.noneNeeded()) {
      return OptionalDouble.of(0);
    }
    ChangeSearch.Found found = search.find(everyDays);
    return found.feasible() ? OptionalDouble.of(found.fraction()) : OptionalDouble.empty();
  }

  private Advice.Help pulled(Levers.Pull pull, Optional<Advice.Pulled> and, List<Try> tries) {
    OptionalDouble enough =
        enough(
            Try.apply(
                tank,
                posterior.scenario().date(posterior.scenario().asOfDay()),
                daysAhead,
                tries));
    double fraction = enough.orElse(0);
    return new Advice.Help(
        pull.pulled(),
        and,
        pull.nutrient(),
        enough,
        everyDays,
        fraction <= 0
            ? 0
            : WEEKS_4 / everyDays * tank.effort().minutes(fraction * tank.netVolumeL()),
        tries);
  }

  /**
   * @param nutrient whose ceiling binds
   * @param today the changes without any lever
   * @param renewalPlanned whether the plan renews the adsorber already
   */
  List<Advice.Help> all(
      Nutrient nutrient, Optional<ChangeSearch.Found> today, boolean renewalPlanned) {
    if (daysAhead < DAYS_PER_WEEK) {
      return List.of();
    }
    double without =
        today.map(ChangeSearch.Found::fraction).orElse(Double.POSITIVE_INFINITY) - 1e-9;
    boolean phosphate = Nutrient.PHOSPHATE.line(lines).ceilingMgL().isPresent();
    List<Advice.Help> helps = new ArrayList<>();
    List<Levers.Pull> pulls =
        new ArrayList<>(Levers.of(tank, posterior, nutrient, phosphate, renewalPlanned));
    boolean feedHelps = true;
    for (Levers.Pull pull : pulls) {
      boolean feed = pull.pulled().lever() == Lever.FEED;
      // where a third less food does nothing, a tenth does nothing
      if (feed && !feedHelps) {
        continue;
      }
      Advice.Help help = pulled(pull, Optional.empty(), pull.tries());
      // a lever that leaves as much to change helps nothing
      if (help.fraction().isPresent() && help.fraction().getAsDouble() < without) {
        helps.add(help);
      } else if (feed) {
        feedHelps = false;
      }
    }
    Comparator<Advice.Help> best =
        Comparator.comparing((Advice.Help help) -> help.forNutrient() != nutrient)
            .thenComparing(help -> help.fraction().getAsDouble())
            .thenComparing(help -> Math.abs(help.first().amount()));
    // a harder pull that leaves as much as a gentler one is none
    List<Advice.Help> all = List.copyOf(helps);
    helps.removeIf(help -> all.stream().anyMatch(other -> isGentler(other, help)));
    helps.sort(best);
    pair(helps, pulls).ifPresent(helps::add);
    return List.copyOf(helps);
  }

  private static boolean isGentler(Advice.Help one, Advice.Help other) {
    return one.first().lever() == other.first().lever()
        && one.first().of().equals(other.first().of())
        && Math.abs(one.first().amount()) < Math.abs(other.first().amount())
        && one.fraction().getAsDouble() <= other.fraction().getAsDouble() + 1e-9;
  }

  /** The two best together, where that leaves less than the better of them. */
  private Optional<Advice.Help> pair(List<Advice.Help> helps, List<Levers.Pull> pulls) {
    if (helps.isEmpty() || helps.get(0).fraction().getAsDouble() <= 0) {
      return Optional.empty();
    }
    Advice.Help one = helps.get(0);
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
          Advice.Help pair = pulled(pull, Optional.of(two.first()), both);
          double better = one.fraction().getAsDouble();
          return pair.fraction().isPresent() && pair.fraction().getAsDouble() < better - 1e-9
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
    return enough(tank.withChangeWater(new Blend(parts)));
  }
}
