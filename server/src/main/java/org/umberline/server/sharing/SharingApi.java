package org.umberline.server.sharing;

import jakarta.validation.Valid;
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
import org.umberline.server.keeper.SignedIn;
import org.umberline.server.tank.Role;

/** Who else keeps a tank. */
@RestController
@RequestMapping("/api")
class SharingApi {
  private final SharingRecords sharing;

  SharingApi(SharingRecords sharing) {
    this.sharing = sharing;
  }

  private static Role role(SharingRequests.Given given) {
    return Role.valueOf(given.name());
  }

  @GetMapping("/tanks/{id}/keepers")
  SharingViews.Sharing keepers(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    return sharing.of(id, keeper.keeperId());
  }

  /** Gives a keeper a role by his name. */
  @PutMapping("/tanks/{id}/keepers")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void give(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody SharingRequests.Grant request) {
    sharing.give(id, keeper.keeperId(), request.name(), role(request.role()), request.wholeRoom());
  }

  /** Takes a role back, or gives one's own up. */
  @DeleteMapping("/tanks/{id}/keepers/{name}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(
      @SignedIn.Keeper SignedIn keeper, @PathVariable UUID id, @PathVariable String name) {
    sharing.takeBack(id, keeper.keeperId(), name);
  }

  /** Hands the tank over. */
  @PutMapping("/tanks/{id}/owner")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void handOver(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody SharingRequests.NewOwner request) {
    sharing.handOver(id, keeper.keeperId(), request.name());
  }

  /** Makes a link that works once. */
  @PostMapping("/tanks/{id}/invitations")
  @ResponseStatus(HttpStatus.CREATED)
  SharingViews.Invitation invite(
      @SignedIn.Keeper SignedIn keeper,
      @PathVariable UUID id,
      @Valid @RequestBody SharingRequests.NewInvitation request) {
    return sharing.invite(id, keeper.keeperId(), role(request.role()), request.wholeRoom());
  }

  /** Closes the links that were not used yet. */
  @DeleteMapping("/tanks/{id}/invitations")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void closeInvitations(@SignedIn.Keeper SignedIn keeper, @PathVariable UUID id) {
    sharing.closeInvitations(id, keeper.keeperId());
  }

  /** Comes in by a link. */
  @PostMapping("/join")
  SharingViews.Joined join(
      @SignedIn.Keeper SignedIn keeper, @Valid @RequestBody SharingRequests.Join request) {
    return sharing.join(keeper.keeperId(), request.token());
  }
}
