package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Try;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.trial.TrialBeside;
import org.umberline.core.trial.TrialOutcome;
import org.umberline.core.trial.TrialPlan;

/** Trials in words. */
public final class TrialWords {
  /** Less than this share of what a kit shows is not worth a figure. Chosen. */
  private static final double NEXT_TO_NOTHING = 0.25;

  private final TankModel tank;

  public TrialWords(TankModel tank) {
    this.tank = tank;
  }

  /** What is done otherwise, as the rest of a sentence. */
  public String what(Try tried) {
    return switch (tried.kind()) {
      case FEED ->
          "feed "
              + SmallWords.percent(Math.abs(1 - tried.amount()))
              + (tried.amount() < 1 ? " less " : " more ")
              + tank.foodById(tried.id()).name();
      case CLEAN -> "clean the " + tried.id() + " once a week more";
      case RENEW -> "renew the " + tried.id() + " now and every " + days(tried.amount());
      case ROOM ->
          "give "
              + tank.plants().stream()
                  .filter(plant -> plant.id().equals(tried.id()))
                  .map(plant -> plant.name())
                  .findFirst()
                  .orElse(tried.id())
              + " twice the room";
      case CHANGE_WATER -> "change with " + tank.waterById(tried.id()).name();
      case TOP_OFF -> "top off with " + tank.waterById(tried.id()).name();
      case SIPHON -> "siphon a quarter of the bed each week";
      default -> throw new IllegalArgumentException("never offered: " + tried.kind());
    };
  }

  private static String days(double days) {
    return SmallWords.days(days);
  }

  private static String unit(Nutrient nutrient) {
    return nutrient.analyte().standardUnit().label();
  }

  // ---------------------------------------------------------------- before

  /** A test that a running trial asks for. */
  public static Phrase test(LogEntry.Trial trial) {
    return Phrase.of("Test " + trial.analyte().words() + " for the trial");
  }

  public Phrase expected(TrialPlan plan) {
    String unit = unit(plan.nutrient());
    return plan.expected()
        .map(
            effect ->
                farthest(effect) < NEXT_TO_NOTHING * plan.smallest()
                    ? nextToNothing(plan, effect)
                    : Phrase.of(
                        "After "
                            + plan.days()
                            + " days "
                            + plan.nutrient().term()
                            + " should be about ",
                        SmallWords.level(Math.abs(effect.p50()), unit),
                        effect.p50() < 0 ? " lower" : " higher",
                        " than without it (likely ",
                        SmallWords.level(least(effect), ""),
                        " to ",
                        SmallWords.level(most(effect), ""),
                        ")."))
        .orElse(
            Phrase.of(
                "What this does to "
                    + plan.nutrient().term()
                    + " the balance doesn't know. It has to"
                    + " differ by ",
                SmallWords.level(plan.smallest(), unit),
                " to be seen."));
  }

  private static Phrase nextToNothing(TrialPlan plan, TrialPlan.Effect effect) {
    return Phrase.of(
        "It does next to nothing to " + plan.nutrient().term() + ": less than ",
        SmallWords.level(roundedUp(farthest(effect)), unit(plan.nutrient())),
        " in " + plan.days() + " days.");
  }

  /** To one figure. */
  private static double roundedUp(double value) {
    double step = Math.pow(10, Math.floor(Math.log10(value)));
    return value > 0 ? Math.ceil(value / step - 1e-9) * step : 0;
  }

  private static double farthest(TrialPlan.Effect effect) {
    return Math.max(Math.abs(effect.p10()), Math.abs(effect.p90()));
  }

  /** The smaller end of the range, nothing where it may go either way. */
  private static double least(TrialPlan.Effect effect) {
    double near = effect.p50() < 0 ? -effect.p90() : effect.p10();
    return Math.max(0, near);
  }

  private static double most(TrialPlan.Effect effect) {
    return effect.p50() < 0 ? -effect.p10() : effect.p90();
  }

  public Phrase power(TrialPlan plan) {
    String unit = unit(plan.nutrient());
    return switch (plan.power()) {
      case SHOWS ->
          Phrase.of(
              "Your kit shows ",
              SmallWords.level(plan.smallest(), unit),
              ": enough, from about ",
              plan.showsOn().orElse(plan.on().plusDays(plan.days())),
              " on.");
      case SHOWS_WITH_REPEATS ->
          Phrase.of(
              "One reading shows no less than ",
              SmallWords.level(plan.smallest(), unit),
              "; read it "
                  + plan.readings()
                  + " times on each day and take the mean. Then it shows"
                  + " from about ",
              plan.showsOn().orElse(plan.on().plusDays(plan.days())),
              " on.");
      case CANNOT ->
          Phrase.of(
              "Your kit can't show that: it takes ",
              SmallWords.level(plan.smallest(), unit),
              ". Try something larger, longer, or with a finer kit.");
      case UNKNOWN -> Phrase.of("Read it twice on each day and take the mean.");
    };
  }

  /** What a trial asks of its keeper. */
  public static List<Phrase> rules() {
    List<Phrase> rules = new ArrayList<>();
    rules.add(
        Phrase.of(
            "Change nothing else meanwhile: food, plants, filter and medium as before, water by your"
                + " routine."));
    rules.add(
        Phrase.of(
            "Test at the same hour, before the change of water, with the same kit and reader."));
    rules.add(
        Phrase.of(
            "After anything risky, such as a dose or a cleaned filter, test ammonia and nitrite"
                + " every 6 hours for 36 hours."));
    return List.copyOf(rules);
  }

  // ---------------------------------------------------------------- after

  public Phrase verdict(TrialOutcome outcome, boolean over) {
    Nutrient nutrient = Nutrient.of(outcome.trial().analyte()).orElseThrow();
    String soFar = over ? "" : " so far";
    return switch (outcome.verdict()) {
      case WAITING ->
          over
              ? Phrase.of("Can't tell: no test of its last two thirds is noted.")
              : Phrase.of("No test that tells yet.");
      case HELPED -> Phrase.of("It helped" + soFar + ". ", means(outcome, nutrient));
      case DID_NOT ->
          Phrase.of("It didn't do what was expected" + soFar + ". ", means(outcome, nutrient));
      case LOWER -> Phrase.of("Lower than without it" + soFar + ". ", means(outcome, nutrient));
      case HIGHER -> Phrase.of("Higher than without it" + soFar + ". ", means(outcome, nutrient));
      case CANT_TELL -> Phrase.of("Can't tell" + soFar + ". ", means(outcome, nutrient));
    };
  }

  /**
   * What a tank beside it says of a trial in this one.
   *
   * @param other its name
   */
  public Phrase beside(TrialBeside beside, Nutrient nutrient, String other) {
    String own = tank.name();
    return switch (beside.verdict()) {
      case NOT_TESTED -> Phrase.of("No test of " + own + " tells yet.");
      case OTHER_NOT_TESTED ->
          Phrase.of(
              "Can't tell: no test of "
                  + nutrient.term()
                  + " in "
                  + other
                  + " on these days is noted.");
      case DIFFER ->
          Phrase.of(
              differs(beside, nutrient, other),
              "Less that, " + own + " is likely ",
              SmallWords.level(least(beside), ""),
              " to ",
              SmallWords.level(most(beside), unit(nutrient)),
              (beside.low() + beside.high() < 0 ? " lower" : " higher")
                  + ": it is more than what both tanks share. ",
              changed(beside, other));
      case ALIKE ->
          Phrase.of(
              differs(beside, nutrient, other),
              "The tests can't tell that from what "
                  + own
                  + " did: what both share, such as the kit, the tap or the season, may have done"
                  + " it. ",
              changed(beside, other));
    };
  }

  private static double least(TrialBeside beside) {
    return Math.min(Math.abs(beside.low()), Math.abs(beside.high()));
  }

  private static double most(TrialBeside beside) {
    return Math.max(Math.abs(beside.low()), Math.abs(beside.high()));
  }

  private static Phrase differs(TrialBeside beside, Nutrient nutrient, String other) {
    Phrase.Amount much = SmallWords.level(Math.abs(beside.other()), unit(nutrient));
    return much.value() == 0
        ? Phrase.of(other + " read as was foreseen. ")
        : Phrase.of(
            other + " read ",
            much,
            (beside.other() < 0 ? " lower" : " higher") + " than was foreseen. ");
  }

  private static String changed(TrialBeside beside, String other) {
    if (beside.otherKind()) {
      return other + " holds another kind of water: take a tank that shares more with this one.";
    }
    return beside.otherChanged()
        ? "Something else happened in " + other + " meanwhile: it is a poor measure."
        : "";
  }

  private static Phrase means(TrialOutcome outcome, Nutrient nutrient) {
    String unit = unit(nutrient);
    return Phrase.of(
        outcome.readings() == 1 ? "One test read " : outcome.readings() + " tests read ",
        SmallWords.level(outcome.seen(), unit),
        outcome.readings() == 1 ? "" : " on average",
        "; without it they would have read about ",
        SmallWords.level(outcome.without(), unit),
        " (likely ",
        SmallWords.level(outcome.low(), ""),
        " to ",
        SmallWords.level(outcome.high(), ""),
        ").");
  }
}
