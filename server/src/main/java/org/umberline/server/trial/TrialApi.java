package org.umberline.server.trial;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** One change at a time. A trial that is begun is a line of the log, nothing else is kept. */
@RestController
@RequestMapping("/api/tanks/{id}/trials")
class TrialApi {
  private final TankRecords tanks;
  private final TrialAnswers trials;
  private final Computations computations;

  TrialApi(TankRecords tanks, TrialAnswers trials, Computations computations) {
    this.tanks = tanks;
    this.trials = trials;
    this.computations = computations;
  }

  /** What can be tried, and what trials did. */
  @GetMapping
  TrialViews.Trials trials(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return trials.trials(stored);
  }

  /** A trial beside another tank of the keeper's in which it was not tried. */
  @PostMapping("/beside")
  TrialViews.TrialBesideAnother beside(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody TrialRequests.TrialComparison request) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    TankRecords.Stored other = tanks.one(request.tank(), keeper.keeperId());
    return computations.run(() -> trials.beside(stored, other, request));
  }

  /** What a trial should show, before it is begun. */
  @PostMapping("/plan")
  TrialViews.TrialPlanned plan(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody TrialRequests.TrialAsked request) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> trials.plan(stored, request));
  }
}
