package org.umberline.core.calibration;

/** Told how far a long computation is; may stop it by throwing. */
@FunctionalInterface
public interface Progress {
  /** For whom nobody waits. */
  Progress NONE = share -> {};

  /**
   * @param share of the work that is done, 0..1, as far as can be told
   */
  void done(double share);

  /** The same, but never told less than before. Not to be shared between threads. */
  default Progress onwards() {
    double[] furthest = new double[1];
    return share -> {
      furthest[0] = Math.max(furthest[0], share);
      done(furthest[0]);
    };
  }
}
