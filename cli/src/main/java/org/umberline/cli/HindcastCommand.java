package org.umberline.cli;

import java.util.List;
import org.umberline.core.forecast.Hindcast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.tankfile.Figures;
import org.umberline.tankfile.TankFile;
import picocli.CommandLine.Command;
import tools.jackson.databind.node.ObjectNode;

@Command(
    name = "hindcast",
    description = "How forecasts of this tank would have done, beside three plain rules.",
    mixinStandardHelpOptions = true)
final class HindcastCommand extends ModelCommand {
  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    List<Hindcast.Forecasted> all = Hindcast.of(known.tank(), Hindcast.DRAWS, seed);
    ObjectNode result = begin(name, known, file);
    for (Nutrient nutrient : Nutrient.values()) {
      ObjectNode scores = result.putObject(nutrient.term());
      for (int horizon : Hindcast.HORIZONS) {
        Hindcast.Score score =
            Hindcast.Score.of(
                all.stream()
                    .filter(f -> f.nutrient() == nutrient && f.horizonDays() == horizon)
                    .toList());
        ObjectNode node = scores.putObject(Integer.toString(horizon));
        node.put("tests", score.tests());
        put(node, "inside80", score.inside80());
        put(node, "medianAbsoluteError", score.medianAbsoluteError());
        put(node, "hold", score.hold());
        put(node, "line", score.line());
        put(node, "slope", score.slope());
      }
    }
    return result;
  }

  private static void put(ObjectNode node, String key, double value) {
    if (Double.isNaN(value)) {
      node.putNull(key);
    } else {
      node.put(key, Figures.rounded(value));
    }
  }
}
