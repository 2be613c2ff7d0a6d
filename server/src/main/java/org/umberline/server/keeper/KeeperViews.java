package org.umberline.server.keeper;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;

/** What the API sends of keepers. Every number is in the unit its name or its neighbour says. */
public final class KeeperViews {
  private KeeperViews() {}

  public record Session(
      boolean signedIn,
      @Schema(nullable = true) String name,
      boolean demo,
      boolean signUp,
      @Schema(nullable = true, description = "when an account that is left is gone for good")
          Instant leavesAt) {}
}
