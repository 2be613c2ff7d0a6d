package org.umberline.cli;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
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
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;
import org.umberline.core.tank.TestUnit;
import org.umberline.tankfile.TankFile;
import tools.jackson.databind.node.ObjectNode;

/** The verb {@code calibrate}. */
final class CalibrateCommand extends ModelCommand {
  CalibrateCommand() {
    super("What the tests teach about each unknown, and how far each test lies off.");
  }

  @Override
  ObjectNode answer(String name, TankFile file) {
    Known known = known(file.tank());
    Posterior posterior = calibrate(known, 1);
    List<LogEntry.Test> probes = posterior.scenario().probes();
    return answer(
        name,
        known,
        file,
        new Answer(
            posterior.unknowns().all(),
            testsUsed(posterior),
            posterior.readings().stream()
                .map(reading -> Residual.of(probes.get(reading.test()), reading))
                .toList(),
            posterior.effectiveSamples(),
            Judged.of(known.tank(), posterior)));
  }

  private record Answer(
      List<Posterior.Unknown> parameters,
      Map<String, Long> testsUsed,
      List<Residual> residuals,
      double effectiveSamples,
      Judged judged) {}

  private static Map<String, Long> testsUsed(Posterior posterior) {
    Map<String, Long> used = new LinkedHashMap<>();
    for (TestLikelihood.Use use : TestLikelihood.Use.values()) {
      used.put(
          use.name().toLowerCase(Locale.ROOT),
          posterior.readings().stream().filter(r -> r.likelihood().use() == use).count());
    }
    return used;
  }

  private record Residual(
      String at,
      Analyte analyte,
      Qualifier qualifier,
      double value,
      TestUnit unit,
      double modelled,
      double residual,
      double standardised,
      boolean contradicts) {
    static Residual of(LogEntry.Test test, Posterior.Reading reading) {
      return new Residual(
          test.at().toString(),
          test.analyte(),
          test.qualifier(),
          test.standardValue(),
          test.analyte().standardUnit(),
          reading.modelled(),
          test.standardValue() - reading.modelled(),
          reading.standardised(),
          reading.contradicts());
    }
  }

  /** Lists that are empty are left out, but for the changes. */
  @JsonInclude(JsonInclude.Include.NON_EMPTY)
  private record Judged(
      @JsonInclude(JsonInclude.Include.ALWAYS) List<Change> waterChanges,
      List<Zero> falseZeros,
      List<Normalised> normalised,
      List<FreeAmmonia> freeAmmonia) {
    static Judged of(TankModel tank, Posterior posterior) {
      return new Judged(
          ChangeExperiment.of(posterior).stream().map(Change::of).toList(),
          FalseZero.of(tank).stream().map(Zero::of).toList(),
          NormalisedTest.of(tank).stream().map(Normalised::of).toList(),
          tank.log().stream()
              .filter(LogEntry.Test.class::isInstance)
              .map(LogEntry.Test.class::cast)
              .filter(test -> test.analyte() == Analyte.AMMONIA)
              .map(test -> FreeAmmonia.of(tank, test))
              .toList());
    }
  }

  private record Change(
      String at,
      double fraction,
      double expectedDropMgL,
      double measuredDropMgL,
      Ends impliedSourceMgL,
      Ends impliedFraction,
      Ends impliedVolumeL,
      boolean asExpected,
      List<String> explanations) {
    static Change of(ChangeExperiment change) {
      return new Change(
          change.at().toString(),
          change.fraction(),
          change.expectedDrop(),
          change.measuredDrop(),
          Ends.of(change.impliedSource()),
          Ends.of(change.impliedFraction()),
          Ends.of(change.impliedVolumeL()),
          change.asExpected(),
          change.explanations().stream()
              .sorted()
              .map(explanation -> explanation.name().toLowerCase(Locale.ROOT))
              .toList());
    }
  }

  /** From low to high; null when there is no upper end. */
  private record Ends(double low, OptionalDouble high) {
    static Ends of(Range range) {
      return new Ends(
          range.low(),
          Double.isInfinite(range.high())
              ? OptionalDouble.empty()
              : OptionalDouble.of(range.high()));
    }
  }

  private record Zero(String at, Analyte analyte, String because) {
    static Zero of(FalseZero zero) {
      return new Zero(zero.test().at().toString(), zero.test().analyte(), zero.because());
    }
  }

  private record Normalised(
      String at, Analyte analyte, double salinityPpt, double value, double normalised) {
    static Normalised of(NormalisedTest test) {
      return new Normalised(
          test.test().at().toString(),
          test.test().analyte(),
          test.measuredPpt(),
          test.test().standardValue(),
          test.normalised());
    }
  }

  /** Free ammonia by the tank's pH and temperature, beside what is acutely harmful. */
  private record FreeAmmonia(String at, double totalMgL, double freeMgL, double acuteTotalMgL) {
    static FreeAmmonia of(TankModel tank, LogEntry.Test test) {
      double acute = AmmoniaSpeciation.acuteCriterionMgL(tank.pH(), tank.temperatureC());
      return new FreeAmmonia(
          test.at().toString(),
          test.standardValue(),
          AmmoniaSpeciation.freeShare(tank.pH(), tank.temperatureC()) * test.standardValue(),
          Ammonia.of(new Nitrogen(acute)).mgPerLitre());
    }
  }
}
