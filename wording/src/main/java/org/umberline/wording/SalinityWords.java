package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.minerals.Course;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.minerals.SalinityCorrection;
import org.umberline.core.tank.TankModel;

/** Salinity in words. */
final class SalinityWords {
  private final TankModel tank;

  SalinityWords(TankModel tank) {
    this.tank = tank;
  }

  WaterPanel panel(Mineral salinity) {
    List<Phrase> notes = new ArrayList<>();
    Optional<SalinityCorrection> correction =
        salinity.course().isPresent()
            ? SalinityCorrection.of(
                tank, salinity.course().get().latest(), salinity.wanted().getAsDouble())
            : Optional.empty();
    correction.ifPresent(steps -> corrected(steps, notes));
    if (salinity.course().isPresent() && correction.isEmpty()) {
      notes.add(Phrase.of("That is near enough; nothing needs to be done."));
    }
    OptionalDouble source = salinity.source();
    double wanted = salinity.wanted().getAsDouble();
    if (source.isPresent()
        && Math.abs(source.getAsDouble() - wanted) > SalinityCorrection.NEAR_PPT) {
      notes.add(
          Phrase.of(
              "Your change water holds ",
              Phrase.amount(source.getAsDouble(), "ppt"),
              ": each change moves the tank towards that."));
    }
    salinity
        .course()
        .filter(Course::isTold)
        .ifPresent(
            course ->
                notes.add(
                    Phrase.of(
                        course.lostPerDay().getAsDouble() > 0
                            ? "What makes it fall: skimmate, splashes, salt creep, or water that"
                                + " was taken out and topped off with fresh water."
                            : "What makes it rise: evaporation that is topped off late, or with"
                                + " water that holds salt.")));
    return MineralSaid.panel(
        salinity,
        "Salinity",
        MineralSaid.sentence(salinity),
        notes,
        List.of(
            "Move it by 1 ppt a day at most, and read it on a meter checked with a standard first.",
            "Never pour salt into a tank with animals: dissolve it first, in water at the tank's"
                + " temperature."),
        false);
  }

  private static void corrected(SalinityCorrection steps, List<Phrase> notes) {
    String days = steps.days() == 1 ? "Once: " : "On each of " + steps.days() + " days: ";
    if (steps.stepPpt() < 0) {
      notes.add(
          Phrase.of(
              days + "take out ",
              SmallWords.level(steps.litresADay(), "L"),
              " and put in as much fresh water without salt, slowly."));
      return;
    }
    notes.add(
        Phrase.of(
            days + "dissolve ",
            Phrase.amount(SmallWords.tens(steps.saltGADay()), "g"),
            " of marine salt in tank water that you took out, and let it run back slowly."));
    steps
        .topOffDays()
        .ifPresent(
            topOff ->
                notes.add(
                    Phrase.of(
                        "Slower, and with less work: top off with salt water instead of fresh for"
                            + " about "
                            + SmallWords.days(topOff)
                            + ", then test.")));
  }
}
