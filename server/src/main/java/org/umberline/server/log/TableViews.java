package org.umberline.server.log;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.OffsetDateTime;
import java.util.List;

/** What the API sends of tables. Every number is in the unit its name or its neighbour says. */
public final class TableViews {
  private TableViews() {}

  public record TableColumn(
      String name,
      String meaning,
      @Schema(nullable = true) String analyte,
      @Schema(nullable = true) String unit) {}

  @Schema(description = "known: all that it says is in the log already")
  public record TableRow(
      int number,
      List<String> cells,
      @Schema(nullable = true) OffsetDateTime at,
      List<String> words,
      List<String> problems,
      boolean known) {}

  @Schema(description = "fresh: entries that would be kept")
  public record TableRead(
      List<TableColumn> columns,
      List<String> meanings,
      List<String> analytes,
      List<TableRow> rows,
      int fresh) {}

  public record TableKept(int kept) {}
}
