package org.umberline.core.simulation;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.umberline.core.tank.Blend;
import org.umberline.core.tank.SourceWater;
import org.umberline.core.tank.TankModel;

/** The blends of source waters that come into a tank, each under an index. */
final class Blends {
  private final TankModel tank;
  private final List<Blend> all = new ArrayList<>();

  Blends(TankModel tank) {
    this.tank = tank;
  }

  /** The index of {@code blend}, a new one where it was not met before. */
  int index(Blend blend) {
    int index = all.indexOf(blend);
    if (index >= 0) {
      return index;
    }
    all.add(blend);
    return all.size() - 1;
  }

  /** Indexes of the waters in each blend. */
  int[][] waters() {
    List<String> ids = tank.waters().stream().map(SourceWater::id).toList();
    return all.stream()
        .map(b -> b.parts().stream().mapToInt(part -> ids.indexOf(part.water())).toArray())
        .toArray(int[][]::new);
  }

  /** Shares of the waters in each blend. */
  double[][] shares() {
    return all.stream()
        .map(b -> b.parts().stream().mapToDouble(Blend.Part::share).toArray())
        .toArray(double[][]::new);
  }

  /** Ammonia of each blend, mg N/L. */
  double[] ammonia() {
    return mixed(water -> water.ammonia().asNitrogen().mgPerLitre());
  }

  /** Nitrite of each blend, mg N/L. */
  double[] nitrite() {
    return mixed(water -> water.nitrite().asNitrogen().mgPerLitre());
  }

  private double[] mixed(ToDoubleFunction<SourceWater> level) {
    double[] mixed = new double[all.size()];
    for (int b = 0; b < mixed.length; b++) {
      for (Blend.Part part : all.get(b).parts()) {
        mixed[b] += part.share() * level.applyAsDouble(tank.waterById(part.water()));
      }
    }
    return mixed;
  }
}
