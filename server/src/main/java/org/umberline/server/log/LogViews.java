package org.umberline.server.log;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;

/** What the API sends of the log. Every number is in the unit its name or its neighbour says. */
public final class LogViews {
  private LogViews() {}

  @Schema(
      description = "what a line of shorthand was read as, for which tank, and how it could go on")
  public record ReadBack(
      UUID tank,
      String name,
      List<String> understood,
      List<String> remarks,
      List<String> problems,
      List<String> completions) {}

  public record RecordedLine(UUID tank, UUID id, List<String> understood, boolean repeated) {}

  @Schema(
      description = "line is what to withdraw; corrected is what the entry that replaced it says")
  public record LogEntry(
      UUID id,
      @Schema(nullable = true) UUID line,
      OffsetDateTime at,
      LocalDate day,
      String kind,
      String words,
      String note,
      String shorthand,
      String recordedBy,
      @Schema(nullable = true) Instant recordedAt,
      boolean withdrawn,
      String withdrawnBy,
      @Schema(nullable = true) Instant withdrawnAt,
      List<String> corrected) {}

  public record LogPage(List<LogEntry> entries, boolean more) {}
}
