package org.umberline.server.demo;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Optional;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Learned;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.planning.RoutineOutlook;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.Routine;
import org.umberline.core.tank.TankModel;

/**
 * Works an invented tank out while the rest of the application starts, so that the code is compiled
 * before a keeper asks: the first routine tried would else take ten times as long as the next.
 */
public final class WarmUp {
  /** By then hardly anything is left to be compiled. Chosen by what the next one takes. */
  private static final int TIMES = 4;

  private static final LocalDate A_DAY = LocalDate.of(2026, 11, 25);

  private WarmUp() {}

  /** Begins in a thread of its own; nothing waits for it and nothing comes of it. */
  public static void begin() {
    begin(TIMES);
  }

  static void begin(int times) {
    Thread thread = new Thread(() -> run(times), "warm-up");
    thread.setDaemon(true);
    thread.start();
  }

  private static void run(int times) {
    TankModel tank = new Stillwater(A_DAY).grow();
    try (Workers workers = Workers.ofAllProcessors()) {
      workers.alone(
          () -> {
            for (int seed = 0; seed < times; seed++) {
              workOut(tank, seed, workers);
            }
          });
    }
  }

  private static void workOut(TankModel tank, int seed, Workers workers) {
    int days = Advisor.daysAhead(tank);
    Learned learned =
        Calibration.calibrate(tank, A_DAY, days, Calibration.DRAWS, seed, workers).learned();
    Posterior posterior = Calibration.again(tank, A_DAY, days, learned, workers);
    Advisor advisor = new Advisor(tank, posterior, A_DAY.atTime(12, 0).toInstant(ZoneOffset.UTC));
    Advice advice = advisor.advise();
    RoutineOutlook outlook = advisor.outlook(advice);
    outlook.projection(PlannedChanges.NONE, tank.limits().horizonDays());
    outlook.measures(Optional.of(new Routine(0.2, 7, A_DAY.plusDays(2))));
  }
}
