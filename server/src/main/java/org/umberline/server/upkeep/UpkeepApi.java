package org.umberline.server.upkeep;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.time.Clock;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.upkeep.Care;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.learning.Computations;
import org.umberline.server.tank.TankRecords;

/** Recurring work, how tanks are cared for, absences, and the calendar. */
@RestController
class UpkeepApi {
  private static final MediaType CALENDAR = MediaType.parseMediaType("text/calendar;charset=UTF-8");

  private final TankRecords tanks;
  private final UpkeepAnswers upkeep;
  private final Calendars calendars;
  private final Clock clock;

  private final Computations computations;

  UpkeepApi(
      TankRecords tanks,
      UpkeepAnswers upkeep,
      Calendars calendars,
      Clock clock,
      Computations computations) {
    this.computations = computations;
    this.clock = clock;
    this.tanks = tanks;
    this.upkeep = upkeep;
    this.calendars = calendars;
  }

  @GetMapping("/api/upkeep")
  UpkeepViews.Upkeep upkeep(
      @SignedIn.Keeper SignedIn keeper,
      @RequestParam(defaultValue = "" + UpkeepAnswers.USUAL_DAYS)
          @Min(value = 7, message = "7 to 120 days")
          @Max(value = 120, message = "7 to 120 days")
          int days) {
    return upkeep.upkeep(keeper.keeperId(), days);
  }

  /** Moves a piece of work or sets its interval. */
  @PutMapping("/api/tanks/{id}/upkeep/{work}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void set(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable String work,
      @Valid @RequestBody UpkeepRequests.WorkChange request) {
    upkeep.set(tanks.one(id, keeper.keeperId()), keeper.keeperId(), work, request);
  }

  @GetMapping("/api/tanks/{id}/care")
  UpkeepViews.Care care(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return CareMapper.of(tanks.one(id, keeper.keeperId()));
  }

  @PutMapping("/api/tanks/{id}/care")
  UpkeepViews.Care setCare(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody UpkeepRequests.CareChange request) {
    // tests of the day of counting are counted already
    LocalDate tomorrow = tanks.one(id, keeper.keeperId()).tank().dayOf(clock.instant()).plusDays(1);
    return CareMapper.of(
        tanks.setCare(
            id,
            keeper.keeperId(),
            request.version(),
            (Care before) -> CareMapper.changed(before, request, tomorrow)));
  }

  /** What comes of being away. */
  @PostMapping("/api/tanks/{id}/absence")
  UpkeepViews.Absence absence(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody UpkeepRequests.Away request) {
    TankRecords.Stored stored = tanks.one(id, keeper.keeperId());
    return computations.run(() -> upkeep.absence(stored, request));
  }

  @GetMapping("/api/calendar")
  UpkeepViews.CalendarFeed calendar(@SignedIn.Keeper SignedIn keeper) {
    return new UpkeepViews.CalendarFeed(calendars.since(keeper.keeperId()).orElse(null), null);
  }

  /** Makes a new private address and tells it, this once. */
  @PostMapping("/api/calendar")
  UpkeepViews.CalendarFeed renew(@SignedIn.Keeper SignedIn keeper) {
    String token = calendars.renew(keeper.keeperId());
    return new UpkeepViews.CalendarFeed(
        calendars.since(keeper.keeperId()).orElse(null), "/calendar/" + token + ".ics");
  }

  @DeleteMapping("/api/calendar")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void revoke(@SignedIn.Keeper SignedIn keeper) {
    calendars.revoke(keeper.keeperId());
  }

  @GetMapping("/api/upkeep.ics")
  ResponseEntity<String> file(@SignedIn.Keeper SignedIn keeper) {
    return ResponseEntity.ok().contentType(CALENDAR).body(calendars.of(keeper.keeperId()));
  }

  /** The calendar at its private address, for a program that cannot sign in. */
  @GetMapping("/calendar/{token}.ics")
  ResponseEntity<String> feed(@PathVariable String token) {
    return ResponseEntity.ok()
        .contentType(CALENDAR)
        .cacheControl(CacheControl.noStore())
        .body(calendars.behind(token));
  }
}
