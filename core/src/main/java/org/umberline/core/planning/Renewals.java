package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice.DueWork;
import org.umberline.core.planning.Advice.WorkKind;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.WorkAhead;
import org.umberline.core.tank.ExportMethod;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.MedicineCourse;
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
   * @param on the day of the first renewal, by the plan or by habit; empty when none is due
   * @param used share that the fullest adsorber has taken, 0 to 1
   */
  record Due(List<DueWork> work, Optional<LocalDate> on, double used) {
    static final Due NONE = new Due(List.of(), Optional.empty(), 0);
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
      List<DueWork> own = of(b, wear);
      work.addAll(own);
      used = own.isEmpty() ? used : Math.max(used, wear.used());
    }
    work.sort(Comparator.comparing(DueWork::on));
    Optional<LocalDate> first =
        Stream.concat(
                work.stream().map(DueWork::on),
                WorkAhead.of(b.scenario).stream()
                    .filter(ahead -> ahead.kind() == WorkAhead.Kind.RENEW)
                    .map(WorkAhead::on))
            .min(Comparator.naturalOrder());
    return work.isEmpty() ? Due.NONE : new Due(List.copyOf(work), first, used);
  }

  /** Renewals of one adsorber each time it is spent, but for those that habit brings anyway. */
  private static List<DueWork> of(Basis b, GearOutlook.Wear wear) {
    List<LocalDate> habit =
        WorkAhead.of(b.scenario).stream()
            .filter(ahead -> ahead.kind() == WorkAhead.Kind.RENEW)
            .filter(ahead -> ahead.of().equals(wear.export()))
            .map(WorkAhead::on)
            .toList();
    List<DueWork> work = new ArrayList<>();
    // a fresh medium would take the medicine out
    LocalDate earliest =
        MedicineCourse.running(b.tank, b.asOf).map(c -> c.to().plusDays(1)).orElse(b.asOf);
    LocalDate day = wear.spentOn().isBefore(earliest) ? earliest : wear.spentOn();
    LocalDate last = b.date(lastAhead(b));
    while (!day.isAfter(last)) {
      LocalDate due = day;
      Optional<LocalDate> before =
          habit.stream().filter(one -> !one.isAfter(due)).reduce((x, y) -> y);
      boolean done = before.filter(one -> one.isAfter(due.minusDays(again(wear)))).isPresent();
      if (!done) {
        work.add(
            new DueWork(
                day,
                WorkKind.RENEW,
                wear.export(),
                massG(b.tank, wear.export()),
                OptionalDouble.empty(),
                true));
      }
      day = (done ? before.get() : day).plusDays(again(wear));
    }
    boolean soon = !work.isEmpty() && !work.get(0).on().isAfter(b.date(b.promise.days()));
    return soon ? work : List.of();
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

  /** The as-of day has ended: what is due on it is done as the next begins. */
  static LocalDate doneOn(DueWork due, LocalDate asOf) {
    return due.on().isAfter(asOf) ? due.on() : asOf.plusDays(1);
  }

  /** The tank in which the work is done. */
  static TankModel done(TankModel tank, LocalDate asOf, List<DueWork> work) {
    List<LogEntry> log = new ArrayList<>(tank.log());
    for (DueWork due : work) {
      log.add(
          new LogEntry.Renew(
              doneOn(due, asOf).atStartOfDay(tank.timeZone()).plusMinutes(1).toOffsetDateTime(),
              due.of(),
              due.grams(),
              ""));
    }
    return tank.withLog(log);
  }
}
