package org.umberline.server.bench;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.TankModel;
import org.umberline.core.testing.KitChoice;
import org.umberline.server.balance.AdviceMapper;
import org.umberline.server.balance.AdviceViews;
import org.umberline.server.devices.DeviceTrouble;
import org.umberline.server.devices.FeederLine;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;
import org.umberline.wording.KitWords;

/** The testing bench, and the devices beside the tanks. */
@RestController
class BenchApi {
  private final TankRecords tanks;
  private final BenchAnswers bench;
  private final FeederLine feeder;

  private final Computations computations;

  BenchApi(TankRecords tanks, BenchAnswers bench, FeederLine feeder, Computations computations) {
    this.computations = computations;
    this.tanks = tanks;
    this.bench = bench;
    this.feeder = feeder;
  }

  @GetMapping("/api/bench")
  BenchViews.Bench bench(@SignedIn.Keeper SignedIn keeper) {
    return bench.bench(keeper.keeperId());
  }

  /** Whether the tank's kits answer what is asked of its nutrients. */
  @GetMapping("/api/tanks/{id}/bench/kits")
  List<List<AdviceViews.Said>> kits(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    TankModel tank = tanks.one(id, keeper.keeperId()).tank();
    return KitChoice.of(tank).stream()
        .map(choice -> AdviceMapper.said(KitWords.of(choice, tank)))
        .toList();
  }

  /** What readings come to; nothing is kept. */
  @PostMapping("/api/tanks/{id}/bench/result")
  BenchViews.BenchResult result(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody BenchRequests.Readings request) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> bench.result(stored, request));
  }

  /** Begins a measurement with the photometer, or looks how far it is. */
  @PutMapping("/api/tanks/{id}/bench/measurements/{measurement}")
  BenchViews.Measurement measure(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID measurement,
      @RequestParam String kit) {
    return bench.measure(tanks.one(id, keeper.keeperId()), measurement, kit);
  }

  /** What the feeder and top-off unit reports of today. */
  @GetMapping("/api/feeder")
  BenchViews.Feeder feeder(@SignedIn.Keeper SignedIn keeper) {
    if (!feeder.isKnown()) {
      return new BenchViews.Feeder(false, "", null);
    }
    try {
      FeederLine.Report report = feeder.report();
      return new BenchViews.Feeder(
          true,
          "",
          new BenchViews.FeederReport(
              report.portions(),
              report.gramsAPortion(),
              report.hopperG(),
              report.litres(),
              report.faults()));
    } catch (DeviceTrouble trouble) {
      return new BenchViews.Feeder(true, trouble.getMessage(), null);
    }
  }
}
