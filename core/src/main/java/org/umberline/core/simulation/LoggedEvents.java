package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.tank.LogEntry;

/** What each entry of the log does to a run: the events it makes, and what it adds elsewhere. */
final class LoggedEvents implements LogEntry.Visitor<List<Event>> {
  /** Tests that the balance answers for. */
  final List<LogEntry.Test> probes = new ArrayList<>();

  /** Feeds besides the ration, by the index of their event. */
  final List<FeedNutrients> extraFeeds = new ArrayList<>();

  private final Days days;
  private final Blends blends;
  private final Rations rations;
  private final Doses doses;
  private final Stands stands;

  LoggedEvents(Days days, Blends blends, Rations rations, Doses doses, Stands stands) {
    this.days = days;
    this.blends = blends;
    this.rations = rations;
    this.doses = doses;
    this.stands = stands;
  }

  @Override
  public List<Event> test(LogEntry.Test test) {
    if (Scenario.isProbed(test.analyte())) {
      probes.add(test);
    }
    return List.of();
  }

  @Override
  public List<Event> waterChange(LogEntry.WaterChange change) {
    return List.of(
        new Event(
            days.timeOf(change),
            Event.Kind.CHANGE,
            blends.index(change.water()),
            Math.min(1, change.litres() / days.tank.netVolumeL()),
            change.siphonedShareOfBed()));
  }

  @Override
  public List<Event> feed(LogEntry.Feed feed) {
    extraFeeds.add(rations.extra(feed));
    return List.of(new Event(days.timeOf(feed), Event.Kind.FEED, extraFeeds.size() - 1, 0, 0));
  }

  @Override
  public List<Event> dose(LogEntry.Dose dose) {
    doses.add(dose);
    return List.of();
  }

  @Override
  public List<Event> addition(LogEntry.Addition addition) {
    doses.add(addition);
    return List.of();
  }

  @Override
  public List<Event> harvest(LogEntry.Harvest harvest) {
    return List.of(stands.harvested(harvest));
  }

  @Override
  public List<Event> death(LogEntry.Death death) {
    rations.add(death);
    return List.of();
  }

  /** Laid out with the gear it is done to. */
  @Override
  public List<Event> clean(LogEntry.Clean clean) {
    return List.of();
  }

  /** Laid out with the gear it is done to. */
  @Override
  public List<Event> renew(LogEntry.Renew renew) {
    return List.of();
  }

  /** Laid out with the rations. */
  @Override
  public List<Event> fast(LogEntry.Fast fast) {
    return List.of();
  }

  /** Laid out with the stands, where it speaks of algae. */
  @Override
  public List<Event> medicine(LogEntry.Medicine medicine) {
    return List.of();
  }

  @Override
  public List<Event> quarantine(LogEntry.Quarantine quarantine) {
    return List.of();
  }

  @Override
  public List<Event> trial(LogEntry.Trial trial) {
    return List.of();
  }

  @Override
  public List<Event> observation(LogEntry.Observation observation) {
    return List.of();
  }
}
