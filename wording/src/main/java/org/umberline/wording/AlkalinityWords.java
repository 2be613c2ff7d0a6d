package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.minerals.AlkalinityUse;
import org.umberline.core.minerals.Course;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/** Alkalinity in words. */
final class AlkalinityWords {
  /** Fresh water under this holds its pH badly, dKH. From memory. */
  private static final double LITTLE_BUFFER_DKH = 4;

  /** Beyond this share nothing else takes much. Chosen. */
  private static final double MOST_OF_IT = 0.8;

  private final TankModel tank;
  private final MineralSaid said;

  AlkalinityWords(TankModel tank) {
    this.tank = tank;
    said = new MineralSaid(tank);
  }

  WaterPanel panel(Mineral alkalinity, AlkalinityUse use) {
    List<Phrase> notes = new ArrayList<>();
    if (use.byNitrification() * MineralSaid.DAYS_A_WEEK >= MineralSaid.TRIFLE_A_WEEK) {
      notes.add(
          Phrase.of(
              "Nitrate that forms from food takes about ",
              MineralSaid.aWeek(alkalinity, use.byNitrification()),
              " a week" + rest(alkalinity, use) + "."));
    }
    MineralSaid.topOff(alkalinity, notes);
    said.settled(alkalinity, notes);
    said.toWanted(alkalinity, tank.limits().maxAlkalinityStepDkh(), notes);
    raised(use, notes);
    hold(alkalinity, use, notes);
    said.mixed(alkalinity, notes);
    List<String> cautions = new ArrayList<>();
    if (use.bicarbonateGNow().isPresent() || use.doseToHoldPerDay().isPresent()) {
      cautions.add("Raise it by 1 dKH a day at most; test again the next day.");
    }
    if (tank.water() == WaterKind.FRESHWATER
        && alkalinity.course().map(Course::latest).orElse(LITTLE_BUFFER_DKH) < LITTLE_BUFFER_DKH) {
      cautions.add(
          "Under 4 dKH the pH can drop within days and the filter's bacteria slow down; watch"
              + " ammonia.");
    }
    return MineralSaid.panel(
        alkalinity, "Alkalinity", MineralSaid.sentence(alkalinity), notes, cautions, true);
  }

  /** Whether something else takes much of it too. */
  private static String rest(Mineral alkalinity, AlkalinityUse use) {
    double lost = -alkalinity.gainPerDay().orElse(0);
    if (alkalinity.course().filter(Course::isTold).isEmpty() || lost <= 0) {
      return "";
    }
    return use.byNitrification() > MOST_OF_IT * lost
        ? ": about all that is lost"
        : "; corals, rock and plants take the rest";
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
                  + SmallWords.percent(MineralSaid.inFives(alkalinity.shareToHold().getAsDouble()))
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
    notes.add(said.held(use.bicarbonateGPerDay().getAsDouble(), "sodium bicarbonate"));
  }

  private static void raised(AlkalinityUse use, List<Phrase> notes) {
    use.bicarbonateGNow()
        .ifPresent(
            grams ->
                notes.add(
                    Phrase.of(
                        "To bring it there: ",
                        SmallWords.level(grams, "g"),
                        " of sodium bicarbonate"
                            + (use.daysNow() > 1 ? ", over " + use.daysNow() + " days." : "."))));
  }
}
