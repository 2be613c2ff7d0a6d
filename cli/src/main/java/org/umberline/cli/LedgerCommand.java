package org.umberline.cli;

import java.util.List;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.ledger.Ledger;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "ledger",
    description = "What nitrogen and phosphorus came in and went out, and what nobody wrote down.",
    mixinStandardHelpOptions = true)
final class LedgerCommand extends ModelCommand {
  private static final int MOST_DAYS = 400;

  @Option(
      names = "--days",
      defaultValue = "" + Ledger.DEFAULT_DAYS,
      description = "days up to the as-of day (default: 28)")
  int days;

  @Override
  ObjectNode answer(String name, TankFile file) {
    checkDays(days, MOST_DAYS);
    Known known = known(file.tank());
    Posterior posterior = calibrate(known, 1);
    ObjectNode result = begin(name, known, file);
    List<Ledger> ledgers = Ledger.of(posterior, days);
    result.put("days", ledgers.get(0).days());
    for (Ledger ledger : ledgers) {
      String element =
          switch (ledger.nutrient()) {
            case NITRATE -> "nitrogen";
            case PHOSPHATE -> "phosphorus";
          };
      ObjectNode node = result.putObject(element);
      node.put(
          "unit",
          switch (ledger.nutrient()) {
            case NITRATE -> "mg N per day";
            case PHOSPHATE -> "mg P per day";
          });
      lines(node.putArray("in"), ledger.in());
      lines(node.putArray("out"), ledger.out());
      amount(node.putObject("unexplained"), ledger.unexplained());
      lines(node.putArray("held"), ledger.held());
      node.put("netMgLPerWeek", Figures.rounded(ledger.netMgLPerWeek().mean()));
      node.put("netMgLPerWeekLow", Figures.rounded(ledger.netMgLPerWeek().low()));
      node.put("netMgLPerWeekHigh", Figures.rounded(ledger.netMgLPerWeek().high()));
      node.put("netGPerMonth", Figures.rounded(ledger.netGramsPerMonth().mean()));
    }
    return result;
  }

  private static void lines(ArrayNode array, List<Ledger.Line> lines) {
    for (Ledger.Line line : lines) {
      ObjectNode node = array.addObject();
      node.put("name", line.name());
      node.put("source", line.source());
      amount(node, line.perDay());
    }
  }

  /** Amounts keep eight digits, so that the ledger closes to the eye as well. */
  private static void amount(ObjectNode node, Ledger.Amount amount) {
    node.put("perDay", Figures.exact(amount.mean()));
    node.put("low", Figures.exact(amount.low()));
    node.put("high", Figures.exact(amount.high()));
  }
}
