package org.umberline.server.visit;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.http.Downloads;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;

/** Visits to tanks that are looked after for others. */
@RestController
@RequestMapping("/api/tanks/{id}/visits")
class VisitsApi {
  private final TankRecords tanks;
  private final VisitAnswers visits;

  private final Computations computations;

  VisitsApi(TankRecords tanks, VisitAnswers visits, Computations computations) {
    this.computations = computations;
    this.tanks = tanks;
    this.visits = visits;
  }

  @GetMapping
  List<VisitViews.VisitLine> all(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return visits.all(tanks.one(id, keeper.keeperId()));
  }

  /** Arrives: the tank's standing is kept as it is now. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  void begin(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody VisitRequests.VisitBegun request) {
    visits.begin(tanks.one(id, keeper.keeperId()), keeper.keeperId(), request);
  }

  /** Leaves. */
  @PutMapping("/{visit}/end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID visit,
      @Valid @RequestBody VisitRequests.VisitEnded request) {
    visits.end(tanks.one(id, keeper.keeperId()), keeper.keeperId(), visit, request);
  }

  @GetMapping("/{visit}")
  VisitViews.Visit report(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID visit) {
    Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> visits.report(stored, visit));
  }

  @GetMapping("/{visit}/report.pdf")
  ResponseEntity<byte[]> pdf(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID visit) {
    Stored stored = tanks.one(id, keeper.keeperId());
    VisitViews.Visit report = computations.run(() -> visits.report(stored, visit));
    return Downloads.of(
        stored.tank(),
        "visit.pdf",
        MediaType.APPLICATION_PDF_VALUE,
        tank -> VisitPages.pdf(report));
  }
}
