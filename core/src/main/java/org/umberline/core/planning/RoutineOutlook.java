package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberline.core.chemistry.SeaWater;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Routine;

/** What a routine that is tried comes to, on the draws of the advice. Not thread-safe. */
public final class RoutineOutlook {
  private static final double WEEKS_4 = 28;

  /**
   * What a routine, or none, comes to.
   *
   * @param probabilityWithinLines the least share of the draws within every line on any one day
   * @param nitratePeakMgL median over the draws of the most in the days judged; the others likewise
   * @param saltGramsPer28Days to mix the change water from fresh water, 0 in fresh tanks
   */
  public record Measures(
      double probabilityWithinLines,
      double nitratePeakMgL,
      double nitrateTroughMgL,
      double phosphatePeakMgL,
      double phosphateTroughMgL,
      double litresPer28Days,
      double minutesPer28Days,
      double saltGramsPer28Days) {}

  private final Basis b;
  private final List<Advice.Step> catchUp;

  RoutineOutlook(Basis basis, List<Advice.Step> catchUp) {
    b = basis;
    this.catchUp = catchUp;
  }

  /** The chance that a ceiling is passed within so many days if nothing is done. */
  public double chanceLeftAlone(int days) {
    return b.promise.anyOver(PlannedChanges.NONE, days);
  }

  /** The first day a routine may begin: the day after what is caught up, else tomorrow. */
  public LocalDate earliestStart() {
    return lastCaughtUp().orElse(b.asOf).plusDays(1);
  }

  private Optional<LocalDate> lastCaughtUp() {
    return catchUp.stream().map(Advice.Step::on).reduce((a, b) -> b);
  }

  /** The changes of a routine from the as-of day on, what is caught up included. */
  public PlannedChanges changes(Optional<Routine> routine) {
    double first = catchUp.isEmpty() ? 0 : catchUp.get(0).fraction();
    return routine
        .map(
            r ->
                b.search
                    .days()
                    .changes(
                        catchUp.size(), first, b.ahead(r.nextOn()), r.fraction(), r.everyDays()))
        .orElseGet(() -> b.search.days().changes(catchUp.size(), first, 0, 0, 1));
  }

  /** The day ahead from which a routine is judged: it can't undo what is there before it begins. */
  private int from(Optional<Routine> routine) {
    if (!catchUp.isEmpty()) {
      return b.search.keptFrom(changes(routine), b.ahead(lastCaughtUp().orElseThrow()));
    }
    boolean late =
        routine.map(r -> b.ahead(r.nextOn()) <= PlanDays.TODAY).orElse(b.search.freeDays() == 0);
    return late ? 1 : 0;
  }

  /** The day from which a routine is judged; empty where that is the day after the first change. */
  public Optional<LocalDate> keptFrom(Optional<Routine> routine) {
    return lastCaughtUp()
        .filter(last -> from(routine) > PlanDays.judgedAfter(b.ahead(last)))
        .map(last -> b.date(from(routine)));
  }

  /** The least share of the draws within every line on any one day. */
  public double probability(Optional<Routine> routine) {
    return b.promise.within(changes(routine), from(routine), b.search.surely());
  }

  /** Whether a routine, or none, keeps the promise, or nearly does. */
  public boolean holds(Optional<Routine> routine) {
    return b.promise.keeps(changes(routine), from(routine), b.search.surely());
  }

  /**
   * From when on a routine that holds for now is less sure than was asked: the next tests will have
   * told more by then.
   *
   * @param from the first day over a ceiling more often than accepted
   * @param probability the least share of the draws under the ceilings on any one day from then on
   */
  public record Later(LocalDate from, double probability) {}

  /** Empty where a routine is as sure on all days that are judged, or does not hold now either. */
  public Optional<Later> later(Optional<Routine> routine) {
    if (!holds(routine)) {
      return Optional.empty();
    }
    PlannedChanges changes = changes(routine);
    double accepted = 1 - b.confidence + Advisor.NEARLY + 1e-9;
    int first = -1;
    double worst = 0;
    for (int day = b.search.surely(); day < b.promise.days(); day++) {
      double over = b.promise.over(changes, day);
      first = first < 0 && over > accepted ? day : first;
      worst = Math.max(worst, over);
    }
    return first < 0 ? Optional.empty() : Optional.of(new Later(b.date(first), 1 - worst));
  }

  /** Every draw run over so many days under some changes. */
  public Projection projection(PlannedChanges changes, int days) {
    return Projection.of(b.posterior, days, changes);
  }

  public Measures measures(Optional<Routine> routine) {
    PlannedChanges changes = changes(routine);
    LineRange range = LineRange.of(b.promise.projection(changes), from(routine));
    double each = routine.map(r -> b.litres(r.fraction())).orElse(0.0);
    double times =
        routine.filter(r -> r.fraction() > 0).map(r -> WEEKS_4 / r.everyDays()).orElse(0.0);
    double gramsPerLitre = SeaWater.saltGramsPerLitre(b.tank.salinityPpt(), b.tank.temperatureC());
    return new Measures(
        probability(routine),
        range.nitratePeak(),
        range.nitrateTrough(),
        range.phosphatePeak(),
        range.phosphateTrough(),
        each * times,
        times * b.effort.minutes(each),
        times * each * gramsPerLitre);
  }

  /**
   * The smallest share that keeps the promise at an interval from a day on; empty when none does.
   */
  public OptionalDouble fractionFor(double everyDays, LocalDate nextOn) {
    for (double share : b.search.shares()) {
      if (holds(Optional.of(new Routine(share, everyDays, nextOn)))) {
        return OptionalDouble.of(share);
      }
    }
    return OptionalDouble.empty();
  }

  /** What keeps {@link #fractionFor} from finding one. */
  public BindingLimit limit() {
    return b.levels.sourceTooRich(Nutrient.NITRATE) || b.levels.sourceTooRich(Nutrient.PHOSPHATE)
        ? BindingLimit.SOURCE
        : b.single.limit();
  }

  /** The longest of some intervals at which a share keeps the promise; empty when none does. */
  public OptionalDouble intervalFor(double fraction, LocalDate nextOn, List<Double> intervals) {
    List<Double> longestFirst = new ArrayList<>(intervals);
    longestFirst.sort(Comparator.reverseOrder());
    return longestFirst.stream()
        .filter(every -> holds(Optional.of(new Routine(fraction, every, nextOn))))
        .mapToDouble(Double::doubleValue)
        .findFirst();
  }
}
