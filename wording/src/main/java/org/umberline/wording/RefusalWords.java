package org.umberline.wording;

import org.umberline.core.dosing.Refusal;

/** Why no dose is worked out, in words. */
final class RefusalWords {
  private RefusalWords() {}

  static Phrase of(Refusal refusal, String unit) {
    Phrase.Amount most = SmallWords.level(refusal.most().orElse(0), unit);
    return switch (refusal.why()) {
      case NOTHING_TO_RAISE -> Phrase.of("The water holds that much already.");
      case NOTHING_TO_LOWER -> Phrase.of("The water holds no more than that.");
      case BELOW_LOWEST ->
          Phrase.of("Never to nothing: ", most, " is the least that should be left in this tank.");
      case OVER_YOUR_LIMIT ->
          Phrase.of("That is over your own upper limit, ", most, ". Nothing is worked out.");
      case OVER_HIGHEST ->
          Phrase.of("That is more than such a tank should hold, ", most, " at most.");
      case TOO_MANY_DAYS ->
          Phrase.of("That would take more than four weeks of daily doses. Go to ", most, " first.");
      case CARBON_DOSED ->
          Phrase.of(
              "Carbon is dosed already, as Make-up has it, and a second ladder would add to it. End"
                  + " that dose in Make-up first, or go on from it.");
      case GASPING ->
          Phrase.of(
              "Not while animals gasp: bacteria grown on carbon take the oxygen. Aerate, and see to"
                  + " the cause first.");
      case NO_SKIMMER ->
          Phrase.of(
              "Not without a skimmer: what grows on carbon stays in the water, uses up its oxygen"
                  + " and gives everything back.");
      case NITRATE_GONE ->
          Phrase.of(
              "Not with nitrate nearly gone while phosphate is high: carbon can't take phosphate"
                  + " alone. An adsorber can.");
      case HIGH_ALKALINITY ->
          Phrase.of(
              "Not at this alkalinity: stony corals burn at their tips where nutrients are stripped."
                  + " Bring it to 9 dKH or less first.");
      case TOO_STRONG ->
          Phrase.of(
              "A solution of more than "
                  + SmallWords.trimmed(refusal.most().orElse(0))
                  + " % is not for this: it burns, and a slip of the hand is too much.");
      case MORE_THAN_THE_TANK ->
          Phrase.of(
              "The tank holds ", most, ". What counts is the water in it while it is treated.");
      case MEDICINE ->
          Phrase.of(
              "Not while a course of medicine runs: it would be taken out of the water, or the"
                  + " oxygen run short. End the course first, then test.");
      case DONE_LATELY -> Phrase.of("It was done within the last seven days. Wait them out.");
      case PUMP_TOO_SLOW ->
          Phrase.of("This pump gives ", most, " a day at most, running all the time.");
    };
  }
}
