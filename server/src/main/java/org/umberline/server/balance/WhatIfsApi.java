package org.umberline.server.balance;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;

/** Named what-ifs of a tank. */
@RestController
@RequestMapping("/api/tanks/{id}/what-ifs")
class WhatIfsApi {
  private final TankRecords tanks;
  private final WhatIfAnswers whatIfs;
  private final Computations computations;

  WhatIfsApi(TankRecords tanks, WhatIfAnswers whatIfs, Computations computations) {
    this.tanks = tanks;
    this.whatIfs = whatIfs;
    this.computations = computations;
  }

  @GetMapping
  WhatIfViews.Comparison comparison(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return comparison(tanks.one(id, keeper.keeperId()));
  }

  private WhatIfViews.Comparison comparison(Stored stored) {
    return computations.run(() -> whatIfs.comparison(stored));
  }

  @PutMapping("/{whatIf}")
  WhatIfViews.Comparison keep(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID whatIf,
      @Valid @RequestBody BalanceRequests.WhatIfToSave request) {
    Stored stored = tanks.one(id, keeper.keeperId());
    whatIfs.save(stored, keeper.keeperId(), whatIf, request);
    return comparison(stored);
  }

  @DeleteMapping("/{whatIf}")
  WhatIfViews.Comparison discard(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID whatIf) {
    Stored stored = tanks.one(id, keeper.keeperId());
    whatIfs.discard(stored, keeper.keeperId(), whatIf);
    return comparison(stored);
  }
}
