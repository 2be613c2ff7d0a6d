package org.umberline.server.tank;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;
import org.umberline.tankfile.FiguresModule.Exact;

/** What the API sends of tanks. Every number is in the unit its name or its neighbour says. */
public final class TankViews {
  private TankViews() {}

  @Schema(description = "today is the day by the tank's own clock")
  public record Tank(
      UUID id,
      int version,
      String name,
      String water,
      @Exact double netVolumeL,
      String timeZone,
      LocalDate today,
      @Exact double temperatureC,
      @Exact double salinityPpt,
      @Schema(nullable = true) LocalDate startedOn) {}

  @Schema(description = "role is what the keeper who asks may do in it")
  public record TankName(UUID id, String name, String site, boolean putAway, Role role) {}

  @Schema(description = "mg/L of the ion; an absent end is open")
  public record Line(
      @Schema(nullable = true) @Exact Double floorMgL,
      @Schema(nullable = true) @Exact Double ceilingMgL) {}

  public record Lines(Line nitrate, Line phosphate) {}

  public record TakenIn(UUID id, String name) {}
}
