package org.umberline.server.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneOffset;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.umberline.server.keeper.Accounts;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Sessions;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.TankRecords;

/** A keeper's own account: password, sessions, all that is his, and the way out. */
@RestController
@RequestMapping("/api/account")
class AccountApi {
  private final Accounts accounts;
  private final Sessions sessions;
  private final TankRecords tanks;
  private final Everything everything;
  private final Clock clock;

  AccountApi(
      Accounts accounts, Sessions sessions, TankRecords tanks, Everything everything, Clock clock) {
    this.accounts = accounts;
    this.sessions = sessions;
    this.tanks = tanks;
    this.everything = everything;
    this.clock = clock;
  }

  @GetMapping
  AccountViews.Account account(@SignedIn.Keeper SignedIn keeper, HttpServletRequest request) {
    KeeperEntity known = accounts.of(keeper.keeperId());
    return new AccountViews.Account(
        known.getSignInName(),
        known.getCreatedAt(),
        known.getLeavesAt(),
        sessions.of(keeper.getUsername(), request.getSession().getId()),
        tanks.deleted(keeper.keeperId()).stream()
            .map(tank -> new AccountViews.DeletedTank(tank.id(), tank.name(), tank.goneAt()))
            .toList());
  }

  /** Changes the password; everywhere else the keeper has to sign in again. */
  @PutMapping("/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void password(
      @SignedIn.Keeper SignedIn keeper,
      @Valid @RequestBody AccountRequests.NewPassword wanted,
      HttpServletRequest request) {
    accounts.changePassword(
        keeper,
        wanted.present(),
        wanted.wanted(),
        request.getSession().getId(),
        request.getRemoteAddr());
  }

  @DeleteMapping("/sessions/{session}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void endSession(@SignedIn.Keeper SignedIn keeper, @PathVariable String session) {
    sessions.end(keeper.getUsername(), session);
  }

  /** Ends all sessions but this one. */
  @PostMapping("/sessions/end-others")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void endOtherSessions(@SignedIn.Keeper SignedIn keeper, HttpServletRequest request) {
    sessions.endAll(keeper.getUsername(), request.getSession().getId());
  }

  /** All that is the keeper's in one file. */
  @GetMapping(value = "/everything.zip", produces = "application/zip")
  ResponseEntity<StreamingResponseBody> everything(@SignedIn.Keeper SignedIn keeper) {
    String day = LocalDate.ofInstant(clock.instant(), ZoneOffset.UTC).toString();
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment()
                .filename("umberline-" + day + ".zip")
                .build()
                .toString())
        .body(out -> everything.write(keeper.keeperId(), out));
  }

  /** Marks the account to be removed after some days; until then the keeper can come back. */
  @PostMapping("/leave")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void leave(
      @SignedIn.Keeper SignedIn keeper,
      @Valid @RequestBody AccountRequests.Leave typed,
      HttpServletRequest request) {
    accounts.leave(keeper, typed.name(), typed.password(), request.getRemoteAddr());
  }

  /** The keeper stays after all. */
  @PostMapping("/stay")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void stay(@SignedIn.Keeper SignedIn keeper) {
    accounts.stay(keeper.keeperId());
  }
}
