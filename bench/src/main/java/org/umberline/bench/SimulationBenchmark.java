package org.umberline.bench;

import java.util.concurrent.TimeUnit;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.umberline.core.balance.Denitrification;
import org.umberline.core.balance.FeedNutrients;
import org.umberline.core.balance.Nitrification;
import org.umberline.core.balance.PhosphateExchange;
import org.umberline.core.balance.PlantGrowth;
import org.umberline.core.balance.WasteSolids;
import org.umberline.core.simulation.Multipliers;
import org.umberline.core.simulation.PlannedChanges;
import org.umberline.core.simulation.Scenario;
import org.umberline.core.simulation.TankSimulator;
import org.umberline.core.simulation.TankState;
import org.umberline.core.simulation.Trace;
import org.umberline.core.tank.PlantStand;
import org.umberline.core.tank.TankModel;

/**
 * Our stepping beside Hipparchus' Dormand-Prince 8(5,3) on the same rates, 90 days without events,
 * day by day, at a tolerance that leaves the general integrator no more exact than ours.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 3, time = 2)
public class SimulationBenchmark {
  private static final int DAYS = 90;
  private static final double TOLERANCE = 1e-3;

  private final TankModel tank = SampleTank.tank().withLog(java.util.List.of());
  private final Scenario scenario =
      Scenario.of(tank, SampleTank.START, SampleTank.START.plusDays(DAYS - 1), 0);
  private final Multipliers multipliers = scenario.multipliers();
  private final TankSimulator simulator = new TankSimulator(scenario);
  private final TankState state = new TankState(scenario);
  private final Trace trace = new Trace(scenario);

  @Benchmark
  public double ours() {
    scenario.start(state, multipliers, 4, 0.3);
    simulator.run(state, 0, DAYS, multipliers, PlannedChanges.NONE, trace);
    return trace.nitrate[DAYS - 1];
  }

  @Benchmark
  public double dormandPrince() {
    scenario.start(state, multipliers, 4, 0.3);
    double[] y = {
      state.nitrateMg(),
      state.phosphorusMg(),
      state.wasteNitrogenMg(),
      state.wastePhosphorusMg(),
      state.plantDryG(0),
      state.plantDryG(1),
      state.boundPhosphorusMg(),
      state.ammoniaMg(),
      state.nitriteMg(),
      state.ammoniaOxidisersMgPerDay(),
      state.nitriteOxidisersMgPerDay()
    };
    DormandPrince853Integrator integrator =
        new DormandPrince853Integrator(1e-6, 1, TOLERANCE, TOLERANCE);
    Rates rates = new Rates();
    for (int day = 0; day < DAYS; day++) {
      y = integrator.integrate(rates, new ODEState(day, y), day + 1).getPrimaryState();
    }
    return y[0] / scenario.volumeL();
  }

  private final class Rates implements OrdinaryDifferentialEquation {
    private final double mineralisation = WasteSolids.mineralisationPerDay(tank.temperatureC());
    private final double celsius = tank.temperatureC();
    private final FeedNutrients food = scenario.foodOf(0);
    private final double ratio = PhosphateExchange.ratio(tank.substrate().kind());

    @Override
    public int getDimension() {
      return 11;
    }

    @Override
    public double[] computeDerivatives(double t, double[] y) {
      double volume = scenario.volumeL();
      double limit = PlantGrowth.nutrientLimit((y[0] + y[7]) / volume, y[1] / volume);
      double binds = PhosphateExchange.RATE_PER_DAY * (ratio * y[1] - y[6]) / (1 + ratio);
      double ammoniaOxidised =
          y[9] * y[7] / (Nitrification.HALF_SATURATION_AMMONIA_MG_L * volume + y[7]);
      double nitriteOxidised =
          y[10] * y[8] / (Nitrification.HALF_SATURATION_NITRITE_MG_L * volume + y[8]);
      double preferred = PlantGrowth.AMMONIA_PREFERENCE * y[7];
      double fromAmmonia = preferred / (preferred + y[0]);
      double[] d = {
        nitriteOxidised - Denitrification.UNSEEN_PER_DAY * y[0],
        food.phosphorusDissolved() + mineralisation * y[3] - binds,
        food.nitrogenSolid() - mineralisation * y[2],
        food.phosphorusSolid() - mineralisation * y[3],
        0,
        0,
        binds,
        food.nitrogenDissolved() + mineralisation * y[2] - ammoniaOxidised,
        ammoniaOxidised - nitriteOxidised,
        Nitrification.ammoniaGrowthPerDay(celsius) * ammoniaOxidised
            - Nitrification.DECAY_PER_DAY * y[9],
        Nitrification.nitriteGrowthPerDay(celsius) * nitriteOxidised
            - Nitrification.DECAY_PER_DAY * y[10]
      };
      for (int j = 0; j < 2; j++) {
        PlantStand plant = tank.plants().get(j);
        double most = plant.maxWetMassG() * plant.dryMatterPercent() / 100;
        double growth =
            PlantGrowth.ratePerDay(plant.doublingDays())
                * limit
                * Math.max(0, 1 - y[4 + j] / most)
                * y[4 + j];
        double decay = PlantGrowth.DECAY_PER_DAY * y[4 + j];
        double nitrogen = growth * plant.nitrogenPercentDry() * 10;
        d[0] -= (1 - fromAmmonia) * nitrogen;
        d[7] -= fromAmmonia * nitrogen;
        d[1] -= growth * plant.phosphorusPercentDry() * 10;
        d[2] += decay * plant.nitrogenPercentDry() * 10;
        d[3] += decay * plant.phosphorusPercentDry() * 10;
        d[4 + j] = growth - decay;
      }
      return d;
    }
  }
}
