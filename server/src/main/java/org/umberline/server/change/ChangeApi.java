package org.umberline.server.change;

import jakarta.validation.Valid;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** A water change as it is done. */
@RestController
@RequestMapping("/api/tanks/{id}/run-sheet")
class ChangeApi {
  private final TankRecords tanks;
  private final ChangeAnswers changes;

  private final Computations computations;

  ChangeApi(TankRecords tanks, ChangeAnswers changes, Computations computations) {
    this.computations = computations;
    this.tanks = tanks;
    this.changes = changes;
  }

  @GetMapping
  ChangeViews.RunSheet sheet(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam Optional<Double> fraction) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> changes.sheet(stored, fraction));
  }

  /** What mixed water still lacks. */
  @PostMapping("/salt")
  ChangeViews.Salt salt(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody ChangeRequests.Mixed request) {
    return changes.salt(tanks.one(id, keeper.keeperId()).tank(), request);
  }
}
