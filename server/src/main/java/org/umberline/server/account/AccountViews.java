package org.umberline.server.account;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;

/** What the account page is sent. */
final class AccountViews {
  private AccountViews() {}

  @Schema(
      name = "Account",
      description = "leavesAt: when it is removed for good, while it can still be kept")
  record AccountView(
      String name,
      Instant since,
      @Schema(nullable = true) Instant leavesAt,
      List<OpenSessionView> sessions,
      List<DeletedTankView> deleted) {}

  @Schema(name = "OpenSession", description = "where the keeper is signed in")
  record OpenSessionView(
      String id,
      Instant since,
      Instant lastUsed,
      String address,
      String browser,
      boolean present) {}

  @Schema(name = "DeletedTank", description = "can be brought back until it is gone")
  record DeletedTankView(UUID id, String name, Instant goneAt) {}
}
