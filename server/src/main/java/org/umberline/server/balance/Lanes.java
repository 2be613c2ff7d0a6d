package org.umberline.server.balance;

import java.util.Optional;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.tankfile.Figures;

/** The lane under the picture in which an entry of the log stands, and what is written there. */
final class Lanes implements LogEntry.Visitor<Optional<Lanes.Lane>> {
  record Lane(String name, String text) {
    private static Optional<Lane> of(String name, String text) {
      return Optional.of(new Lane(name, text));
    }
  }

  private final TankModel tank;

  Lanes(TankModel tank) {
    this.tank = tank;
  }

  /** Stands on the curves. */
  @Override
  public Optional<Lane> test(LogEntry.Test test) {
    return Optional.empty();
  }

  /** Has a lane of its own. */
  @Override
  public Optional<Lane> waterChange(LogEntry.WaterChange change) {
    return Optional.empty();
  }

  @Override
  public Optional<Lane> feed(LogEntry.Feed feed) {
    return Lane.of("fed", Figures.plain(feed.grams()) + " g " + tank.foodById(feed.food()).name());
  }

  @Override
  public Optional<Lane> fast(LogEntry.Fast fast) {
    return Lane.of("fed", "no food for " + fast.days() + " days");
  }

  @Override
  public Optional<Lane> harvest(LogEntry.Harvest harvest) {
    return Lane.of("cut", Figures.plain(harvest.wetMassG()) + " g " + harvest.plant());
  }

  @Override
  public Optional<Lane> clean(LogEntry.Clean clean) {
    return Lane.of("cleaned", clean.export());
  }

  @Override
  public Optional<Lane> renew(LogEntry.Renew renew) {
    return Lane.of("cleaned", "renewed " + renew.export());
  }

  @Override
  public Optional<Lane> dose(LogEntry.Dose dose) {
    return Lane.of("dosed", Figures.plain(dose.ml()) + " mL " + dose.fertiliser());
  }

  @Override
  public Optional<Lane> addition(LogEntry.Addition addition) {
    return Lane.of(
        "dosed",
        Figures.plain(addition.amount())
            + " "
            + addition.additive().unit()
            + " "
            + addition.additive().term());
  }

  @Override
  public Optional<Lane> death(LogEntry.Death death) {
    return Lane.of("died", Figures.plain(death.massG()) + " g");
  }

  @Override
  public Optional<Lane> medicine(LogEntry.Medicine medicine) {
    return Lane.of("dosed", medicine.name() + " for " + medicine.days() + " days");
  }

  @Override
  public Optional<Lane> quarantine(LogEntry.Quarantine quarantine) {
    return Lane.of("noted", "quarantine: " + quarantine.who());
  }

  @Override
  public Optional<Lane> trial(LogEntry.Trial trial) {
    return Lane.of("noted", "trial: " + trial.what());
  }

  @Override
  public Optional<Lane> observation(LogEntry.Observation observation) {
    return Lane.of("noted", observation.note().isEmpty() ? observation.sign() : observation.note());
  }
}
