package org.umberline.core.balance;

/** Logistic growth of a stand of plants, limited by the scarcer of nitrogen and phosphorus. */
public final class PlantGrowth {
  /** Nitrogen at which growth is half of its most, mg N/L. From memory. */
  public static final double HALF_SATURATION_NITROGEN_MG_L = 0.1;

  /** Phosphorus at which growth is half of its most, mg P/L. From memory. */
  public static final double HALF_SATURATION_PHOSPHORUS_MG_L = 0.01;

  /**
   * How much rather plants take ammonia than nitrate: at equal concentrations this many times as
   * much. Ammonia first: textbook; the figure chosen.
   */
  public static final double AMMONIA_PREFERENCE = 100;

  /** Share of a stand that dies off a day and becomes waste. From memory. */
  public static final double DECAY_PER_DAY = 0.005;

  /**
   * The largest share of a stand that a harvest takes: whoever logs more had a larger stand than
   * the model believes, and left some of it. Chosen, no source.
   */
  public static final double MOST_HARVESTED = 0.7;

  private PlantGrowth() {}

  /** Greatest specific growth, per day, of a stand that doubles in {@code doublingDays}. */
  public static double ratePerDay(double doublingDays) {
    return Math.log(2) / doublingDays;
  }

  /** How far the nutrients let plants grow, 0..1. Concentrations in mg of the element per litre. */
  public static double nutrientLimit(double nitrogenMgL, double phosphorusMgL) {
    return Math.min(
        nitrogenMgL / (HALF_SATURATION_NITROGEN_MG_L + nitrogenMgL),
        phosphorusMgL / (HALF_SATURATION_PHOSPHORUS_MG_L + phosphorusMgL));
  }

  /**
   * Mass after {@code days} of unlimited logistic growth less die-off, from {@code mass} towards at
   * most {@code greatest}; same unit as {@code mass}.
   */
  public static double grown(double mass, double greatest, double ratePerDay, double days) {
    double net = ratePerDay - DECAY_PER_DAY;
    if (mass <= 0 || net <= 0) {
      return mass * Math.exp(net * days);
    }
    double rest = greatest * net / ratePerDay;
    return rest / (1 + (rest / mass - 1) * Math.exp(-net * days));
  }
}
