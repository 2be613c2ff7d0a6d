package org.umberline.server.api;

import jakarta.validation.Valid;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.answers.LogBook;
import org.umberline.server.answers.LogRecords;
import org.umberline.server.answers.TankRecords;
import org.umberline.server.answers.TestTables;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.security.SignedIn;
import org.umberline.tankfile.LogCsv;

/** The log as a book: read, corrected, withdrawn, taken in from tables and given out. */
@RestController
@RequestMapping("/api/tanks/{id}")
class LogApi {
  private final TankRecords tanks;
  private final LogRecords log;
  private final LogBook book;
  private final TestTables tables;

  LogApi(TankRecords tanks, LogRecords log, LogBook book, TestTables tables) {
    this.tanks = tanks;
    this.log = log;
    this.book = book;
    this.tables = tables;
  }

  static Views.RecordedLineView view(LogRecords.Recorded recorded) {
    return new Views.RecordedLineView(
        recorded.tank(), recorded.line(), recorded.understood(), recorded.repeated());
  }

  @GetMapping("/log")
  Views.LogPageView log(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "") String kind,
      @RequestParam(defaultValue = "") String text,
      @RequestParam(defaultValue = "false") boolean sinceChange,
      @RequestParam Optional<Instant> before) {
    before.ifPresent(at -> Dates.require("before", at));
    return book.page(
        tanks.one(id, keeper.keeperId()), new LogBook.Wanted(kind, text, before, sinceChange));
  }

  @GetMapping("/log.csv")
  ResponseEntity<String> csv(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return Downloads.of(
        tanks.one(id, keeper.keeperId()).tank(), "log.csv", "text/csv", LogCsv::write);
  }

  /** Withdraws a line, or puts it back. */
  @PutMapping("/log/{line}/withdrawn")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdraw(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID line,
      @Valid @RequestBody Requests.Withdrawal request) {
    log.setWithdrawn(id, keeper.keeperId(), line, request.withdrawn());
  }

  /** Withdraws one entry, or puts it back. */
  @PutMapping("/log/entries/{entry}/withdrawn")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdrawEntry(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID entry,
      @Valid @RequestBody Requests.Withdrawal request) {
    log.setEntryWithdrawn(id, keeper.keeperId(), entry, request.withdrawn());
  }

  /** Puts a line in the place of an entry. */
  @PostMapping("/log/entries/{entry}/correction")
  Views.RecordedLineView correct(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID entry,
      @Valid @RequestBody Requests.NewLine request) {
    return view(
        log.correct(
            id, keeper.keeperId(), entry, request.id(), request.text().strip(), request.at()));
  }

  /** Reads a table of tests without keeping anything. */
  @PostMapping("/tests/preview")
  Views.TableReadView preview(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.Table request) {
    return tables.read(tanks.one(id, keeper.keeperId()).tank(), request);
  }

  /** Keeps the rows of a table that can be read; the same id again keeps nothing more. */
  @PostMapping("/tests")
  Views.TableKeptView keep(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.NewTable request) {
    return new Views.TableKeptView(
        tables.keep(
            tanks.one(id, keeper.keeperId()), keeper.keeperId(), request.id(), request.table()));
  }
}
