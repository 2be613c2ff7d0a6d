package org.umberline.server.balance;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.http.Dates;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;

/** What stands behind a tank's answer. */
@RestController
@RequestMapping("/api/tanks/{id}")
class WorkingApi {
  private static final int MOST_LEDGER_DAYS = 365;

  private final TankRecords tanks;
  private final LedgerAnswers ledgers;
  private final WorkingAnswers workings;
  private final TrackRecords trackRecords;
  private final Computations computations;

  WorkingApi(
      TankRecords tanks,
      LedgerAnswers ledgers,
      WorkingAnswers workings,
      TrackRecords trackRecords,
      Computations computations) {
    this.tanks = tanks;
    this.ledgers = ledgers;
    this.workings = workings;
    this.trackRecords = trackRecords;
    this.computations = computations;
  }

  @GetMapping("/ledger")
  LedgerViews.Ledgers ledger(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "28")
          @Min(value = 1, message = "1 to 365 days")
          @Max(value = MOST_LEDGER_DAYS, message = "1 to 365 days")
          int days) {
    return ledgers.ledgers(tanks.one(id, keeper.keeperId()), days);
  }

  @GetMapping("/working")
  WorkingViews.Working working(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return workings.workings(tanks.one(id, keeper.keeperId()));
  }

  /** Asking starts the work; asking again tells how far it is. */
  @GetMapping("/track-record")
  TrackRecordViews.TrackRecord trackRecord(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return trackRecords.record(tanks.one(id, keeper.keeperId()), keeper.keeperId());
  }

  @DeleteMapping("/track-record")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void giveUpTrackRecord(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    trackRecords.cancel(tanks.one(id, keeper.keeperId()));
  }

  @GetMapping("/then")
  TrackRecordViews.Then then(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @RequestParam LocalDate asOf) {
    Stored stored = tanks.one(id, keeper.keeperId());
    Dates.require("asOf", asOf.atStartOfDay().toInstant(ZoneOffset.UTC));
    return computations.run(() -> trackRecords.then(stored, asOf));
  }
}
