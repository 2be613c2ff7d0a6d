package org.umberline.cli;

import java.util.Locale;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.chemistry.AmmoniaSpeciation;
import org.umberline.core.judging.ChangeExperiment;
import org.umberline.core.judging.FalseZero;
import org.umberline.core.judging.NormalisedTest;
import org.umberline.core.judging.Range;
import org.umberline.core.quantity.Ammonia;
import org.umberline.core.quantity.Nitrogen;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;
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
          use.name().toLowerCase(Locale.ROOT),
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
    ObjectNode judged = result.putObject("judged");
    changes(judged.putArray("waterChanges"), posterior);
    for (FalseZero zero : FalseZero.of(known.tank())) {
      ObjectNode node = judged.withArray("falseZeros").addObject();
      node.put("at", zero.test().at().toString());
      node.put("analyte", zero.test().analyte().term());
      node.put("because", zero.because());
    }
    for (NormalisedTest test : NormalisedTest.of(known.tank())) {
      ObjectNode node = judged.withArray("normalised").addObject();
      node.put("at", test.test().at().toString());
      node.put("analyte", test.test().analyte().term());
      node.put("salinityPpt", Figures.rounded(test.measuredPpt()));
      node.put("value", Figures.rounded(test.test().standardValue()));
      node.put("normalised", Figures.rounded(test.normalised()));
    }
    freeAmmonia(judged, known.tank());
    return result;
  }

  private static void changes(ArrayNode array, Posterior posterior) {
    for (ChangeExperiment change : ChangeExperiment.of(posterior)) {
      ObjectNode node = array.addObject();
      node.put("at", change.at().toString());
      node.put("fraction", Figures.rounded(change.fraction()));
      node.put("expectedDropMgL", Figures.rounded(change.expectedDrop()));
      node.put("measuredDropMgL", Figures.rounded(change.measuredDrop()));
      range(node, "impliedSourceMgL", change.impliedSource());
      range(node, "impliedFraction", change.impliedFraction());
      range(node, "impliedVolumeL", change.impliedVolumeL());
      node.put("asExpected", change.asExpected());
      ArrayNode explanations = node.putArray("explanations");
      change.explanations().stream()
          .sorted()
          .forEach(e -> explanations.add(e.name().toLowerCase(Locale.ROOT)));
    }
  }

  private static void range(ObjectNode node, String key, Range range) {
    ObjectNode ends = node.putObject(key);
    ends.put("low", Figures.rounded(range.low()));
    if (Double.isInfinite(range.high())) {
      ends.putNull("high");
    } else {
      ends.put("high", Figures.rounded(range.high()));
    }
  }

  /** Free ammonia by the tank's pH and temperature, beside what is acutely harmful. */
  private static void freeAmmonia(ObjectNode judged, TankModel tank) {
    double share = AmmoniaSpeciation.freeShare(tank.pH(), tank.temperatureC());
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Test test && test.analyte() == Analyte.AMMONIA) {
        ObjectNode node = judged.withArray("freeAmmonia").addObject();
        node.put("at", test.at().toString());
        node.put("totalMgL", Figures.rounded(test.standardValue()));
        node.put("freeMgL", Figures.rounded(share * test.standardValue()));
        double acute = AmmoniaSpeciation.acuteCriterionMgL(tank.pH(), tank.temperatureC());
        node.put("acuteTotalMgL", Figures.rounded(Ammonia.of(new Nitrogen(acute)).mgPerLitre()));
      }
    }
  }

  private static void spread(ObjectNode node, Posterior.Spread spread) {
    node.put("p10", Figures.rounded(spread.p10()));
    node.put("p50", Figures.rounded(spread.p50()));
    node.put("p90", Figures.rounded(spread.p90()));
  }
}
