package org.umberline.core.judging;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.umberline.core.balance.UnplantedAlgae;
import org.umberline.core.calibration.TestLikelihood;
import org.umberline.core.tank.Analyte;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.Qualifier;
import org.umberline.core.tank.TankModel;

/**
 * A reading of nothing beside plants or algae: what came in is taken up, not absent (common
 * practice, no source).
 *
 * @param because what takes it up, in words
 */
public record FalseZero(LogEntry.Test test, String because) {
  /** Every nitrate and phosphate reading of nothing while something grows. */
  public static List<FalseZero> of(TankModel tank) {
    List<FalseZero> zeros = new ArrayList<>();
    for (LogEntry entry : tank.log()) {
      if (entry instanceof LogEntry.Test test && isZero(tank, test)) {
        if (algaeSeen(tank, test)) {
          zeros.add(new FalseZero(test, "algae were seen around then"));
        } else if (tank.plants().stream()
            .anyMatch(p -> p.span().contains(tank.dayOf(test.at().toInstant())))) {
          zeros.add(new FalseZero(test, "plants were growing then"));
        }
      }
    }
    return List.copyOf(zeros);
  }

  private static boolean isZero(TankModel tank, LogEntry.Test test) {
    if (test.analyte() != Analyte.NITRATE && test.analyte() != Analyte.PHOSPHATE) {
      return false;
    }
    Kit kit = tank.kitOf(test);
    TestLikelihood reading = TestLikelihood.of(test, kit);
    return switch (reading.use()) {
      case BELOW -> true;
      case ABOVE -> false;
      case BETWEEN -> reading.lowest() == 0;
      case EXACT -> test.qualifier() == Qualifier.EQUAL && test.standardValue() <= reading.error();
    };
  }

  private static boolean algaeSeen(TankModel tank, LogEntry.Test test) {
    return tank.log().stream()
        .filter(LogEntry.Observation.class::isInstance)
        .map(LogEntry.Observation.class::cast)
        .filter(seen -> seen.severity() > 0 && UnplantedAlgae.isAlgae(seen.sign()))
        .anyMatch(
            seen ->
                Math.abs(Duration.between(seen.at().toInstant(), test.at().toInstant()).toDays())
                    <= UnplantedAlgae.SEEN_DAYS);
  }
}
