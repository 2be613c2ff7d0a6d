package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.minerals.AlkalinityUse;
import org.umberline.core.minerals.Course;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.minerals.SalinityCorrection;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/** Alkalinity, salinity, hardness, silicate and pH in words. */
public final class MineralWords {
  /** Fresh water under this holds its pH badly, dKH. From memory. */
  private static final double LITTLE_BUFFER_DKH = 4;

  /** Less than this in a week isn't worth a word, in the analyte's unit. Chosen. */
  private static final double TRIFLE_A_WEEK = 0.05;

  private static final double DAYS_A_WEEK = 7;

  private final TankModel tank;

  public MineralWords(TankModel tank) {
    this.tank = tank;
  }

  // ---------------------------------------------------------------- alkalinity

  public WaterPanel alkalinity(Mineral alkalinity, AlkalinityUse use) {
    List<Phrase> notes = new ArrayList<>();
    if (use.byNitrification() * DAYS_A_WEEK >= TRIFLE_A_WEEK) {
      notes.add(
          Phrase.of(
              "Nitrate that forms from food takes about ",
              aWeek(alkalinity, use.byNitrification()),
              " a week"
                  + (alkalinity.course().filter(Course::isTold).isPresent()
                      ? "; corals, rock and plants take the rest."
                      : ".")));
    }
    topOff(alkalinity, notes);
    settled(alkalinity, notes);
    toWanted(alkalinity, tank.limits().maxAlkalinityStepDkh(), notes);
    hold(alkalinity, use, notes);
    if (tank.water() == WaterKind.FRESHWATER) {
      mixes(notes);
    }
    List<String> cautions = new ArrayList<>();
    cautions.add("Raise it by 1 dKH a day at most; test again the next day.");
    if (tank.water() == WaterKind.FRESHWATER
        && alkalinity.course().map(Course::latest).orElse(LITTLE_BUFFER_DKH) < LITTLE_BUFFER_DKH) {
      cautions.add(
          "Under 4 dKH the pH can drop within days and the filter's bacteria slow down; watch"
              + " ammonia.");
    }
    return panel(alkalinity, "Alkalinity", sentence(alkalinity), notes, cautions, true);
  }

  private void hold(Mineral alkalinity, AlkalinityUse use, List<Phrase> notes) {
    Optional<Routine> routine = tank.routine().filter(r -> r.fraction() > 0);
    if (use.doseToHoldPerDay().isEmpty()) {
      if (alkalinity.gainPerDay().orElse(0) < 0 && alkalinity.wanted().isPresent()) {
        notes.add(Phrase.of("Your changes bring what it loses; nothing needs to be dosed."));
      }
      return;
    }
    if (alkalinity.shareToHold().isPresent() && routine.isPresent()) {
      notes.add(
          Phrase.of(
              "Changes alone hold it with "
                  + SmallWords.percent(
                      Math.ceil(100 * alkalinity.shareToHold().getAsDouble()) / 100)
                  + " every "
                  + SmallWords.days(routine.get().everyDays())
                  + (alkalinity.shareToHold().getAsDouble() > tank.limits().maxChangeFraction()
                      ? ", more than your largest change."
                      : ".")));
    }
    if (use.tooMuch()) {
      notes.add(
          Phrase.of(
              "It loses more than 1 dKH a day, which a dose should not bring back: test it again,"
                  + " with another kit, and look for what takes it."));
      return;
    }
    notes.add(
        Phrase.of(
            (routine.isPresent() ? "What changes don't bring is " : "To hold it takes "),
            aWeek(alkalinity, use.doseToHoldPerDay().getAsDouble()),
            " a week: ",
            SmallWords.level(use.bicarbonateGPerDay().getAsDouble(), "g"),
            " of sodium bicarbonate a day."));
  }

  /** Halves of two of the keeper's waters. */
  private void mixes(List<Phrase> notes) {
    List<SourceWater> known =
        tank.waters().stream()
            .filter(water -> water.alkalinityDkh().isPresent())
            .filter(water -> water.salinityPpt().orElse(0) == 0)
            .toList();
    if (known.size() < 2) {
      return;
    }
    SourceWater first = known.get(0);
    SourceWater second = known.get(1);
    double one = first.alkalinityDkh().getAsDouble();
    double other = second.alkalinityDkh().getAsDouble();
    if (Math.abs(one - other) > 1) {
      notes.add(
          Phrase.of(
              "Half " + first.name() + " and half " + second.name() + " hold ",
              SmallWords.level((one + other) / 2, "dKH"),
              "."));
    }
  }

  // ---------------------------------------------------------------- salinity

  public WaterPanel salinity(Mineral salinity) {
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
              SmallWords.level(source.getAsDouble(), "ppt"),
              ": each change moves the tank towards that."));
    }
    salinity
        .course()
        .filter(Course::isTold)
        .ifPresent(
            course ->
                notes.add(
                    Phrase.of(
                        course.usedPerDay().getAsDouble() > 0
                            ? "What makes it fall: skimmate, splashes, salt creep, or water that"
                                + " was taken out and topped off with fresh water."
                            : "What makes it rise: evaporation that is topped off late, or with"
                                + " water that holds salt.")));
    return panel(
        salinity,
        "Salinity",
        sentence(salinity),
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

  // ---------------------------------------------------------------- hardness, silicate, pH

  public WaterPanel hardness(Mineral hardness) {
    List<Phrase> notes = new ArrayList<>();
    topOff(hardness, notes);
    settled(hardness, notes);
    if (hardness.topOffPerDay() * DAYS_A_WEEK > TRIFLE_A_WEEK && hardness.settles().isEmpty()) {
      notes.add(Phrase.of("Without changes nothing takes it out again: top off with pure water."));
    }
    toWanted(hardness, OptionalDouble.empty(), notes);
    return panel(hardness, "Hardness", sentence(hardness), notes, List.of(), false);
  }

  public WaterPanel silicate(Mineral silicate) {
    List<Phrase> notes = new ArrayList<>();
    topOff(silicate, notes);
    double source = silicate.source().orElse(0);
    if (silicate.source().isEmpty()) {
      notes.add(Phrase.of("What your change water holds isn't known: test it as you do the tank."));
    } else if (source > 0) {
      notes.add(
          Phrase.of(
              "A change moves the tank towards the ",
              SmallWords.level(source, "mg/L SiO2"),
              " of your change water, and no further. Diatoms fed by it fade within half a year in"
                  + " most tanks."));
      tank.waters().stream()
          .filter(water -> water.silicateMgL().isPresent())
          .filter(water -> water.silicateMgL().getAsDouble() < source)
          .filter(water -> Math.abs(water.salinityPpt().orElse(0) - tank.salinityPpt()) <= 1)
          .findFirst()
          .ifPresent(
              water ->
                  notes.add(
                      Phrase.of(
                          water.name() + " holds only ",
                          SmallWords.level(water.silicateMgL().getAsDouble(), "mg/L SiO2"),
                          ".")));
    }
    if (silicate.course().isPresent() && silicate.course().get().latest() < source / 2) {
      notes.add(
          Phrase.of(
              "The tank holds much less than its water brings: something takes it up, most likely"
                  + " diatoms. A low reading beside brown dust is no proof against them."));
    }
    return panel(silicate, "Silicate", sentence(silicate), notes, List.of(), false);
  }

  public WaterPanel pH(LogEntry.Test last) {
    List<Phrase> notes = new ArrayList<>();
    notes.add(
        Phrase.of(
            "It can't be worked out from a mixture of waters: it follows carbon dioxide and"
                + " alkalinity, and swings over the day. Let new water stand with air for a day"
                + " before you test it."));
    tank.changeWater().parts().stream()
        .map(part -> tank.waterById(part.water()))
        .filter(water -> water.pH().isPresent())
        .findFirst()
        .ifPresent(
            water ->
                notes.add(
                    Phrase.of(
                        water.name() + " was read at ",
                        Phrase.amount(water.pH().getAsDouble(), ""),
                        ".")));
    return new WaterPanel(
        Analyte.PH.term(),
        "pH",
        "",
        OptionalDouble.empty(),
        Phrase.of(
            "pH was ",
            Phrase.amount(last.value(), ""),
            " on ",
            tank.dayOf(last.at().toInstant()),
            "."),
        notes,
        List.of(),
        false);
  }

  // ---------------------------------------------------------------- of any

  private static WaterPanel panel(
      Mineral mineral,
      String title,
      Phrase sentence,
      List<Phrase> notes,
      List<String> cautions,
      boolean doses) {
    return new WaterPanel(
        mineral.analyte().term(),
        title,
        unit(mineral),
        mineral.wanted(),
        sentence,
        notes,
        cautions,
        doses);
  }

  private static String unit(Mineral mineral) {
    return mineral.analyte().standardUnit().label();
  }

  private static Phrase.Amount aWeek(Mineral mineral, double perDay) {
    return SmallWords.level(perDay * DAYS_A_WEEK, unit(mineral));
  }

  private static Phrase sentence(Mineral mineral) {
    if (mineral.course().isEmpty()) {
      return Phrase.of(
          "No test of it in three months. Two tests a week apart show what the tank does with it.");
    }
    Course course = mineral.course().get();
    return Phrase.of(
        "It was ",
        SmallWords.level(course.latest(), unit(mineral)),
        " on ",
        course.on(),
        mineral.wanted().isEmpty()
            ? ". "
            : Phrase.of(
                "; you want ",
                SmallWords.level(mineral.wanted().getAsDouble(), unit(mineral)),
                ". "),
        rate(mineral, course));
  }

  private static Phrase rate(Mineral mineral, Course course) {
    if (course.usedPerDay().isEmpty()) {
      return Phrase.of(
          course.readings() == 1
              ? "A second test, a week later, shows whether it moves."
              : "The tests don't show yet whether it moves.");
    }
    double perDay = course.usedPerDay().getAsDouble();
    Phrase.Amount much = aWeek(mineral, Math.abs(perDay));
    Phrase.Amount within = aWeek(mineral, course.within());
    if (!course.isTold()) {
      return Phrase.of(
          "Besides your changes it moves by less than " + course.readings() + " tests can show (",
          within,
          " a week).");
    }
    return Phrase.of(
        "Besides your changes it " + (perDay > 0 ? "falls" : "rises") + " by about ",
        much,
        " a week (give or take ",
        within,
        ")",
        mineral.analyte() == Analyte.ALKALINITY ? ", what you dose already in it." : ".");
  }

  private static void topOff(Mineral mineral, List<Phrase> notes) {
    if (mineral.topOffPerDay() * DAYS_A_WEEK >= TRIFLE_A_WEEK) {
      notes.add(
          Phrase.of(
              "Top-off water adds ",
              aWeek(mineral, mineral.topOffPerDay()),
              " a week: what evaporates leaves it behind."));
    }
  }

  private void settled(Mineral mineral, List<Phrase> notes) {
    if (mineral.settles().isEmpty()) {
      return;
    }
    Mineral.Settled settled = mineral.settles().get();
    Routine routine = tank.routine().orElseThrow();
    if (settled.before() < 0 || settled.after() < 0) {
      notes.add(Phrase.of("Your routine can't make up for what it loses; it would go to nothing."));
      return;
    }
    notes.add(
        Phrase.of(
            "With "
                + SmallWords.percent(routine.fraction())
                + " every "
                + SmallWords.days(routine.everyDays())
                + " it settles at about ",
            SmallWords.level(settled.before(), unit(mineral)),
            " before a change and ",
            SmallWords.level(settled.after(), unit(mineral)),
            " after it."));
  }

  /** One change to what is wanted, where that is small enough. */
  private void toWanted(Mineral mineral, OptionalDouble step, List<Phrase> notes) {
    if (mineral.shareNow().isEmpty()) {
      return;
    }
    double share = mineral.shareNow().getAsDouble();
    double way = Math.abs(mineral.wanted().getAsDouble() - mineral.course().get().latest());
    if (share > tank.limits().maxChangeFraction() || way > step.orElse(Double.MAX_VALUE)) {
      return;
    }
    notes.add(
        Phrase.of(
            "One change of "
                + SmallWords.percent(Math.ceil(100 * share) / 100)
                + " with your change water brings it to ",
            SmallWords.level(mineral.wanted().getAsDouble(), unit(mineral)),
            "."));
  }
}
