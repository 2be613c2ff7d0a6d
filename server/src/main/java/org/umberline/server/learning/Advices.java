package org.umberline.server.learning;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.stereotype.Component;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.server.tank.TankRecords.Stored;

/** The advice of each tank, worked out once a day and change: every page reads this one. */
@Component
public class Advices {
  private final AnswerCache<Advice> advices;
  private final AnswerCache<CatchUp> catchUps;
  private final Posteriors posteriors;
  private final Clock clock;

  /** The part of an advice that whatever is tried begins with. */
  private record CatchUp(List<Advice.Step> steps) {}

  Advices(Posteriors posteriors, Computations computations, AnswerShelf shelf, Clock clock) {
    this.posteriors = posteriors;
    this.clock = clock;
    advices = new AnswerCache<>(computations, 500);
    catchUps = AnswerCache.kept(computations, 500, shelf, "catch-up", CatchUp.class);
  }

  /** The stored tank as of now. */
  public LearnedTank learned(Stored stored) {
    return posteriors.learned(stored, stored.tank().lines());
  }

  public Advice of(Stored stored) {
    return advices.get(stored, today(stored), "", () -> learned(stored).advisor().advise());
  }

  /** The changes its advice begins with; once they are known they outlive the process. */
  public List<Advice.Step> catchUp(Stored stored) {
    return catchUps.get(stored, today(stored), "", () -> new CatchUp(of(stored).catchUp())).steps();
  }

  private LocalDate today(Stored stored) {
    return stored.tank().dayOf(clock.instant());
  }

  /** What routines come to beside the stored tank's advice. */
  public RoutineOutlook outlook(Stored stored, LearnedTank now) {
    return now.advisor().outlook(catchUp(stored));
  }
}
