package org.umberline.server.api;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.TankModel;
import org.umberline.server.answers.BalanceAnswers;
import org.umberline.server.answers.Computations;
import org.umberline.server.answers.LedgerAnswers;
import org.umberline.server.answers.Posteriors;
import org.umberline.server.answers.TankRecords;
import org.umberline.server.answers.TankRecords.Stored;
import org.umberline.server.answers.TrackRecords;
import org.umberline.server.answers.WhatIfAnswers;
import org.umberline.server.answers.WorkingAnswers;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.security.SignedIn;
import org.umberline.tankfile.TankFileException;
import org.umberline.tankfile.TankFileReader;
import org.umberline.tankfile.TankFileWriter;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** What stands behind a tank's answer, what can be tried of it, and what the tank is. */
@RestController
@RequestMapping("/api/tanks/{id}")
class TankDetailsApi {
  private static final int MOST_LEDGER_DAYS = 365;

  private final TankRecords tanks;
  private final BalanceAnswers balances;
  private final LedgerAnswers ledgers;
  private final WorkingAnswers workings;
  private final TrackRecords trackRecords;
  private final WhatIfAnswers whatIfs;
  private final Posteriors posteriors;
  private final JsonMapper json;

  private final Computations computations;

  TankDetailsApi(
      TankRecords tanks,
      BalanceAnswers balances,
      LedgerAnswers ledgers,
      WorkingAnswers workings,
      TrackRecords trackRecords,
      WhatIfAnswers whatIfs,
      Posteriors posteriors,
      JsonMapper json,
      Computations computations) {
    this.computations = computations;
    this.tanks = tanks;
    this.balances = balances;
    this.ledgers = ledgers;
    this.workings = workings;
    this.trackRecords = trackRecords;
    this.whatIfs = whatIfs;
    this.posteriors = posteriors;
    this.json = json;
  }

  @GetMapping("/ledger")
  Views.LedgersView ledger(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "28")
          @Min(value = 1, message = "1 to 365 days")
          @Max(value = MOST_LEDGER_DAYS, message = "1 to 365 days")
          int days) {
    return ledgers.ledgers(tanks.one(id, keeper.keeperId()), days);
  }

  @GetMapping("/working")
  Views.WorkingsView working(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return workings.workings(tanks.one(id, keeper.keeperId()));
  }

  /** Asking starts the work; asking again tells how far it is. */
  @GetMapping("/track-record")
  Views.TrackRecordView trackRecord(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return trackRecords.record(tanks.one(id, keeper.keeperId()), keeper.keeperId());
  }

  @DeleteMapping("/track-record")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void giveUpTrackRecord(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    trackRecords.cancel(tanks.one(id, keeper.keeperId()));
  }

  @GetMapping("/then")
  Views.ThenView then(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @RequestParam LocalDate asOf) {
    Stored stored = tanks.one(id, keeper.keeperId());
    Dates.require("asOf", asOf.atStartOfDay().toInstant(ZoneOffset.UTC));
    return computations.run(() -> trackRecords.then(stored, asOf));
  }

  /** How far the calibration of this tank is, while one is under way. */
  @GetMapping("/progress")
  Views.ProgressView progress(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    var share = posteriors.progress(tanks.one(id, keeper.keeperId()).id());
    return new Views.ProgressView(share.isPresent() ? share.getAsDouble() : null);
  }

  /** The net volume that past changes speak for. */
  @GetMapping("/implied-volume")
  Views.ImpliedVolumeView impliedVolume(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return balances.impliedVolume(tanks.one(id, keeper.keeperId()));
  }

  @GetMapping("/what-ifs")
  Views.ComparisonView comparison(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return comparison(tanks.one(id, keeper.keeperId()));
  }

  private Views.ComparisonView comparison(Stored stored) {
    return computations.run(() -> whatIfs.comparison(stored));
  }

  @PutMapping("/what-ifs/{whatIf}")
  Views.ComparisonView keep(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID whatIf,
      @Valid @RequestBody Requests.WhatIfToSave request) {
    Stored stored = tanks.one(id, keeper.keeperId());
    whatIfs.save(stored, keeper.keeperId(), whatIf, request);
    return comparison(stored);
  }

  @DeleteMapping("/what-ifs/{whatIf}")
  Views.ComparisonView discard(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID whatIf) {
    Stored stored = tanks.one(id, keeper.keeperId());
    whatIfs.discard(stored, keeper.keeperId(), whatIf);
    return comparison(stored);
  }

  @PutMapping("/site")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void site(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.SiteChange request) {
    tanks.setSite(id, keeper.keeperId(), request.site().strip());
  }

  @GetMapping("/make-up")
  Views.MakeUpView makeUp(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return makeUp(tanks.one(id, keeper.keeperId()));
  }

  private Views.MakeUpView makeUp(Stored stored) {
    ObjectNode tree = TankFileWriter.tree(stored.tank());
    tree.remove("log");
    String text = json.writeValueAsString(tree);
    try {
      return new Views.MakeUpView(
          stored.id(),
          stored.version(),
          stored.tank().name(),
          stored.site(),
          text,
          TankFileReader.read(text).defaultsUsed());
    } catch (TankFileException damaged) {
      throw new IllegalStateException("stored tank " + stored.id() + ": " + damaged, damaged);
    }
  }

  /** What a make-up would lead to; nothing is kept. */
  @PostMapping("/make-up/effect")
  Views.MakeUpEffectView effect(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.MakeUpTry request) {
    Stored stored = tanks.one(id, keeper.keeperId());
    TankModel tried = tanks.withMakeUp(stored.tank(), request.file());
    return computations.run(() -> balances.effect(stored, tried));
  }

  @PutMapping("/make-up")
  Views.MakeUpView keepMakeUp(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.MakeUpChange request) {
    return makeUp(
        tanks.change(
            id,
            keeper.keeperId(),
            request.version(),
            tank -> tanks.withMakeUp(tank, request.file())));
  }
}
