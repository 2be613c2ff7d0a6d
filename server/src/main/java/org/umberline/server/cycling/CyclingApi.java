package org.umberline.server.cycling;

import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** A new tank's guide. */
@RestController
@RequestMapping("/api/tanks/{id}/cycling")
class CyclingApi {
  private final TankRecords tanks;
  private final CyclingAnswers cycling;
  private final Computations computations;

  CyclingApi(TankRecords tanks, CyclingAnswers cycling, Computations computations) {
    this.tanks = tanks;
    this.cycling = cycling;
    this.computations = computations;
  }

  /** How far the filter has grown in, what to do meanwhile, and when how many animals may come. */
  @GetMapping
  CyclingViews.NewTankGuide guide(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(required = false) Double massG) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(
        () ->
            cycling.guide(
                stored, massG == null ? OptionalDouble.empty() : OptionalDouble.of(massG)));
  }
}
