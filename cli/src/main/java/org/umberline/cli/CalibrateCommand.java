package org.umberline.cli;

import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.LogEntry;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "calibrate",
    description = "What the tests teach about each unknown, and how far each test lies off.",
    mixinStandardHelpOptions = true)
final class CalibrateCommand extends ModelCommand {
  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    Posterior posterior = calibrate(known, 1);
    ObjectNode result = begin(name, known, file);
    ArrayNode parameters = result.putArray("parameters");
    for (Posterior.Unknown unknown : posterior.unknowns()) {
      ObjectNode node = parameters.addObject();
      node.put("name", unknown.name());
      spread(node.putObject("prior"), unknown.prior());
      spread(node.putObject("posterior"), unknown.posterior());
    }
    ObjectNode used = result.putObject("testsUsed");
    for (TestLikelihood.Use use : TestLikelihood.Use.values()) {
      used.put(
          use.name().toLowerCase(java.util.Locale.ROOT),
          posterior.readings().stream().filter(r -> r.likelihood().use() == use).count());
    }
    ArrayNode residuals = result.putArray("residuals");
    for (Posterior.Reading reading : posterior.readings()) {
      LogEntry.Test test = posterior.scenario().probes().get(reading.test());
      ObjectNode node = residuals.addObject();
      node.put("at", test.at().toString());
      node.put("analyte", test.analyte().term());
      node.put("qualifier", test.qualifier().term());
      node.put("value", Figures.rounded(test.standardValue()));
      node.put("unit", test.analyte().standardUnit().label());
      node.put("modelled", Figures.rounded(reading.modelled()));
      node.put("residual", Figures.rounded(test.standardValue() - reading.modelled()));
      node.put("standardised", Figures.rounded(reading.standardised()));
      node.put("contradicts", reading.contradicts());
    }
    result.put("effectiveSamples", Figures.rounded(posterior.effectiveSamples()));
    return result;
  }

  private static void spread(ObjectNode node, Posterior.Spread spread) {
    node.put("p10", Figures.rounded(spread.p10()));
    node.put("p50", Figures.rounded(spread.p50()));
    node.put("p90", Figures.rounded(spread.p90()));
  }
}
