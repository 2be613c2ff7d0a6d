package org.umberline.wording;

import java.util.Optional;
import org.umberline.core.planning.Advice;
import org.umberline.core.trouble.Remedy;

/** Remedies in words. How much water is changed is told as the advice has it. */
final class RemedyWords {
  private final Advice advice;

  RemedyWords(Advice advice) {
    this.advice = advice;
  }

  /** Something to do, or not to do. */
  Phrase of(Remedy remedy) {
    return switch (remedy) {
      case AERATE ->
          Phrase.of("More air now: an air stone, or the outlet turned so that the surface breaks.");
      case AS_ADVISED -> advised();
      case NO_CHANGE_FOR_IT ->
          Phrase.of("Don’t change water for it: by Balance no change is needed now.");
      case TEST_AMMONIA -> Phrase.of("Test ammonia and nitrite today, and again tomorrow.");
      case FEED_NOTHING -> Phrase.of("Feed nothing today; half of the ration tomorrow.");
      case FEED_LESS ->
          Phrase.of("Feed every other day, and take out what is left after 5 minutes.");
      case FEED_MORE -> Phrase.of("Feed a little more: it raises both nutrients.");
      case SIPHON_OUT -> Phrase.of("Suck it out with the hose at the next change, before wiping.");
      case WIPE_OFF -> Phrase.of("Wipe it off, and take up what floats.");
      case PULL_OUT -> Phrase.of("Pull it out by hand, wind it on a brush; cut what it covers.");
      case MORE_FLOW -> Phrase.of("Turn more flow to where it lies.");
      case CLEAN_FILTER ->
          Phrase.of(
              "Rinse half of the filter’s sponges in tank water, at least 3 days from a change.");
      case CLEAN_IMPELLER -> Phrase.of("Unplug the pump; clean its impeller and the hoses.");
      case THIN_PLANTS -> Phrase.of("Thin the plants and take the cuttings out.");
      case RAISE_NITRATE -> Phrase.of("Raise nitrate in small steps, as Doses works it out.");
      case RAISE_PHOSPHATE -> Phrase.of("Raise phosphate in small steps, as Doses works it out.");
      case STOP_STRIPPING ->
          Phrase.of("Take adsorbers out and stop carbon: they take what is lacking.");
      case STOP_CARBON -> Phrase.of("Stop the carbon dose; later begin again with half of it.");
      case FINE_FILTER -> Phrase.of("Catch it with fine floss, and renew that daily.");
      case LESS_LIGHT -> Phrase.of("Light for 6 hours a day for two weeks, then 8.");
      case SHADE ->
          Phrase.of("Darken the tank for 3 days, with air running; then light for 6 hours.");
      case STEADY_CARBON_DIOXIDE ->
          Phrase.of(
              "Keep CO2 steady: on 2 hours before the light, the same every day; without CO2, less light.");
      case PEROXIDE ->
          Phrase.of("What is left on wood and rock: peroxide on the spot, as Doses works it out.");
      case PURER_WATER ->
          Phrase.of("Fill with water without silicate if the tap has 1 mg/L or more.");
      case NOTE_IT ->
          Phrase.of(
              "Note it, and what ammonia and nitrite read: Balance then says how much water to change"
                  + " at once.");
      case FEED_SLIGHTLY_LESS -> Phrase.of("Feed a fifth less; the young still need it daily.");
      case WAIT_MONTHS -> Phrase.of("Wait: in a young tank it fades within six months.");
      case WAIT -> Phrase.of("Wait a few days: it settles by itself.");
      case STIR_SURFACE -> Phrase.of("Turn an outlet to the surface so that it moves everywhere.");
      case ACTIVATED_CARBON -> Phrase.of("Activated carbon in the filter for two weeks, then out.");
      case DOSE_IRON ->
          Phrase.of("A fertiliser with iron and traces, by its label, half of it at first.");
      case CORRECT_SALINITY ->
          Phrase.of("Bring salinity back by 1 ppt a day at most; check the meter first.");
      case CORRECT_ALKALINITY ->
          Phrase.of("Bring alkalinity back by 1 dKH a day at most, as Doses works it out.");
      case VET -> Phrase.of("Take a photo and ask a vet; move the sick one to a tank of its own.");
      case LOOK_CLOSER ->
          Phrase.of("Look a few minutes a day, under full light, and note what you see.");
      case NO_MEDICINE -> Phrase.of("No medicine in the display on a guess.");
      case NO_BIG_CHANGE -> Phrase.of("No large change: animals stand it worse than the sight.");
      case NO_ALGICIDE -> Phrase.of("No algae killer: what dies feeds the next.");
      case NO_NEW_MEDIA -> Phrase.of("Don’t replace filter media.");
      case NO_SECOND_THING ->
          Phrase.of("Not two things at once: neither could be said to have helped.");
      case NO_LOWER_NUTRIENTS -> Phrase.of("Don’t take out more nutrients.");
      case NO_SCRUBBING_ALL -> Phrase.of("Don’t clean all media at once, nor in tap water.");
    };
  }

  private Phrase advised() {
    Optional<Advice.Recommended> routine = advice.recommended();
    Phrase now =
        advice.today().fraction().isPresent()
            ? Phrase.of(
                "Change " + SmallWords.percent(advice.today().fraction().getAsDouble()) + " today")
            : Phrase.NONE;
    Phrase then =
        routine
            .map(
                r ->
                    Phrase.of(
                        (now.isEmpty() ? "Change " : ", then ")
                            + SmallWords.percent(r.fraction())
                            + " every "
                            + SmallWords.days(r.everyDays())))
            .orElse(Phrase.NONE);
    return Phrase.of(now, then, ", as Balance says.");
  }
}
