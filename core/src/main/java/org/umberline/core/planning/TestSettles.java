package org.umberline.core.planning;

import java.util.List;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.tank.Kit;
import org.umberline.core.tank.LogEntry;
import org.umberline.core.tank.TankModel;

/** How likely a test today is to turn the decision of this occasion round. */
final class TestSettles {
  private static final long SEED = 1;

  private final TankModel tank;
  private final Posterior posterior;
  private final Promise promise;

  TestSettles(TankModel tank, Posterior posterior, Promise promise) {
    this.tank = tank;
    this.posterior = posterior;
    this.promise = promise;
  }

  /**
   * @param occasion days until the keeper next has a hand in the tank
   * @return 0..1
   */
  double of(Nutrient nutrient, int occasion) {
    List<Posterior.Draw> draws = posterior.draws();
    boolean[] crosses = promise.overBy(PlannedChanges.NONE, occasion);
    double[] level = new double[draws.size()];
    double volume = posterior.scenario().volumeL();
    for (int i = 0; i < level.length; i++) {
      level[i] = nutrient.ion(Levels.elementMg(draws.get(i).state(), nutrient) / volume);
    }
    double accepted = 1 - tank.limits().confidence();
    return TestValue.of(kit(nutrient), level, crosses, accepted, SEED).settles();
  }

  /** The kit the keeper last read this with, or owns, or an unnamed one. */
  private Kit kit(Nutrient nutrient) {
    return tank.log().stream()
        .filter(e -> e instanceof LogEntry.Test test && test.analyte() == nutrient.analyte())
        .map(e -> tank.kitOf((LogEntry.Test) e))
        .reduce((earlier, later) -> later)
        .or(
            () ->
                tank.kits().stream().filter(kit -> kit.analyte() == nutrient.analyte()).findFirst())
        .orElseGet(() -> Kit.unnamed(nutrient.analyte()));
  }
}
