package org.umberline.wording;

import java.util.List;
import java.util.stream.Collectors;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.practice.BetterPlan;
import org.umberline.core.practice.Check;
import org.umberline.core.practice.Filling;
import org.umberline.core.practice.PracticeCase;
import org.umberline.core.practice.PracticeRun;
import org.umberline.core.practice.PracticeWeek;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Feeding;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/** Practice tanks in words. */
public final class PracticeWords {
  /** So many days over more or less are no difference, and this factor on the water neither. */
  private static final int SAME_DAYS = 3;

  private static final double SAME_WATER = 1.25;
  private static final double FED_LESS = 0.95;
  private static final int MINUTES_PER_HOUR = 60;

  /** Of the known solution's reading, what a kit may be off. */
  private static final double KIT_OFF = 0.25;

  private final PracticeCase which;
  private final TankModel stated;

  public PracticeWords(PracticeCase which, TankModel stated) {
    this.which = which;
    this.stated = stated;
  }

  public String name() {
    return switch (which) {
      case RICH_TAP -> "Hallway";
      case WRONG_VOLUME -> "Second-hand";
      case UNSEEN_DEATH -> "Thicket";
      case FULL_ROCK -> "Old rock";
      case BLIND_KIT -> "Clean sheet";
    };
  }

  /** What its keeper is told. */
  public Phrase brief() {
    String animals =
        stated.livestock().stream()
            .map(animal -> animal.count() + " " + animal.name())
            .collect(Collectors.joining(" and "));
    double food = stated.feeding().stream().mapToDouble(Feeding::gramsPerDay).sum();
    return Phrase.of(
        Phrase.amount(stated.netVolumeL(), "L"),
        stated.water() == WaterKind.MARINE ? " of sea water, " : " of fresh water, ",
        animals + ", fed ",
        Phrase.amount(food, "g"),
        " of dry food a day. By its papers the change water has ",
        Phrase.amount(stated.nitrateMgL(stated.changeWater()), nitrate()),
        ". " + story());
  }

  private static String nitrate() {
    return Analyte.NITRATE.standardUnit().label();
  }

  private String story() {
    return switch (which) {
      case RICH_TAP -> "A quarter was changed each week, and nitrate stayed high.";
      case WRONG_VOLUME ->
          "It came with rock and sand in it and with the seller’s word for its volume. No water was"
              + " changed for long.";
      case UNSEEN_DEATH -> "It is full of roots and caves; the catfish are seldom seen.";
      case FULL_ROCK -> "Its rock lay in another reef for years.";
      case BLIND_KIT ->
          "It came with its test kit. Nitrate has read next to nothing for months, and nothing grows"
              + " in it.";
    };
  }

  /** What is to be done, as a sentence. */
  public Phrase task(PracticeRun run) {
    Nutrient nutrient = run.watched();
    return Phrase.of(
        "Keep " + nutrient.term() + " under ",
        SmallWords.level(line(nutrient), nutrient.unit()),
        " for " + PracticeRun.WEEKS + " weeks, with as little water and work as you can.");
  }

  private double line(Nutrient nutrient) {
    return nutrient.line(stated.lines()).ceilingMgL().orElseThrow();
  }

  public static String check(Check check) {
    return switch (check) {
      case NITRATE -> "Test nitrate";
      case PHOSPHATE -> "Test phosphate";
      case AMMONIA -> "Test ammonia";
      case CHANGE_WATER -> "Test the change water";
      case ANIMALS -> "Count the animals";
      case VOLUME -> "Measure the volume";
      case STANDARD -> "Try the nitrate kit on a known solution";
    };
  }

  /** The test after a change. */
  public static String after(PracticeRun run) {
    return check(run.watchedBy()) + " once more after it";
  }

  public static String filling(Filling filling) {
    return switch (filling) {
      case USUAL -> "the usual water";
      case HALF_PURE -> "half of it pure water";
      case PURE -> "pure water";
    };
  }

  // ---------------------------------------------------------------- week by week

  public Phrase found(PracticeRun.Finding finding) {
    double value = finding.value();
    return switch (finding.check()) {
      case NITRATE, PHOSPHATE, AMMONIA ->
          Phrase.of(
              finding.after() ? "After the change: " : "",
              reading(finding.check().analyte().orElseThrow(), value, !finding.after()));
      case CHANGE_WATER -> Phrase.of("The change water: ", reading(Analyte.NITRATE, value, false));
      case ANIMALS ->
          Phrase.of(
              value == PracticeRun.DEAD
                  ? "A catfish lies dead among the roots. It is taken out."
                  : value == PracticeRun.MISSING
                      ? "A catfish is missing; nothing is left of it."
                      : "All that can be seen are well.");
      case VOLUME -> Phrase.of("It holds about ", Phrase.amount(value, "L"), ".");
      case STANDARD ->
          Phrase.of(
              "The kit reads ",
              SmallWords.level(value, nitrate()),
              " where ",
              SmallWords.level(PracticeRun.STANDARD_MG_L, ""),
              Math.abs(value - PracticeRun.STANDARD_MG_L) > KIT_OFF * PracticeRun.STANDARD_MG_L
                  ? " is in it: it is no good. A new one is bought."
                  : " is in it: it is good.");
    };
  }

  private static Phrase reading(Analyte analyte, double value, boolean capital) {
    String term = analyte.term();
    return Phrase.of(
        (capital ? SmallWords.capital(term) : term) + " ",
        SmallWords.level(value, analyte.standardUnit().label()));
  }

  /** What was done in a week. */
  public Phrase done(PracticeWeek week) {
    Phrase changed =
        week.litres() > 0
            ? Phrase.of(
                "Changed ",
                Phrase.amount(week.litres(), "L"),
                week.filling() == Filling.USUAL ? "" : " with " + filling(week.filling()))
            : Phrase.of("No change");
    String fed =
        week.feeding() == 1
            ? ""
            : week.feeding() == 0
                ? ", not fed"
                : ", fed " + SmallWords.percent(week.feeding()) + " of the usual";
    return Phrase.of(changed, fed, week.adsorber() ? ", fresh adsorber" : "", ".");
  }

  // ---------------------------------------------------------------- afterwards

  /** What was hidden. */
  public Phrase hidden(PracticeRun run) {
    double figure = run.hiddenFigure();
    return switch (which) {
      case RICH_TAP ->
          Phrase.of(
              "The change water carries ",
              SmallWords.level(figure, nitrate()),
              ". The more is changed with it, the nearer nitrate comes to that, from either side."
                  + " Pure water in its place, or in a part of it, is what helps.");
      case WRONG_VOLUME ->
          Phrase.of(
              "Rock and sand leave ",
              Phrase.amount(Math.rint(figure), "L"),
              " of water. The same bucket is a larger share of that: nitrate falls further with"
                  + " each change and climbs faster in between. So do doses; and what was meant as"
                  + " half of the water was far more.");
      case UNSEEN_DEATH ->
          Phrase.of(
              "A catfish died among the roots in week "
                  + Math.round(figure)
                  + " and gave off its nitrogen for as long as it lay there. A rise that the food"
                  + " doesn’t explain, with ammonia beside it, asks for a count.");
      case FULL_ROCK ->
          Phrase.of(
              "For each mg of phosphate in the water the rock holds about ",
              Phrase.amount(Math.rint(figure), ""),
              ". It gives it back within days of each change. Adsorber takes it from both; water"
                  + " changes hardly do.");
      case BLIND_KIT ->
          Phrase.of(
              "The kit showed ",
              SmallWords.level(figure, nitrate()),
              " where ",
              SmallWords.level(PracticeRun.STANDARD_MG_L, ""),
              " was in it. Food goes in and nothing grows that could take nitrate up: a zero can’t"
                  + " be true here.");
    };
  }

  /** When it could be known, and when it was. */
  public Phrase known(PracticeRun run) {
    String how =
        switch (which) {
          case RICH_TAP -> "by testing the change water";
          case WRONG_VOLUME -> "by measuring the volume, or a test before and after a change";
          case UNSEEN_DEATH -> "by counting the animals";
          case FULL_ROCK -> "by testing again a week after a change";
          case BLIND_KIT -> "with a known solution";
        };
    String did =
        run.foundOut().isPresent()
            ? "you " + verb() + " in week " + (run.foundOut().getAsInt() + 1)
            : "you never " + verb();
    return Phrase.of(
        "It could be known from week " + (run.couldKnow() + 1) + " on, " + how + "; " + did + ".");
  }

  private String verb() {
    return switch (which) {
      case RICH_TAP -> "tested it or filled up with other water";
      case WRONG_VOLUME -> "measured it";
      case UNSEEN_DEATH -> "found it";
      case FULL_ROCK -> "put in adsorber";
      case BLIND_KIT -> "tried the kit";
    };
  }

  /** What the weeks came to, in one sentence. */
  public Phrase verdict(PracticeRun run, List<PracticeWeek> weeks, BetterPlan better) {
    PracticeRun.Score yours = run.score();
    PracticeRun.Score enough = better.run().score();
    boolean held = yours.daysOver() <= enough.daysOver() + SAME_DAYS;
    boolean thrifty = yours.litres() <= SAME_WATER * enough.litres();
    boolean beaten =
        yours.daysOver() <= enough.daysOver()
            && SAME_WATER * yours.litres() < enough.litres()
            && yours.hardChanges() == 0;
    String verdict =
        !held
            ? "Over the limit for longer than it had to be."
            : beaten
                ? "Better than every plain plan that was tried afterwards."
                : thrifty
                    ? "As good as can be known afterwards."
                    : "Held, with more water than it took.";
    String hard =
        yours.hardChanges() == 0
            ? ""
            : (yours.hardChanges() == 1 ? " One change" : " " + yours.hardChanges() + " changes")
                + " took more than half of the true volume, which is hard on animals.";
    double fed = weeks.stream().mapToDouble(PracticeWeek::feeding).average().orElse(1);
    String less =
        fed < FED_LESS
            ? " You fed "
                + SmallWords.percent(1 - fed)
                + " less than usual; the plan beside it fed"
                + " as usual."
            : "";
    return Phrase.of(verdict + hard + less);
  }

  public Phrase yours(PracticeRun run) {
    return Phrase.of("Over on ", score(run));
  }

  /** The plan that would have been enough. */
  public Phrase better(BetterPlan plan) {
    String filled =
        plan.filling() == Filling.USUAL ? "" : ", filled up with " + filling(plan.filling());
    Phrase weekly =
        plan.litres() == 0
            ? Phrase.of("No change")
            : Phrase.of(Phrase.amount(plan.litres(), "L"), " a week");
    Phrase once =
        plan.once() == plan.litres()
            ? Phrase.NONE
            : Phrase.of(
                ", but ", Phrase.amount(plan.once(), "L"), " in week " + (plan.onceIn() + 1));
    String adsorber =
        switch (plan.adsorbers()) {
          case 0 -> "";
          case 1 -> ", adsorber once";
          default -> ", adsorber " + plan.adsorbers() + " times";
        };
    return Phrase.of(weekly, once, filled + adsorber + ": over on ", score(plan.run()));
  }

  private static Phrase score(PracticeRun run) {
    PracticeRun.Score score = run.score();
    Phrase water =
        score.changes() == 0
            ? Phrase.of("no water changed")
            : Phrase.of(
                Phrase.amount(score.litres(), "L"),
                " in " + score.changes() + (score.changes() == 1 ? " change" : " changes"));
    double hours = Math.round(2.0 * score.minutes() / MINUTES_PER_HOUR) / 2.0;
    String time =
        score.minutes() < MINUTES_PER_HOUR
            ? score.minutes() + " minutes"
            : SmallWords.trimmed(hours) + (hours == 1 ? " hour" : " hours");
    return Phrase.of(
        (score.daysOver() == 0 ? "no day" : score.daysOver() + " of " + PracticeRun.DAYS + " days")
            + ", ",
        water,
        ", " + time + " of work.");
  }
}
