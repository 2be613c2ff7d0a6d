package org.umberline.core.balance;

/** What animals are made of and give off. From memory, aquaculture range. */
public final class AnimalBody {
  /** mg N per g of wet mass. */
  public static final double NITROGEN_MG_PER_G = 26;

  /** mg P per g of wet mass. */
  public static final double PHOSPHORUS_MG_PER_G = 4.5;

  /** Share of a corpse that dissolves per day, first order. */
  public static final double DECAY_PER_DAY = 0.5;

  /** mg of ammonia N that a fasting animal gives off per g of its mass and day. */
  public static final double FASTING_NITROGEN_MG_PER_G_DAY = 0.060;

  private AnimalBody() {}

  /** Share of a corpse that dissolves between {@code from} and {@code to} days after death. */
  public static double decayed(double from, double to) {
    return Math.exp(-DECAY_PER_DAY * from) - Math.exp(-DECAY_PER_DAY * to);
  }
}
