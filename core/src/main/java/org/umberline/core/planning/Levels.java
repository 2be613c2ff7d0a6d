package org.umberline.core.planning;

import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import java.util.function.ToDoubleFunction;
import org.umberline.core.calibration.Posterior;
import org.umberline.core.calibration.Quantiles;
import org.umberline.core.forecast.Nutrient;
import org.umberline.core.simulation.TankState;
import org.umberline.core.tank.Lines;
import org.umberline.core.tank.TankModel;

/** What tank and change water are believed to hold: medians of the draws, mg/L of the ion. */
public final class Levels {
  /** Share of a ceiling that is well under it. Chosen. */
  private static final double WELL_UNDER = 0.9;

  private final TankModel tank;
  private final Posterior posterior;

  public Levels(TankModel tank, Posterior posterior) {
    this.tank = tank;
    this.posterior = posterior;
  }

  /** The tank at the end of the as-of day. */
  public double now(Nutrient nutrient) {
    double volume = posterior.scenario().volumeL();
    return nutrient.ion(median(draw -> elementMg(draw.state(), nutrient) / volume));
  }

  /** Share of the draws whose level, mg/L of the ion at the end of the as-of day, is so. */
  public double chance(Nutrient nutrient, DoublePredicate is) {
    return chance(
        (nitrate, phosphate) -> is.test(nutrient == Nutrient.NITRATE ? nitrate : phosphate));
  }

  /** Says something of both nutrients, mg/L of the ion. */
  public interface Both {
    boolean is(double nitrate, double phosphate);
  }

  /** Share of the draws of which something is so at the end of the as-of day. */
  public double chance(Both both) {
    double volume = posterior.scenario().volumeL();
    long so =
        posterior.draws().stream()
            .filter(
                draw ->
                    both.is(
                        Nutrient.NITRATE.ion(elementMg(draw.state(), Nutrient.NITRATE) / volume),
                        Nutrient.PHOSPHATE.ion(
                            elementMg(draw.state(), Nutrient.PHOSPHATE) / volume)))
            .count();
    return so / (double) posterior.draws().size();
  }

  static double elementMg(TankState state, Nutrient nutrient) {
    return nutrient == Nutrient.NITRATE ? state.nitrateMg() : state.phosphorusMg();
  }

  /**
   * How many changes of {@code share} thin what is in the water to well under every ceiling that
   * the change water is under; at least one.
   */
  int changesDownTo(Lines lines, double share) {
    double most = 1;
    for (Nutrient nutrient : Nutrient.values()) {
      OptionalDouble ceiling = nutrient.line(lines).ceilingMgL();
      double source = ofChangeWater(nutrient);
      double over = ceiling.isPresent() ? WELL_UNDER * ceiling.getAsDouble() - source : 0;
      double now = now(nutrient) - source;
      if (over > 0 && now > over && share > 0) {
        most = Math.max(most, share < 1 ? Math.log(over / now) / Math.log(1 - share) : 1);
      }
    }
    return (int) Math.ceil(most);
  }

  /** The change water. */
  public double ofChangeWater(Nutrient nutrient) {
    return median(
        draw ->
            SingleChange.source(
                tank,
                nutrient,
                nutrient == Nutrient.NITRATE
                    ? draw.multipliers().waterNitrateMgL
                    : draw.multipliers().waterPhosphorusMgL));
  }

  private double median(ToDoubleFunction<Posterior.Draw> of) {
    double[] sample = posterior.draws().stream().mapToDouble(of).toArray();
    Quantiles.sort(sample);
    return Quantiles.of(sample, 0.5);
  }

  /** Whether the change water is at or over the nutrient's ceiling. */
  boolean sourceTooRich(Nutrient nutrient) {
    OptionalDouble ceiling = nutrient.line(tank.lines()).ceilingMgL();
    return ceiling.isPresent() && ofChangeWater(nutrient) >= ceiling.getAsDouble();
  }
}
