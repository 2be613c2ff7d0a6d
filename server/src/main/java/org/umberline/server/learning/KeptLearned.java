package org.umberline.server.learning;

import java.nio.ByteBuffer;
import java.nio.DoubleBuffer;
import java.util.Set;
import org.umberline.core.calibration.Learned;
import org.umberline.core.tank.Analyte;

/**
 * What was learned of a tank as it is kept in the database.
 *
 * @param unknowns coordinates of a draw
 * @param points those of all draws, one draw after the other, as doubles
 */
record KeptLearned(
    int unknowns, byte[] points, double effectiveSamples, Set<Analyte> doubted, long seed) {
  static KeptLearned of(Learned learned) {
    double[][] points = learned.points();
    int unknowns = points[0].length;
    ByteBuffer bytes = ByteBuffer.allocate(points.length * unknowns * Double.BYTES);
    for (double[] point : points) {
      for (double coordinate : point) {
        bytes.putDouble(coordinate);
      }
    }
    return new KeptLearned(
        unknowns, bytes.array(), learned.effectiveSamples(), learned.doubted(), learned.seed());
  }

  Learned learned() {
    DoubleBuffer coordinates = ByteBuffer.wrap(points).asDoubleBuffer();
    double[][] draws = new double[coordinates.remaining() / unknowns][unknowns];
    for (double[] draw : draws) {
      coordinates.get(draw);
    }
    return new Learned(draws, effectiveSamples, doubted, seed);
  }
}
