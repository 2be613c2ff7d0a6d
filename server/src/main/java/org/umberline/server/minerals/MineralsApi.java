package org.umberline.server.minerals;

import jakarta.validation.Valid;
import java.util.EnumMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.Analyte;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** The balances besides the two nutrients. Nothing is kept. */
@RestController
@RequestMapping("/api/tanks/{id}/minerals")
class MineralsApi {
  private final TankRecords tanks;
  private final MineralsAnswers minerals;
  private final Computations computations;

  MineralsApi(TankRecords tanks, MineralsAnswers minerals, Computations computations) {
    this.tanks = tanks;
    this.minerals = minerals;
    this.computations = computations;
  }

  /** Each balance, with what would bring it to what is wanted, in the analyte's standard unit. */
  @GetMapping
  MineralsViews.Minerals minerals(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(required = false) Double alkalinity,
      @RequestParam(required = false) Double salinity,
      @RequestParam(required = false) Double hardness,
      @RequestParam(required = false) Double dissolvedSolids,
      @RequestParam(required = false) Double silicate,
      @RequestParam(required = false) Double calcium,
      @RequestParam(required = false) Double magnesium) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    Map<Analyte, Double> wanted = new EnumMap<>(Analyte.class);
    put(wanted, Analyte.ALKALINITY, alkalinity);
    put(wanted, Analyte.SALINITY, salinity);
    put(wanted, Analyte.HARDNESS, hardness);
    put(wanted, Analyte.DISSOLVED_SOLIDS, dissolvedSolids);
    put(wanted, Analyte.SILICATE, silicate);
    put(wanted, Analyte.CALCIUM, calcium);
    put(wanted, Analyte.MAGNESIUM, magnesium);
    return computations.run(() -> minerals.minerals(stored, wanted));
  }

  private static void put(Map<Analyte, Double> wanted, Analyte analyte, Double value) {
    if (value != null) {
      wanted.put(analyte, value);
    }
  }

  /** What a slow filter or reactor takes out, by a test before and after it and its flow. */
  @PostMapping("/flow")
  MineralsViews.FilterFlow flow(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody MineralsRequests.FlowAsked request) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> minerals.flow(stored, request));
  }
}
