package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.dosing.DoseSource;
import org.umberline.core.dosing.HardnessPair;
import org.umberline.core.dosing.Raise;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/** Doses that raise something, in words. */
public final class RaiseSheets {
  /** A smaller dose is better measured as a solution, g. Chosen. */
  private static final double SMALL_G = 0.5;

  /** What is dissolved of a small dose, and in how much water. Chosen. */
  private static final double SOLUTION_G = 10;

  private static final double SOLUTION_ML = 500;

  /** Quarters of a teaspoon are what a spoon can tell. */
  private static final double QUARTERS = 4;

  private RaiseSheets() {}

  public static DoseSheet of(TankModel tank, Analyte analyte, Raise raise) {
    if (raise.refusal().isPresent()) {
      return DoseSheet.refused(
          RefusalWords.of(raise.refusal().get(), analyte.standardUnit().label()));
    }
    DoseSource with = raise.with();
    String unit = with.salt().isPresent() ? "g" : "mL";
    double amount = raise.steps().get(0).amount();
    int days = raise.steps().size();
    Phrase sentence =
        Phrase.of(
            "Give ",
            SmallWords.level(amount, unit),
            " of "
                + DoseSheets.name(with)
                + (days == 1 ? " once." : " a day for " + days + " days."));
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
            .orElseGet(() -> DoseSheets.added(with.salt().get())));
  }

  /** Plants and animals need both ions of hardness. */
  private static Phrase bothHalves(TankModel tank, Raise raise) {
    double rise = raise.steps().get(0).amount() * raise.with().perUnit() / tank.netVolumeL();
    HardnessPair pair = HardnessPair.of(rise, tank.netVolumeL());
    return Phrase.of(
        "Hardness is calcium and magnesium, and both are needed, about three to one by weight. For"
            + " the same rise give ",
        SmallWords.level(pair.calciumChlorideG(), "g"),
        " of " + DoseSheets.name(Salt.CALCIUM_CHLORIDE) + " and ",
        SmallWords.level(pair.magnesiumSulfateG(), "g"),
        " of " + DoseSheets.name(Salt.MAGNESIUM_SULFATE) + " instead, dissolved apart.");
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
}
