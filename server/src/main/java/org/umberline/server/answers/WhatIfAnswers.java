package org.umberline.server.answers;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.tank.Routine;
import org.umberline.server.answers.TankRecords.Stored;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.failure.Refused;
import org.umberline.server.persistence.Transactions;
import org.umberline.server.persistence.WhatIfEntity;
import org.umberline.server.persistence.WhatIfs;
import tools.jackson.databind.json.JsonMapper;

/** Named what-ifs of a tank, and how they compare with what is done today. */
@Service
public class WhatIfAnswers {
  /** Columns that can still be read side by side. */
  private static final int MOST = 3;

  private final WhatIfs whatIfs;
  private final Posteriors posteriors;
  private final Advices advices;
  private final Transactions transactions;
  private final JsonMapper json;
  private final Clock clock;
  private final Computations computations;

  WhatIfAnswers(
      WhatIfs whatIfs,
      Posteriors posteriors,
      Transactions transactions,
      JsonMapper json,
      Clock clock,
      Computations computations,
      Advices advices) {
    this.advices = advices;
    this.computations = computations;
    this.whatIfs = whatIfs;
    this.posteriors = posteriors;
    this.transactions = transactions;
    this.json = json;
    this.clock = clock;
  }

  /**
   * Keeps a what-if under an id of the client; the same id again changes nothing.
   *
   * @throws Refused when three are kept already, or something tried is not the tank's
   */
  public void save(Stored stored, UUID keeper, UUID id, Requests.WhatIfToSave request) {
    computations.run(() -> measured(stored, request.tried()));
    String name = request.name().strip();
    String body = json.writeValueAsString(request.tried());
    transactions.writeIn(
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
            throw transactions.taken(known.get().getTankId(), keeper);
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
    transactions.writeIn(
        stored.id(),
        keeper,
        tank -> {
          whatIfs.deleteByIdAndTankId(id, stored.id());
          return tank;
        });
  }

  /** Today's routine, none, and every kept what-if, on one posterior. */
  public Views.ComparisonView comparison(Stored stored) {
    Present now = posteriors.present(stored, stored.tank().lines());
    RoutineOutlook outlook = advices.outlook(stored, now);
    List<Views.SavedWhatIfView> saved =
        whatIfs.findByTankIdOrderBySavedAt(stored.id()).stream()
            .map(entity -> view(stored, entity))
            .toList();
    return new Views.ComparisonView(
        now.tank().routine().map(r -> BalanceAnswers.routineView(now.tank(), r)).orElse(null),
        BalanceAnswers.measures(outlook.measures(now.tank().routine())),
        BalanceAnswers.measures(outlook.measures(Optional.empty())),
        saved);
  }

  private Views.SavedWhatIfView view(Stored stored, WhatIfEntity entity) {
    Requests.Try tried = json.readValue(entity.getBody(), Requests.Try.class);
    Measured measured = measured(stored, tried);
    return new Views.SavedWhatIfView(
        entity.getId(),
        entity.getName(),
        tried.tries() == null ? List.of() : tried.tries(),
        measured.routine.map(r -> BalanceAnswers.routineView(stored.tank(), r)).orElse(null),
        measured.measures);
  }

  private record Measured(Optional<Routine> routine, Views.MeasuresView measures) {}

  private Measured measured(Stored stored, Requests.Try tried) {
    Present now =
        TriedLines.applied(posteriors.present(stored, stored.tank().lines()), tried.tries());
    RoutineOutlook outlook = advices.outlook(stored, now);
    Optional<Routine> routine =
        tried.fraction() == null
            ? Optional.empty()
            : Optional.of(
                Present.stillToCome(
                    new Routine(tried.fraction(), tried.everyDays(), tried.nextOn()), now.today()));
    return new Measured(routine, BalanceAnswers.measures(outlook.measures(routine)));
  }
}
