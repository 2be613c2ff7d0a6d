package org.umberline.cli;

import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.umberline.core.calibration.Progress;
import org.umberline.core.forecast.Hindcast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.tankfile.TankFile;
import tools.jackson.databind.node.ObjectNode;

/** The verb {@code hindcast}. */
final class HindcastCommand extends ModelCommand {
  HindcastCommand() {
    super("How forecasts of this tank would have done, beside three plain rules.");
  }

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    List<Hindcast.Forecasted> all =
        Hindcast.of(known.tank(), Hindcast.DRAWS, seed(), WORKERS, progress());
    return answer(
        name, known, file, new Answer(of(all, Nutrient.NITRATE), of(all, Nutrient.PHOSPHATE)));
  }

  private record Answer(Map<Integer, Score> nitrate, Map<Integer, Score> phosphate) {}

  /** Errors in mg/L of the ion; null where no test tells. */
  private record Score(
      int tests,
      OptionalDouble inside80,
      OptionalDouble medianAbsoluteError,
      OptionalDouble hold,
      OptionalDouble line,
      OptionalDouble slope) {
    static Score of(List<Hindcast.Forecasted> forecasts) {
      Hindcast.Score score = Hindcast.Score.of(forecasts);
      return new Score(
          score.tests(),
          known(score.inside80()),
          known(score.medianAbsoluteError()),
          known(score.hold()),
          known(score.line()),
          known(score.slope()));
    }

    private static OptionalDouble known(double value) {
      return Double.isNaN(value) ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
  }

  /** The scores of one nutrient by days ahead. */
  private static Map<Integer, Score> of(List<Hindcast.Forecasted> all, Nutrient nutrient) {
    Map<Integer, Score> scores = new LinkedHashMap<>();
    for (int horizon : Hindcast.HORIZONS) {
      scores.put(
          horizon,
          Score.of(
              all.stream()
                  .filter(f -> f.nutrient() == nutrient && f.horizonDays() == horizon)
                  .toList()));
    }
    return scores;
  }

  /**
   * Says how far it is where a person looks on; a program that reads the answer is told nothing.
   */
  @SuppressWarnings("SystemConsoleNull") // on Java 17 there is none where nobody looks on
  private Progress progress() {
    if (System.console() == null || files().size() > 1) {
      return Progress.NONE;
    }
    PrintWriter screen = err();
    return share -> {
      screen.printf("\r%3.0f %% of the past tests forecast", share * 100);
      if (share == 1) {
        screen.println();
      }
      screen.flush();
    };
  }
}
