package org.umberline.core.balance;

import org.umberline.core.tank.SubstrateKind;

/**
 * Phosphate held by rock, sand and soil, in exchange with the water: this is why it springs back
 * within days of a water change.
 */
public final class PhosphateExchange {
  /** The pair of bound and dissolved phosphate relaxes at this rate, per day. From memory. */
  public static final double RATE_PER_DAY = 0.7;

  private PhosphateExchange() {}

  /** Bound over dissolved phosphate at rest. From memory; calibrated. */
  public static double ratio(SubstrateKind kind) {
    return switch (kind) {
      case BARE -> 0.2;
      case GRAVEL, SAND -> 1;
      case MARINE_ROCK_AND_SAND -> 4;
      case SOIL -> 8;
    };
  }
}
