package org.umberline.server.trouble;

import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** From a sign to what to do. What is seen is kept by the log, nothing else. */
@RestController
@RequestMapping("/api/tanks/{id}/trouble")
class TroubleApi {
  private final TankRecords tanks;
  private final TroubleAnswers trouble;
  private final Computations computations;

  TroubleApi(TankRecords tanks, TroubleAnswers trouble, Computations computations) {
    this.tanks = tanks;
    this.trouble = trouble;
    this.computations = computations;
  }

  /** Signs that can be seen, and those that are there. */
  @GetMapping
  TroubleViews.Trouble trouble(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> trouble.trouble(stored));
  }

  /** What a sign comes from, and what to do about it. */
  @GetMapping("/{sign}")
  TroubleViews.Examined examined(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable String sign,
      @RequestParam(defaultValue = "") List<String> looks) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> trouble.examined(stored, sign, looks));
  }
}
