package org.umberline.server.balance;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;

/** What the API sends of the ledger. Every number is in the unit its name or its neighbour says. */
public final class LedgerViews {
  private LedgerViews() {}

  @Schema(description = "one figure of a sum; unit as the API names it; no value means never")
  public record Term(
      String label,
      @Schema(nullable = true) Double value,
      String unit,
      @Schema(nullable = true) String origin) {}

  @Schema(description = "a mean with the range of eight draws in ten")
  public record Amount(double mean, double low, double high) {}

  @Schema(description = "what can be tried of a line; kind as in Tried")
  public record Slider(
      String kind,
      String id,
      String name,
      double now,
      double least,
      double most,
      double step,
      String unit) {}

  @Schema(description = "mg of N or P a day")
  public record LedgerLine(
      String key, String name, String source, Amount perDay, List<Term> sum, List<Slider> tries) {}

  @Schema(
      description =
          "one nutrient; unexplained is what the tests demand and the entries do not explain")
  public record Ledger(
      String element,
      int days,
      List<LedgerLine> in,
      List<LedgerLine> out,
      Amount unexplained,
      List<LedgerLine> held,
      Amount netMgLPerWeek,
      Amount netGramsPerMonth) {}

  @Schema(description = "what 1 mg of the element a day is: g a month, and mg/L of its ion a week")
  public record PerMg(double gramsAMonth, double nitrateMgLAWeek, double phosphateMgLAWeek) {}

  public record Ledgers(Ledger nitrogen, Ledger phosphorus, PerMg perMgADay) {}
}
