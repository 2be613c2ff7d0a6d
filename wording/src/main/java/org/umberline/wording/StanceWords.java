package org.umberline.wording;

import java.util.stream.Collectors;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.OtherView;
import org.umberline.core.tank.Stance;

/** What makes keepers change water, and what others than this one would say. */
public final class StanceWords {
  private StanceWords() {}

  /** Who they are. */
  public static String name(Stance stance) {
    return switch (stance) {
      case BY_NEED -> "who go by the tests";
      case FIXED_ROUTINE -> "who keep a fixed routine";
      case NEVER_ZERO -> "who want no nutrient at zero";
      case AS_LOW_AS_POSSIBLE -> "who want nutrients as low as can be";
      case BY_LOOK -> "who go by what they see";
      case NO_CHANGE -> "who change no water";
    };
  }

  /** What they would say today. */
  public static Phrase says(OtherView view) {
    return switch (view.stance()) {
      case BY_NEED -> Phrase.of(byTests(view.today().orElseThrow()));
      case FIXED_ROUTINE ->
          view.usual()
              .map(
                  usual ->
                      Phrase.of(
                          SmallWords.percent(usual.fraction())
                              + " every "
                              + SmallWords.days(usual.everyDays())
                              + ", whatever the tests say: it also renews what nobody measures."))
              .orElse(Phrase.of("Such a tank has no usual routine."));
      case NEVER_ZERO ->
          view.low().isEmpty()
              ? Phrase.of("Nothing: both can be measured.")
              : Phrase.of(
                  "Feed more or dose until "
                      + view.low().stream()
                          .map(nutrient -> nutrient.term())
                          .collect(Collectors.joining(" and "))
                      + " can be measured: at zero what should grow starves, and what shouldn't may"
                      + " take its place.");
      case AS_LOW_AS_POSSIBLE ->
          Phrase.of("Lower them further while nothing suffers: less food, more export.");
      case BY_LOOK ->
          Phrase.of(
              view.algae()
                  ? "Two changes of a quarter, three days apart, for the algae that are seen."
                  : "Leave it alone: nothing is seen that asks for a change.");
      case NO_CHANGE ->
          Phrase.of(
              "Change nothing: thin the plants, clean the sponge once a month, top off with pure"
                  + " water.");
    };
  }

  private static String byTests(Advice.Today today) {
    return switch (today.verdict()) {
      case ACT_NOW -> "Act now, as anybody would.";
      case TEST_FIRST -> "Test before anything is changed.";
      case CHANGE -> "Change " + SmallWords.percent(today.fraction().orElse(0)) + " today.";
      case SKIP -> "Nothing is needed today.";
      case STUCK -> "No change alone can do it; other things have to be changed.";
    };
  }
}
