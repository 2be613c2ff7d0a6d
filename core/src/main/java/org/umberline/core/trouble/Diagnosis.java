package org.umberline.core.trouble;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Look;
import org.umberline.core.tank.WaterKind;

/**
 * What a sign comes from in this tank: causes weighed by Bayes' rule, each clue as far as it is
 * known. Clues count as independent of one another beside their cause.
 *
 * @param candidates the likeliest first, what nobody thought of last; their chances add up to one
 * @param asks tests and looks that would tell them apart, the most telling first
 */
public record Diagnosis(String sign, List<Candidate> candidates, List<Ask> asks) {
  /** A clue counts for or against from this on, as a logarithm of the odds. Chosen. */
  private static final double SPEAKS = 0.25;

  /** Of each side no more are told. */
  private static final int MOST_TOLD = 3;

  /** A test or look is worth it from so many bits on. Chosen. */
  private static final double WORTH_ASKING_BITS = 0.04;

  /** Causes that a clue goes with as differently as this are told apart by it. Chosen. */
  private static final double TELLS = 0.2;

  /** Nothing is asked any more of what is as good as known. */
  private static final double KNOWN = 0.93;

  /**
   * @param speaksFor clues that make it likelier, the strongest first
   * @param against clues that make it less likely
   */
  public record Candidate(Cause cause, double chance, List<Found> speaksFor, List<Found> against) {}

  /**
   * A test or a look.
   *
   * @param clue what it settles
   * @param bits how much it is expected to tell of the cause
   */
  public record Ask(Clue clue, double bits) {
    public Optional<Analyte> test() {
      return clue.test();
    }
  }

  /**
   * @param water of the tank: some things hardly ever happen in one kind of water
   * @param found what is known of the tank; a clue that is missing is unknown
   */
  public static Diagnosis of(String sign, WaterKind water, List<Found> found) {
    Map<Cause, Double> before = new EnumMap<>(Cause.class);
    before.putAll(Likelihoods.ofSign(sign));
    before.replaceAll((cause, weight) -> weight * Likelihoods.in(water, cause));
    before.put(Cause.OTHER, Likelihoods.other());
    Map<Cause, Double> after = weighed(before, found);
    List<Candidate> candidates = new ArrayList<>();
    after.forEach((cause, chance) -> candidates.add(candidate(cause, chance, after, found)));
    candidates.sort(
        Comparator.comparing((Candidate candidate) -> candidate.cause == Cause.OTHER)
            .thenComparingDouble(candidate -> -candidate.chance));
    return new Diagnosis(sign, List.copyOf(candidates), asks(before, found, after));
  }

  private static Map<Cause, Double> weighed(Map<Cause, Double> before, List<Found> found) {
    Map<Cause, Double> weights = new EnumMap<>(Cause.class);
    before.forEach(
        (cause, weight) -> {
          double product = weight;
          for (Found clue : found) {
            product *= likelihood(clue, cause);
          }
          weights.put(cause, product);
        });
    double sum = weights.values().stream().mapToDouble(Double::doubleValue).sum();
    weights.replaceAll((cause, weight) -> weight / sum);
    return weights;
  }

  /** How well a cause goes with a clue that may or may not be so. */
  private static double likelihood(Found found, Cause cause) {
    double with = Likelihoods.chance(found.clue(), cause);
    return found.chance() * with + (1 - found.chance()) * (1 - with);
  }

  private static Candidate candidate(
      Cause cause, double chance, Map<Cause, Double> all, List<Found> found) {
    record Weight(Found found, double odds) {}
    List<Weight> weights = new ArrayList<>();
    for (Found clue : found) {
      double others = 0;
      double sum = 0;
      for (Map.Entry<Cause, Double> other : all.entrySet()) {
        if (other.getKey() != cause) {
          others += other.getValue() * likelihood(clue, other.getKey());
          sum += other.getValue();
        }
      }
      if (sum > 0) {
        weights.add(new Weight(clue, Math.log(likelihood(clue, cause) * sum / others)));
      }
    }
    weights.sort(Comparator.comparingDouble(weight -> -Math.abs(weight.odds)));
    return new Candidate(
        cause,
        chance,
        told(weights.stream().filter(w -> w.odds > SPEAKS).map(w -> w.found).toList()),
        told(weights.stream().filter(w -> w.odds < -SPEAKS).map(w -> w.found).toList()));
  }

  /** The strongest few, one of each analyte. */
  private static List<Found> told(List<Found> clues) {
    Set<Analyte> named = EnumSet.noneOf(Analyte.class);
    return clues.stream()
        .filter(found -> found.clue().test().map(named::add).orElse(true))
        .limit(MOST_TOLD)
        .toList();
  }

  /** Tests and looks that aren't settled yet; of two that one test settles the more telling one. */
  private static List<Ask> asks(
      Map<Cause, Double> before, List<Found> found, Map<Cause, Double> after) {
    List<Ask> asks = new ArrayList<>();
    for (Clue clue : Clue.values()) {
      if (clue.test().isEmpty() && clue.yes().isEmpty()) {
        continue;
      }
      Optional<Found> known = found.stream().filter(f -> f.clue() == clue).findFirst();
      if (known.filter(f -> Math.max(f.chance(), 1 - f.chance()) > KNOWN).isEmpty()) {
        double bits = bits(before, found, after, clue, known);
        if (bits >= WORTH_ASKING_BITS) {
          asks.add(new Ask(clue, bits));
        }
      }
    }
    asks.sort(Comparator.comparingDouble(ask -> -ask.bits));
    Set<Analyte> asked = EnumSet.noneOf(Analyte.class);
    return asks.stream().filter(a -> a.test().isEmpty() || asked.add(a.test().get())).toList();
  }

  /** What knowing the clue is expected to take off the doubt about the cause. */
  private static double bits(
      Map<Cause, Double> before,
      List<Found> found,
      Map<Cause, Double> after,
      Clue clue,
      Optional<Found> known) {
    List<Found> others = found.stream().filter(f -> f.clue() != clue).toList();
    Map<Cause, Double> without = weighed(before, others);
    double expected =
        without.entrySet().stream()
            .mapToDouble(cause -> cause.getValue() * Likelihoods.chance(clue, cause.getKey()))
            .sum();
    double chance = known.map(Found::chance).orElse(expected);
    return doubt(after)
        - chance * doubt(weighed(before, with(others, Found.of(clue, true))))
        - (1 - chance) * doubt(weighed(before, with(others, Found.of(clue, false))));
  }

  private static List<Found> with(List<Found> others, Found one) {
    List<Found> all = new ArrayList<>(others);
    all.add(one);
    return all;
  }

  /** Shannon's entropy, bits. */
  private static double doubt(Map<Cause, Double> chances) {
    return chances.values().stream()
        .filter(chance -> chance > 0)
        .mapToDouble(chance -> -chance * Math.log(chance) / Math.log(2))
        .sum();
  }

  /** What to look at where {@code sign} is seen: whatever tells its causes apart. */
  public static List<Look> looks(String sign) {
    Set<Cause> causes = Likelihoods.ofSign(sign).keySet();
    List<Look> looks = new ArrayList<>();
    for (Clue clue : Clue.values()) {
      double[] chances = causes.stream().mapToDouble(c -> Likelihoods.chance(clue, c)).toArray();
      if (Arrays.stream(chances).max().orElse(0) - Arrays.stream(chances).min().orElse(0) < TELLS) {
        continue;
      }
      if (clue == Clue.ON_GLASS_ONLY) {
        looks.addAll(Clues.PLACES);
      }
      clue.yes().ifPresent(looks::add);
      clue.no().ifPresent(looks::add);
    }
    return List.copyOf(looks);
  }
}
