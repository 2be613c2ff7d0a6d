package org.umberline.bench;

import java.time.Instant;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.umberline.core.calibration.Calibration;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.forecast.Forecast;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.forecast.Projection;
import org.umberline.core.planning.Advice;
import org.umberline.core.planning.Advisor;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Workers;
import org.umberline.core.tank.TankModel;

/** How long a keeper waits: a year of log, a hundred tests, 500 draws, 90 days ahead. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 3, time = 3)
public class AnswerBenchmark {
  private static final Workers WORKERS = Workers.ofAllProcessors();

  private final TankModel tank = SampleTank.tank();
  private final Posterior posterior = calibrate(1);

  /** Draws of one seed may be enough at once and those of another need a second batch. */
  private static final int SEEDS = 6;

  private int seed;

  private Posterior calibrate(long seed) {
    return Calibration.calibrate(
        tank, SampleTank.START.plusDays(SampleTank.DAYS), 90, Calibration.DRAWS, seed, WORKERS);
  }

  @Benchmark
  public Forecast calibrateAndForecast() {
    seed = seed % SEEDS + 1;
    Projection projection = Projection.of(calibrate(seed), 90, PlannedChanges.NONE);
    return Forecast.of(projection, Nutrient.NITRATE, tank.lines());
  }

  @Benchmark
  public Advice plan() {
    Instant now = tank.log().get(tank.log().size() - 1).at().toInstant();
    return new Advisor(tank, posterior, now).advise();
  }
}
