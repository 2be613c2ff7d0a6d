package org.umberline.core.planning;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberline.core.cycling.FilterReady;
import org.umberline.core.planning.Reason.Kind;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * How far the filter of a new tank has grown in, and what its keeper does meanwhile.
 *
 * @param stocked whether animals live in it
 * @param readyOn the day from which ammonia and nitrite stay low in nine draws of ten; empty when
 *     that is not in sight
 * @param testOn when ammonia and nitrite are to be tested next
 */
record Cycle(boolean stocked, Optional<LocalDate> readyOn, LocalDate testOn) {
  /** While a filter grows in, ammonia and nitrite are tested this often. Common practice. */
  static final int TESTED_EVERY_DAYS = 3;

  /** Days ahead that are looked at. Chosen. */
  private static final int DAYS_AHEAD = 56;

  /** Empty when the tank is old, or its filter has grown in. */
  static Optional<Cycle> of(Basis b) {
    boolean young =
        b.tank
            .startedOn()
            .filter(day -> day.isAfter(b.asOf.minusDays(TankModel.FILTER_GROWN_IN_DAYS)))
            .isPresent();
    int days = Math.min(DAYS_AHEAD, b.promise.days());
    if (!young || !b.scenario.isNew() || days < 1) {
      return Optional.empty();
    }
    Optional<LocalDate> ready = FilterReady.of(b.posterior, days).late();
    if (ready.filter(day -> !day.isAfter(b.asOf)).isPresent()) {
      return Optional.empty();
    }
    LocalDate next = lastTest(b).map(day -> day.plusDays(TESTED_EVERY_DAYS)).orElse(b.asOf);
    boolean stocked = b.tank.livestock().stream().anyMatch(a -> a.span().contains(b.asOf));
    return Optional.of(new Cycle(stocked, ready, next.isBefore(b.asOf) ? b.asOf : next));
  }

  /** The day on which ammonia or nitrite was last tested. */
  static Optional<LocalDate> lastTest(Basis b) {
    return b.tank.log().stream()
        .filter(
            e ->
                e instanceof LogEntry.Test test
                    && (test.analyte() == Analyte.AMMONIA || test.analyte() == Analyte.NITRITE))
        .map(b::dayOf)
        .reduce((before, after) -> after);
  }

  List<Reason> reasons() {
    List<Reason> reasons = new ArrayList<>();
    Reason cycling = Reason.of(Kind.CYCLING);
    reasons.add(readyOn.map(cycling::on).orElse(cycling));
    reasons.add(Reason.of(Kind.CYCLE_TEST).on(testOn));
    reasons.add(Reason.of(stocked ? Kind.CYCLE_FEED_LITTLE : Kind.CYCLE_KEEP_SOURCE));
    return List.copyOf(reasons);
  }
}
