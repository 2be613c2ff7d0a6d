package org.umberline.wording;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.change.ChangeEffect;
import org.umberline.core.change.ChangeWater;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.tank.MedicineCourse;
import org.umberline.core.tank.Quarantine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;
import org.umberline.core.upkeep.Care;

/** What a change comes to, and what to mind, in words. */
final class ChangeWords {
  /** A bucket that is heavier is better carried half full, kg. Chosen. */
  private static final double HEAVY_KG = 12;

  private ChangeWords() {}

  static Phrase warning(ChangeEffect.Warning warning) {
    return switch (warning.excess()) {
      case SHARE ->
          Phrase.of(
              "This is more than the largest single change you allow, ",
              SmallWords.percent(warning.limit()),
              ": split it over days.");
      case NITRATE_STEP -> tooFar("Nitrate", warning, "mg/L NO3");
      case SALINITY_STEP -> tooFar("Salinity", warning, "ppt");
      case ALKALINITY_STEP -> tooFar("Alkalinity", warning, "dKH");
      case FREE_AMMONIA ->
          Phrase.of(
              "The water would bring ",
              Phrase.amount(warning.value(), "mg/L"),
              " free ammonia at this pH and temperature; above ",
              Phrase.amount(warning.limit(), ""),
              " harms. Use a conditioner that binds ammonia, or change less at once.");
      case RAISES_NITRATE ->
          Phrase.of("The change water holds more nitrate than the tank: this raises it.");
      case RAISES_PHOSPHATE ->
          Phrase.of("The change water holds more phosphate than the tank: this raises it.");
    };
  }

  private static Phrase tooFar(String what, ChangeEffect.Warning warning, String unit) {
    return Phrase.of(
        what,
        " would move by ",
        Phrase.amount(warning.value(), unit),
        "; ",
        Phrase.amount(warning.limit(), unit),
        " at once is the most you allow.");
  }

  /** What a test after the change would tell. */
  static Phrase test(ChangeEffect.Told told) {
    return told.nutrient() == Nutrient.PHOSPHATE
        ? Phrase.of(
            "Test phosphate in ",
            String.valueOf(told.daysFrom()),
            " days: whether it is back tells water from rock, sand and feeding.")
        : Phrase.of(
            "Test nitrate tomorrow: the step is large enough for your kit to show, and says what"
                + " source, volume and kit are worth.");
  }

  /**
   * What to mind with this water, and so many litres of it.
   *
   * @param day of the change
   */
  static List<String> cautions(
      TankModel tank, Care care, ChangeWater water, double litres, LocalDate day) {
    boolean medicated = MedicineCourse.inWater(tank, day);
    List<String> cautions = new ArrayList<>();
    cautions.add(
        "Water and mains: unplug before hands go in, leave drip loops, use residual-current"
            + " protection; fixed wiring is a licensed electrician’s.");
    cautions.add("Never start a siphon by mouth.");
    double heaviest = care.bucketLitres().orElse(litres);
    if (Math.min(heaviest, litres) > HEAVY_KG) {
      cautions.add("A litre is a kilogram: carry half buckets, and mind wet floors.");
    }
    if (tank.water() == WaterKind.MARINE) {
      cautions.add(
          "Gloves and eye cover near zoanthid corals (palytoxin), and gloves over any cut.");
    }
    if (water.tapShare() > 0) {
      cautions.add("Conditioner by its label, no more; keep it from children.");
    }
    if (Quarantine.running(tank, day).isPresent()) {
      cautions.add(
          "Animals in quarantine: a hose, bucket and net of their own, this tank after all others,"
              + " hands washed.");
    }
    cautions.add(
        tank.salinityPpt() > 0
            ? "Salt water never onto plants; nothing living into natural water or drains that"
                + " reach it."
            : medicated
                ? "Old water with medicine in it never onto plants: disposal by local rules; make up"
                    + " the medicine's dose for the new water by its label."
                : "Fresh old water without medicine suits house plants; nothing living goes into"
                    + " natural water or drains that reach it.");
    return cautions;
  }
}
