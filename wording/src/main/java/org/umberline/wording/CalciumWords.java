package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.dosing.DoseCeilings;
import org.umberline.core.minerals.AlkalinityUse;
import org.umberline.core.minerals.Course;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.tank.Salt;
import org.umberline.core.tank.TankModel;

/** Calcium and magnesium of salted water in words. */
final class CalciumWords {
  /** Less than this isn't worth a spoon, mg/L a day. Chosen. */
  private static final double TRIFLE = 0.2;

  private final TankModel tank;
  private final MineralSaid said;

  CalciumWords(TankModel tank) {
    this.tank = tank;
    said = new MineralSaid(tank);
  }

  WaterPanel calcium(Mineral calcium, Mineral alkalinity) {
    List<Phrase> notes = new ArrayList<>();
    double lost =
        alkalinity.course().filter(Course::isTold).isPresent()
            ? -alkalinity.gainPerDay().orElse(0)
            : 0;
    if (lost > 0) {
      notes.add(
          Phrase.of(
              "Corals that build with the alkalinity your tests show take at most ",
              MineralSaid.aWeek(calcium, lost * AlkalinityUse.CALCIUM_MG_L_PER_DKH),
              " of calcium a week with it."));
    }
    return panel(calcium, "Calcium", Salt.CALCIUM_CHLORIDE, "calcium chloride", notes);
  }

  WaterPanel magnesium(Mineral magnesium) {
    List<Phrase> notes = new ArrayList<>();
    notes.add(
        Phrase.of(
            "Little of it is used; where calcium and alkalinity won’t stay up together, look here"
                + " first."));
    return panel(magnesium, "Magnesium", Salt.MAGNESIUM_CHLORIDE, "magnesium chloride", notes);
  }

  private WaterPanel panel(
      Mineral mineral, String title, Salt salt, String salted, List<Phrase> notes) {
    said.settled(mineral, notes);
    said.toWanted(mineral, OptionalDouble.empty(), notes);
    OptionalDouble hold = mineral.doseToHoldPerDay(tank, TRIFLE);
    double step = DoseCeilings.stepADay(tank, mineral.analyte());
    if (hold.isPresent() && hold.getAsDouble() > step) {
      notes.add(
          Phrase.of(
              "It loses more a day than a dose should bring back: test it again, with another"
                  + " kit, and test salinity."));
    } else if (hold.isPresent()) {
      notes.add(said.held(salt.grams(hold.getAsDouble(), tank.netVolumeL()), salted));
    } else if (mineral.gainPerDay().orElse(0) < 0 && mineral.wanted().isPresent()) {
      notes.add(Phrase.of("Your changes bring what it loses; nothing needs to be dosed."));
    }
    List<String> cautions =
        hold.isPresent()
            ? List.of(
                "Raise "
                    + mineral.analyte().term()
                    + " by "
                    + SmallWords.trimmed(step)
                    + " mg/L a day at most, apart from alkalinity, or both fall out as chalk.")
            : List.of();
    return MineralSaid.panel(mineral, title, MineralSaid.sentence(mineral), notes, cautions, true);
  }
}
