package org.umberline.server.sharing;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What the API takes of sharing. A constraint's message says what is allowed. */
public final class SharingRequests {
  private SharingRequests() {}

  /** Roles that can be given; the tank itself is handed over in another way. */
  public enum Given {
    READER,
    HELPER,
    CO_KEEPER
  }

  @Schema(description = "wholeRoom: the same for every tank of its owner that stands in its room")
  public record Grant(
      @NotNull(message = "a keeper's name") @Size(max = 100, message = "at most 100 characters")
          String name,
      @NotNull(message = "READER, HELPER or CO_KEEPER") Given role,
      @NotNull(message = "true or false") Boolean wholeRoom) {}

  @Schema(description = "wholeRoom: the same for every tank of its owner that stands in its room")
  public record NewInvitation(
      @NotNull(message = "READER, HELPER or CO_KEEPER") Given role,
      @NotNull(message = "true or false") Boolean wholeRoom) {}

  public record NewOwner(
      @NotNull(message = "a keeper's name") @Size(max = 100, message = "at most 100 characters")
          String name) {}

  public record Join(
      @NotNull(message = "the end of a link") @Size(max = 100, message = "at most 100 characters")
          String token) {}
}
