package org.umberline.core.calibration;

import org.umberline.core.tank.WaterKind;

/**
 * What is believed of a tank before its tests are seen. All are log-normal: a median and a standard
 * deviation of the logarithm. Widths: from memory, to be confirmed by hindcasts.
 */
final class Priors {
  /** Food is weighed badly and its label is a guess. */
  static final double NITROGEN_LOAD_SD = 0.35;

  /** Phosphorus in food is known worse than protein. */
  static final double PHOSPHORUS_LOAD_SD = 0.5;

  static final double UPTAKE_SD = 0.6;

  /** A stand is weighed seldom and wet. */
  static final double PLANT_MASS_SD = 0.4;

  /** What bacteria make of dosed carbon differs much: yield, oxygen, what else they live on. */
  static final double CARBON_SD = 0.8;

  /** How much phosphate a bottom holds depends on its grain and age. */
  static final double EXCHANGE_SD = 0.5;

  static final double DENITRIFICATION_SD = 0.7;

  /** What turns to gas without gear for it differs much from tank to tank. */
  static final double UNSEEN_DENITRIFICATION_SD = 0.8;

  /** What comes in unlisted where food is listed, mg N/L and mg P/L a day. Chosen. */
  static final double UNLISTED_NITROGEN = 0.005;

  static final double UNLISTED_PHOSPHORUS = 0.0005;

  /** The same where no food is listed: a tank is fed all the same. Chosen. */
  static final double UNFED_NITROGEN = 0.1;

  static final double UNFED_PHOSPHORUS = 0.012;
  static final double UNLISTED_SD = 1.2;

  /** Share of the dissolved phosphorus that goes for good a day. Chosen on synthetic tanks. */
  static final double PHOSPHORUS_LOSS = 0.008;

  static final double PHOSPHORUS_LOSS_SD = 1.2;

  /**
   * Where a whole series of readings would have to be blunders, what the make-up says of its
   * element is off by more than anybody thought: its widths times this. Chosen.
   */
  static final double DOUBT = 3;

  static final double NITRIFIER_GROWTH_SD = 0.25;

  /** Dissolved nitrogen at the first day of a log that starts late, mg/L NO3. */
  static double settledNitrateMgL(WaterKind water) {
    return water == WaterKind.MARINE ? 6 : 12;
  }

  /** Dissolved phosphorus at the first day of a log that starts late, mg/L PO4. */
  static double settledPhosphateMgL(WaterKind water) {
    return water == WaterKind.MARINE ? 0.08 : 0.5;
  }

  static final double SETTLED_SD = 1.2;

  /** A new tank holds what its water brought, at least this much, mg/L NO3 and mg/L PO4. */
  static final double NEW_NITRATE_MG_L = 0.5;

  static final double NEW_PHOSPHATE_MG_L = 0.02;
  static final double NEW_SD = 0.7;

  /** A water nobody measured, mg/L NO3 and mg/L PO4. */
  static final double UNKNOWN_WATER_NITRATE_MG_L = 1;

  static final double UNKNOWN_WATER_PHOSPHATE_MG_L = 0.03;
  static final double UNKNOWN_WATER_SD = 1.2;

  /**
   * The load wanders: standard deviation of its logarithm per square root of a week. About 4 % from
   * memory; a little more, chosen on synthetic tanks.
   */
  static final double DRIFT_PER_ROOT_WEEK = 0.06;

  /**
   * Ahead nitrate jumps by what nobody will write down (a change, a death, a filter): scale of the
   * logarithm per square root of a week. Chosen on synthetic tanks.
   */
  static final double NITRATE_JUMP_PER_ROOT_WEEK = 0.17;

  /** The same of phosphate, which rock and bed hold steadier. */
  static final double PHOSPHATE_JUMP_PER_ROOT_WEEK = 0.14;

  /**
   * A tank departs from its model by what nobody wrote down and by what no model holds: scale of
   * the logarithm that begins per square root of a week. Chosen on synthetic tanks.
   */
  static final double DEPARTURE_PER_ROOT_WEEK = 0.07;

  /** A departure fades with this time, days. Chosen. */
  static final double DEPARTURE_FADES_DAYS = 60;

  /**
   * A jump is mostly next to nothing and now and then a third: the shape of its logarithm for a
   * standard normal {@code z}, in units of its scale. Chosen on synthetic tanks.
   */
  static double jump(double z) {
    return 0.4 * z + 0.25 * z * z * z;
  }

  /**
   * Usual departures that count beside those a tank's own past shows. Chosen on synthetic tanks.
   */
  static final double UNREST_WEIGHT = 3;

  private Priors() {}
}
