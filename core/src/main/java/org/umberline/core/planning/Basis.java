package org.umberline.core.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.chemistry.AmmoniaSpeciation;
import org.umberline.core.cycling.SafeLevels;
import org.umberline.core.forecast.AmmoniaCourse;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.tank.Effort;
import org.umberline.core.tank.Line;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Stance;
import org.umberline.core.tank.TankModel;

/**
 * What a judgement of a tank rests on: what is known, what is judged, and the search for changes.
 */
final class Basis {
  /** Waiting is told for the first of these days ahead on which it costs so much. Chosen. */
  private static final int WAITING_DAYS = 7;

  private static final double WAITING_COSTS = 0.2;

  /** A tank is told to be over a line when more draws than this say so. */
  static final double MORE_LIKELY_THAN_NOT = 0.5;

  /** A reading is challenged for so many days; after them it is history. Chosen. */
  private static final int CHALLENGED_DAYS = 3;

  /** Far over a ceiling, water is changed whatever else it strips. Chosen. */
  private static final double FAR_OVER = 2;

  /** A reading speaks for the water for so many days. Chosen. */
  private static final int READING_COUNTS_DAYS = 14;

  /**
   * A tank younger than this may still cycle; its ammonia is tested twice a week. Common practice.
   */
  private static final int YOUNG_DAYS = 42;

  /** Days ahead in which ammonia of a young tank is looked at. Chosen. */
  private static final int SAFETY_DAYS = 3;

  private static final double WEEKS_4 = 28;

  /** A change of at least such a part of the largest is a large one. Chosen. */
  private static final double LARGE_CHANGE = 0.5;

  final TankModel tank;
  final Posterior posterior;
  final Scenario scenario;
  final Instant now;
  final LocalDate asOf;
  final int firstAhead;
  final Levels levels;
  final Effort effort;
  final double confidence;

  /** Nutrients that have a ceiling and are tested: what water is changed for. */
  final List<Nutrient> judged = new ArrayList<>();

  /** Nutrients that have a ceiling and should be tested, and never were. */
  final List<Nutrient> neverTested = new ArrayList<>();

  /** Nutrients that have a ceiling and no kit among those the keeper has. */
  final List<Nutrient> notTestedHere = new ArrayList<>();

  final Promise promise;
  final SingleChange single;
  final ChangeSearch search;
  final Optional<Routine> habit;

  /** What the keeper wants changed whatever the tests say. */
  final Optional<LeastChange> least;

  Basis(TankModel tank, Posterior posterior, Instant now, int daysJudged) {
    this.tank = tank;
    this.posterior = posterior;
    this.now = now;
    scenario = posterior.scenario();
    asOf = scenario.date(scenario.asOfDay());
    firstAhead = scenario.asOfDay() + 1;
    levels = new Levels(tank, posterior);
    effort = tank.effort();
    confidence = tank.limits().confidence();
    sortByTests();
    least = LeastChange.of(tank, asOf);
    int days = Math.max(0, Math.min(daysJudged, scenario.days() - firstAhead));
    promise = new Promise(posterior, judgedLines(), confidence, days);
    single =
        SingleChange.largest(
            tank, levels.now(Nutrient.NITRATE), levels.ofChangeWater(Nutrient.NITRATE));
    boolean tooRich = judged.stream().anyMatch(levels::sourceTooRich);
    int downToLines = levels.changesDownTo(judgedLines(), single.largestFraction());
    PlanDays planDays = new PlanDays(firstAhead, promise.daysAhead(), earliest());
    search = new ChangeSearch(tank, promise, planDays, single, tooRich, downToLines, stripped());
    // what was done counts: the routine's next day lies after the last change
    habit =
        tank.routine()
            .filter(routine -> routine.fraction() > 0)
            .map(routine -> lastChange().map(routine::after).orElse(routine));
  }

  /** The same tank in which work ahead is done. */
  Basis with(TankModel worked) {
    return new Basis(worked, posterior.goingOnAs(worked), now, promise.days());
  }

  void sortByTests() {
    for (Nutrient nutrient : Nutrient.values()) {
      if (nutrient.line(tank.lines()).ceilingMgL().isEmpty()) {
        continue;
      }
      if (lastTest(nutrient).isPresent()) {
        judged.add(nutrient);
      } else if (tank.stance() == Stance.BY_LOOK
          || !tank.kits().isEmpty()
              && tank.kits().stream().noneMatch(kit -> kit.analyte() == nutrient.analyte())) {
        notTestedHere.add(nutrient);
      } else {
        neverTested.add(nutrient);
      }
    }
    if (judged.isEmpty()) {
      judged.addAll(neverTested);
    }
  }

  Optional<LogEntry.Test> lastTest(Nutrient nutrient) {
    return tank.lastTest(nutrient.analyte());
  }

  LocalDate dayOf(LogEntry entry) {
    return tank.dayOf(entry.at().toInstant());
  }

  boolean testedToday(Nutrient nutrient) {
    return lastTest(nutrient).map(this::dayOf).filter(day -> !day.isBefore(asOf)).isPresent();
  }

  /** A nutrient that nobody tests is not what water is changed for. */
  Lines judgedLines() {
    return new Lines(line(Nutrient.NITRATE), line(Nutrient.PHOSPHATE));
  }

  Line line(Nutrient nutrient) {
    return judged.contains(nutrient) ? nutrient.line(tank.lines()) : Line.NONE;
  }

  LocalDate date(int day) {
    return scenario.date(firstAhead + day);
  }

  double litres(double fraction) {
    return fraction * tank.netVolumeL();
  }

  double minutesPer28Days(double fraction, double everyDays) {
    return fraction <= 0 ? 0 : WEEKS_4 / everyDays * effort.minutes(litres(fraction));
  }

  double effortPer28Days(double fraction, double everyDays) {
    return fraction <= 0 ? 0 : WEEKS_4 / everyDays * effort.worth(litres(fraction));
  }

  /** Median level just after so many changes. */
  double after(Nutrient nutrient, double fraction, int changes) {
    double source = levels.ofChangeWater(nutrient);
    return source + (levels.now(nutrient) - source) * Math.pow(1 - fraction, changes);
  }

  /** A nutrient that is tested and below its floor, by its latest reading or by the balance. */
  Optional<Nutrient> belowFloor() {
    Optional<Nutrient> doubted = challenged();
    for (Nutrient nutrient : Nutrient.values()) {
      double floor = nutrient.line(tank.lines()).floorMgL().orElse(0);
      Optional<LogEntry.Test> last = lastTest(nutrient);
      if (floor > 0
          && last.isPresent()
          && (levels.now(nutrient) < floor
              || last.get().standardValue() < floor
                  && !doubted.equals(Optional.of(nutrient))
                  && !dayOf(last.get()).isBefore(asOf.minusDays(READING_COUNTS_DAYS)))) {
        return Optional.of(nutrient);
      }
    }
    return Optional.empty();
  }

  /** Whether the latest reading of a nutrient lies beyond one of its lines. */
  boolean readsBeyond(Nutrient nutrient) {
    return lastTest(nutrient)
        .filter(
            test ->
                test.standardValue() < nutrient.line(tank.lines()).floorMgL().orElse(0)
                    || test.standardValue()
                        > nutrient.line(tank.lines()).ceilingMgL().orElse(Double.MAX_VALUE))
        .isPresent();
  }

  /** The latest reading of a nutrient that contradicts everything else and was not repeated. */
  Optional<Nutrient> challenged() {
    for (Nutrient nutrient : judged) {
      Optional<Posterior.Reading> last =
          posterior.readings().stream()
              .filter(r -> scenario.probes().get(r.test()).analyte() == nutrient.analyte())
              .max(Comparator.comparing(r -> scenario.probes().get(r.test()).at().toInstant()));
      if (last.isPresent()
          && last.get().contradicts()
          && !dayOf(scenario.probes().get(last.get().test()))
              .isBefore(asOf.minusDays(CHALLENGED_DAYS))) {
        return Optional.of(nutrient);
      }
    }
    return Optional.empty();
  }

  Optional<LocalDate> lastChange() {
    return lastChange(0);
  }

  /** The day of the last change of at least such a share. */
  Optional<LocalDate> lastChange(double share) {
    return tank.log().stream()
        .filter(LogEntry.WaterChange.class::isInstance)
        .map(LogEntry.WaterChange.class::cast)
        .filter(change -> change.litres() >= share * tank.netVolumeL())
        .map(this::dayOf)
        .reduce((a, b) -> b);
  }

  /** The day of the last change that was at least half as large as one may be. */
  Optional<LocalDate> lastLargeChange() {
    return lastChange(LARGE_CHANGE * single.largestFraction());
  }

  /** The day ahead from which a large change may follow the last. */
  private int earliest() {
    return lastLargeChange()
        .map(day -> ahead(day.plusDays(PlanDays.LARGE_CHANGES_APART)))
        .orElse(PlanDays.TODAY);
  }

  /** Whether the routine's own day has come, for a keeper who keeps it whatever the water says. */
  boolean isFixedDay() {
    return hasFixedRoutine() && !habit.get().nextOn().isAfter(asOf);
  }

  /** Whether the least that the keeper wants changed is due. */
  boolean isLeastDue() {
    return least.filter(l -> !l.dueOn().isAfter(asOf)).isPresent();
  }

  boolean hasFixedRoutine() {
    return tank.stance() == Stance.FIXED_ROUTINE && habit.isPresent();
  }

  /** The least share of the draws under the ceilings on any one day, with what was found. */
  double held(Found found) {
    return promise.underCeilings(
        search.days().changes(found), search.keptFrom(found), search.surely());
  }

  /** Day ahead of a date, today and before being {@link PlanDays#TODAY}. */
  int ahead(LocalDate day) {
    return (int) Math.max(PlanDays.TODAY, ChronoUnit.DAYS.between(asOf, day) - 1);
  }

  /** The same under the keeper's own routine, on its own days. */
  double heldByHabit() {
    Routine routine = habit.orElseThrow();
    return promise.underCeilings(
        search
            .days()
            .changes(0, 0, ahead(routine.nextOn()), routine.fraction(), routine.everyDays()),
        0,
        search.surely());
  }

  private Optional<Nutrient> stripped() {
    boolean farOver =
        judged.stream()
            .anyMatch(
                n -> levels.now(n) > FAR_OVER * n.line(tank.lines()).ceilingMgL().orElseThrow());
    return belowFloor()
        .filter(n -> !farOver)
        .filter(n -> levels.ofChangeWater(n) < n.line(tank.lines()).floorMgL().getAsDouble());
  }

  /** Whether nothing that is judged was ever tested: then there is only a guess. */
  boolean isGuess() {
    return judged.stream().allMatch(n -> lastTest(n).isEmpty());
  }

  /**
   * Whether ammonia or nitrite of a tank whose filter grows in may pass what animals stand within
   * days, by the balance alone, and was not tested today.
   */
  boolean isSafetyOpen() {
    if (!scenario.isNew() || promise.days() < SAFETY_DAYS) {
      return false;
    }
    Optional<LocalDate> tested = Cycle.lastTest(this);
    if (tested.filter(day -> !day.isBefore(asOf)).isPresent()) {
      return false;
    }
    boolean young =
        tank.startedOn().filter(day -> day.isAfter(asOf.minusDays(YOUNG_DAYS))).isPresent();
    if (young
        && tested.filter(day -> day.isAfter(asOf.minusDays(Cycle.TESTED_EVERY_DAYS))).isEmpty()) {
      return true;
    }
    AmmoniaCourse course = AmmoniaCourse.of(posterior, SAFETY_DAYS, PlannedChanges.NONE);
    double free = AmmoniaSpeciation.freeShare(tank.pH(), tank.temperatureC());
    return fromNow(course.ammonia())
            .anyMatch(
                day ->
                    new Ammonia(day.p90()).asNitrogen().mgPerLitre() * free
                        > SafeLevels.AMMONIA_ACT_MG_N_L)
        || fromNow(course.nitrite())
            .anyMatch(day -> day.p90() > SafeLevels.nitriteLimitMgL(tank.water()));
  }

  /** What rose while the filter grew in is over. */
  private Stream<AmmoniaCourse.Day> fromNow(List<AmmoniaCourse.Day> course) {
    return course.stream().filter(day -> !day.on().isBefore(asOf));
  }

  /** Whether the water is more likely than not to be over a ceiling now. */
  boolean isOver() {
    return judged.stream().anyMatch(n -> promise.overNow(n) > MORE_LIKELY_THAN_NOT);
  }

  Optional<Advice.Waiting> waiting() {
    int last = Math.min(WAITING_DAYS, promise.days()) - 1;
    for (int day = 0; day <= last; day++) {
      double chance = promise.over(PlannedChanges.NONE, day);
      if (chance >= WAITING_COSTS && day > 0 || day == last) {
        return Optional.of(new Advice.Waiting(date(day), chance));
      }
    }
    return Optional.empty();
  }
}
