package org.umberline.core.calibration;

import java.util.stream.IntStream;

/**
 * Coordinates in which tests tell about as much of an unknown wherever it is. An unknown that is a
 * small part of a sum (what is lost to mud, say) is hardly told of while it is small and sharply
 * once it is large: in its own coordinate the posterior is many times narrower there, too narrow
 * for the steps of a {@link Walk}. Around the middle both coordinates run alike.
 */
final class Evened {
  /** After a step as short as this the coordinate is found again to a millionth. */
  private static final double FOUND = 1e-3;

  private static final int NEWTON_STEPS = 60;

  private final double[] middle;
  private final double[] sd;
  private final double[] sharpness;
  private final double[] share;

  /** Coordinates that differ; the others stay as they are. */
  private final int[] which;

  /**
   * @param middle where both coordinates run alike
   * @param sd standard deviation of the logarithm of what each coordinate stands for
   * @param sharpness how much more sharply the tests tell of each than the prior does, in the
   *     middle; 0 for coordinates that stay as they are
   * @param share of the sum that each is part of, in the middle, above 0 to 1
   */
  Evened(double[] middle, double[] sd, double[] sharpness, double[] share) {
    this.middle = middle;
    this.sd = sd;
    this.sharpness = sharpness;
    this.share = share;
    which = IntStream.range(0, sharpness.length).filter(j -> sharpness[j] != 0).toArray();
  }

  /** Fills {@code even} with the point whose unknowns are {@code z}. */
  void fromUnknowns(double[] z, double[] even) {
    System.arraycopy(z, 0, even, 0, z.length);
    for (int j : which) {
      double away = z[j] - middle[j];
      double part = Math.log(sum(j, Math.exp(sd[j] * away))) / (sd[j] * share[j]);
      even[j] = middle[j] + (away + sharpness[j] * part) / (1 + sharpness[j]);
    }
  }

  /**
   * Finds the unknowns of a point, by Newton's method.
   *
   * @param z where to look first; is filled
   */
  void toUnknowns(double[] even, double[] z) {
    for (int j = 0, w = 0; j < z.length; j++) {
      if (w == which.length || which[w] != j) {
        z[j] = even[j];
        continue;
      }
      w++;
      double sharp = sharpness[j];
      double part = sd[j] * share[j];
      double wanted = (even[j] - middle[j]) * (1 + sharp);
      double away = z[j] - middle[j];
      double step = 1;
      for (int i = 0; i < NEWTON_STEPS && Math.abs(step) > FOUND; i++) {
        double grown = Math.exp(sd[j] * away);
        double sum = sum(j, grown);
        step = (wanted - away - sharp * Math.log(sum) / part) / (1 + sharp * grown / sum);
        step = Math.max(-1, Math.min(1, step));
        away += step;
      }
      z[j] = middle[j] + away;
    }
  }

  /** Logarithm of how many times more room there is in these coordinates than among unknowns. */
  double logRoom(double[] z) {
    double room = 1;
    for (int j : which) {
      room *= slope(j, Math.exp(sd[j] * (z[j] - middle[j])));
    }
    return Math.log(room);
  }

  /**
   * Turns the slopes of a density's logarithm by unknown into those by even coordinate, of the
   * density among these.
   */
  void turn(double[] z, double[] gradient) {
    for (int j : which) {
      double grown = Math.exp(sd[j] * (z[j] - middle[j]));
      double sum = sum(j, grown);
      double sharp = sharpness[j] * grown / sum;
      double bend = sd[j] * (1 - share[j]) / sum * sharp / (1 + sharp);
      gradient[j] = (gradient[j] - bend) * (1 + sharpness[j]) / (1 + sharp);
    }
  }

  /** The sum that {@code j} is part of, times what it is in the middle. */
  private double sum(int j, double grown) {
    return 1 - share[j] + share[j] * grown;
  }

  /** How fast the even coordinate runs beside the unknown. */
  private double slope(int j, double grown) {
    return (1 + sharpness[j] * grown / sum(j, grown)) / (1 + sharpness[j]);
  }
}
