package org.umberline.server.balance;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;

/**
 * What the API sends of the working. Every number is in the unit its name or its neighbour says.
 */
public final class WorkingViews {
  private WorkingViews() {}

  @Schema(description = "one stated number: the sum in words, its terms, and what it comes to")
  public record Workings(
      String topic,
      String states,
      String sum,
      List<LedgerViews.Term> terms,
      LedgerViews.Term result) {}

  @Schema(description = "how many entries of a kind went in")
  public record UsedEntry(String kind, int count, @Schema(nullable = true) LocalDate last) {}

  @Schema(description = "what was believed before the tests and after them")
  public record Unknown(
      String name,
      double priorLow,
      double prior,
      double priorHigh,
      double low,
      double middle,
      double high) {}

  public record Working(
      List<Workings> numbers,
      List<Unknown> learned,
      List<UsedEntry> entries,
      double effectiveSamples) {}

  @Schema(description = "share of a calibration under way, absent when none is")
  public record Progress(@Schema(nullable = true) Double share) {}
}
