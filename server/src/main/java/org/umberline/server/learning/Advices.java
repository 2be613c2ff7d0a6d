package org.umberline.server.learning;

import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.tank.TankModel;
import org.umberline.server.tank.TankRecords.Stored;

/**
 * The advice of each tank, worked out once a day and change: every page reads this one. A plain
 * note changes nothing of it. It is kept in the database as well.
 */
@Component
public class Advices {
  private static final String KIND = "advice";
  private static final int MOST = 500;

  private record Key(TankModel tank, LocalDate day) {}

  private final Once<Key, Advice> advices;
  private final AnswerShelf shelf;
  private final Posteriors posteriors;
  private final Clock clock;

  Advices(Posteriors posteriors, Computations computations, AnswerShelf shelf, Clock clock) {
    this.posteriors = posteriors;
    this.shelf = shelf.exact();
    this.clock = clock;
    advices = new Once<>(computations, MOST);
  }

  /** The stored tank as of now. */
  public LearnedTank learned(Stored stored) {
    return posteriors.learned(stored, stored.tank().lines());
  }

  public Advice of(Stored stored) {
    return advices.get(key(stored), key -> kept(stored, key).orElseGet(() -> anew(stored, key)));
  }

  /** The advice, where it is worked out already; nothing is waited for. */
  public Optional<Advice> known(Stored stored) {
    Key key = key(stored);
    return advices.known(key).or(() -> kept(stored, key));
  }

  private Key key(Stored stored) {
    TankModel known = stored.tank().knownAt(clock.instant()).withoutNotes();
    return new Key(known, known.dayOf(clock.instant()));
  }

  private Optional<Advice> kept(Stored stored, Key key) {
    return shelf.current(stored.id(), KIND, key, Advice.class);
  }

  private Advice anew(Stored stored, Key key) {
    Advice advice = learned(stored).advisor().advise();
    shelf.keep(stored.id(), KIND, key, advice);
    return advice;
  }

  /** What routines come to beside the stored tank's advice. */
  public RoutineOutlook outlook(Stored stored, LearnedTank now) {
    return now.advisor().outlook(of(stored));
  }
}
