package org.umberline.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.umberline.core.minerals.AlkalinityUse;
import org.umberline.core.minerals.Mineral;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.WaterKind;

/**
 * Alkalinity, calcium, magnesium, salinity, hardness, dissolved solids, silicate and pH in words.
 */
public final class MineralWords {
  private final TankModel tank;
  private final MineralSaid said;

  public MineralWords(TankModel tank) {
    this.tank = tank;
    said = new MineralSaid(tank);
  }

  public WaterPanel alkalinity(Mineral alkalinity, AlkalinityUse use) {
    return new AlkalinityWords(tank).panel(alkalinity, use);
  }

  public WaterPanel calcium(Mineral calcium, Mineral alkalinity) {
    return new CalciumWords(tank).calcium(calcium, alkalinity);
  }

  public WaterPanel magnesium(Mineral magnesium) {
    return new CalciumWords(tank).magnesium(magnesium);
  }

  public WaterPanel salinity(Mineral salinity) {
    return new SalinityWords(tank).panel(salinity);
  }

  public WaterPanel hardness(Mineral hardness) {
    List<Phrase> notes = new ArrayList<>();
    MineralSaid.topOff(hardness, notes);
    said.settled(hardness, notes);
    if (hardness.topOffPerDay() * MineralSaid.DAYS_A_WEEK > MineralSaid.TRIFLE_A_WEEK
        && hardness.settles().isEmpty()) {
      notes.add(Phrase.of("Without changes it goes on rising: top off with pure water."));
    }
    said.toWanted(hardness, OptionalDouble.empty(), notes);
    said.mixed(hardness, notes);
    return MineralSaid.panel(
        hardness,
        "Hardness",
        MineralSaid.sentence(hardness),
        notes,
        List.of(),
        tank.water() == WaterKind.FRESHWATER);
  }

  public WaterPanel dissolvedSolids(Mineral solids) {
    List<Phrase> notes = new ArrayList<>();
    MineralSaid.topOff(solids, notes);
    said.settled(solids, notes);
    if (solids.topOffPerDay() > 0 && solids.settles().isEmpty()) {
      notes.add(Phrase.of("Without changes it goes on rising: top off with pure water."));
    }
    said.toWanted(solids, OptionalDouble.empty(), notes);
    said.mixed(solids, notes);
    solids
        .course()
        .filter(course -> course.isTold() && course.lostPerDay().getAsDouble() < 0)
        .ifPresent(
            course ->
                notes.add(
                    Phrase.of(
                        "What rises beyond what top-off water brings comes from food, salts that"
                            + " were given, and rock that dissolves.")));
    notes.add(
        Phrase.of(
            "A pen measures how well water conducts and says nothing of what is in it: use it to"
                + " see what changes, and to check pure water, which should read next to nothing."));
    return MineralSaid.panel(
        solids, "Dissolved solids", MineralSaid.sentence(solids), notes, List.of(), false);
  }

  public WaterPanel silicate(Mineral silicate) {
    List<Phrase> notes = new ArrayList<>();
    MineralSaid.topOff(silicate, notes);
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
    return MineralSaid.panel(
        silicate, "Silicate", MineralSaid.sentence(silicate), notes, List.of(), false);
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
}
