package org.umberline.server.balance;

import java.util.List;
import org.umberline.core.planning.Try;
import org.umberline.server.http.Refused;
import org.umberline.server.learning.LearnedTank;

/** What is tried of the ledger's lines, as the API takes it, as the core has it. */
final class TriedLines {
  private TriedLines() {}

  /**
   * @throws Refused when an amount is out of range
   */
  private static List<Try> of(List<BalanceRequests.Tried> lines) {
    if (lines == null) {
      return List.of();
    }
    return lines.stream()
        .map(
            line -> {
              try {
                return new Try(line.kind(), line.id(), line.amount());
              } catch (IllegalArgumentException outOfRange) {
                throw Refused.field(
                    "tries",
                    line.kind() + " " + line.amount(),
                    "0 to " + line.kind().greatest() + " " + line.kind().unit());
              }
            })
        .toList();
  }

  /**
   * The tank as it would go on.
   *
   * @throws Refused when an amount is out of range or the tank has no such thing
   */
  static LearnedTank applied(LearnedTank now, List<BalanceRequests.Tried> lines) {
    List<Try> tries = of(lines);
    try {
      return now.trying(tries);
    } catch (IllegalArgumentException unknown) {
      throw Refused.field("tries", unknown.getMessage(), "what the tank has");
    }
  }
}
