package org.umberline.server.api;

import jakarta.validation.Valid;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.answers.BenchAnswers;
import org.umberline.server.answers.Computations;
import org.umberline.server.answers.TankRecords;
import org.umberline.server.devices.DeviceTrouble;
import org.umberline.server.devices.FeederLine;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.security.SignedIn;
import org.umberline.tankfile.Figures;

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
  Views.BenchView bench(@SignedIn.Keeper SignedIn keeper) {
    return bench.bench(keeper.keeperId());
  }

  /** What readings come to; nothing is kept. */
  @PostMapping("/api/tanks/{id}/bench/result")
  Views.BenchResultView result(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.Readings request) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> bench.result(stored, request));
  }

  /** Begins a measurement with the photometer, or looks how far it is. */
  @PutMapping("/api/tanks/{id}/bench/measurements/{measurement}")
  Views.MeasurementView measure(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID measurement,
      @RequestParam String kit) {
    return bench.measure(tanks.one(id, keeper.keeperId()), measurement, kit);
  }

  /** What the feeder and top-off unit reports of today. */
  @GetMapping("/api/feeder")
  Views.FeederView feeder(@SignedIn.Keeper SignedIn keeper) {
    if (!feeder.isKnown()) {
      return new Views.FeederView(false, "", null);
    }
    try {
      FeederLine.Report report = feeder.report();
      return new Views.FeederView(
          true,
          "",
          new Views.FeederReportView(
              report.portions(),
              Figures.rounded(report.gramsAPortion()),
              Figures.rounded(report.hopperG()),
              Figures.rounded(report.litres()),
              report.faults()));
    } catch (DeviceTrouble trouble) {
      return new Views.FeederView(true, trouble.getMessage(), null);
    }
  }
}
