package org.umberline.server.log;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;

/** What the API takes of tables. A constraint's message says what is allowed. */
public final class TableRequests {
  private TableRequests() {}

  public record TableColumnMeant(
      @NotNull(message = "a column") String name,
      @NotNull(message = "a meaning") String meaning,
      @Schema(nullable = true) String analyte,
      @Schema(nullable = true) String unit) {}

  @Schema(description = "without columns their meanings are guessed")
  public record Table(
      @NotNull(message = "a table") @Size(max = 4_000_000, message = "at most 4 MB") String csv,
      @Schema(nullable = true) @Size(max = 200, message = "at most 200 columns")
          List<@NotNull(message = "a column") @Valid TableColumnMeant> columns,
      @Schema(nullable = true) Boolean monthFirst,
      @Schema(nullable = true) @Size(max = 2000, message = "at most 2000 rows")
          List<@NotNull(message = "a row") @Valid MendedRow> mended) {}

  @Schema(description = "a row as the keeper set it right, a cell for each column")
  public record MendedRow(
      @NotNull(message = "the number of a row") Integer row,
      @NotNull(message = "cells") @Size(max = 200, message = "at most 200 cells")
          List<
                  @NotNull(message = "a cell") @Size(max = 4000, message = "up to 4000 characters")
                  String>
              cells) {}

  public record NewTable(
      @NotNull(message = "a new id") UUID id, @NotNull(message = "a table") @Valid Table table) {}
}
