package org.umberline.core.balance;

import org.umberline.core.tank.Food;
import org.umberline.core.tank.FoodForm;

/** Where the nitrogen and phosphorus of a feed go, all in mg of the element. */
public record FeedNutrients(
    double nitrogenDissolved,
    double nitrogenSolid,
    double nitrogenKept,
    double phosphorusDissolved,
    double phosphorusSolid,
    double phosphorusKept) {
  /**
   * g of crude protein per g of nitrogen: the Kjeldahl factor (AOAC; FAO Food and Nutrition 77,
   * 2003).
   */
  public static final double PROTEIN_PER_NITROGEN = 6.25;

  /** Share of nitrogen that thawed and strained food loses with the juice. From memory. */
  static final double NITROGEN_LOST_WITH_JUICE = 0.20;

  /** Share of phosphorus that thawed and strained food loses with the juice. From memory. */
  static final double PHOSPHORUS_LOST_WITH_JUICE = 0.30;

  /** Share of excreted nitrogen that is dissolved ammonia; the rest is faeces. From memory. */
  static final double NITROGEN_EXCRETED_DISSOLVED = 0.80;

  /** Share of excreted phosphorus that is dissolved; the rest is faeces. From memory. */
  static final double PHOSPHORUS_EXCRETED_DISSOLVED = 0.35;

  private static final double MG_PER_G = 1000;

  public static final FeedNutrients NONE = new FeedNutrients(0, 0, 0, 0, 0, 0);

  /**
   * Splits {@code grams} of {@code food} as fed.
   *
   * @param uneatenFraction share nothing eats, 0..1
   * @param kept what the animals of the tank keep of what they eat
   */
  public static FeedNutrients of(Food food, double grams, double uneatenFraction, Retention kept) {
    boolean strained = food.rinsed() && food.form() == FoodForm.FROZEN;
    double nitrogen =
        grams
            * food.proteinPercent()
            / 100
            / PROTEIN_PER_NITROGEN
            * MG_PER_G
            * (strained ? 1 - NITROGEN_LOST_WITH_JUICE : 1);
    double phosphorus =
        grams
            * food.phosphorusPercent()
            / 100
            * MG_PER_G
            * (strained ? 1 - PHOSPHORUS_LOST_WITH_JUICE : 1);
    double eaten = 1 - uneatenFraction;
    double nitrogenKept = kept.nitrogen() * eaten * nitrogen;
    double phosphorusKept = kept.phosphorus() * eaten * phosphorus;
    double nitrogenExcreted = eaten * nitrogen - nitrogenKept;
    double phosphorusExcreted = eaten * phosphorus - phosphorusKept;
    return new FeedNutrients(
        NITROGEN_EXCRETED_DISSOLVED * nitrogenExcreted,
        (1 - NITROGEN_EXCRETED_DISSOLVED) * nitrogenExcreted + uneatenFraction * nitrogen,
        nitrogenKept,
        PHOSPHORUS_EXCRETED_DISSOLVED * phosphorusExcreted,
        (1 - PHOSPHORUS_EXCRETED_DISSOLVED) * phosphorusExcreted + uneatenFraction * phosphorus,
        phosphorusKept);
  }

  /** Everything {@code grams} of {@code food} hold, nothing eaten and nothing kept. */
  public static FeedNutrients whole(Food food, double grams) {
    return of(food, grams, 0, new Retention(0, 0));
  }

  /** Everything the feed brought, mg N. */
  public double nitrogen() {
    return nitrogenDissolved + nitrogenSolid + nitrogenKept;
  }

  /** Everything the feed brought, mg P. */
  public double phosphorus() {
    return phosphorusDissolved + phosphorusSolid + phosphorusKept;
  }

  public FeedNutrients plus(FeedNutrients other) {
    return new FeedNutrients(
        nitrogenDissolved + other.nitrogenDissolved,
        nitrogenSolid + other.nitrogenSolid,
        nitrogenKept + other.nitrogenKept,
        phosphorusDissolved + other.phosphorusDissolved,
        phosphorusSolid + other.phosphorusSolid,
        phosphorusKept + other.phosphorusKept);
  }
}
