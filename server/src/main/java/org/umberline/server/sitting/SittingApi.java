package org.umberline.server.sitting;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.umberline.server.http.BodyLimit;
import org.umberline.server.keeper.SignedIn;

/** Links for sitters, and the page behind one, which needs no account. */
@RestController
@RequestMapping("/api")
class SittingApi {
  private final SittingRecords sitting;

  SittingApi(SittingRecords sitting) {
    this.sitting = sitting;
  }

  @GetMapping("/tanks/{id}/sitters")
  List<SittingViews.SitterLink> links(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return sitting.of(id, keeper.keeperId());
  }

  /** Makes a link for the days of an absence. */
  @PostMapping("/tanks/{id}/sitters")
  @ResponseStatus(HttpStatus.CREATED)
  SittingViews.NewSitterLink make(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody SittingRequests.SitterWanted request) {
    return sitting.make(id, keeper.keeperId(), request);
  }

  @DeleteMapping("/tanks/{id}/sitters/{sitter}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void withdraw(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable UUID sitter) {
    sitting.withdraw(id, keeper.keeperId(), sitter);
  }

  /** What a sitter sees. */
  @GetMapping("/sitting/{token}")
  SittingViews.Sitting page(@PathVariable String token) {
    return sitting.page(token);
  }

  /** What a sitter says; the same id again notes nothing more. */
  @PostMapping("/sitting/{token}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void report(@PathVariable String token, @Valid @RequestBody SittingRequests.Report request) {
    sitting.report(token, request);
  }

  /** Keeps the picture that is the body. */
  @PutMapping(path = "/sitting/{token}/photos/{photo}", consumes = "image/*")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void photo(@PathVariable String token, @PathVariable UUID photo, HttpServletRequest request)
      throws IOException {
    sitting.photo(token, photo, request.getInputStream().readNBytes(BodyLimit.PHOTO.bytes()));
  }
}
