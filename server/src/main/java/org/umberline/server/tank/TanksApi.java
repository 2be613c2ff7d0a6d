package org.umberline.server.tank;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
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
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.http.Downloads;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.TankRecords.Stored;
import org.umberline.tankfile.TankFileWriter;

/** Tanks: each only for its owner. */
@RestController
@RequestMapping("/api")
class TanksApi {
  private final TankRecords tanks;

  TanksApi(TankRecords tanks) {
    this.tanks = tanks;
  }

  /** The keeper's tanks by name, those that are put away last. */
  @GetMapping("/tanks")
  List<TankViews.TankName> tanks(@SignedIn.Keeper SignedIn keeper) {
    return tanks.names(keeper.keeperId());
  }

  /** Puts a tank away, or takes it out again. */
  @PutMapping("/tanks/{id}/put-away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putAway(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody TankRequests.PutAway request) {
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
  TankViews.TakenIn takeIn(
      @SignedIn.Keeper SignedIn keeper, @Valid @RequestBody TankRequests.TakeIn request) {
    Stored stored = tanks.takeIn(request.id(), keeper.keeperId(), request.file());
    return new TankViews.TakenIn(stored.id(), stored.tank().name());
  }

  @GetMapping("/tanks/{id}/file")
  ResponseEntity<String> file(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return Downloads.of(
        tanks.one(id, keeper.keeperId()).tank(),
        ".umberline.json",
        MediaType.APPLICATION_JSON_VALUE,
        TankFileWriter::write);
  }
}
