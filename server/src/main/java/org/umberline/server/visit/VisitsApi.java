package org.umberline.server.visit;

import jakarta.validation.Valid;
import java.time.LocalDate;
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
import org.umberline.server.photo.PhotoAlbum;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.tank.TankRecords.Stored;

/** Visits to tanks that are looked after for others. */
@RestController
@RequestMapping("/api")
class VisitsApi {
  private final TankRecords tanks;

  /** As many as a page has room for. */
  private static final int MOST_PICTURES = 6;

  private final VisitAnswers visits;
  private final PhotoAlbum photos;

  private final Computations computations;

  VisitsApi(TankRecords tanks, VisitAnswers visits, PhotoAlbum photos, Computations computations) {
    this.photos = photos;
    this.computations = computations;
    this.tanks = tanks;
    this.visits = visits;
  }

  /** Visits to all of the keeper's tanks. */
  @GetMapping("/visits")
  List<VisitViews.Listed> listed(@SignedIn.Keeper SignedIn keeper) {
    return visits.listed(tanks.all(keeper.keeperId()));
  }

  @GetMapping("/tanks/{id}/visits")
  List<VisitViews.VisitLine> all(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return visits.all(tanks.one(id, keeper.keeperId()));
  }

  /** Arrives: the tank's standing is kept as it is now. */
  @PostMapping("/tanks/{id}/visits")
  @ResponseStatus(HttpStatus.CREATED)
  void begin(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody VisitRequests.VisitBegun request) {
    visits.begin(tanks.one(id, keeper.keeperId()), keeper.keeperId(), request);
  }

  /** Leaves. */
  @PutMapping("/tanks/{id}/visits/{visit}/end")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID visit,
      @Valid @RequestBody VisitRequests.VisitEnded request) {
    visits.end(tanks.one(id, keeper.keeperId()), keeper.keeperId(), visit, request);
  }

  @GetMapping("/tanks/{id}/visits/{visit}")
  VisitViews.Visit report(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID visit) {
    Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> visits.report(stored, keeper.keeperId(), visit));
  }

  @GetMapping("/tanks/{id}/visits/{visit}/report.pdf")
  ResponseEntity<byte[]> pdf(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID visit) {
    Stored stored = tanks.one(id, keeper.keeperId());
    VisitViews.Visit report =
        computations.run(() -> visits.report(stored, keeper.keeperId(), visit));
    List<byte[]> pictures = pictures(stored, report);
    return Downloads.of(
        stored.tank(),
        "visit.pdf",
        MediaType.APPLICATION_PDF_VALUE,
        tank -> VisitPages.pdf(report, pictures));
  }

  /** The pictures taken on the days of a visit, the newest first. */
  private List<byte[]> pictures(Stored stored, VisitViews.Visit report) {
    LocalDate from = report.begunAt().toLocalDate();
    LocalDate to = report.endedAt() == null ? report.today() : report.endedAt().toLocalDate();
    return photos.of(stored.id()).stream()
        .filter(
            photo -> {
              LocalDate day = stored.tank().dayOf(photo.takenAt());
              return !day.isBefore(from) && !day.isAfter(to);
            })
        .limit(MOST_PICTURES)
        .map(photo -> photos.picture(stored.id(), photo.id()))
        .toList();
  }
}
