package org.umberline.wording;

import java.time.LocalDate;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.KitMethod;
import org.umberline.core.tank.TankModel;
import org.umberline.core.testing.KitChoice;
import org.umberline.core.upkeep.StandardCheck;

/** Which kit answers what a keeper asks, in words. */
public final class KitWords {
  /** Under this limit only a low-range photometer tells phosphate apart, mg/L. From memory. */
  private static final double LOW_PHOSPHATE = 0.3;

  private KitWords() {}

  public static Phrase of(KitChoice choice, TankModel tank) {
    String unit = choice.nutrient().analyte().standardUnit().label();
    double limit = choice.nutrient().line(tank.lines()).ceilingMgL().orElseThrow();
    Phrase question =
        Phrase.of(
            SmallWords.capital(choice.nutrient().term()) + ", limit ",
            SmallWords.level(limit, unit),
            ": ");
    return switch (choice.verdict()) {
      case NONE ->
          Phrase.of(
              question,
              "no kit is entered. Take one that tells ",
              SmallWords.level(choice.needed(), unit),
              " apart there: " + kind(choice.nutrient(), limit) + ".");
      case ENOUGH ->
          Phrase.of(
              question,
              name(choice)
                  + " is good enough; it takes about "
                  + SmallWords.trimmed(choice.minutes())
                  + " minutes.");
      case ENDS_TOO_LOW ->
          Phrase.of(
              question,
              name(choice)
                  + " ends below what you have to see. Mix the sample with as much pure water and"
                  + " double the reading, or take one with a wider range.");
      case BEGINS_TOO_HIGH ->
          Phrase.of(
              question,
              name(choice)
                  + " can't tell your lower limit from nothing. A low-range variant takes more"
                  + " reagent and divides the card's value.");
      case TOO_COARSE ->
          Phrase.of(
              question,
              name(choice) + " shows no less than ",
              SmallWords.level(choice.smallest(), unit),
              " there, and ",
              SmallWords.level(choice.needed(), unit),
              " would do. Until you have another, read it twice and let the tests before it count:"
                  + " "
                  + kind(choice.nutrient(), limit)
                  + " tells more.");
    };
  }

  /**
   * What a kit's reading on a known solution means for what is read with it; nothing where it is
   * fine.
   */
  public static Phrase check(StandardCheck check, Kit kit, LocalDate today) {
    if (check.dueOn().isBefore(today)) {
      return Phrase.of("Last checked on ", check.on(), ": check it on a standard again.");
    }
    String unit = kit.unit().label();
    if (check.isBroken()) {
      return Phrase.of(
          "It read ",
          SmallWords.level(check.read(), unit),
          " on ",
          SmallWords.level(check.standard(), unit),
          ": don't go by it. Calibrate it, or take a new one.");
    }
    if (check.isWithin(kit)) {
      return Phrase.NONE;
    }
    return Phrase.of(
        "It reads ",
        SmallWords.level(Math.abs(check.offset()), unit),
        (check.offset() < 0 ? " low" : " high") + " at ",
        SmallWords.level(check.standard(), unit),
        check.corrects(kit)
            ? ": what you read is made up for. Better calibrate it."
            : ": more than its steps explain. Its reagent may be old.");
  }

  /** The remark on a reading that was made up for. */
  public static String corrected(StandardCheck check, double read, String unit) {
    return "read "
        + SmallWords.trimmed(read)
        + " "
        + unit
        + "; it read "
        + SmallWords.trimmed(check.read())
        + " on a standard of "
        + SmallWords.trimmed(check.standard());
  }

  private static String kind(Nutrient nutrient, double limit) {
    if (nutrient == Nutrient.NITRATE) {
      return "a colour card with closer steps (5 minutes), or a photometer (15)";
    }
    return limit < LOW_PHOSPHATE
        ? "a low-range photometer (5 minutes)"
        : "a colour card with closer steps, or a photometer (5 minutes)";
  }

  private static String name(KitChoice choice) {
    KitMethod method = choice.kit().orElseThrow().method();
    return switch (method) {
      case COLOUR_CARD -> "your colour card";
      case PHOTOMETER -> "your photometer";
      case TITRATION -> "your drop test";
    };
  }
}
