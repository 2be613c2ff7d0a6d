package org.umberline.server.account;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.umberline.server.keeper.Sessions;

/** What the account page is sent. */
final class AccountViews {
  private AccountViews() {}

  @Schema(description = "leavesAt: when it is removed for good, while it can still be kept")
  record Account(
      String name,
      Instant since,
      @Schema(nullable = true) Instant leavesAt,
      List<Sessions.OpenSession> sessions,
      List<DeletedTank> deleted) {}

  @Schema(description = "can be brought back until it is gone")
  record DeletedTank(UUID id, String name, Instant goneAt) {}
}
