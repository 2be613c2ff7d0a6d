package org.umberline.server.balance;

import java.time.Clock;
import org.springframework.stereotype.Service;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.AnswerCache;
import org.umberline.server.learning.AnswerShelf;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.WorkedAhead;
import org.umberline.server.tank.TankRecords.Stored;

/** What was read and done, and how the water is believed to have gone: for the picture alone. */
@Service
public class PastAnswers implements WorkedAhead {
  private final Advices advices;
  private final Clock clock;
  private final AnswerCache<BalanceViews.Past> pasts;

  public PastAnswers(Advices advices, Clock clock, Computations computations, AnswerShelf shelf) {
    this.advices = advices;
    this.clock = clock;
    pasts = AnswerCache.kept(computations, 100, shelf, "past", BalanceViews.Past.class);
  }

  public BalanceViews.Past past(Stored stored) {
    return pasts.get(
        stored,
        stored.tank().dayOf(clock.instant()),
        "",
        () -> PastMapper.of(advices.learned(stored)));
  }

  @Override
  public void workOut(Stored stored) {
    past(stored);
  }
}
