package org.umberline.server.log;

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
import org.umberline.server.http.Dates;
import org.umberline.server.http.Downloads;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.TankRecords;
import org.umberline.tankfile.LogCsv;
import org.umberline.tankfile.shorthand.Reading;

/** The log as a book: read, corrected, withdrawn, taken in from tables and given out. */
@RestController
@RequestMapping("/api/tanks/{id}")
class LogApi {
  private final TankRecords tanks;
  private final LogRecords log;
  private final StandingEntries standing;
  private final LogBook book;
  private final LogTables tables;

  LogApi(
      TankRecords tanks, LogRecords log, StandingEntries standing, LogBook book, LogTables tables) {
    this.standing = standing;
    this.tanks = tanks;
    this.log = log;
    this.book = book;
    this.tables = tables;
  }

  static LogViews.RecordedLine view(LogRecords.Recorded recorded) {
    return new LogViews.RecordedLine(
        recorded.tank(), recorded.line(), recorded.understood(), recorded.repeated());
  }

  @GetMapping("/log")
  LogViews.LogPage log(
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
      @Valid @RequestBody LogRequests.Withdrawal request) {
    standing.setWithdrawn(id, keeper.keeperId(), line, request.withdrawn());
  }

  /** Withdraws one entry, or puts it back. */
  @PutMapping("/log/entries/{entry}/withdrawn")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdrawEntry(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID entry,
      @Valid @RequestBody LogRequests.Withdrawal request) {
    standing.setEntryWithdrawn(id, keeper.keeperId(), entry, request.withdrawn());
  }

  /** Puts a line in the place of an entry. */
  @PostMapping("/log/entries/{entry}/correction")
  LogViews.RecordedLine correct(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID entry,
      @Valid @RequestBody LogRequests.NewLine request) {
    return view(
        log.correct(
            id, keeper.keeperId(), entry, request.id(), request.text().strip(), request.at()));
  }

  /** Reads a table of tests without keeping anything. */
  @PostMapping("/table/preview")
  TableViews.TableRead preview(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody TableRequests.Table request) {
    return tables.read(tanks.one(id, keeper.keeperId()).tank(), request);
  }

  /** Keeps the rows of a table that can be read; the same id again keeps nothing more. */
  @PostMapping("/table")
  TableViews.TableKept keep(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody TableRequests.NewTable request) {
    return new TableViews.TableKept(
        tables.keep(
            tanks.one(id, keeper.keeperId()), keeper.keeperId(), request.id(), request.table()));
  }

  /** Reads a line without keeping it. */
  @PostMapping("/readings")
  LogViews.ReadBack read(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody LogRequests.Typed request) {
    LogRecords.ReadFor read = log.read(id, keeper.keeperId(), request.text(), request.at());
    Reading reading = read.reading();
    return new LogViews.ReadBack(
        read.tank(),
        read.name(),
        reading.understood(),
        reading.remarks(),
        reading.problems(),
        read.completions());
  }

  /** Records a line; the same id again records nothing more. */
  @PostMapping("/log")
  LogViews.RecordedLine record(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody LogRequests.NewLine request) {
    LogRecords.Recorded recorded =
        log.record(id, keeper.keeperId(), request.id(), request.text().strip(), request.at());
    return view(recorded);
  }
}
