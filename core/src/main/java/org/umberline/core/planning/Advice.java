package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Term;

/**
 * What to do with a tank: said once, shown everywhere. Numbers and typed reasons, no sentences.
 *
 * @param asOf the day it is given on
 * @param catchUp changes that are made once, in order, before any routine; the first may be today
 * @param recommended the routine after them; empty when none is needed or possible
 * @param binding the line that keeps the changes from being smaller or fewer
 * @param options the smallest sufficient change for each interval
 * @param ways the keeper's own routine and others beside it, on the same draws
 * @param helps what else would help, each with the routine that it leaves
 * @param blends where no routine is possible, the shares of another water that make one so
 * @param work what is to be done besides, by the plan or by habit, in order of its days
 * @param asks tests that could change the advice, the most telling first
 * @param remarks what else is to be known
 */
public record Advice(
    LocalDate asOf,
    Today today,
    List<Step> catchUp,
    Optional<Recommended> recommended,
    Optional<Binding> binding,
    List<Option> options,
    List<Way> ways,
    List<Help> helps,
    List<Blended> blends,
    List<DueWork> work,
    List<Ask> asks,
    List<Reason> remarks) {

  /** What leads today, the gravest first. */
  public enum Verdict implements Term {
    ACT_NOW("act-now"),
    TEST_FIRST("test-first"),
    CHANGE("change"),
    SKIP("skip"),
    STUCK("stuck");

    private final String term;

    Verdict(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /**
   * @param fraction share of the net volume to change today; empty when none is to be
   * @param latestSafeDay last day on which the first change keeps the promise; empty when no change
   *     is needed or none can keep it
   * @param skipUntil the day of the next change; empty when none is planned
   * @param ifWaiting what waiting would risk; empty when nothing is lost by it
   * @param why the reasons, the leading one first
   */
  public record Today(
      Verdict verdict,
      OptionalDouble fraction,
      OptionalDouble litres,
      Optional<LocalDate> latestSafeDay,
      Optional<LocalDate> skipUntil,
      Optional<Waiting> ifWaiting,
      List<Reason> why) {}

  /** The chance that a line is passed on some day up to {@code until} if nothing is done. */
  public record Waiting(LocalDate until, double chance) {}

  /** One change that is made once; what it leaves are medians, mg/L of the ion. */
  public record Step(
      LocalDate on,
      double fraction,
      double litres,
      double nitrateAfterMgL,
      double phosphateAfterMgL) {}

  /**
   * @param probabilityWithinLines the least share of the draws within every line on any one day
   * @param nitratePeakMgL median over the draws of the most in the days judged; the others likewise
   */
  public record Recommended(
      double fraction,
      double everyDays,
      double litres,
      LocalDate nextOn,
      double minutesPer28Days,
      double probabilityWithinLines,
      double nitratePeakMgL,
      double nitrateTroughMgL,
      double phosphatePeakMgL,
      double phosphateTroughMgL) {}

  /** A line. */
  public record Binding(Nutrient nutrient, Side side) {}

  /** Which of a nutrient's two lines. */
  public enum Side implements Term {
    CEILING("ceiling"),
    FLOOR("floor");

    private final String term;

    Side(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /** Larger changes, three days apart, before a routine begins. */
  public record CaughtUp(double fraction, int times) {}

  /**
   * The smallest sufficient change for one interval; {@code fraction} is empty when none is.
   *
   * @param caughtUp what is changed first; empty where the routine alone is enough
   */
  public record Option(
      double everyDays,
      Optional<CaughtUp> caughtUp,
      OptionalDouble fraction,
      boolean feasible,
      BindingLimit bindingLimit,
      Optional<LocalDate> startsOn,
      OptionalDouble litresPer28Days,
      OptionalDouble turnoverPer28Days,
      double probabilityWithinLines,
      OptionalDouble minutesPer28Days) {}

  /** Why a way stands beside the advice. */
  public enum WayKind implements Term {
    AS_NOW("as-now"),
    LEAST_EFFORT("least-effort"),
    LEAST_WATER("least-water"),
    LEAST_OFTEN("least-often");

    private final String term;

    WayKind(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /**
   * A routine beside the advice; a share of 0 means that no changes are made.
   *
   * @param caughtUp what is changed first; empty where nothing is caught up
   * @param holds whether it keeps the promise
   */
  public record Way(
      WayKind kind,
      Optional<CaughtUp> caughtUp,
      double fraction,
      double everyDays,
      LocalDate startsOn,
      boolean holds,
      double probabilityWithinLines,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}

  /** What else can be done. */
  public enum Lever implements Term {
    FEED("feed"),
    ANIMALS("animals"),
    PLANTS("plants"),
    HARVEST("harvest"),
    MEDIA_CLEANING("media-cleaning"),
    ADSORBER_RENEWAL("adsorber-renewal"),
    ADSORBER_MASS("adsorber-mass"),
    SKIMMER("skimmer"),
    SIPHON("siphon"),
    WATER("water"),
    FILTER_LESS("filter-less"),
    DOSE("dose");

    private final String term;

    Lever(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }

    /** Whether pulled against a ceiling it takes of a nutrient too, whichever it is meant for. */
    boolean takes(Nutrient nutrient) {
      return switch (this) {
        case FEED, ANIMALS, PLANTS, HARVEST, MEDIA_CLEANING, SKIMMER, SIPHON -> true;
        case ADSORBER_RENEWAL, ADSORBER_MASS -> nutrient == Nutrient.PHOSPHATE;
        case WATER, FILTER_LESS, DOSE -> false;
      };
    }
  }

  /** Unit of a lever's amount. */
  public enum AmountUnit implements Term {
    SHARE("share"),
    GRAMS("g"),
    GRAMS_PER_WEEK("g a week"),
    DAYS("days"),
    TIMES_PER_WEEK("times a week"),
    ML_PER_DAY("mL a day");

    private final String term;

    AmountUnit(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /**
   * How far a lever is pulled.
   *
   * @param amount in {@code unit}; negative for less
   * @param of id of the food, plant, gear, water or fertiliser it is about; empty for all
   */
  public record Pulled(Lever lever, double amount, AmountUnit unit, Optional<String> of) {}

  /**
   * A lever, or two together, and the routine that is left.
   *
   * @param and the second of a pair
   * @param forNutrient the nutrient it is pulled for
   * @param fraction share of the routine that is enough then; 0 when no change is needed, empty
   *     when none is enough or no ceiling binds
   * @param tries the same as what can be tried; empty where nothing stands for it
   */
  public record Help(
      Pulled first,
      Optional<Pulled> and,
      Nutrient forNutrient,
      OptionalDouble fraction,
      double everyDays,
      double minutesPer28Days,
      List<Try> tries) {
    public Help {
      tries = List.copyOf(tries);
    }

    /** Whether either of its levers is one of those. */
    boolean pulls(Predicate<Lever> which) {
      return which.test(first.lever()) || and.filter(two -> which.test(two.lever())).isPresent();
    }
  }

  /** Work besides changes and tests. */
  public enum WorkKind implements Term {
    RENEW("renew"),
    HARVEST("harvest");

    private final String term;

    WorkKind(String term) {
      this.term = term;
    }

    @Override
    public String term() {
      return term;
    }
  }

  /**
   * Work ahead that forecast and plan count on.
   *
   * @param on the day; of harvests that of the first
   * @param of id of the gear or plant
   * @param grams of medium, or of wet mass of one harvest
   * @param everyDays the rhythm of harvests; empty where one alone lies ahead, and for renewals
   * @param added whether the plan asks for it because it is due; otherwise it is habit
   */
  public record DueWork(
      LocalDate on,
      WorkKind kind,
      String of,
      double grams,
      OptionalDouble everyDays,
      boolean added) {}

  /** A share of another water in the change water, and the routine that it makes possible. */
  public record Blended(String water, double share, double fraction, double everyDays) {}

  /**
   * A test that could change the advice.
   *
   * @param settles chance that its reading does
   */
  public record Ask(Analyte analyte, double settles) {}
}
