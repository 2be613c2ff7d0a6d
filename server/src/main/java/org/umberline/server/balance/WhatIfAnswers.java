package org.umberline.server.balance;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.tank.Routine;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.Advices;
import org.umberline.server.learning.Computations;
import org.umberline.server.learning.LearnedTank;
import org.umberline.server.learning.Posteriors;
import org.umberline.server.store.Documents;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.server.tank.TankWrites;

/** Named what-ifs of a tank, and how they compare with what is done today. */
@Service
public class WhatIfAnswers {
  /** Columns that can still be read side by side. */
  private static final int MOST = 3;

  private final WhatIfs whatIfs;
  private final Posteriors posteriors;
  private final Advices advices;
  private final TankWrites writes;
  private final Documents documents;
  private final Clock clock;
  private final Computations computations;

  WhatIfAnswers(
      WhatIfs whatIfs,
      Posteriors posteriors,
      TankWrites writes,
      Documents documents,
      Clock clock,
      Computations computations,
      Advices advices) {
    this.advices = advices;
    this.computations = computations;
    this.whatIfs = whatIfs;
    this.posteriors = posteriors;
    this.writes = writes;
    this.documents = documents;
    this.clock = clock;
  }

  /**
   * Keeps a what-if under an id of the client; the same id again changes nothing.
   *
   * @throws Refused when three are kept already, or something tried is not the tank's
   */
  public void save(Stored stored, UUID keeper, UUID id, BalanceRequests.WhatIfToSave request) {
    computations.run(() -> measured(stored, KeptWhatIf.of(request.tried())));
    String name = request.name().strip();
    String body = documents.write(KeptWhatIf.of(request.tried()));
    writes.write(
        stored.id(),
        keeper,
        tank -> {
          Optional<WhatIfEntity> known = whatIfs.findById(id);
          if (known.isPresent()) {
            if (known.get().getTankId().equals(stored.id())
                && known.get().getName().equals(name)
                && known.get().getBody().equals(body)) {
              return known.get();
            }
            throw writes.taken(known.get().getTankId(), keeper);
          }
          if (whatIfs.findByTankIdOrderBySavedAt(stored.id()).size() >= MOST) {
            throw Refused.conflict(
                MOST + " what-ifs are kept already; discard one first. Nothing was saved.");
          }
          return whatIfs.saveAndFlush(
              new WhatIfEntity(id, stored.id(), name, body, clock.instant(), keeper));
        });
  }

  /** Discards a what-if; one that is gone already stays gone. */
  public void discard(Stored stored, UUID keeper, UUID id) {
    writes.run(
        stored.id(),
        keeper,
        tank -> {
          whatIfs.deleteByIdAndTankId(id, stored.id());
        });
  }

  /** Today's routine, none, and every kept what-if, on one posterior. */
  public WhatIfViews.Comparison comparison(Stored stored) {
    LearnedTank now = posteriors.learned(stored, stored.tank().lines());
    RoutineOutlook outlook = advices.outlook(stored, now);
    List<WhatIfViews.SavedWhatIf> saved =
        whatIfs.findByTankIdOrderBySavedAt(stored.id()).stream()
            .map(entity -> view(stored, entity))
            .toList();
    return new WhatIfViews.Comparison(
        now.tank().routine().map(r -> BalanceMapper.routine(now.tank(), r)).orElse(null),
        BalanceMapper.measures(outlook.measures(now.tank().routine())),
        BalanceMapper.measures(outlook.measures(Optional.empty())),
        saved);
  }

  private WhatIfViews.SavedWhatIf view(Stored stored, WhatIfEntity entity) {
    KeptWhatIf tried = documents.read(entity.getBody(), KeptWhatIf.class);
    Measured measured = measured(stored, tried);
    return new WhatIfViews.SavedWhatIf(
        entity.getId(),
        entity.getName(),
        tried.asTried(),
        measured.routine.map(r -> BalanceMapper.routine(stored.tank(), r)).orElse(null),
        measured.measures);
  }

  private record Measured(Optional<Routine> routine, BalanceViews.Measures measures) {}

  private Measured measured(Stored stored, KeptWhatIf tried) {
    LearnedTank now =
        TriedLines.applied(posteriors.learned(stored, stored.tank().lines()), tried.asTried());
    RoutineOutlook outlook = advices.outlook(stored, now);
    Optional<Routine> routine =
        tried.fraction() == null
            ? Optional.empty()
            : Optional.of(
                LearnedTank.stillToCome(
                    new Routine(tried.fraction(), tried.everyDays(), tried.nextOn()), now.today()));
    return new Measured(routine, BalanceMapper.measures(outlook.measures(routine)));
  }
}
