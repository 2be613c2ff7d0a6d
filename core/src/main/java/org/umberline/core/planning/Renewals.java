package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.DueWork;
import org.umberline.core.planning.Advice.WorkKind;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.WorkAhead;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.GearOutlook;

/**
 * Renewals of adsorbers that fall due: where phosphate would go over its ceiling without them they
 * are part of the plan, dated, and no water is asked for in their place.
 */
final class Renewals {
  /** Renewed again after whole weeks, of which these are the fewest and the most. Chosen. */
  private static final int FEWEST_WEEKS = 2;

  private static final int MOST_WEEKS = 8;
  private static final int DAYS_PER_WEEK = 7;

  /**
   * @param work renewals in order of their days
   * @param used share that the adsorber due first has taken, 0 to 1
   */
  record Due(List<DueWork> work, double used) {
    static final Due NONE = new Due(List.of(), 0);
  }

  private Renewals() {}

  /** What is due of adsorbers in the days judged, and again after it. */
  static Due of(Basis b) {
    if (!b.judged.contains(Nutrient.PHOSPHATE) || !goesOver(b)) {
      return Due.NONE;
    }
    List<DueWork> work = new ArrayList<>();
    double used = 0;
    for (GearOutlook.Wear wear : GearOutlook.of(b.tank, b.posterior, b.asOf).wear()) {
      LocalDate first = wear.spentOn().isBefore(b.asOf) ? b.asOf : wear.spentOn();
      Optional<LocalDate> habit =
          WorkAhead.of(b.scenario).stream()
              .filter(ahead -> ahead.kind() == WorkAhead.Kind.RENEW)
              .filter(ahead -> ahead.of().equals(wear.export()))
              .map(WorkAhead::on)
              .findFirst();
      boolean inTime =
          habit.filter(day -> !day.isAfter(first.plusDays(DAYS_PER_WEEK))).isPresent();
      if (inTime || first.isAfter(b.date(b.promise.days()))) {
        continue;
      }
      double massG = massG(b.tank, wear.export());
      LocalDate last = habit.map(day -> day.minusDays(1)).orElse(b.date(lastAhead(b)));
      for (LocalDate day = first; !day.isAfter(last); day = day.plusDays(again(wear))) {
        work.add(new DueWork(day, WorkKind.RENEW, wear.export(), massG, true));
      }
      used = Math.max(used, wear.used());
    }
    work.sort(Comparator.comparing(DueWork::on));
    return new Due(List.copyOf(work), used);
  }

  private static int lastAhead(Basis b) {
    return b.scenario.days() - b.firstAhead - 1;
  }

  private static boolean goesOver(Basis b) {
    for (int day = 0; day < b.promise.days(); day++) {
      if (b.promise.over(PlannedChanges.NONE, Nutrient.PHOSPHATE, day) > 1 - b.confidence) {
        return true;
      }
    }
    return false;
  }

  private static int again(GearOutlook.Wear wear) {
    int weeks = wear.daysToSpent() / DAYS_PER_WEEK;
    return DAYS_PER_WEEK * Math.max(FEWEST_WEEKS, Math.min(MOST_WEEKS, weeks));
  }

  private static double massG(TankModel tank, String adsorber) {
    return tank.exports().stream()
        .filter(export -> export.id().equals(adsorber))
        .mapToDouble(export -> ((ExportMethod.PhosphateAdsorber) export).massG())
        .findFirst()
        .orElseThrow();
  }

  /** The tank in which the work is done. */
  static TankModel done(TankModel tank, LocalDate asOf, List<DueWork> work) {
    List<LogEntry> log = new ArrayList<>(tank.log());
    for (DueWork due : work) {
      // the as-of day has ended: what is due on it is done as the next begins
      LocalDate day = due.on().isAfter(asOf) ? due.on() : asOf.plusDays(1);
      log.add(
          new LogEntry.Renew(
              day.atStartOfDay(tank.timeZone()).plusMinutes(1).toOffsetDateTime(),
              due.of(),
              due.grams(),
              ""));
    }
    return tank.withLog(log);
  }
}
