package org.umberline.server.photo;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.core.tank.TankModel;
import org.umberline.server.http.BodyLimit;
import org.umberline.server.http.Dates;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.TankRecords;

/** A tank's photos. */
@RestController
@RequestMapping("/api/tanks/{id}/photos")
class PhotosApi {
  private static final int LONGEST_NOTE = 200;

  private final TankRecords tanks;
  private final PhotoAlbum album;
  private final Clock clock;

  PhotosApi(TankRecords tanks, PhotoAlbum album, Clock clock) {
    this.tanks = tanks;
    this.album = album;
    this.clock = clock;
  }

  @GetMapping
  List<PhotoViews.Photo> photos(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    TankModel tank = tanks.one(id, keeper.keeperId()).tank();
    return album.of(id).stream()
        .map(
            photo ->
                new PhotoViews.Photo(
                    photo.id(),
                    tank.dayOf(photo.takenAt()),
                    photo.note(),
                    photo.width(),
                    photo.height()))
        .toList();
  }

  /** Keeps the picture that is the body; the same id again keeps nothing more. */
  @PutMapping(path = "/{photo}", consumes = "image/*")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void add(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @PathVariable UUID photo,
      @RequestParam(defaultValue = "") String note,
      @RequestParam Optional<Instant> takenAt,
      HttpServletRequest request)
      throws IOException {
    tanks.one(id, keeper.keeperId());
    if (note.length() > LONGEST_NOTE) {
      throw Refused.field("note", note.length() + " characters", "at most " + LONGEST_NOTE);
    }
    takenAt.ifPresent(at -> Dates.require("takenAt", at));
    byte[] picture = request.getInputStream().readNBytes(BodyLimit.PHOTO.bytes());
    Instant now = clock.instant();
    Instant taken = takenAt.filter(at -> at.isBefore(now)).orElse(now);
    album.add(id, keeper.keeperId(), photo, note.strip(), taken, picture);
  }

  @GetMapping("/{photo}")
  ResponseEntity<byte[]> picture(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID photo) {
    tanks.one(id, keeper.keeperId());
    return ResponseEntity.ok()
        .contentType(MediaType.IMAGE_JPEG)
        .cacheControl(CacheControl.maxAge(Duration.ofDays(30)).cachePrivate())
        .body(album.picture(id, photo));
  }

  @DeleteMapping("/{photo}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID photo) {
    tanks.one(id, keeper.keeperId());
    album.remove(id, keeper.keeperId(), photo);
  }
}
