package org.umberline.core.judging;

import java.util.ArrayList;
import java.util.List;
import org.umberline.core.chemistry.Normalised;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/**
 * A nitrate or phosphate test put right by the salinity measured on the same day, in tanks that are
 * kept at one.
 *
 * @param measuredPpt salinity of the day
 * @param normalised the reading at the salinity the tank is kept at, in the standard unit
 */
public record NormalisedTest(LogEntry.Test test, double measuredPpt, double normalised) {
  /** A tank fresher than this is not kept at a salinity, ppt. Chosen. */
  private static final double SALTED_PPT = 2;

  /** Every test with a salinity beside it. */
  public static List<NormalisedTest> of(TankModel tank) {
    List<NormalisedTest> tests = new ArrayList<>();
    if (tank.salinityPpt() < SALTED_PPT) {
      return tests;
    }
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Test test
          && (test.analyte() == Analyte.NITRATE || test.analyte() == Analyte.PHOSPHATE)) {
        for (LogEntry other : tank.log()) {
          if (other instanceof LogEntry.Test salinity
              && salinity.analyte() == Analyte.SALINITY
              && salinity.value() > 0
              && tank.dayOf(salinity.at().toInstant()).equals(tank.dayOf(test.at().toInstant()))) {
            double measured = salinity.standardValue();
            tests.add(
                new NormalisedTest(
                    test,
                    measured,
                    Normalised.toSalinity(test.standardValue(), measured, tank.salinityPpt())));
            break;
          }
        }
      }
    }
    return List.copyOf(tests);
  }
}
