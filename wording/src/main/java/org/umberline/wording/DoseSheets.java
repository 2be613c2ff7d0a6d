package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import org.umberline.core.dosing.CarbonLadder;
import org.umberline.core.dosing.Conditioning;
import org.umberline.core.dosing.DoseSource;
import org.umberline.core.dosing.Peroxide;
import org.umberline.core.dosing.PhosphateLowering;
import org.umberline.core.dosing.PumpCalibration;
import org.umberline.core.dosing.Raise;
import org.umberline.core.dosing.Refusal;
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/** Doses in words. */
public final class DoseSheets {
  /** A smaller dose is better measured as a solution, g. Chosen. */
  private static final double SMALL_G = 0.5;

  /** What is dissolved of a small dose, and in how much water. Chosen. */
  private static final double SOLUTION_G = 10;

  private static final double SOLUTION_ML = 500;

  /**
   * The part of a hardness that is calcium where it and magnesium are three to one by mass, which
   * is common practice for plants, no source: 3 / 7.147 of 3 / 7.147 + 1 / 4.334.
   */
  private static final double CALCIUM_SHARE_OF_HARDNESS = 0.645;

  /** Quarters of a teaspoon are what a spoon can tell. */
  private static final double QUARTERS = 4;

  private DoseSheets() {}

  /** What something is raised with, by its name. */
  public static String name(DoseSource source) {
    return source.salt().map(DoseSheets::name).or(() -> source.solution().map(f -> f.name())).get();
  }

  /** By its name. */
  public static String name(Additive additive) {
    return additive instanceof Salt salt ? name(salt) : name((CarbonSource) additive);
  }

  private static String name(Salt salt) {
    return switch (salt) {
      case POTASSIUM_NITRATE -> "potassium nitrate";
      case CALCIUM_NITRATE -> "calcium nitrate (4 H2O)";
      case POTASSIUM_PHOSPHATE -> "monopotassium phosphate";
      case SODIUM_BICARBONATE -> "sodium bicarbonate";
      case CALCIUM_CHLORIDE -> "calcium chloride (2 H2O)";
      case MAGNESIUM_CHLORIDE -> "magnesium chloride (6 H2O)";
      case MAGNESIUM_SULFATE -> "magnesium sulfate (7 H2O)";
    };
  }

  public static String name(CarbonSource source) {
    return switch (source) {
      case ETHANOL_40 -> "40 % spirit";
      case SUGAR -> "sugar";
      case VINEGAR -> "5 % vinegar";
    };
  }

  // ---------------------------------------------------------------- raising

  public static DoseSheet of(TankModel tank, Analyte analyte, Raise raise) {
    if (raise.refusal().isPresent()) {
      return DoseSheet.refused(refusal(raise.refusal().get(), analyte.standardUnit().label()));
    }
    DoseSource with = raise.with();
    String unit = with.salt().isPresent() ? "g" : "mL";
    double amount = raise.steps().get(0).amount();
    int days = raise.steps().size();
    Phrase sentence =
        Phrase.of(
            "Give ",
            SmallWords.level(amount, unit),
            " of " + name(with) + (days == 1 ? " once." : " a day for " + days + " days."));
    List<Phrase> notes = new ArrayList<>();
    with.salt().ifPresent(salt -> household(salt, amount, notes));
    if (raise.companionMgL() > 0) {
      notes.add(
          Phrase.of(
              "It brings ",
              SmallWords.level(raise.companionMgL(), "mg/L"),
              " " + with.companion() + " with it."));
    }
    notes.add(
        Phrase.of(
            "Test the day after the last dose"
                + (days > 2 ? ", and once on the way" : "")
                + (isNutrient(analyte)
                    ? ": plants, corals and bacteria take some of it at once."
                    : ".")));
    raise
        .stacksTo()
        .ifPresent(
            stack ->
                notes.add(
                    Phrase.of(
                        "Given every week, with the changes of your routine it builds up to ",
                        SmallWords.level(stack, analyte.standardUnit().label()),
                        " over what there is without it.")));
    if (analyte == Analyte.HARDNESS) {
      notes.add(bothHalves(tank, raise));
    }
    return new DoseSheet(
        sentence,
        false,
        raise.steps().stream()
            .map(
                s -> new DoseSheet.Step(s.on(), s.on(), s.amount(), OptionalDouble.of(s.reaches())))
            .toList(),
        unit,
        analyte.standardUnit().label(),
        notes,
        List.of(
            "Dissolve it in tank water and pour it where the flow is; never two salts in one cup.",
            "Pure salts of a known formula only; keep them from children, and dry."),
        with.solution()
            .map(solution -> "dosed \"" + solution.id() + "\" # ml")
            .orElseGet(() -> added(with.salt().get())));
  }

  /** The entry line of a dose of it, {@code #} for its amount. */
  private static String added(Additive additive) {
    return "added " + additive.term() + " # " + additive.unit().toLowerCase(Locale.ROOT);
  }

  /** Plants and animals need both ions of hardness. */
  private static Phrase bothHalves(TankModel tank, Raise raise) {
    double dgh = raise.steps().get(0).amount() * raise.with().perUnit() / tank.netVolumeL();
    double calcium = CALCIUM_SHARE_OF_HARDNESS * dgh;
    return Phrase.of(
        "Hardness is calcium and magnesium, and both are needed, about three to one by weight. For"
            + " the same rise give ",
        SmallWords.level(gramsOf(Salt.CALCIUM_CHLORIDE, calcium, tank), "g"),
        " of " + name(Salt.CALCIUM_CHLORIDE) + " and ",
        SmallWords.level(gramsOf(Salt.MAGNESIUM_SULFATE, dgh - calcium, tank), "g"),
        " of " + name(Salt.MAGNESIUM_SULFATE) + " instead, dissolved apart.");
  }

  private static double gramsOf(Salt salt, double dgh, TankModel tank) {
    return dgh * tank.netVolumeL() / salt.perGram(Analyte.HARDNESS);
  }

  private static boolean isNutrient(Analyte analyte) {
    return analyte == Analyte.NITRATE || analyte == Analyte.PHOSPHATE;
  }

  private static void household(Salt salt, double grams, List<Phrase> notes) {
    double quarters = Math.rint(QUARTERS * grams / salt.teaspoonG());
    if (grams >= SMALL_G && quarters >= 1) {
      notes.add(
          Phrase.of(
              "That is about "
                  + quarters(quarters)
                  + " level teaspoon"
                  + (quarters > QUARTERS ? "s" : "")
                  + " of 5 mL; weigh it once, since grains differ."));
    }
    if (grams < SMALL_G) {
      double perMl = salt.perGram() * SOLUTION_G / SOLUTION_ML;
      notes.add(
          Phrase.of(
              "So little is better measured dissolved: ",
              Phrase.amount(SOLUTION_G, "g"),
              " made up to ",
              Phrase.amount(SOLUTION_ML, "mL"),
              "; then the dose is ",
              SmallWords.level(grams * SOLUTION_ML / SOLUTION_G, "mL"),
              isNutrient(salt.raises())
                  ? Phrase.of(
                      ". In Make-up it is a solution of ", Phrase.amount(perMl, "mg"), " a mL.")
                  : "."));
    }
  }

  private static String quarters(double quarters) {
    int whole = (int) (quarters / QUARTERS);
    String part =
        switch ((int) (quarters % QUARTERS)) {
          case 1 -> "a quarter";
          case 2 -> "half a";
          case 3 -> "three quarters of a";
          default -> "";
        };
    if (whole == 0) {
      return part.equals("a quarter") ? "a quarter of a" : part;
    }
    String rest =
        switch ((int) (quarters % QUARTERS)) {
          case 1 -> " and a quarter";
          case 2 -> " and a half";
          case 3 -> " and three quarters";
          default -> "";
        };
    return whole + rest;
  }

  // ---------------------------------------------------------------- carbon

  public static DoseSheet of(CarbonLadder ladder) {
    String unit = ladder.source().unit();
    if (ladder.refusal().isPresent()) {
      return DoseSheet.refused(refusal(ladder.refusal().get(), unit));
    }
    return new DoseSheet(
        Phrase.of(
            ladder.begunOn().isPresent()
                ? Phrase.of("Begun on ", ladder.begunOn().get(), "; it goes on with ")
                : Phrase.of("Begin with "),
            SmallWords.level(ladder.rungs().get(0).amountPerDay(), unit),
            " of " + name(ladder.source()) + " a day; never more than ",
            SmallWords.level(ladder.mostPerDay(), unit),
            "."),
        false,
        ladder.rungs().stream()
            .map(
                r -> new DoseSheet.Step(r.from(), r.to(), r.amountPerDay(), OptionalDouble.empty()))
            .toList(),
        unit,
        "",
        List.of(
            Phrase.of(
                "Climb only while nitrate stands still. Once it falls, stay on that step; where it"
                    + " is as low as you want, give half."),
            Phrase.of(
                "In two or more doses a day. At the ceiling bacteria take up to ",
                SmallWords.level(ladder.oxygenTakenG(), "g"),
                " of oxygen a day; the water holds ",
                SmallWords.level(ladder.oxygenHeldG(), "g"),
                ", the rest must come in at the surface."),
            Phrase.of("Cloudy water, or animals that breathe fast: go back a step and aerate."),
            Phrase.of(
                "Test nitrate and phosphate twice a week: phosphate left alone is the sign to stop."),
            Phrase.of(
                "Note each day's dose: the balance counts it, and the steps go on from it. Once it"
                    + " stays as it is, enter it in Make-up and note it no more.")),
        List.of(
            "Ethanol burns: away from flames, well closed, out of reach of children.",
            "Never through a device that can give it all at once."),
        added(ladder.source()));
  }

  // ---------------------------------------------------------------- peroxide

  public static DoseSheet of(Peroxide peroxide, double litres, double percent) {
    if (peroxide.refusal().isPresent()) {
      return DoseSheet.refused(refusal(peroxide.refusal().get(), "L"));
    }
    return new DoseSheet(
        Phrase.of(
            "Draw up ",
            SmallWords.level(peroxide.leastMl(), "mL"),
            " to ",
            SmallWords.level(peroxide.mostMl(), "mL"),
            " in all, and no more."),
        false,
        List.of(),
        "mL",
        "",
        List.of(
            Phrase.of(
                "Of " + SmallWords.trimmed(percent) + " %, for ",
                Phrase.amount(litres, "L"),
                " in the tank while it is treated. Begin with the least."),
            Phrase.of(
                "Load the sprayer with all of it before you start; pumps of the filter off and its"
                    + " media out of the way, water moving."),
            Phrase.of(
                "Spray the algae on drained rock or wood, wait a minute, fill up. Once a week at"
                    + " most, and watch the animals: shrimp and some mosses stand little of it.")),
        List.of(
            "Gloves and eye cover: it burns skin and eyes. Read the label, air the room.",
            "Never with bleach or an acid; dark, cool and out of reach of children."),
        "did \"" + Peroxide.DONE + "\"");
  }

  // ---------------------------------------------------------------- phosphate out

  public static DoseSheet of(PhosphateLowering.Medium medium, boolean bag) {
    String unit = "mg/L PO4";
    if (medium.refusal().isPresent()) {
      return DoseSheet.refused(refusal(medium.refusal().get(), unit));
    }
    List<Phrase> notes = new ArrayList<>();
    notes.add(held(medium.takes()));
    notes.add(
        Phrase.of(
            "Until it is renewed about ",
            SmallWords.level(medium.gainsMg(), "mg"),
            " more come in than go out, by the balance."));
    notes.add(
        Phrase.of(
            "Renew it on ", medium.renewOn(), ", or sooner when phosphate is back where it was."));
    if (bag) {
      notes.add(
          Phrase.of(
              "A bag works a third as fast as a gently tumbling reactor: put it where the water must"
                  + " pass."));
    }
    notes.add(Phrase.of("Rinse it well; enter it in Make-up, and the balance counts it."));
    return new DoseSheet(
        Phrase.of(
            "Put in ",
            Phrase.amount(SmallWords.tens(medium.atFirstG()), "g"),
            " for a week, then ",
            Phrase.amount(SmallWords.tens(medium.grams()), "g"),
            " in all."),
        false,
        List.of(),
        "g",
        "",
        notes,
        List.of(
            "Too much at once strips the water: corals pale, plants stand still.",
            "Gloves; don't breathe the dust. Used medium goes to the household waste, not the drain."),
        "");
  }

  public static DoseSheet of(PhosphateLowering.Precipitant precipitant) {
    String unit = "mg/L PO4";
    if (precipitant.refusal().isPresent()) {
      return DoseSheet.refused(refusal(precipitant.refusal().get(), unit));
    }
    int days = precipitant.steps().size();
    return new DoseSheet(
        Phrase.of(
            "Give ",
            SmallWords.level(precipitant.steps().get(0).ml(), "mL"),
            days == 1 ? " once." : " a day for " + days + " days."),
        false,
        precipitant.steps().stream()
            .map(s -> new DoseSheet.Step(s.on(), s.on(), s.ml(), OptionalDouble.of(s.reaches())))
            .toList(),
        "mL",
        unit,
        List.of(
            held(precipitant.takes()),
            Phrase.of(
                "Drip it, diluted, before fine floss of 10 micrometres or less, and change the floss"
                    + " the same day: what falls out leaves with it."),
            Phrase.of(
                "One for one that is ",
                SmallWords.level(precipitant.lanthanumMg(), "mg"),
                " of lanthanum; a label that says much less is not to be believed."),
            Phrase.of("Test before each dose, and stop where the level is reached.")),
        List.of(
            "The cloud hurts gills: never poured into the display, never with animals gasping.",
            "It takes alkalinity with it: test that too. Follow the label before this sheet."),
        "");
  }

  private static Phrase held(PhosphateLowering takes) {
    return Phrase.of(
        "The water gives up ",
        SmallWords.level(takes.waterMg(), "mg"),
        " of phosphorus, and what lies in bed and rock about ",
        SmallWords.level(takes.rockMg(), "mg"),
        " more, within days.");
  }

  // ---------------------------------------------------------------- conditioner

  public static DoseSheet of(Conditioning conditioning, double litres) {
    List<Phrase> notes = new ArrayList<>();
    notes.add(
        Phrase.of(
            "Into the ",
            Phrase.amount(litres, "L"),
            " before they are poured; stir, wait 5 minutes."));
    if (conditioning.ammoniaMgL() > 0) {
      notes.add(
          Phrase.of(
              "Chloramine leaves ammonia behind: about ",
              SmallWords.level(conditioning.ammoniaMgL(), "mg/L"),
              " in the tank, which a grown filter takes within a day. Use a conditioner that binds"
                  + " it, and don't feed that day."));
    }
    notes.add(
        Phrase.of(
            "Where it is poured straight into the tank, dose for the whole tank, not for the new"
                + " water alone."));
    return new DoseSheet(
        Phrase.of("Stir in ", SmallWords.level(conditioning.ml(), "mL"), " of conditioner."),
        false,
        List.of(),
        "mL",
        "",
        notes,
        List.of("The label comes first: conditioners differ tenfold in strength."),
        "");
  }

  // ---------------------------------------------------------------- pump

  public static DoseSheet of(PumpCalibration pump, double mlPerDay) {
    if (pump.refusal().isPresent()) {
      return DoseSheet.refused(refusal(pump.refusal().get(), "mL"));
    }
    List<Phrase> notes = new ArrayList<>();
    notes.add(Phrase.of("It gives ", SmallWords.level(pump.mlPerMinute(), "mL"), " a minute."));
    if (pump.shortRun()) {
      notes.add(
          Phrase.of(
              "The run was short: let it give 5 mL or more over half a minute or more, and measure"
                  + " again."));
    }
    notes.add(Phrase.of("Measure it again every two months, and after a new tube: tubes tire."));
    return new DoseSheet(
        Phrase.of(
            "Let it run ",
            Phrase.amount(pump.secondsPerDay(), "s"),
            " a day for ",
            Phrase.amount(mlPerDay, "mL"),
            "."),
        false,
        List.of(),
        "s",
        "",
        notes,
        List.of(
            "The outlet above the water line: a tube under water siphons the rest of the bottle in.",
            "Not more in the bottle than the tank could stand at once."),
        "");
  }

  // ---------------------------------------------------------------- refusals

  private static Phrase refusal(Refusal refusal, String unit) {
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
