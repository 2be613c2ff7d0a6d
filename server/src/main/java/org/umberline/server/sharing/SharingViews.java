package org.umberline.server.sharing;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import org.umberline.server.tank.Role;

/** What the API sends of sharing. */
public final class SharingViews {
  private SharingViews() {}

  public record CoKeeper(String name, Role role) {}

  @Schema(description = "open links, without their addresses, which are told once")
  public record OpenInvitation(Role role, Instant expiresAt) {}

  @Schema(description = "mine is the role of whoever asks")
  public record Sharing(
      String owner, Role mine, List<CoKeeper> keepers, List<OpenInvitation> invitations) {}

  @Schema(description = "address is told once, when it is made; it lets one keeper in")
  public record Invitation(String address, Instant expiresAt) {}

  public record Joined(List<String> tanks) {}
}
