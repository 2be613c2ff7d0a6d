package org.umberline.cli;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.ledger.Ledger;
import org.umberline.tankfile.FiguresModule.Exact;
import org.umberline.tankfile.TankFile;
import tools.jackson.databind.node.ObjectNode;

/** The verb {@code ledger}. */
final class LedgerCommand extends ModelCommand {
  private static final int MOST_DAYS = 400;

  LedgerCommand() {
    super("What nitrogen and phosphorus came in and went out, and what nobody wrote down.");
    addDays("days up to the as-of day", Ledger.DEFAULT_DAYS, MOST_DAYS);
  }

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    List<Ledger> ledgers = Ledger.of(calibrate(known, 1), days());
    Ledger nitrogen = ledgers.get(Nutrient.NITRATE.ordinal());
    return answer(
        name,
        known,
        file,
        new Answer(
            nitrogen.days(),
            Account.of("mg N per day", nitrogen),
            Account.of("mg P per day", ledgers.get(Nutrient.PHOSPHATE.ordinal()))));
  }

  private record Answer(int days, Account nitrogen, Account phosphorus) {}

  private record Account(
      String unit,
      List<Flow> in,
      List<Flow> out,
      Amount unexplained,
      List<Flow> held,
      double netMgLPerWeek,
      double netMgLPerWeekLow,
      double netMgLPerWeekHigh,
      double netGPerMonth) {
    static Account of(String unit, Ledger ledger) {
      return new Account(
          unit,
          flows(ledger.in()),
          flows(ledger.out()),
          Amount.of(ledger.unexplained()),
          flows(ledger.held()),
          ledger.netMgLPerWeek().mean(),
          ledger.netMgLPerWeek().low(),
          ledger.netMgLPerWeek().high(),
          ledger.netGramsPerMonth().mean());
    }

    private static List<Flow> flows(List<Ledger.Line> lines) {
      return lines.stream()
          .map(line -> new Flow(line.name(), line.source(), Amount.of(line.perDay())))
          .toList();
    }
  }

  private record Flow(String name, String source, @JsonUnwrapped Amount amount) {}

  /** Kept to eight digits, so that the ledger closes to the eye as well. */
  private record Amount(@Exact double perDay, @Exact double low, @Exact double high) {
    static Amount of(Ledger.Amount amount) {
      return new Amount(amount.mean(), amount.low(), amount.high());
    }
  }
}
