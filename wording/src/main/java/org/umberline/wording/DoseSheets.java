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
import org.umberline.core.tank.Additive;
import org.umberline.core.tank.CarbonSource;
import org.umberline.core.tank.Salt;

/** Doses in words. */
public final class DoseSheets {
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

  /** The entry line of a dose of it, {@code #} for its amount. */
  static String added(Additive additive) {
    return "added " + additive.term() + " # " + additive.unit().toLowerCase(Locale.ROOT);
  }

  // ---------------------------------------------------------------- carbon

  public static DoseSheet of(CarbonLadder ladder) {
    String unit = ladder.source().unit();
    if (ladder.refusal().isPresent()) {
      return DoseSheet.refused(RefusalWords.of(ladder.refusal().get(), unit));
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
      return DoseSheet.refused(RefusalWords.of(peroxide.refusal().get(), "L"));
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
      return DoseSheet.refused(RefusalWords.of(medium.refusal().get(), unit));
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
      return DoseSheet.refused(RefusalWords.of(precipitant.refusal().get(), unit));
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
      return DoseSheet.refused(RefusalWords.of(pump.refusal().get(), "mL"));
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
}
