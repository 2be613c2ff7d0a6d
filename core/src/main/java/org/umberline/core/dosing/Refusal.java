package org.umberline.core.dosing;

import java.util.OptionalDouble;

/**
 * Why a dose is not worked out.
 *
 * @param most what would still be, in the unit of what was asked for
 */
public record Refusal(Why why, OptionalDouble most) {
  /** What speaks against it. */
  public enum Why {
    /** The water holds that much already. */
    NOTHING_TO_RAISE,
    /** The water holds no more than that. */
    NOTHING_TO_LOWER,
    /** Under what should always be left, most. */
    BELOW_LOWEST,
    /** Over the keeper's own upper limit, most. */
    OVER_YOUR_LIMIT,
    /** Over what a tank of this kind should ever hold, most. */
    OVER_HIGHEST,
    /** It would take more days than anybody keeps to; most can be reached. */
    TOO_MANY_DAYS,
    /** Carbon is dosed as it is: a second ladder would add to it. */
    CARBON_DOSED,
    /** Animals gasp: the oxygen is short already. */
    GASPING,
    /** A marine tank without a skimmer. */
    NO_SKIMMER,
    /** Nitrate is gone while phosphate is high. */
    NITRATE_GONE,
    /** High alkalinity with stony corals. */
    HIGH_ALKALINITY,
    /** A solution of more than most percent is not for this use. */
    TOO_STRONG,
    /** More water than the tank holds, most litres. */
    MORE_THAN_THE_TANK,
    /** A course of medicine runs: it would be taken out, or the oxygen run short. */
    MEDICINE,
    /** It was done within the week. */
    DONE_LATELY,
    /** The pump would have to run longer than a day has; most mL a day are what it can. */
    PUMP_TOO_SLOW
  }

  static Refusal of(Why why) {
    return new Refusal(why, OptionalDouble.empty());
  }

  static Refusal of(Why why, double most) {
    return new Refusal(why, OptionalDouble.of(most));
  }
}
