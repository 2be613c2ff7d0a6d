package org.umberline.wording;

import java.util.Locale;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** What was done, as one says it afterwards. */
final class DoneWords implements LogEntry.Visitor<Phrase> {
  private final TankModel tank;

  DoneWords(TankModel tank) {
    this.tank = tank;
  }

  @Override
  public Phrase test(LogEntry.Test test) {
    return Phrase.of("tested " + test.analyte().words());
  }

  @Override
  public Phrase waterChange(LogEntry.WaterChange change) {
    return Phrase.of("changed ", Phrase.amount(change.litres(), "L"));
  }

  @Override
  public Phrase clean(LogEntry.Clean clean) {
    return Phrase.of("cleaned " + clean.export());
  }

  @Override
  public Phrase renew(LogEntry.Renew renew) {
    return Phrase.of("renewed " + renew.export());
  }

  @Override
  public Phrase harvest(LogEntry.Harvest harvest) {
    return Phrase.of("cut ", Phrase.amount(harvest.wetMassG(), "g"), " of " + harvest.plant());
  }

  @Override
  public Phrase dose(LogEntry.Dose dose) {
    return Phrase.of(
        "dosed ",
        Phrase.amount(dose.ml(), "mL"),
        " of " + tank.fertiliserById(dose.fertiliser()).name());
  }

  @Override
  public Phrase addition(LogEntry.Addition addition) {
    return Phrase.of(
        "added ",
        Phrase.amount(addition.amount(), addition.additive().unit()),
        " of " + DoseSheets.name(addition.additive()));
  }

  @Override
  public Phrase death(LogEntry.Death death) {
    return Phrase.of("an animal died, ", Phrase.amount(death.massG(), "g"));
  }

  @Override
  public Phrase feed(LogEntry.Feed feed) {
    return Phrase.of(
        "fed ", Phrase.amount(feed.grams(), "g"), " of " + tank.foodById(feed.food()).name());
  }

  @Override
  public Phrase fast(LogEntry.Fast fast) {
    return Phrase.of("not fed for " + fast.days() + (fast.days() == 1 ? " day" : " days"));
  }

  @Override
  public Phrase medicine(LogEntry.Medicine medicine) {
    return Phrase.of("a course of " + medicine.name() + " begun");
  }

  @Override
  public Phrase quarantine(LogEntry.Quarantine quarantine) {
    return Phrase.of("quarantine of " + quarantine.who() + " begun");
  }

  @Override
  public Phrase trial(LogEntry.Trial trial) {
    return Phrase.of("a trial begun: " + trial.what());
  }

  @Override
  public Phrase observation(LogEntry.Observation observation) {
    return Phrase.of(TroubleWords.sign(observation.sign()).toLowerCase(Locale.ROOT));
  }
}
