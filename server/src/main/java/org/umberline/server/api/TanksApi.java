package org.umberline.server.api;

import jakarta.validation.Valid;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.planning.Advice;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.Term;
import org.umberline.server.answers.BalanceAnswers;
import org.umberline.server.answers.LogRecords;
import org.umberline.server.answers.LogRecords.Recorded;
import org.umberline.server.answers.TankRecords;
import org.umberline.server.answers.TankRecords.Stored;
import org.umberline.server.exchange.Requests;
import org.umberline.server.exchange.Views;
import org.umberline.server.failure.Refused;
import org.umberline.server.security.SignedIn;
import org.umberline.tankfile.TankFileWriter;
import org.umberline.tankfile.shorthand.Reading;

/** Tanks: each only for its owner. */
@RestController
@RequestMapping("/api")
class TanksApi {
  /** No test reads more, mg/L. */
  private static final double MOST_MG_L = 1000;

  private final TankRecords tanks;
  private final LogRecords log;
  private final BalanceAnswers answers;

  TanksApi(TankRecords tanks, LogRecords log, BalanceAnswers answers) {
    this.log = log;
    this.tanks = tanks;
    this.answers = answers;
  }

  /** Every tank of the keeper, most urgent first. */
  @GetMapping("/rounds")
  List<Views.RoundsLineView> rounds(@SignedIn.Keeper SignedIn keeper) {
    List<Advice.Verdict> urgency =
        List.of(
            Advice.Verdict.ACT_NOW,
            Advice.Verdict.STUCK,
            Advice.Verdict.CHANGE,
            Advice.Verdict.TEST_FIRST,
            Advice.Verdict.SKIP);
    return tanks.all(keeper.keeperId()).stream()
        .map(answers::rounds)
        .sorted(java.util.Comparator.comparingInt(line -> urgency.indexOf(line.verdict())))
        .toList();
  }

  /** The keeper's tanks by name, those that are put away last. */
  @GetMapping("/tanks")
  List<Views.TankNameView> tanks(@SignedIn.Keeper SignedIn keeper) {
    return Stream.concat(
            tanks.all(keeper.keeperId()).stream().map(stored -> name(stored, false)),
            tanks.putAway(keeper.keeperId()).stream().map(stored -> name(stored, true)))
        .toList();
  }

  private static Views.TankNameView name(Stored stored, boolean putAway) {
    return new Views.TankNameView(stored.id(), stored.tank().name(), stored.site(), putAway);
  }

  /** Puts a tank away, or takes it out again. */
  @PutMapping("/tanks/{id}/put-away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putAway(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.PutAway request) {
    tanks.setPutAway(id, keeper.keeperId(), request.putAway());
  }

  /** Deletes a tank for its owner; for some days it can be brought back. */
  @DeleteMapping("/tanks/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delete(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    tanks.setDeleted(id, keeper.keeperId(), true);
  }

  @PostMapping("/tanks/{id}/bring-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void bringBack(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    tanks.setDeleted(id, keeper.keeperId(), false);
  }

  @PostMapping("/tanks")
  @ResponseStatus(HttpStatus.CREATED)
  Views.TakenInView takeIn(
      @SignedIn.Keeper SignedIn keeper, @Valid @RequestBody Requests.TakeIn request) {
    Stored stored = tanks.takeIn(request.id(), keeper.keeperId(), request.file());
    return new Views.TakenInView(stored.id(), stored.tank().name());
  }

  @GetMapping("/tanks/{id}/file")
  ResponseEntity<String> file(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return Downloads.of(
        tanks.one(id, keeper.keeperId()).tank(),
        ".umberline.json",
        MediaType.APPLICATION_JSON_VALUE,
        TankFileWriter::write);
  }

  @GetMapping("/tanks/{id}/balance")
  Views.BalanceView balance(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return answers.balance(tanks.one(id, keeper.keeperId()));
  }

  @PostMapping("/tanks/{id}/what-if")
  Views.OutlookView whatIf(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.Try request) {
    return answers.whatIf(tanks.one(id, keeper.keeperId()), request);
  }

  /** The change, or the few, that bring a nutrient to a level; mg/L of the ion. */
  @GetMapping("/tanks/{id}/one-off")
  Views.OneOffView oneOff(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @RequestParam(defaultValue = "nitrate") String nutrient,
      @RequestParam(defaultValue = "0") double to) {
    Nutrient known =
        Term.find(Nutrient.class, nutrient)
            .orElseThrow(() -> Refused.field("nutrient", nutrient, "nitrate or phosphate"));
    if (!(to >= 0 && to <= MOST_MG_L)) {
      throw Refused.field("to", String.valueOf(to), "0 to 1000 mg/L");
    }
    return answers.oneOff(tanks.one(id, keeper.keeperId()), known, to);
  }

  @PutMapping("/tanks/{id}/routine")
  Views.BalanceView routine(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.RoutineChange request) {
    Optional<Routine> routine =
        request.fraction() == null
            ? Optional.empty()
            : Optional.of(new Routine(request.fraction(), request.everyDays(), request.nextOn()));
    return answers.balance(
        tanks.change(id, keeper.keeperId(), request.version(), tank -> tank.withRoutine(routine)));
  }

  @PutMapping("/tanks/{id}/lines")
  Views.BalanceView lines(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.LinesChange request) {
    Lines lines =
        new Lines(BalanceAnswers.line(request.nitrate()), BalanceAnswers.line(request.phosphate()));
    return answers.balance(
        tanks.change(id, keeper.keeperId(), request.version(), tank -> tank.withLines(lines)));
  }

  /** Reads a line without keeping it. */
  @PostMapping("/tanks/{id}/readings")
  Views.ReadBackView read(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.Typed request) {
    LogRecords.ReadFor read = log.read(id, keeper.keeperId(), request.text(), request.at());
    Reading reading = read.reading();
    return new Views.ReadBackView(
        read.tank(),
        read.name(),
        reading.understood(),
        reading.remarks(),
        reading.problems(),
        read.completions());
  }

  /** Records a line; the same id again records nothing more. */
  @PostMapping("/tanks/{id}/log")
  Views.RecordedLineView record(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody Requests.NewLine request) {
    Recorded recorded =
        log.record(id, keeper.keeperId(), request.id(), request.text().strip(), request.at());
    return LogApi.view(recorded);
  }
}
