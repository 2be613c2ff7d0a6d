package org.umberline.core.synthetic;

import static org.umberline.core.TankBuilder.WORKERS;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.tank.TankModel;

/**
 * Effective draws by way of keeping and the time a calibration takes: {@code first seed, seeds a
 * way, draws}, and {@code messy} for worse keepers.
 */
public final class EffectiveReport {
  private static final int[] AS_OF = {60, 120, 180, 209};

  private EffectiveReport() {}

  public static void main(String[] arguments) {
    long first = Long.parseLong(arguments[0]);
    int seeds = Integer.parseInt(arguments[1]);
    int draws = Integer.parseInt(arguments[2]);
    boolean messy = arguments.length > 3;
    List<Double> all = new ArrayList<>();
    long nanos = 0;
    for (SyntheticTank.Way way : SyntheticTank.Way.values()) {
      List<Double> effective = new ArrayList<>();
      for (long seed = first; seed < first + seeds; seed++) {
        TankModel tank = messy ? SyntheticTank.messy(way, seed) : SyntheticTank.of(way, seed);
        LocalDate start = tank.dayOf(tank.log().get(0).at().toInstant());
        for (int day : AS_OF) {
          LocalDate asOf = start.plusDays(day);
          TankModel known = SyntheticTank.upTo(asOf, tank);
          long before = System.nanoTime();
          Posterior posterior = Calibration.calibrate(known, asOf, 28, draws, 1, WORKERS);
          nanos += System.nanoTime() - before;
          effective.add(posterior.effectiveSamples());
        }
      }
      all.addAll(effective);
      print(way.name(), effective);
    }
    print("all", all);
    System.out.printf(
        Locale.ROOT, "%.0f ms a calibration of %d draws%n", nanos / 1e6 / all.size(), draws);
  }

  private static void print(String what, List<Double> effective) {
    double[] sorted = effective.stream().mapToDouble(e -> e).sorted().toArray();
    System.out.printf(
        Locale.ROOT,
        "%-20s effective draws: least %4.0f, a tenth under %4.0f, median %4.0f%n",
        what,
        sorted[0],
        sorted[sorted.length / 10],
        sorted[sorted.length / 2]);
  }
}
