package org.umberline.server.site;

import io.swagger.v3.oas.annotations.media.Schema;

/** What the API sends of places where tanks stand. */
public final class SiteViews {
  private SiteViews() {}

  @Schema(
      description =
          "site as its tanks name it; what nobody said is empty; stop counts from 1 and is absent"
              + " where the round has no order")
  public record SiteDetails(
      String site,
      String client,
      String address,
      String contact,
      @Schema(nullable = true) Integer stop) {}
}
