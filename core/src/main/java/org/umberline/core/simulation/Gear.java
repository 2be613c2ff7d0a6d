package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.balance.Adsorber;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.WasteSolids;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** What catches, skims, adsorbs and denitrifies on each day, and when it is cleaned or renewed. */
final class Gear {
  /** An adsorber in the figures a run needs: cleared L a day and capacity mg P, by g of medium. */
  record Adsorbing(double massG, double clearedLPerGDay, double capacityMgPerG) {
    private static Adsorbing of(ExportMethod.PhosphateAdsorber gear) {
      return new Adsorbing(
          gear.massG(), Adsorber.clearedLPerGDay(gear.placement()), gear.capacityMgPPerG());
    }
  }

  /**
   * Denitrifying gear: the most, mg N a day, and the most water that brings it nitrate, L a day.
   */
  record Denitrifying(double greatestMgPerDay, double flowLPerDay) {}

  /** Share of the waste solids that media catch, per day. */
  final double[] captureRate;

  /** Share of the waste solids that skimmers take out, per day. */
  final double[] skimRate;

  final Adsorbing[] adsorbers;
  final boolean[][] adsorberInUse;
  final Denitrifying[] denitrifying;
  final boolean[][] denitrifyingInUse;

  private final Days days;
  private final TankModel tank;

  Gear(Days days) {
    this.days = days;
    tank = days.tank;
    captureRate = new double[days.count];
    skimRate = new double[days.count];
    List<ExportMethod.PhosphateAdsorber> adsorbing = adsorbing(tank);
    adsorbers = adsorbing.stream().map(Adsorbing::of).toArray(Adsorbing[]::new);
    adsorberInUse = inUse(adsorbing);
    List<ExportMethod> denitrifies =
        tank.exports().stream().filter(e -> Denitrification.greatestMgPerDay(e) > 0).toList();
    denitrifying =
        denitrifies.stream()
            .map(
                export ->
                    new Denitrifying(
                        Denitrification.greatestMgPerDay(export),
                        Denitrification.flowLPerDay(export)))
            .toArray(Denitrifying[]::new);
    denitrifyingInUse = inUse(denitrifies);
    layOutFilters();
  }

  /** The tank's adsorbers, in the order of their index. */
  static List<ExportMethod.PhosphateAdsorber> adsorbing(TankModel tank) {
    return tank.exports().stream()
        .filter(ExportMethod.PhosphateAdsorber.class::isInstance)
        .map(ExportMethod.PhosphateAdsorber.class::cast)
        .toList();
  }

  private boolean[][] inUse(List<? extends ExportMethod> gear) {
    boolean[][] inUse = new boolean[gear.size()][days.count];
    for (int i = 0; i < inUse.length; i++) {
      for (int day = 0; day < days.count; day++) {
        inUse[i][day] = days.covers(gear.get(i).span(), day);
      }
    }
    return inUse;
  }

  private void layOutFilters() {
    for (ExportMethod export : tank.exports()) {
      for (int day = 0; day < days.count; day++) {
        if (!days.covers(export.span(), day)) {
          continue;
        }
        if (export instanceof ExportMethod.Mechanical media) {
          captureRate[day] += WasteSolids.ratePerDay(media.captureFractionPerDay());
        } else if (export instanceof ExportMethod.Skimmer skimmer) {
          skimRate[day] += WasteSolids.ratePerDay(skimmer.removalFractionPerDay());
        }
      }
    }
  }

  /** Cleanings and renewals that were done, and after the as-of day those that habit brings. */
  List<Event> upkeep(List<LogEntry> entries) {
    List<Event> events = new ArrayList<>();
    List<ExportMethod.PhosphateAdsorber> adsorbing = adsorbing(tank);
    for (ExportMethod export : tank.exports()) {
      List<Double> cleaned = new ArrayList<>();
      List<Double> renewed = new ArrayList<>();
      int adsorber = adsorbing.indexOf(export);
      for (LogEntry entry : entries) {
        double time = days.timeOf(entry);
        if (entry instanceof LogEntry.Clean clean && clean.export().equals(export.id())) {
          cleaned.add(time);
        } else if (entry instanceof LogEntry.Renew renew && renew.export().equals(export.id())) {
          renewed.add(time);
          if (adsorber >= 0) {
            double mass = renew.massG() > 0 ? renew.massG() : adsorbers[adsorber].massG();
            events.add(new Event(time, Event.Kind.RENEW, adsorber, mass, 0));
          }
        }
      }
      if (export instanceof ExportMethod.Mechanical media) {
        cleaned.forEach(time -> events.add(cleaning(media, time)));
        days.habitTimes(cleaned).forEach(time -> events.add(cleaning(media, time)));
      }
      if (adsorber >= 0) {
        double mass = adsorbers[adsorber].massG();
        double near = days.rhythm(renewed).orElse(0) / 2;
        // a renewal laid down ahead takes the place of the usual one about its day
        days.habitTimes(renewed).stream()
            .filter(
                time ->
                    renewed.stream()
                        .noneMatch(laid -> laid >= days.asOf + 1 && Math.abs(laid - time) < near))
            .forEach(time -> events.add(new Event(time, Event.Kind.RENEW, adsorber, mass, 0)));
      }
    }
    return events;
  }

  private Event cleaning(ExportMethod.Mechanical media, double time) {
    return new Event(time, Event.Kind.CLEAN, 0, shareOfMedia(media, (int) time), 0);
  }

  /** What of all caught solids lies in one of several media. */
  private double shareOfMedia(ExportMethod.Mechanical media, int day) {
    double all = captureRate[day];
    return all > 0 ? Math.min(1, WasteSolids.ratePerDay(media.captureFractionPerDay()) / all) : 1;
  }
}
