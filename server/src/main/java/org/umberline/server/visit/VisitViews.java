package org.umberline.server.visit;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.umberline.server.site.SiteViews;

/** What the API sends of visits. Every number is in the unit its name or its neighbour says. */
public final class VisitViews {
  private VisitViews() {}

  public record VisitLine(UUID id, LocalDate on, boolean ended) {}

  @Schema(description = "a visit to any tank; nextOn is the day named for the next")
  public record Listed(
      UUID id,
      UUID tank,
      String name,
      String site,
      LocalDate on,
      boolean ended,
      @Schema(nullable = true) LocalDate nextOn) {}

  @Schema(description = "levels are medians of what is believed")
  public record Standing(double nitrateMgL, double phosphateMgL, String verdict) {}

  @Schema(
      description =
          "an analyte as it was read last before the visit, and during it; no text where it wasn't")
  public record Measured(
      String analyte,
      @Schema(nullable = true) String before,
      @Schema(nullable = true) LocalDate beforeOn,
      @Schema(nullable = true) String found) {}

  public record Next(LocalDate on, String words) {}

  public record Visit(
      UUID id,
      String tank,
      String site,
      @Schema(nullable = true) SiteViews.SiteDetails of,
      String by,
      LocalDate today,
      OffsetDateTime begunAt,
      @Schema(nullable = true) OffsetDateTime endedAt,
      String seen,
      String advice,
      Standing before,
      Standing now,
      List<Measured> measured,
      String stands,
      List<String> done,
      List<Next> next,
      @Schema(nullable = true) LocalDate nextOn) {}
}
