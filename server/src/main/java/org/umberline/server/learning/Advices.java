package org.umberline.server.learning;

import java.time.Clock;
import org.springframework.stereotype.Component;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.server.tank.TankRecords.Stored;

/** The advice of each tank, worked out once a day and change: every page reads this one. */
@Component
public class Advices {
  private final AnswerCache<Advice> advices;
  private final Posteriors posteriors;
  private final Clock clock;

  Advices(Posteriors posteriors, Computations computations, Clock clock) {
    this.posteriors = posteriors;
    this.clock = clock;
    advices = new AnswerCache<>(computations, 500);
  }

  /** The stored tank as of now. */
  public LearnedTank learned(Stored stored) {
    return posteriors.learned(stored, stored.tank().lines());
  }

  public Advice of(Stored stored) {
    return advices.get(
        stored, stored.tank().dayOf(clock.instant()), "", () -> learned(stored).advisor().advise());
  }

  /** What routines come to beside the stored tank's advice. */
  public RoutineOutlook outlook(Stored stored, LearnedTank now) {
    Advice advice = of(stored);
    Advisor advisor = now.advisor();
    return advisor.outlook(advice);
  }
}
